'use client';
import type { Lettering } from '@/core/document/types';
import { sewnMm, wantedMm } from '@/core/forecast/textHeights';
import { MM_PER_INCH, type LengthUnit } from '@/core/units/length';
import { cancelHeights, landHeights, seekHeights, useHeights } from '@/session/derived/heightsStore';
import { Button } from '../../../components/Button';

/** Off by more than this a letter is seen to be too short or too tall beside its neighbours, mm. */
const SEEN_MM = 0.15;

/** A length as a number alone, in the job's unit. */
const plain = (mm: number, units: LengthUnit): string => (units === 'in' ? (mm / MM_PER_INCH).toFixed(3) : mm.toFixed(1));

/** How high each letter is predicted to sew beside how high it is wanted, and a way to make that so. */
export function Heights({ id, text, units, locked }: { id: string; text: Lettering; units: LengthUnit; locked: boolean }) {
  const { of, heights, progress, problem } = useHeights();
  const isCurrent = of === text && heights.length > 0;
  const worst = Math.max(0, ...heights.map((h) => Math.abs(sewnMm(h) - wantedMm(h))));
  return (
    <div className="mt-2 border-t border-hairline pt-2" data-testid="heights">
      <div className="flex items-center gap-2">
        <p className="flex-1 text-quiet">
          Heights after sewing
          {isCurrent && progress === null && (
            <span className="figures ml-1 font-semibold text-ink">{worst < SEEN_MM ? 'land' : `off by up to ${plain(worst, units)}`}</span>
          )}
        </p>
        {progress === null ? (
          <>
            <Button dense onClick={() => seekHeights(id)}>
              Show
            </Button>
            <Button dense disabled={locked} onClick={() => landHeights(id)}>
              Make them land
            </Button>
          </>
        ) : (
          <>
            <progress value={progress} aria-label="Predicting heights" className="w-16" />
            <Button dense look="quiet" onClick={cancelHeights}>
              Stop
            </Button>
          </>
        )}
      </div>
      {problem && (
        <p role="alert" className="mt-1 text-xs text-danger">
          {problem}
        </p>
      )}
      {isCurrent && (
        <ul aria-label="Predicted heights of the letters" className="mt-1 flex flex-wrap gap-x-3 gap-y-1">
          {heights.map((h) => {
            const off = sewnMm(h) - wantedMm(h);
            return (
              <li
                key={h.index}
                title={`‘${h.char}’ is wanted ${plain(wantedMm(h), units)} high`}
                className={Math.abs(off) < SEEN_MM ? '' : 'font-semibold text-danger'}
              >
                {h.char} <span className="figures">{plain(sewnMm(h), units)}</span>
              </li>
            );
          })}
        </ul>
      )}
    </div>
  );
}
