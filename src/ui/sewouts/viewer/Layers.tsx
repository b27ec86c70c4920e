import { useState, type ReactNode } from 'react';
import { SliderBar } from '../../components/SliderBar';
import type { OverWay } from '@/session/sewouts/photoLookStore';
import type { LaidView } from '@/session/sewouts/sewoutStore';
import { Bitmap } from './Bitmap';
import { useBlink } from './useBlink';

export type LayerKey = 'photo' | 'plan' | 'foreseen';
export const LAYER_WORDS: Record<LayerKey, string> = { photo: 'Photo', plan: 'Planned', foreseen: 'Foreseen' };

interface Props {
  view: LaidView;
  above: LayerKey;
  below: LayerKey;
  way: OverWay;
  /** Pixels of the screen to a mm; as large as there is room when null. */
  size: number | null;
  /** The hand does something else than moving the slider. */
  held: boolean;
  children: ReactNode;
}

/** Two pictures over one another: parted by a bar, one after the other, or what differs between them. */
export function Layers({ view, above, below, way, size, held, children }: Props) {
  const [at, setAt] = useState(50);
  const on = useBlink(way === 'blink');
  const { box, perMm } = view;
  const [w, h] = [(box.maxX - box.minX) * perMm, (box.maxY - box.minY) * perMm];
  const style = size === null ? { width: `min(100%, calc(${(w / h).toFixed(4)} * (100vh - 260px)))` } : { width: (w / perMm) * size };
  return (
    <div
      className="relative shrink-0 overflow-hidden rounded-md border border-ink/40 bg-white"
      style={{ ...style, aspectRatio: `${w} / ${h}` }}
      data-way={way}
    >
      <Bitmap of={view[below] ?? view.plan} name={LAYER_WORDS[below]} />
      <div
        className="absolute inset-0"
        style={{
          ...(way === 'slider' ? { clipPath: `inset(0 ${100 - at}% 0 0)` } : {}),
          ...(way === 'difference' ? { mixBlendMode: 'difference' } : {}),
          ...(way === 'blink' && !on ? { visibility: 'hidden' } : {}),
        }}
        data-clip={way === 'slider' ? at : undefined}
      >
        <Bitmap of={view[above] ?? view.foreseen} name={LAYER_WORDS[above]} />
      </div>
      {way === 'slider' && (
        <>
          <Label text={LAYER_WORDS[above]} side="left" />
          <Label text={LAYER_WORDS[below]} side="right" />
          <SliderBar at={at} label={`How much of ‘${LAYER_WORDS[above]}’ is shown`} held={held} onMove={setAt} />
        </>
      )}
      {way === 'blink' && <Label text={LAYER_WORDS[on ? above : below]} side="left" />}
      {children}
    </div>
  );
}

const Label = ({ text, side }: { text: string; side: 'left' | 'right' }) => (
  <span className={`absolute top-2 rounded-md border border-ink/50 bg-panel px-1.5 text-xs ${side === 'left' ? 'left-2' : 'right-2'}`}>
    {text}
  </span>
);
