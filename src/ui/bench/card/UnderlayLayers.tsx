'use client';
import { ArrowUp, ChevronRight, CopyPlus } from 'lucide-react';
import { LAYER_RANGES } from '@/core/document/ranges';
import type { UnderlayKind, UnderlayLayer } from '@/core/document/types';
import type { PieceKindName } from '@/core/document/kinds';
import { UNDERLAY_WORDS } from '@/core/document/words';
import { layerOf } from '@/core/pieces/rules/underlay';
import type { LengthUnit } from '@/core/units/length';
import { SignButton } from '../../components/Button';
import { NumberField } from '../../components/NumberField';

type Figure = keyof typeof LAYER_RANGES;

const WORDS: Record<Figure, string> = { spacing: 'Spacing', length: 'Stitch', inset: 'Inside', angle: 'To the cover’s rows' };

/** What each layer has: runs have a stitch, zigzags a spacing; only open rows in an area have a direction. */
function figuresOf(kind: UnderlayKind, piece: PieceKindName): Figure[] {
  if (kind === 'centre-run') return ['length'];
  if (kind === 'edge-run') return ['length', 'inset'];
  return piece === 'fill' ? ['spacing', 'length', 'inset', 'angle'] : ['spacing', 'inset'];
}

const USUAL: Record<Figure, number> = { spacing: 2.5, length: 2.5, inset: 0.6, angle: 90 };
const valueOf = (layer: UnderlayLayer, figure: Figure): number => layer[figure] ?? layerOf(layer.kind)[figure] ?? USUAL[figure];

interface Props {
  kind: PieceKindName;
  layers: readonly UnderlayLayer[];
  units: LengthUnit;
  onChange(layers: UnderlayLayer[]): void;
}

/** The layers in the order in which they are sewn, each with its own figures. */
export function UnderlayLayers({ kind, layers, units, onChange }: Props) {
  if (layers.length === 0) return null;
  const changed = (at: number, figure: Figure, value: number): UnderlayLayer[] =>
    layers.map((l, i) => (i === at ? { ...l, [figure]: value } : { ...l }));
  return (
    <ol className="mt-1 border-t border-hairline" aria-label="Layers in sewing order">
      {layers.map((layer, i) => (
        <li key={i} className="border-b border-hairline">
          <details>
            <summary className="flex h-7 cursor-pointer items-center gap-1.5">
              <ChevronRight size={13} aria-hidden="true" className="shrink-0 in-open:rotate-90" />
              <span className="figures text-quiet">{i + 1}</span>
              <span className="min-w-0 flex-1 truncate">{UNDERLAY_WORDS[layer.kind]}</span>
              <span className="figures text-xs text-quiet">
                {figuresOf(layer.kind, kind)
                  .map((f) => `${valueOf(layer, f)}${LAYER_RANGES[f].unit === '°' ? '°' : ''}`)
                  .join(' · ')}
              </span>
            </summary>
            <div className="grid grid-cols-2 gap-2 pb-2">
              {figuresOf(layer.kind, kind).map((figure) => (
                <NumberField
                  key={figure}
                  label={`${WORDS[figure]}, layer ${i + 1}`}
                  value={valueOf(layer, figure)}
                  decimals={figure === 'angle' ? 0 : 1}
                  lengthUnit={units}
                  {...LAYER_RANGES[figure]}
                  onCommit={(v) => onChange(changed(i, figure, v))}
                />
              ))}
              <span className="col-span-2 flex items-center">
                <SignButton
                  name={`Sew layer ${i + 1} before the one above`}
                  disabled={i === 0}
                  onClick={() =>
                    onChange([...layers.slice(0, i - 1), layer, layers[i - 1]!, ...layers.slice(i + 1)].map((l) => ({ ...l })))
                  }
                >
                  <ArrowUp size={14} />
                </SignButton>
                <SignButton
                  name={`Lay layer ${i + 1} once more`}
                  disabled={layers.length >= 8}
                  onClick={() => onChange([...layers.slice(0, i + 1), layer, ...layers.slice(i + 1)].map((l) => ({ ...l })))}
                >
                  <CopyPlus size={14} />
                </SignButton>
              </span>
            </div>
          </details>
        </li>
      ))}
    </ol>
  );
}
