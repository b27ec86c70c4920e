'use client';
import { UNDERLAY_KINDS, type UnderlayKind, type UnderlayLayer } from '@/core/document/types';
import type { Form } from '@/core/pieces/kind';
import { UNDERLAY_WORDS } from '@/core/document/words';
import { layerOf } from '@/core/pieces/rules/underlay';

const COLUMN = UNDERLAY_KINDS.filter((k) => k !== 'lattice');
const FOR: Record<Form, readonly UnderlayKind[]> = { line: [], column: COLUMN, edge: COLUMN, rows: ['edge-run', 'lattice', 'zigzag'] };

/** Which layers lie beneath, sewn in the order shown. */
export function UnderlayPicker({
  form,
  layers,
  onChange,
  onTry,
}: {
  form: Form;
  layers: readonly UnderlayLayer[];
  onChange(layers: UnderlayLayer[]): void;
  /** Layers as a tick would leave them, while it is looked at; null when none is. */
  onTry(layers: UnderlayLayer[] | null): void;
}) {
  const toggled = (k: UnderlayKind): UnderlayLayer[] => {
    const without = layers.filter((l) => l.kind !== k);
    if (without.length < layers.length) return without.map((l) => ({ ...l }));
    return FOR[form].flatMap((o) => (o === k ? [layerOf(o)] : layers.filter((l) => l.kind === o).map((l) => ({ ...l }))));
  };
  return (
    <div className="flex flex-col gap-0.5">
      {FOR[form].map((k) => (
        <label
          key={k}
          className="flex items-center gap-1.5"
          onPointerEnter={() => onTry(toggled(k))}
          onPointerLeave={() => onTry(null)}
          onFocus={() => onTry(toggled(k))}
          onBlur={() => onTry(null)}
        >
          <input
            type="checkbox"
            checked={layers.some((l) => l.kind === k)}
            onChange={() => onChange(toggled(k))}
            className="h-4 w-4 accent-[#1d282c]"
          />
          {UNDERLAY_WORDS[k]}
        </label>
      ))}
    </div>
  );
}
