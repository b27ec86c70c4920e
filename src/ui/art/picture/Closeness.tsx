import { Slider } from 'radix-ui';
import { lengthText } from '@/session/view/unitsStore';
import { useState } from 'react';

export const USUAL_TOLERANCE_MM = 0.05;
const TOLERANCES_MM = [0.02, 0.03, 0.05, 0.08, 0.12, 0.2, 0.3, 0.45] as const;

/** From shapes that follow the picture closely to simple ones. */
export function Closeness({ mm, onCommit }: { mm: number; onCommit(mm: number): void }) {
  const nearest = TOLERANCES_MM.reduce((best, t, i) => (Math.abs(t - mm) < Math.abs(TOLERANCES_MM[best]! - mm) ? i : best), 0);
  return (
    <Sliding
      ends={['Faithful', 'Simple']}
      name="How simple the shapes are"
      title={(i) => `Shapes lie within ${lengthText(TOLERANCES_MM[i]!, 2)} of the picture’s edges`}
      value={nearest}
      most={TOLERANCES_MM.length - 1}
      word={(i) => `${lengthText(TOLERANCES_MM[i]!, 2)}`}
      onCommit={(i) => onCommit(TOLERANCES_MM[i]!)}
    />
  );
}

interface SlidingProps {
  ends: readonly [string, string];
  name: string;
  title(i: number): string;
  word(i: number): string;
  value: number;
  most: number;
  onCommit(i: number): void;
}

/** One of some values in a row, by a knob. */
export function Sliding({ ends, name, title, word, value, most, onCommit }: SlidingProps) {
  const [drawn, setDrawn] = useState<number | null>(null);
  const at = drawn ?? value;
  return (
    <div className="min-w-0 flex-1" title={title(at)}>
      <p className="flex justify-between text-quiet">
        <span>{ends[0]}</span> <span className="figures">{word(at)}</span> <span>{ends[1]}</span>
      </p>
      <Slider.Root
        className="relative flex h-8 items-center"
        min={0}
        max={most}
        step={1}
        value={[at]}
        onValueChange={([v]) => setDrawn(v!)}
        onValueCommit={([v]) => {
          setDrawn(null);
          if (v !== value) onCommit(v!);
        }}
      >
        <Slider.Track className="relative h-1 grow rounded-full bg-edge">
          <Slider.Range className="absolute h-full rounded-full bg-ink" />
        </Slider.Track>
        <Slider.Thumb
          aria-label={name}
          className="block h-4 w-4 rounded-full border border-ink bg-white focus-visible:outline-2 focus-visible:outline-offset-2"
        />
      </Slider.Root>
    </div>
  );
}
