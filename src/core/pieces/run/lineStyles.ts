import { calmTangents, evenly, lengthsAlong, resample } from '../../geometry/line';
import { dataToRings } from '../../geometry/path';
import { add, mix, scale, type Line, type Point } from '../../geometry/point';
import { hypot } from '../../units/trig';
import type { RunStyle } from '../../document/types';
import { runPoints, withoutShort } from './points';

export interface LineStyle {
  style: RunStyle;
  stitchLengthMm: number;
  /** Passes of a bean, an odd number. */
  passes: number;
  /** Zigzag: distance between points on one side, and width, mm. */
  spacingMm: number;
  widthMm: number;
  /** Motif: the shape in mm, drawn along +x from where it begins to where it ends, and the gap between repeats. */
  motif: Line;
  motifGapMm: number;
}

/** A leaf with its vein, sewn from stalk to tip. */
const LEAF = 'M0,0 C1,-1.7 3,-1.7 4,0 C3,1.7 1,1.7 0,0 C1.3,0 2.7,0 4,0';

/** The drawn motif, moved so that it begins at 0,0; a leaf when none is drawn. */
export function motifLine(data: string | undefined): Line {
  const line = dataToRings(data ?? LEAF)[0] ?? [];
  const from = line[0] ?? { x: 0, y: 0 };
  return line.map((p) => ({ x: p.x - from.x, y: p.y - from.y }));
}

/** Penetrations along a line in the given style, from its first point to its last. */
export function styledPoints(line: Line, style: LineStyle): Point[] {
  switch (style.style) {
    case 'bean':
      return bean(runPoints(line, style.stitchLengthMm), style.passes);
    case 'backstitch':
      return backstitch(runPoints(line, style.stitchLengthMm / 2));
    case 'zigzag':
      return zigzag(line, style.spacingMm, style.widthMm);
    case 'motif':
      return motifs(line, style);
    default:
      return runPoints(line, style.stitchLengthMm);
  }
}

/** Each stitch sewn `passes` times, an odd number, going on along the line without turning round at its nodes. */
function bean(points: readonly Point[], passes: number): Point[] {
  return points.flatMap((p, i) => {
    const before = points[i - 1];
    if (!before) return [p];
    return Array.from({ length: Math.max(1, passes) }, (_, k) => (k % 2 === 0 ? p : before));
  });
}

/** Two steps on, one back: each stitch lies half over the one before, like a twisted stem. */
function backstitch(points: readonly Point[]): Point[] {
  const n = points.length;
  if (n < 3) return points.slice();
  const out: Point[] = [points[0]!];
  for (let i = 2; i < n; i++) out.push(points[i]!, points[i - 1]!);
  out.push(points[n - 1]!);
  return out;
}

/** An open zigzag about the line; the first and last points lie on it. */
function zigzag(line: Line, spacingMm: number, widthMm: number): Point[] {
  const middle = resample(line, spacingMm / 2);
  const along = calmTangents(middle, false, 1);
  return withoutShort(
    middle.map((p, i) => {
      if (i === 0 || i === middle.length - 1) return p;
      const side = (i % 2 === 0 ? 1 : -1) * (widthMm / 2);
      return add(p, scale({ x: -along[i]!.y, y: along[i]!.x }, side));
    }),
  );
}

/** The motif repeated along the line and bent with it; the gap is stretched so that the last repeat ends with the line. */
function motifs(line: Line, style: LineStyle): Point[] {
  const along = lengthsAlong(line);
  const total = along[along.length - 1]!;
  const length = style.motif[style.motif.length - 1]!.x;
  if (!(length > 0.5) || total < length) return runPoints(line, style.stitchLengthMm);
  const count = Math.max(1, Math.floor((total + style.motifGapMm) / (length + style.motifGapMm)));
  const pitch = count > 1 ? (total - length) / (count - 1) : 0;
  const frame = frameOf(line, along);
  const out: Point[] = [];
  for (let k = 0; k < count; k++) {
    const from = count > 1 ? k * pitch : (total - length) / 2;
    out.push(
      ...runPoints(
        style.motif.map((p) => frame(from + p.x, p.y)),
        style.stitchLengthMm,
      ),
    );
  }
  return withoutShort(out);
}

const FRAME_STEP_MM = 0.25;

/** Maps a place along the line and a distance from it to the plane. */
function frameOf(line: Line, along: Float64Array): (s: number, off: number) => Point {
  const total = along[along.length - 1]!;
  const count = Math.max(2, Math.ceil(total / FRAME_STEP_MM));
  const points = evenly(line, along, count);
  const tangents = calmTangents(points, false, 3);
  return (s, off) => {
    const at = Math.min(count - 1e-6, Math.max(0, (s / total) * count));
    const i = Math.floor(at);
    const p = mix(points[i]!, points[i + 1]!, at - i);
    const t = mix(tangents[i]!, tangents[i + 1]!, at - i);
    const l = hypot(t.x, t.y) || 1;
    return { x: p.x - (t.y / l) * off, y: p.y + (t.x / l) * off };
  };
}
