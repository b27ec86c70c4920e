'use client';
import { UNDERLAY_KINDS, type PieceKindName, type UnderlayKind, type UnderlayLayer } from '@/core/document/types';
import { UNDERLAY_WORDS } from '@/core/document/words';
import { layerOf } from '@/core/underlay/choose';

const FOR: Record<PieceKindName, readonly UnderlayKind[]> = {
  run: [],
  satin: UNDERLAY_KINDS.filter((k) => k !== 'lattice'),
  fill: ['edge-run', 'lattice', 'zigzag'],
  border: UNDERLAY_KINDS.filter((k) => k !== 'lattice'),
  applique: UNDERLAY_KINDS.filter((k) => k !== 'lattice'),
};

/** Which layers lie beneath, sewn in the order shown. */
export function UnderlayPicker({
  kind,
  layers,
  onChange,
}: {
  kind: PieceKindName;
  layers: readonly UnderlayLayer[];
  onChange(layers: UnderlayLayer[]): void;
}) {
  const toggle = (k: UnderlayKind): void => {
    const without = layers.filter((l) => l.kind !== k);
    if (without.length < layers.length) onChange(without.map((l) => ({ ...l })));
    else onChange(FOR[kind].flatMap((o) => (o === k ? [layerOf(o)] : layers.filter((l) => l.kind === o).map((l) => ({ ...l })))));
  };
  return (
    <div className="flex flex-col gap-0.5">
      {FOR[kind].map((k) => (
        <label key={k} className="flex items-center gap-1.5">
          <input
            type="checkbox"
            checked={layers.some((l) => l.kind === k)}
            onChange={() => toggle(k)}
            className="h-4 w-4 accent-[#1d282c]"
          />
          {UNDERLAY_WORDS[k]}
        </label>
      ))}
    </div>
  );
}
