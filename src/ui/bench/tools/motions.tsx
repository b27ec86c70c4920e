'use client';
import { useSyncExternalStore } from 'react';

/** What a hand does with a tool, on a field of 100 x 52: what lies there, the way of the hand, and what comes of it. */
export interface Motion {
  lies?: string;
  hand: string;
  /** Grows along with the hand. */
  makes: string;
}

const SECONDS = 2.6;
const CALM = '(prefers-reduced-motion: reduce)';
const watchCalm = (changed: () => void): (() => void) => {
  const media = matchMedia(CALM);
  media.addEventListener('change', changed);
  return () => media.removeEventListener('change', changed);
};

/** The picture of a tool at work; at rest, with all that was made, for those who want nothing to move. */
export function MotionPicture({ motion }: { motion: Motion }) {
  const calm = useSyncExternalStore(
    watchCalm,
    () => matchMedia(CALM).matches,
    () => true,
  );
  const repeat = { dur: `${SECONDS}s`, repeatCount: 'indefinite' } as const;
  return (
    <svg viewBox="0 0 100 52" aria-hidden="true" className="h-[88px] w-full rounded-sm bg-paper" data-moving={!calm}>
      {motion.lies && <path d={motion.lies} fill="none" stroke="#9aa5a1" strokeWidth="1.4" />}
      <path d={motion.makes} pathLength={1} fill="none" stroke="#0b5563" strokeWidth="2.2" strokeLinecap="round" strokeDasharray="1">
        {!calm && <animate attributeName="stroke-dashoffset" values="1;0;0" keyTimes="0;0.75;1" {...repeat} />}
      </path>
      {!calm && (
        <g>
          <path d="M0,0 V12 L3.2,9.2 L5.4,13.6 L7.4,12.6 L5.2,8.4 L9,8 Z" fill="#1d282c" stroke="#fff" strokeWidth="0.8" />
          <animateMotion path={motion.hand} keyPoints="0;1;1" keyTimes="0;0.75;1" calcMode="linear" {...repeat} />
        </g>
      )}
    </svg>
  );
}
