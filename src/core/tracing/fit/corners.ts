import { atan2, cos, sin } from '../../units/trig';
import { cross, distance, dot, type Point } from '../../geometry/point';
import { armOf, meeting, type Arm } from './arms';
import { circleThrough } from './circle';

/** How roughly a border is known, pixels. */
export interface Roughness {
  /** An edge blurs what is nearer to a corner than this. */
  blur: number;
  /** Border places are uncertain by about so much. */
  noise: number;
}

export interface Corner {
  /** Index of the border's point nearest to it. */
  index: number;
  at: Point;
  /** Directions away from it, back along the border and onward. */
  back: Point;
  onward: Point;
}

/** Lengths over which candidates are looked for, and over which they are judged, pixels. */
const SHORT_ARM = 4;
const LONG_ARM = 9;
/** Turns above this are candidates; a corner turns by more than this beyond what its arms bend anyway, radians. */
const CANDIDATE = 0.38;
const CORNER = 0.5;
/** How far a blurred border rounds a corner of which the sides are at right angles, in blurs: what lies farther inside was drawn round. */
const ROUNDED = 0.7;

/** A border's points with access beyond its ends where it is a loop. */
export class Border {
  readonly count: number;

  constructor(
    readonly points: readonly Point[],
    readonly loop: boolean,
  ) {
    this.count = points.length;
  }

  at(i: number): Point | undefined {
    return this.loop ? this.points[((i % this.count) + this.count) % this.count] : this.points[i];
  }

  /** Points on one side of a point, from `skip` to `reach` pixels along the border, never past `stop`. */
  stretch(i: number, step: 1 | -1, skip: number, reach: number, stop: number | null = null): Point[] {
    const out: Point[] = [];
    let mm = 0;
    let from = this.at(i)!;
    for (let k = 1; k < this.count; k++) {
      const j = i + step * k;
      const p = this.at(j);
      if (!p || (stop !== null && (step > 0 ? j >= stop : j <= stop))) break;
      mm += distance(from, p);
      from = p;
      if (mm > reach) break;
      if (mm >= skip) out.push(p);
    }
    return out;
  }
}

/** The turn between two arms, radians: 0 where one goes straight on into the other. */
const turnOf = (a: Point, b: Point): number => Math.PI - Math.abs(atan2(cross(a, b), dot(a, b)));

/** The true corners of a border, in order. */
export function cornersOf(border: Border, { blur, noise }: Roughness): Corner[] {
  const turns = new Float64Array(border.count);
  for (let i = 0; i < border.count; i++) {
    if (!bends(border, i)) continue;
    const place = border.at(i)!;
    const a = armOf(border.stretch(i, -1, blur * 0.7, blur * 0.7 + SHORT_ARM), place);
    const b = armOf(border.stretch(i, 1, blur * 0.7, blur * 0.7 + SHORT_ARM), place);
    if (a && b) turns[i] = turnOf(a.straight, b.straight);
  }
  const candidates = peaksOf(border, turns, 2 * blur).sort((a, b) => turns[b]! - turns[a]! || a - b);
  const corners: Corner[] = [];
  // The sharpest are judged first: what is known to be a corner ends the arms of its neighbours, and where that is not enough, what may be one.
  for (const index of candidates) {
    const known = corners.map((c) => c.index);
    const near = candidates.filter((c) => c !== index);
    const corner = judged(border, index, known, { blur, noise }) ?? judged(border, index, [...known, ...near], { blur, noise });
    if (corner) corners.push(corner);
  }
  return corners.sort((a, b) => a.index - b.index);
}

/** The nearest known corners on both sides of a place; beyond the ends of a loop they come round again. */
function neighboursOf(border: Border, index: number, corners: readonly number[]): [number | null, number | null] {
  const all = corners.flatMap((i) => (border.loop ? [i - border.count, i, i + border.count] : [i]));
  const before = all.filter((i) => i < index);
  const after = all.filter((i) => i > index);
  return [before.length > 0 ? Math.max(...before) : null, after.length > 0 ? Math.min(...after) : null];
}

/** Points on either side whose chords are asked first, which takes less time than their lines. */
const CHORD = 5;
const CHORD_TURN = 0.22;

/** Whether a border may turn at a point. */
function bends(border: Border, i: number): boolean {
  const [p, q, r] = [border.at(i - CHORD), border.at(i)!, border.at(i + CHORD)];
  if (!p || !r) return true;
  const [u, v] = [
    { x: q.x - p.x, y: q.y - p.y },
    { x: r.x - q.x, y: r.y - q.y },
  ];
  return Math.abs(atan2(cross(u, v), dot(u, v))) > CHORD_TURN;
}

/** Places that turn most of all within a reach, and enough to be asked about. */
function peaksOf(border: Border, turns: Float64Array, reach: number): number[] {
  const out: number[] = [];
  for (let i = 0; i < border.count; i++) {
    if (turns[i]! < CANDIDATE) continue;
    let most = true;
    for (const step of [1, -1] as const) {
      let way = 0;
      for (let k = 1; most && k < border.count && way <= reach; k++) {
        const j = border.loop ? (i + step * k + border.count) % border.count : i + step * k;
        const p = border.at(j);
        if (!p) break;
        way += distance(p, border.at(i + step * (k - 1))!);
        if (way <= reach && (turns[j]! > turns[i]! || (turns[j] === turns[i] && j < i))) most = false;
      }
    }
    if (most) out.push(i);
  }
  return out;
}

/** Stretches are compared with a circle over so much on either side, pixels. */
const ROUND_ARM = 8;
/** Two straight sides stray from their best circle by so much of their length, times the tangent of half their turn. */
const STRAYS = 0.1875;
/** What strays by less than this share of it was drawn round. */
const SHARP_SHARE = 0.45;

/** Whether a turn is one of a circle rather than of two sides. */
function isRound(border: Border, index: number, before: number | null, after: number | null, turn: number): boolean {
  const back = border.stretch(index, -1, 0, ROUND_ARM, before);
  const onward = border.stretch(index, 1, 0, ROUND_ARM, after);
  const arm = Math.min(back.length, onward.length);
  const place = border.at(index)!;
  const points = [...back.slice(0, arm).reverse(), place, ...onward.slice(0, arm)];
  if (arm < 3) return false;
  const reach = Math.min(distance(points[0]!, place), distance(points.at(-1)!, place));
  const expected = Math.min((STRAYS * sin(Math.min(1.4, turn / 2))) / cos(Math.min(1.4, turn / 2)), 0.35) * reach;
  const circle = circleThrough(points);
  if (!circle) return false;
  return Math.max(...points.map((p) => Math.abs(distance(p, circle.centre) - circle.radius))) < SHARP_SHARE * expected;
}

/** A candidate as a corner, judged by what its arms do right up to it; null for a mere bend. */
function judged(border: Border, index: number, corners: readonly number[], { blur, noise }: Roughness): Corner | null {
  const place = border.at(index)!;
  const [before, after] = neighboursOf(border, index, corners);
  const arm = (step: 1 | -1, stop: number | null): Arm | null => {
    const long = border.stretch(index, step, blur, blur + LONG_ARM, stop);
    // What lies as near to the next corner is as blurred.
    const clear = stop === null ? long : long.filter((p) => distance(p, border.at(stop)!) > blur);
    return armOf(clear.length >= 2 ? clear : border.stretch(index, step, blur * 0.7, blur + 2), place);
  };
  const [a, b] = [arm(-1, before), arm(1, after)];
  if (!a || !b) return null;
  const turn = Math.min(turnOf(a.along, b.along), turnOf(a.straight, b.straight));
  const shortest = Math.min(a.points, b.points);
  // Of few and rough points a direction is known less well.
  if (turn < CORNER + (3 * noise) / Math.max(2, shortest)) return null;
  if (isRound(border, index, before, after, turnOf(a.straight, b.straight))) return null;
  const met = meeting(a.at, a.along, b.at, b.along) ?? meeting(a.middle, a.straight, b.middle, b.straight);
  if (!met) return null;
  const inside = Math.min(distance(met, place), ...[-3, -2, -1, 1, 2, 3].map((k) => distance(met, border.at(index + k) ?? place)));
  // The more pointed a corner, the farther inside it its blurred border passes.
  const allowed = (ROUNDED * blur * Math.SQRT1_2) / Math.max(0.15, cos(Math.max(turn, turnOf(a.along, b.along)) / 2)) + 3 * noise;
  return inside <= allowed ? { index, at: met, back: a.along, onward: b.along } : null;
}
