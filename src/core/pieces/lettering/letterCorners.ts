import type { Stroke } from '../../lettering/glyph';
import { intersect, strokeArea, subtract, unite } from '../../geometry/area';
import { dividedAt, lineLength, nearestOnLine } from '../../geometry/line';
import { add, cross, distance, dot, scale, sub, unit, type Area, type Line, type Point } from '../../geometry/point';
import { capColumn } from '../satin/corners';
import { extend } from '../satin/fromLine';
import { indexEdges } from '../satin/outlineEdges';
import type { Track } from '../satin/track';
import { jointsOf, leaving, type End, type Joint, type PlacedStroke } from './joints';

/** A stroke of a letter, as placed and as it was drawn. */
export interface LetterStroke {
  stroke: PlacedStroke;
  level?: Stroke['level'];
  /** It goes round corners as one column. */
  turns?: boolean;
}

/** Strokes of one width differ by less than this share. */
const ONE_WIDTH = 0.1;

/** Joints at which two strokes end against each other: corners of block letters. */
export const cornersIn = (joints: readonly Joint[]): Joint[] => joints.filter((j) => j.underEnd !== null && j.overEnd !== null && j.tucked);

/** Corners nearly square, which one column can go round and a cap cover: the cosine of their angle is no more than this. */
const SQUARE = 0.45;
export const squareOf = (strokes: readonly LetterStroke[], corners: readonly Joint[]): Joint[] =>
  corners.filter(({ under, over, underEnd, overEnd }) => {
    const [a, b] = [leaving(strokes[under]!.stroke, underEnd!), leaving(strokes[over]!.stroke, overEnd!)];
    return Math.abs(dot(a, b)) < SQUARE;
  });

/** Strokes of which those that meet in one corner are one, which turns there; bowls, and steep ends of slanting strokes, stay as they are. */
export function turned(strokes: readonly LetterStroke[]): LetterStroke[] {
  const joints = jointsOf(strokes.map((s) => s.stroke));
  const corner = squareOf(strokes, cornersIn(joints)).find(({ under, over }) => {
    const [a, b] = [strokes[under]!, strokes[over]!];
    if (joints.filter((o) => o.under === under && o.over === over).length > 1) return false;
    return !a.level && !b.level && Math.abs(a.stroke.widthMm / b.stroke.widthMm - 1) < ONE_WIDTH;
  });
  if (!corner) return strokes.slice();
  const { under, over, underEnd, overEnd, at } = corner;
  const [a, b] = [endingAt(strokes[under]!.stroke.middle, underEnd!), endingAt(strokes[over]!.stroke.middle, overEnd!)];
  const upTo = (line: Line): Line => dividedAt(line, nearestOnLine(line, at).along)[0];
  const [first, second] = [upTo(a), upTo(b)];
  const middle = [...withoutLast(first, at), at, ...withoutLast(second, at).reverse()];
  const one: LetterStroke = { stroke: { ...strokes[over]!.stroke, middle }, turns: true };
  return turned(strokes.flatMap((s, i) => (i === over ? [one] : i === under ? [] : [s])));
}

const endingAt = (line: Line, end: End): Line => (end === 1 ? line : line.slice().reverse());

/** A line without the points at its end that are as good as another. */
function withoutLast(line: Line, p: Point): Point[] {
  const out = line.slice();
  while (out.length > 1 && distance(out[out.length - 1]!, p) < SAME_MM) out.pop();
  return out;
}
const SAME_MM = 0.02;

/** Halves of a mitre lap each other by so much, mm. */
const LAP_MM = 0.15;
/** A mitre cuts no farther from its corner than this, in stroke widths. */
const CUTS = 1.5;

/** What strokes paint when each of those that meet in a corner is cut along the line between them. */
export function mitred(strokes: readonly LetterStroke[], painted: readonly Area[], corners: readonly Joint[]): Area[] {
  return painted.map((area, i) =>
    corners.reduce((left, j) => {
      if (j.under !== i && j.over !== i) return left;
      const [own, other] = j.under === i ? [j.underEnd!, j.over] : [j.overEnd!, j.under];
      const otherEnd = j.under === i ? j.overEnd! : j.underEnd!;
      const [stroke, neighbour] = [strokes[i]!.stroke, strokes[other]!.stroke];
      const [mine, theirs] = [leaving(stroke, own), leaving(neighbour, otherEnd)];
      const outward = unit(add(mine, theirs));
      // To the outer corner, where it is within what the two paint: a bar that ended in the middle of its stem.
      const reached = intersect(arm(stroke, own, neighbour.widthMm), unite(painted[other]!, area));
      const side = Math.sign(cross(outward, scale(theirs, -1))) || 1;
      return subtract(unite(left, reached), beyond(j.at, outward, side, CUTS * stroke.widthMm));
    }, area),
  );
}

/** The end of a stroke, and as much more as another stroke is wide. */
function arm({ middle, widthMm }: PlacedStroke, end: End, moreMm: number): Area {
  const line = endingAt(middle, end);
  const mm = lineLength(line);
  const last = dividedAt(line, Math.max(0, mm - widthMm))[1];
  return strokeArea([extend(last, 0, moreMm)], false, { widthMm, cap: 'butt', join: 'round', miterLimit: 4 });
}

/** What lies beyond a line through a corner on one side, so far about it. */
function beyond(at: Point, along: Point, side: number, reachMm: number): Area {
  const aside = { x: -along.y * side, y: along.x * side };
  const from = add(at, scale(aside, LAP_MM));
  const corner = (u: number, v: number): Point => add(from, add(scale(along, u * reachMm), scale(aside, v * reachMm)));
  const ring = [corner(-1, 0), corner(1, 0), corner(1, 1), corner(-1, 1)];
  return [cross(sub(ring[1]!, ring[0]!), sub(ring[2]!, ring[0]!)) > 0 ? ring : ring.reverse()];
}

/** A short column over each corner, from the inner to the outer one. */
export function caps(strokes: readonly LetterStroke[], corners: readonly Joint[], ink: Area): { joint: Joint; track: Track }[] {
  const edges = indexEdges(ink);
  return corners.flatMap((joint) => {
    const [a, b] = [strokes[joint.under]!.stroke, strokes[joint.over]!.stroke];
    const far = (s: PlacedStroke, end: End): Point => add(joint.at, scale(leaving(s, end), -s.widthMm));
    const track = capColumn([far(a, joint.underEnd!), joint.at], [joint.at, far(b, joint.overEnd!)], a.widthMm / 2, edges);
    return track ? [{ joint, track }] : [];
  });
}

/** Strokes that go on to the outer side of each corner: what is cut along a mitre does. */
export const reachingCorners = (strokes: readonly LetterStroke[], corners: readonly Joint[]): PlacedStroke[] =>
  strokes.map(({ stroke }, i) =>
    corners.reduce((s, j) => {
      if (j.under !== i && j.over !== i) return s;
      const [end, other] = j.under === i ? [j.underEnd!, j.over] : [j.overEnd!, j.under];
      const by = strokes[other]!.stroke.widthMm;
      return { ...s, middle: extend(s.middle, end === 0 ? by : 0, end === 1 ? by : 0) };
    }, stroke),
  );
