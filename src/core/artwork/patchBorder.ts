import { ringsToData } from '../geometry/path';
import { boundsOf, type Area } from '../geometry/point';
import type { Region } from './artRegions';
import type { Proposal } from './proposeKind';

/** Widths of the satin round a patch (craft §8), mm. */
const WIDTH_MM = { from: 3.5, to: 4.5 };
/** Narrower lines along the edge are decoration, wider ones areas, mm. */
const BORDERS_MM = { from: 2, to: 6 };
/** It reaches to the edge of the drawing on all sides to within, mm. */
const AT_EDGE_MM = 0.6;

interface Sewn {
  region: Region;
  proposal: Proposal;
  painted: Area;
}

/** Which of the columns is the border of a patch: the closed one round everything else; -1 when there is none. */
export function patchBorderAmong(sewn: readonly Sewn[]): number {
  const all = boundsOf(sewn.flatMap((s) => s.painted));
  for (let i = sewn.length - 1; i >= 0; i--) {
    const { region, proposal, painted } = sewn[i]!;
    if (proposal.kind !== 'satin' || painted.length < 2) continue;
    const { width, stroke } = region;
    const mm = stroke?.widthMm ?? width.median;
    const b = boundsOf(painted);
    const off = Math.max(b.minX - all.minX, b.minY - all.minY, all.maxX - b.maxX, all.maxY - b.maxY);
    if (off <= AT_EDGE_MM && mm >= BORDERS_MM.from && mm <= BORDERS_MM.to) return i;
  }
  return -1;
}

/** Satin over the edge, as patches have it: dense by its kind, and as wide as the edge that it holds needs. */
export function asPatchBorder({ region, proposal, painted }: Sewn): Proposal {
  const drawn = region.stroke?.widthMm ?? region.width.median;
  const width = Math.round(10 * Math.min(WIDTH_MM.to, Math.max(WIDTH_MM.from, drawn))) / 10;
  const why = `${proposal.why}; the border of the patch, sewn last and dense`;
  return { kind: 'border', why, shape: { area: ringsToData([painted[0]!]), width, settings: {} } };
}
