import { useId } from 'react';
import type { Lettering } from '@/core/document/types';
import { specimenOf, type SpecimenPart } from '@/core/lettering/specimen';

const MARGIN = 0.6;

/** A text as it is drawn, one line high. */
export function Specimen({ text, className = '' }: { text: Lettering; className?: string }) {
  const id = useId();
  const drawn = specimenOf(text);
  if (!drawn) return null;
  const { minX, minY, maxX, maxY } = drawn.box;
  const view = [minX - MARGIN, minY - MARGIN, maxX - minX + 2 * MARGIN, maxY - minY + 2 * MARGIN].map((v) => v.toFixed(2)).join(' ');
  return (
    <svg viewBox={view} preserveAspectRatio="xMinYMid meet" aria-hidden="true" className={className}>
      <Letters parts={drawn.parts} id={id} />
    </svg>
  );
}

/** Letters of a text at their places, in the colour of what they stand in. */
export function Letters({ parts, id }: { parts: readonly SpecimenPart[]; id: string }) {
  return (
    <>
      {parts.map(({ d, width, cap, within }, i) =>
        width === undefined ? (
          <path key={i} d={d} fill="currentColor" fillRule="nonzero" />
        ) : (
          <g key={i} clipPath={within ? `url(#${id}-${i})` : undefined}>
            {within && (
              <clipPath id={`${id}-${i}`}>
                <path d={within} />
              </clipPath>
            )}
            <path d={d} fill="none" stroke="currentColor" strokeWidth={width} strokeLinecap={cap} strokeLinejoin="round" />
          </g>
        ),
      )}
    </>
  );
}
