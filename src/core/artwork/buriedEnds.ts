import { areaOf, contains, strokeArea, subtract, unite, type StrokeShape } from '../geometry/area';
import { dividedAt, lineLength, resample } from '../geometry/line';
import { boundsOf, boundsTouch, type Area, type Bounds, type Line } from '../geometry/point';
import { OVERLAP_MM } from '../units/tolerances';
import type { PlacedItem } from './place';

/** A line laps another that it ends in by so much: the overlap, and a little for its round end, mm. */
const LAP_MM = 1.2 * OVERLAP_MM;
/** Less is not worth cutting off, mm. */
const LEAST_CUT_MM = 0.5;
/** Lines are followed back in steps of so much, mm. */
const STEP_MM = 0.1;
/** What of an end peeps out beside the other line is seen from this size on, mm². */
const SEEN_MM2 = 0.05;
/** What is left of a line is at least so long, in widths. */
const LEAST_LEFT = 1.5;
/** Width of the cut along an end, mm: enough to hold it whatever is rounded. */
const CUT_MM = 0.1;

interface Drawn {
  item: number;
  line: number;
  hex: string;
  points: Line;
  open: boolean;
  area: Area;
  box: Bounds;
}

/**
 * Where the end of a line is drawn deep into another of its own colour: lines are drawn to meet in their middles, and sewn so their
 * thread piles up at every joint. What of it lies under the other anyway is left out but for the overlap.
 * @param doubled what is left out of lines for another reason: those hide nothing
 * @returns for each item and each line of its stroke the area in which the line is left out; null where nothing is
 */
export function buriedEnds(items: readonly PlacedItem[], doubled: readonly (readonly Area[] | null)[]): (Area[] | null)[] {
  const drawn = items.flatMap((item, i) => linesOf(item, i, doubled[i] ?? []));
  const solid = items.flatMap((item): Pick<Drawn, 'hex' | 'area' | 'box'>[] =>
    item.opaque && !item.stroke && item.area.length > 0 ? [{ hex: item.hex, area: item.area, box: boundsOf(item.area) }] : [],
  );
  const out = items.map((item): Area[] | null => (item.stroke ? item.stroke.lines.map(() => []) : null));
  for (const one of drawn) {
    if (!one.open) continue;
    const { widthMm, cap } = items[one.item]!.stroke!;
    const shape = { ...items[one.item]!.stroke!, miterLimit: 4 };
    for (const end of ['first', 'last'] as const) {
      const from = end === 'first' ? one.points : one.points.slice().reverse();
      const near = [...drawn, ...solid].filter(
        (o) => o !== one && o.hex === one.hex && boundsTouch(o.box, boundsOf([from.slice(0, 1)]), widthMm),
      );
      if (!near.some((o) => contains(o.area, from[0]!))) continue;
      const others = unite(...near.map((o) => o.area));
      const most = depthIn(others, from, 3 * widthMm) + (cap === 'butt' ? 0 : widthMm / 2) - LAP_MM;
      const made = TRIED.map((share) => share * most).flatMap((cut) => shortenedBy(from, cut, shape, others) ?? [])[0];
      if (!made) continue;
      const { tip, rest, area } = made;
      one.points = end === 'first' ? rest : rest.slice().reverse();
      one.area = area;
      out[one.item]![one.line] = unite(out[one.item]![one.line]!, strokeArea([tip], false, { ...shape, cap: 'butt', widthMm: CUT_MM }));
    }
  }
  return out.map((areas) => (areas?.some((a) => a.length > 0) ? areas : null));
}

/** Slanted ends are shortened by less, so that both of their corners stay hidden. */
const TRIED = [1, 0.75, 0.5];

/** A line without so much of its beginning; null where that would be seen, or is not worth it. */
function shortenedBy(line: Line, cut: number, shape: StrokeShape, others: Area): { tip: Line; rest: Line; area: Area } | null {
  if (cut < LEAST_CUT_MM || lineLength(line) - cut < LEAST_LEFT * shape.widthMm) return null;
  const [tip, rest] = dividedAt(line, cut);
  const area = strokeArea([rest], false, shape);
  const bare = subtract(subtract(strokeArea([tip], false, shape), area), others);
  return areaOf(bare) > SEEN_MM2 ? null : { tip, rest, area };
}

function linesOf(item: PlacedItem, i: number, doubled: readonly Area[]): Drawn[] {
  if (!item.opaque || !item.stroke || item.clipped) return [];
  const shape = { ...item.stroke, miterLimit: 4 };
  return item.stroke.lines.flatMap(({ points, closed }, line): Drawn[] => {
    if ((doubled[line] ?? []).length > 0 || points.length < 2) return [];
    const area = item.stroke!.lines.length === 1 ? item.area : strokeArea([points], closed, shape);
    return [{ item: i, line, hex: item.hex, points, open: !closed, area, box: boundsOf(area) }];
  });
}

/** How far a line runs from its first point within an area, mm. */
function depthIn(area: Area, line: Line, farthestMm: number): number {
  if (!contains(area, line[0]!)) return 0;
  const places = resample(line, STEP_MM);
  const step = lineLength(line) / Math.max(1, places.length - 1);
  for (let k = 1; k < places.length && k * step < farthestMm; k++) if (!contains(area, places[k]!)) return k * step;
  return 0;
}
