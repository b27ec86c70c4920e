'use client';
import { useEffect, useRef, useState } from 'react';
import { useShown } from '@/session/view/shownStore';
import { usePlan } from '@/session/derived/planStore';

const REST_MS = 120;
/** A picture that takes longer is not waited for. */
const PICTURE_MS = 1500;

/**
 * Something of the plan that follows it once the cloth shows it, but waits for rest while plans come in quick succession, as they do
 * while a shape is dragged: what need not follow the hand leaves the time to what must. Where there was nothing it follows at once.
 */
export function useRested<T>(value: T): T {
  const [shown, setShown] = useState(value);
  const last = useRef(0);
  useEffect(() => {
    const now = performance.now();
    const quick = now - last.current < 2 * REST_MS;
    last.current = now;
    const follow = (): void => setShown(() => value);
    if (!value) return after(0, follow);
    return quick ? after(REST_MS, follow) : oncePictured(follow);
  }, [value]);
  return value && shown ? shown : value;
}

function after(ms: number, then: () => void): () => void {
  const timer = setTimeout(then, ms);
  return () => clearTimeout(timer);
}

/** @returns how to give up waiting */
function oncePictured(then: () => void): () => void {
  const { version } = usePlan.getState();
  const pictured = (): boolean => useShown.getState().version >= version;
  if (pictured()) return after(0, then);
  const giveUp = after(PICTURE_MS, done);
  const stop = useShown.subscribe(() => (pictured() ? done() : undefined));
  function done(): void {
    end();
    then();
  }
  function end(): void {
    stop();
    giveUp();
  }
  return end;
}
