import { keepLines, strokeArea } from '../geometry/area';
import { lineLength } from '../geometry/line';
import { boundsOf, boundsTouch, type Area, type Line } from '../geometry/point';
import { goneRound, type PlacedItem } from './place';

/** Lines of one colour whose middles run this near to each other, in widths and at most in mm, look like one. */
const NEAR = 0.25;
const NEAR_MM = 0.7;
/** The later line must be about as wide, to cover the earlier one. */
const AS_WIDE = 0.8;
/** Shorter stretches are crossings, in widths. */
const LONG = 2;

interface DrawnLine {
  item: number;
  points: Line;
  widthMm: number;
  hex: string;
}

/**
 * Where a line runs on one of its own colour that is drawn later: sewn twice, such a stretch only piles thread up.
 * @returns for each item and each line of its stroke the area in which the line is left out; null where nothing is
 */
export function doubledStretches(items: readonly PlacedItem[]): (Area[] | null)[] {
  const drawn = items.flatMap((item, i) =>
    (item.opaque ? (item.stroke?.lines ?? []) : []).map((l): DrawnLine => {
      return { item: i, points: goneRound(l), widthMm: item.stroke!.widthMm, hex: item.hex };
    }),
  );
  const boxes = drawn.map((l) => boundsOf([l.points]));
  const out = items.map((): Area[] | null => null);
  drawn.forEach((line, k) => {
    const later = drawn.filter(
      (l, m) => m > k && l.hex === line.hex && l.widthMm >= AS_WIDE * line.widthMm && boundsTouch(boxes[k]!, boxes[m]!, NEAR_MM),
    );
    (out[line.item] ??= []).push(stretchesOn(line, later));
  });
  return out.map((areas) => (areas?.some((a) => a.length > 0) ? areas : null));
}

/** Width of the cut along a stretch, mm: enough to hold it whatever is rounded. */
const CUT_MM = 0.1;

function stretchesOn({ points, widthMm }: DrawnLine, later: readonly DrawnLine[]): Area {
  const near = Math.min(NEAR_MM, NEAR * widthMm);
  const spec = { cap: 'butt', join: 'round', miterLimit: 2 } as const;
  return later.flatMap((l) => {
    const stretches = keepLines([points], strokeArea([l.points], false, { ...spec, widthMm: 2 * near }));
    const long = stretches.filter((s) => lineLength(s) > LONG * widthMm || lineLength(s) > WHOLE * lineLength(points));
    return strokeArea(long, false, { ...spec, widthMm: CUT_MM });
  });
}
/** A line that lies on another nearly all along is left out however short. */
const WHOLE = 0.95;
