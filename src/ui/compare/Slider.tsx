'use client';
import { useEffect, useState } from 'react';
import { HEAT_STEPS } from '@/core/render/heat';
import type { Compared } from '@/workers/protocol/engine';
import { SliderBar } from '../components/SliderBar';
import { css, stepWords } from '../components/heatWords';
import { chooseByArrows, onTabWay } from '../components/arrowKeys';

const LOOKS = [
  { key: 'sewn', name: 'Thread' },
  { key: 'weight', name: 'Weight' },
] as const;
type Look = (typeof LOOKS)[number]['key'];

interface Props {
  result: Compared;
  left: string;
  right: string;
}

/** Both pictures over each other; what lies left of the bar is the left one. */
export function Slider({ result, left, right }: Props) {
  const [look, setLook] = useState<Look>('sewn');
  const [at, setAt] = useState(50);
  const a = useUrl(result.a[look]);
  const b = useUrl(result.b[look]);
  return (
    <section aria-label="Pictures" className="min-w-0">
      <div className="mb-2 flex items-center gap-2">
        <span className="min-w-0 flex-1 truncate">{left}</span>
        <div role="radiogroup" aria-label="Look" onKeyDown={chooseByArrows} className="flex overflow-hidden rounded-md border border-edge">
          {LOOKS.map(({ key, name }) => (
            <button
              key={key}
              type="button"
              role="radio"
              aria-checked={look === key}
              tabIndex={onTabWay(look === key)}
              onClick={() => setLook(key)}
              className={`h-6 px-3 ${look === key ? 'bg-tape font-semibold' : 'bg-panel hover:bg-tape-soft'}`}
            >
              {name}
            </button>
          ))}
        </div>
        <span className="min-w-0 flex-1 truncate text-right">{right}</span>
      </div>
      <div className="relative overflow-hidden rounded-md border border-hairline bg-mat" data-testid="compare-pictures">
        <img src={b} alt={`${right}, sewn`} className="block max-h-[600px] w-full object-contain" />
        <img
          src={a}
          alt={`${left}, sewn`}
          className="absolute inset-0 h-full w-full object-contain"
          style={{ clipPath: `inset(0 ${100 - at}% 0 0)` }}
          data-clip={at}
        />
        <SliderBar at={at} label="How much of the left picture is shown" onMove={setAt} />
      </div>
      {look === 'weight' && (
        <ul aria-label="Layers of thread" className="mt-2 flex flex-wrap gap-x-4 gap-y-1 text-xs">
          <li className="text-quiet">Layers of thread</li>
          {HEAT_STEPS.map(({ from, rgb }, i) => (
            <li key={from} className="flex items-center gap-1.5">
              <span className="h-3 w-3.5 border border-edge" style={{ background: css(rgb) }} />
              <span className="figures">{stepWords(i)}</span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** An address for a picture that lasts as long as it is shown. */
function useUrl(blob: Blob): string | undefined {
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    const made = URL.createObjectURL(blob);
    // The address exists only in the browser, and only from here on.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setUrl(made);
    return () => URL.revokeObjectURL(made);
  }, [blob]);
  return url;
}
