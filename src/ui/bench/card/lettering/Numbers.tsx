'use client';
import { LETTER_DIRECTIONS, type Lettering } from '@/core/document/types';
import { LETTER_HEIGHTS } from '@/core/document/ranges';
import { extentOf, heightForSmall, heightForWidth, smallLettersMm } from '@/core/lettering/textJob';
import type { LengthUnit } from '@/core/units/length';
import { Choice } from '../../../components/Choice';
import { NumberField } from '../../../components/NumberField';

const WAYS: Record<(typeof LETTER_DIRECTIONS)[number], string> = {
  'left-to-right': 'To the right',
  'right-to-left': 'To the left',
  'centre-out': 'Centre out',
};

/** Sizes of a text, its distances, and the way that it is sewn. */
export function Numbers({ text, units, set }: { text: Lettering; units: LengthUnit; set(patch: Partial<Lettering>): void }) {
  return (
    <div className="mt-2 grid grid-cols-2 gap-2">
      <NumberField
        label="Height of capitals"
        {...{ unit: 'mm', ...LETTER_HEIGHTS, step: 0.5, decimals: 1, lengthUnit: units }}
        value={text.height}
        onCommit={(height) => set({ height })}
      />
      <NumberField
        label="Height of small letters"
        {...{ unit: 'mm', min: 1, max: 200, step: 0.5, decimals: 1, lengthUnit: units }}
        value={smallLettersMm(text) ?? undefined}
        onCommit={(mm) => mm !== undefined && set({ height: heightForSmall(text, mm) })}
      />
      <NumberField
        label="Width of the whole"
        {...{ unit: 'mm', min: 2, max: 1000, step: 1, decimals: 1, lengthUnit: units }}
        value={wholeWidth(text)}
        onCommit={(mm) => set({ height: heightFitting(text, mm) })}
      />
      <NumberField
        label="Added between letters"
        {...{ unit: '%', min: -20, max: 300, step: 1, decimals: 0 }}
        value={text.spacing ?? 0}
        onCommit={(spacing) => set({ spacing: spacing === 0 ? undefined : spacing })}
      />
      <NumberField
        label="Width of letters"
        {...{ unit: '%', min: 30, max: 400, step: 5, decimals: 0 }}
        value={100 * (text.wide ?? 1)}
        onCommit={(v) => set({ wide: v === 100 ? undefined : v / 100 })}
      />
      <NumberField
        label="Slant"
        {...{ unit: '°', min: -45, max: 45, step: 1, decimals: 0 }}
        value={text.slant ?? 0}
        onCommit={(slant) => set({ slant: slant === 0 ? undefined : slant })}
      />
      <Choice
        label="Sewn"
        value={text.direction ?? 'left-to-right'}
        options={LETTER_DIRECTIONS.map((way) => ({ value: way, name: WAYS[way] }))}
        onChange={(way) => set({ direction: way === 'left-to-right' ? undefined : way })}
      />
    </div>
  );
}

function wholeWidth(text: Lettering): number | undefined {
  const b = extentOf(text);
  return b ? b.maxX - b.minX : undefined;
}

/** The height at which a text is so wide; as it is where there is none. */
function heightFitting(text: Lettering, mm: number): number {
  try {
    return heightForWidth(text, mm);
  } catch {
    return text.height;
  }
}
