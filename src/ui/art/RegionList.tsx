'use client';
import { counted } from '@/core/units/count';
import { lengthText, said, unitsNow } from '@/session/view/unitsStore';
import { PIECE_KINDS } from '@/core/document/kinds';
import type { ArtChoice } from '@/core/document/types';
import { chooseSewnAs } from '@/session/edit/commands';
import { Choice } from '../components/Choice';
import type { RegionView } from '@/core/artwork/survey';

const KINDS: Record<RegionView['kind'], { word: string }> = { ...PIECE_KINDS, drop: { word: 'Left out' } };
const mm = (v: number): string => lengthText(v).replace(/ .*/, '');

/** One width where it is the same everywhere, else narrowest, usual and widest. */
function widthsOf({ strokeWidthMm, width }: RegionView): string {
  const all = strokeWidthMm === null ? [width.min, width.median, width.max].map(mm) : [mm(strokeWidthMm)];
  return new Set(all).size === 1 ? all[0]! : all.join(' · ');
}

/** Every region with its area, its widths, and what it should be sewn as. */
export function RegionList({
  regions,
  marked,
  onMark,
}: {
  regions: readonly RegionView[];
  marked: number | null;
  onMark(i: number | null): void;
}) {
  return (
    <section aria-label="Regions" className="min-h-0 flex-1 overflow-auto">
      <table className="w-full table-fixed border-collapse">
        <caption className="sr-only">Regions of the artwork with their areas and widths</caption>
        <thead className="sticky top-0 z-10 bg-panel text-xs text-quiet">
          <tr className="border-b border-hairline">
            <th scope="col" className="w-[122px] py-2 pl-4 text-left font-normal">
              {counted(regions.length, 'region')}
            </th>
            <th scope="col" className="w-[44px] py-2 text-right font-normal">
              {unitsNow()}²
            </th>
            <th scope="col" className="w-[132px] py-2 pl-2 text-right font-normal" title="Narrowest, usual and widest local width">
              width, {unitsNow()}
            </th>
            <th scope="col" className="py-2 pr-4 pl-3 text-left font-normal">
              sew as
            </th>
          </tr>
        </thead>
        <tbody>
          {regions.map((r, i) => (
            <tr
              key={i}
              tabIndex={0}
              onMouseEnter={() => onMark(i)}
              onMouseLeave={() => onMark(null)}
              onFocus={() => onMark(i)}
              onBlur={() => onMark(null)}
              className={`border-b border-hairline ${marked === i ? 'bg-tape-soft' : ''}`}
            >
              <td className="py-1 pl-4 leading-tight">
                <span className="mr-2 inline-block h-3 w-3 rounded-sm border border-edge align-[-1px]" style={{ backgroundColor: r.hex }} />
                {r.name || `Region ${i + 1}`}
              </td>
              <td className="figures text-right">{said(`${r.areaMm2.toFixed(r.areaMm2 >= 100 ? 0 : 1)} mm²`).replace(/ .*/, '')}</td>
              <td className="figures pl-2 text-right text-xs whitespace-nowrap">{widthsOf(r)}</td>
              <td className="py-1 pr-4 pl-3" title={said(r.why)}>
                <Choice
                  dense
                  hideLabel
                  className="w-full"
                  label={`Sew ${r.name || `region ${i + 1}`} as`}
                  value={r.kind}
                  options={r.kinds.map((k) => ({ value: k, name: KINDS[k].word }))}
                  onChange={(k) => chooseSewnAs(r.drawingAt, k as ArtChoice['as'])}
                />
                <span className="mt-0.5 block text-xs leading-tight text-quiet">
                  {said(r.why)}
                  {r.chosen && (
                    <button
                      type="button"
                      className="ml-1 underline decoration-dotted underline-offset-2"
                      onClick={() => chooseSewnAs(r.drawingAt, null)}
                    >
                      take back
                    </button>
                  )}
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
