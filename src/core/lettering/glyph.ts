import { boundsOf, emptyBounds, type Area, type Bounds, type Line, type Point } from '../geometry/point';
import { cos, PI, sin } from '../units/trig';

/** Proportions of a face; lengths in cap heights, y upward from the base line. */
export interface Proportions {
  /** Width of a stroke. */
  w: number;
  /** Heights of the small letters and of what hangs below the base line (negative). */
  x: number;
  below: number;
  /** Factor of the widths of letters. */
  wide: number;
  /** Round letters reach so much beyond flat ones at top and bottom. */
  over: number;
  /** How square bowls are: 0 draws ellipses, 0.3 nearly rounded boxes. */
  square: number;
}

/**
 * A column of a letter: the needle's rows lie square to its middle. Strokes are listed in sewing order: an end that meets a later
 * stroke is tucked under it.
 */
export interface Stroke {
  middle: Line;
  closed: boolean;
  /** Width as a share of the face's. */
  width: number;
  /** Ends that are cut level with lower and upper lines; square to the middle where absent. */
  level?: readonly [number, number];
}

/** A letter, from the left edge of its ink at x = 0. */
export interface Glyph {
  /** Width of its ink. */
  width: number;
  strokes: readonly Stroke[];
  /** Of a letter that is an outline, not strokes: its rings, even-odd. Its `width` is then its advance, and x = 0 its origin. */
  outline?: Area;
  /** Of a script: it joins the letters beside it, or only the one after it; its `width` then reaches from join to join. */
  joins?: 'both' | 'after';
  /** Where marks above and below it stand; in the middle of its width where absent. */
  markAt?: number;
}

/** Draws one letter in given proportions. */
export type Draw = (p: Proportions) => Glyph;

const point = ([x, y]: readonly [number, number]): Point => ({ x, y });

/** A stroke through points. */
export const through = (...points: readonly (readonly [number, number])[]): Stroke => ({
  middle: points.map(point),
  closed: false,
  width: 1,
});

/** Points between two given ones of a curve. */
const CURVE_STEPS = 6;

/** A smooth stroke through points: a centripetal Catmull–Rom spline, which neither loops nor overshoots between them (Yuksel et al. 2011). */
export function curve(...points: readonly (readonly [number, number])[]): Stroke {
  const n = points.length;
  const at = (i: number): readonly [number, number] => {
    if (i < 0) return [2 * points[0]![0] - points[1]![0], 2 * points[0]![1] - points[1]![1]];
    if (i >= n) return [2 * points[n - 1]![0] - points[n - 2]![0], 2 * points[n - 1]![1] - points[n - 2]![1]];
    return points[i]!;
  };
  const middle = points.slice(1).flatMap((_, i) => Array.from({ length: CURVE_STEPS }, (__, k) => onCurve([at(i - 1), at(i), at(i + 1), at(i + 2)], (k + 1) / CURVE_STEPS))); // prettier-ignore
  return through(points[0]!, ...middle);
}

function onCurve(four: readonly (readonly [number, number])[], share: number): [number, number] {
  const knots = [0];
  for (let i = 1; i < 4; i++) {
    const [dx, dy] = [four[i]![0] - four[i - 1]![0], four[i]![1] - four[i - 1]![1]];
    knots.push(knots[i - 1]! + Math.max(1e-6, Math.sqrt(Math.sqrt(dx * dx + dy * dy))));
  }
  const t = knots[1]! + share * (knots[2]! - knots[1]!);
  // Neville's scheme: each level blends two neighbours of the one before.
  const blend = (a: readonly [number, number], b: readonly [number, number], from: number, to: number): [number, number] => {
    const u = (t - from) / (to - from);
    return [a[0] + (b[0] - a[0]) * u, a[1] + (b[1] - a[1]) * u];
  };
  const first = [0, 1, 2].map((i) => blend(four[i]!, four[i + 1]!, knots[i]!, knots[i + 1]!));
  const second = [0, 1].map((i) => blend(first[i]!, first[i + 1]!, knots[i]!, knots[i + 2]!));
  return blend(second[0]!, second[1]!, knots[1]!, knots[2]!);
}

/** A letter leaning to the right by so much for each height. */
export const leaned = (g: Glyph, by: number): Glyph => ({
  ...g,
  strokes: g.strokes.map((s) => ({ ...s, middle: s.middle.map((p) => ({ x: p.x + by * p.y, y: p.y })) })),
});

/** A slanting stroke cut level with two lines, and so long that it reaches them over its whole width. */
export function slanting(from: readonly [number, number], to: readonly [number, number], low: number, high: number, w: number): Stroke {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const length = Math.sqrt(dx * dx + dy * dy);
  const [ux, uy] = [dx / length, dy / length];
  const beyond = Math.min(2 * w, (w / 2) * (Math.abs(ux) / Math.max(0.2, Math.abs(uy)))) + 0.01;
  const end = ([x, y]: readonly [number, number], out: number): [number, number] =>
    Math.abs(y - low) < 1e-9 || Math.abs(y - high) < 1e-9 ? [x + ux * beyond * out, y + uy * beyond * out] : [x, y];
  return { ...through(end(from, -1), end(to, 1)), level: [low, high] };
}

/** Degrees between points of an arc. */
const ARC_STEP_DEG = 4;

/** Points of an arc from one angle to another, degrees counter-clockwise from the right. */
export function arc(cx: number, cy: number, rx: number, ry: number, from: number, to: number, square = 0): [number, number][] {
  const n = Math.max(2, Math.ceil(Math.abs(to - from) / ARC_STEP_DEG));
  return Array.from({ length: n + 1 }, (_, i): [number, number] => {
    const a = ((from + ((to - from) * i) / n) * PI) / 180;
    const bent = (v: number): number => v * (1 + square * (1 - v * v));
    return [cx + rx * bent(cos(a)), cy + ry * bent(sin(a))];
  });
}

/** A closed oval. */
export const oval = (cx: number, cy: number, rx: number, ry: number, square = 0): Stroke => ({
  ...through(...arc(cx, cy, rx, ry, 90, 450, square)),
  closed: true,
});

/** An upright stroke. */
export const stem = (x: number, low = 0, high = 1): Stroke => through([x, low], [x, high]);

/** A letter of so much width and height: where the middles of its outermost strokes lie. */
export interface Frame {
  width: number;
  left: number;
  right: number;
  mid: number;
  top: number;
  foot: number;
}

/** The frame of a letter that is so wide in a face of usual width. */
export function frame({ w, wide }: Proportions, usual: number, high = 1): Frame {
  const width = Math.max(w, usual * wide);
  return { width, left: w / 2, right: width - w / 2, mid: width / 2, top: high - w / 2, foot: w / 2 };
}

/** A letter of strokes. */
export const glyph = (width: number, ...strokes: readonly Stroke[]): Glyph => ({ width, strokes });

/** A stroke moved. */
export const moved = (s: Stroke, dx: number, dy: number): Stroke => ({
  ...s,
  middle: s.middle.map((p) => ({ x: p.x + dx, y: p.y + dy })),
  ...(s.level ? { level: [s.level[0] + dy, s.level[1] + dy] as const } : {}),
});

/** A round dot of about a stroke's width, as a short column. */
export const dot = (x: number, y: number, w: number): Stroke => ({ ...through([x, y - 0.6 * w], [x, y + 0.6 * w]), width: 1.2 });

/** Where the ink of a letter lies, cap heights, y upward; columns are so wide where `w` is a stroke. */
export function inkBox({ strokes, outline }: Glyph, w: number): Bounds {
  if (outline) return boundsOf(outline);
  const box = emptyBounds();
  for (const { middle, level, width } of strokes) {
    middle.forEach((p, i) => {
      const [a, b] = [middle[Math.max(0, i - 1)]!, middle[Math.min(middle.length - 1, i + 1)]!];
      const length = Math.sqrt((b.x - a.x) ** 2 + (b.y - a.y) ** 2) || 1;
      const [across, up] = [Math.abs(b.x - a.x) / length, Math.abs(b.y - a.y) / length];
      // Cut level, a slanting stroke ends where its middle crosses that level.
      const y = level ? Math.min(level[1], Math.max(level[0], p.y)) : p.y;
      const x = level && up > 0 ? p.x + ((y - p.y) * (b.x - a.x)) / (b.y - a.y) : p.x;
      const half = (width * w) / 2;
      const aside = half * (level ? 1 / Math.max(0.3, up) : up);
      const beyond = level ? 0 : half * across;
      box.minX = Math.min(box.minX, x - aside);
      box.maxX = Math.max(box.maxX, x + aside);
      box.minY = Math.min(box.minY, y - beyond);
      box.maxY = Math.max(box.maxY, y + beyond);
    });
  }
  return box;
}

/** How far the ink of a letter reaches from left to right, cap heights. */
export function inkOf(glyph: Glyph, w: number): [number, number] {
  const { minX, maxX } = inkBox(glyph, w);
  return [minX, maxX];
}
