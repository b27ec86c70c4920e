import type { ArtChoice } from '../document/types';
import { evenly, lengthsAlong } from '../geometry/line';
import { apply, dataToRings, type Matrix } from '../geometry/path';
import { add, distance, scale, type Point } from '../geometry/point';
import type { Region } from './artRegions';
import { proposedAs, type Proposal } from './proposeKind';

/** A choice holds for a region whose point lies within this of it, mm: sizes and decisions change it a little. */
const SAME_REGION_MM = 1.5;

/** A point of a region that stays where it is when the drawing is measured again: its widest place, or the middle of its line. */
export function markOf(region: Region): Point {
  if (region.stroke) {
    const line = dataToRings(region.data)[0] ?? [];
    return line.length > 1 ? evenly(line, lengthsAlong(line), 2)[1]! : { x: 0, y: 0 };
  }
  const ring = region.area[0] ?? [];
  const middle = scale(ring.reduce(add, { x: 0, y: 0 }), 1 / Math.max(1, ring.length));
  let [best, widest] = [middle, 0];
  for (const { points, radii } of region.axis?.branches ?? [])
    radii.forEach((r, i) => {
      if (r > widest + 1e-3) [best, widest] = [points[i]!, r];
    });
  return best;
}

/** For each region what a person chose to have it sewn as; null where nothing was chosen. */
export function choicesFor(regions: readonly Region[], choices: readonly ArtChoice[], matrix: Matrix): (ArtChoice | null)[] {
  const out = regions.map((): ArtChoice | null => null);
  const marks = choices.length > 0 ? regions.map(markOf) : [];
  for (const choice of choices) {
    const at = apply(matrix, { x: choice.at[0], y: choice.at[1] });
    let [nearest, least] = [-1, SAME_REGION_MM];
    marks.forEach((mark, i) => {
      const off = distance(mark, at);
      if (off < least) [nearest, least] = [i, off];
    });
    if (nearest >= 0) out[nearest] = choice;
  }
  return out;
}

/** Parts with what a person chose in place of what was proposed. */
export function withChoices<T extends { region: Region; proposal: Proposal }>(
  parts: readonly T[],
  choices: readonly ArtChoice[],
  matrix: Matrix,
): T[] {
  const chosen = choicesFor(
    parts.map((p) => p.region),
    choices,
    matrix,
  );
  return parts.map((part, i) => (chosen[i] ? { ...part, proposal: proposedAs(part.region, chosen[i].as) } : part));
}
