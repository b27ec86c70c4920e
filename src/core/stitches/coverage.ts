import { roughOffset } from '../geometry/area';
import { ofEach } from '../geometry/known';
import { boundsOf, growBounds, type Area } from '../geometry/point';
import { makeMask, paintArea, paintThread } from '../geometry/mask';
import { spotsOf } from '../geometry/spots';
import { THREAD_WIDTH_MM } from '../units/tolerances';
import type { StitchColumns } from './buffer';
import { Command, Role } from './roles';

export interface Coverage {
  /** Share of the drawn area, 0.25 mm inside its edge, that lies under thread. */
  covered: number;
  /** Area under thread more than 0.9 mm outside the drawing, as a share of the drawn area. */
  spilled: number;
  /** The largest spot of that area that is bare, mm². */
  barestMm2: number;
}

const INSIDE_MM = 0.25;
const OUTSIDE_MM = 0.9;
const MARGIN_MM = 2;

/** An area is measured again for every way of sewing it that is tried. */
const inside = ofEach((area: Area): Area => roughOffset(area, -INSIDE_MM));
const around = ofEach((area: Area): Area => roughOffset(area, OUTSIDE_MM));

/**
 * Measures on a grid how well cover stitches cover an area; what runs to or beneath them does not count.
 * @param seen what of the area is seen: elsewhere it need not be covered
 */
export function coverageOf(area: Area, stitches: StitchColumns, cellMm = 0.1, seen = area): Coverage {
  const box = boundsOf(area);
  for (let i = 0; i < stitches.x.length; i++) growBounds(box, stitches.x[i]!, stitches.y[i]!);
  const mask = makeMask(box, cellMm, MARGIN_MM);
  paintArea(mask, inside(seen), 1);
  paintArea(mask, around(area), 2);
  paintArea(mask, area, 8);
  for (let i = 1; i < stitches.x.length; i++) {
    if (stitches.command[i] !== Command.stitch || stitches.command[i - 1] !== Command.stitch) continue;
    if (stitches.role[i] !== Role.cover) continue;
    const a = { x: stitches.x[i - 1]!, y: stitches.y[i - 1]! };
    paintThread(mask, a, { x: stitches.x[i]!, y: stitches.y[i]! }, THREAD_WIDTH_MM / 2, 4);
  }
  let [inner, covered, drawn, spilled] = [0, 0, 0, 0];
  const { data } = mask;
  for (let i = 0; i < data.length; i++) {
    const cell = data[i]!;
    if (cell === 0) continue;
    if (cell & 1) inner++;
    if ((cell & 5) === 5) covered++;
    if (cell & 8) drawn++;
    if ((cell & 6) === 4) spilled++;
  }
  const barestMm2 = covered === inner ? 0 : largestSpot(bareSpots(data, mask.columns), mask.columns) * cellMm * cellMm;
  return { covered: inner === 0 ? 1 : covered / inner, spilled: spilled / Math.max(1, drawn), barestMm2 };
}

/** Bare cells of the seen area without what is only one cell wide: between two rows a hair of cloth may show. */
function bareSpots(data: Uint8Array, columns: number): Uint8Array {
  const isBare = (i: number): boolean => (data[i]! & 5) === 1;
  const out = new Uint8Array(data.length);
  for (let i = columns; i < data.length - columns; i++) {
    if (!isBare(i) || !isBare(i - 1) || !isBare(i + 1) || !isBare(i - columns) || !isBare(i + columns)) continue;
    for (const cell of [i, i - 1, i + 1, i - columns, i + columns]) out[cell] = 1;
  }
  return out;
}

const largestSpot = (marked: Uint8Array, columns: number): number =>
  spotsOf(marked.length, columns, (cell) => marked[cell] === 1).reduce((most, spot) => Math.max(most, spot.length), 0);
