import type { MedialAxis, Branch } from '../../geometry/medial';
import { lineLength, nearestOnLine } from '../../geometry/line';
import { cross, distance, dot, mix, scale, sub, unit, type Area, type Point } from '../../geometry/point';
import { bodyMarks, neckAlong, withNodeBalls } from './bodies';

/** Where a limb meets its body. */
export interface Neck {
  /** Middle of the cut. */
  at: Point;
  /** The ends of the straight cut, on the outline to both sides. */
  ends: readonly [Point, Point];
  /** Direction along the limb into the body, of length 1. */
  inward: Point;
  widthMm: number;
}

/** Into the body the width grows at least so many times within so many half widths of the neck, or the limb is the body's own taper. */
const GROWS = 1.5;
const WITHIN = 1.7;
/** And so many times faster than the limb tapers. */
const TURNS = 1.6;
/** Of thinner limbs the middle is known no better than to this, mm. */
const THIN_MM = 1;
/** What is narrower vanishes in a corner, mm. */
const LEAST_HALF_MM = 0.3;
/** Necks are looked for so far into a limb, in widths of the widest column. */
const REACH = 1.2;

/** All places where something narrow leaves something wide. */
export function necksOf(area: Area, drawn: MedialAxis, limitMm: number): Neck[] {
  const axis = withNodeBalls(drawn.withSpurs?.() ?? drawn);
  const marks = bodyMarks(axis, limitMm);
  return axis.branches.flatMap((branch, b) => {
    const [turned, mark] = branch.from === -1 ? fromBody(branch, marks[b]!) : [branch, marks[b]!];
    return stretches(mark)
      .filter((s) => !isGap(turned, s))
      .flatMap(([from, to]) => {
        const last = turned.points.length - 1;
        const ways = [...(from > 0 ? [placesBetween(from - 1, to)] : []), ...(to < last ? [placesBetween(to + 1, from)] : [])];
        return ways.flatMap((order) => neckAt(area, turned, order, limitMm) ?? []);
      });
  });
}

function placesBetween(from: number, to: number): number[] {
  const step = from < to ? 1 : -1;
  return Array.from({ length: Math.abs(to - from) + 1 }, (_, k) => from + k * step);
}

/** A closed loop seen from a point in the body, so that none of its limbs lies across its seam. */
function fromBody(loop: Branch, marks: readonly boolean[]): [Branch, readonly boolean[]] {
  const start = marks.indexOf(true);
  if (start < 0) return [loop, marks];
  const turn = <T>(list: readonly T[]): T[] => [...list.slice(start, -1), ...list.slice(0, start + 1)];
  return [{ ...loop, points: turn(loop.points), radii: turn(loop.radii) }, turn(marks)];
}

/** First and last place of each stretch outside bodies. */
function stretches(marks: readonly boolean[]): [number, number][] {
  const out: [number, number][] = [];
  marks.forEach((inBody, i) => {
    if (inBody) return;
    if (i === 0 || marks[i - 1]) out.push([i, i]);
    else out[out.length - 1]![1] = i;
  });
  return out;
}

/** Hardly narrower and hardly long, between two wide places. */
function isGap({ points, radii }: Branch, [from, to]: readonly [number, number]): boolean {
  if (from === 0 || to === points.length - 1) return false;
  return lineLength(points.slice(from, to + 1)) < 2 * Math.max(...radii.slice(from, to + 1));
}

/** @param order places of the branch from the last one in the body to the far end of the limb */
function neckAt(area: Area, branch: Branch, order: readonly number[], limitMm: number): Neck | null {
  const { points, radii } = branch;
  const k = neckAlong(branch, order, limitMm, REACH * Math.max(limitMm, 2 * radii[order[0]!]!));
  if (k < 0) return null;
  const place = order[k]!;
  const radius = radii[place]!;
  if (radius < LEAST_HALF_MM) return null;
  const step = order.length > 1 ? order[0]! - order[1]! : 1;
  if (!grows(branch, place, step)) return null;
  const at = points[place]!;
  const inward = directionAt(points, place, step, radius);
  const ends = sidesOf(area, at, inward, radius);
  return ends && { at: mix(...ends, 0.5), ends, inward, widthMm: distance(...ends) };
}

/** Whether the branch widens soon on the body's side, and faster than it tapers on the limb's. */
function grows(branch: Branch, place: number, step: number): boolean {
  const radius = branch.radii[place]!;
  const within = WITHIN * Math.max(radius, THIN_MM);
  const gained = Math.max(...radiiWithin(branch, place, step, within)) - radius;
  const lost = radius - Math.min(...radiiWithin(branch, place, -step, within));
  return gained >= (GROWS - 1) * radius && gained >= TURNS * lost;
}

/** Radii up to so far from a place; the axis may take one long step to a body's middle, or small ones to and fro. */
function radiiWithin({ points, radii }: Branch, place: number, step: number, mm: number): number[] {
  const out = [radii[place]!];
  for (let i = place; i + step >= 0 && i + step < points.length; i += step) {
    const [here, next] = [distance(points[i]!, points[place]!), distance(points[i + step]!, points[place]!)];
    if (next <= mm) out.push(radii[i + step]!);
    else if (here <= mm) out.push(radii[i]! + ((mm - here) / (next - here)) * (radii[i + step]! - radii[i]!));
    if (next > 2 * mm) break;
  }
  return out;
}

/** Direction of the limb towards the body, a little way out: in the mouth its middle line may already bend. */
function directionAt(points: readonly Point[], place: number, step: number, radius: number): Point {
  const [near, far] = [pointBeyond(points, place, -step, radius), pointBeyond(points, place, -step, 3 * radius)];
  return unit(distance(near, far) > radius ? sub(near, far) : sub(points[place]!, near));
}

function pointBeyond(points: readonly Point[], place: number, step: number, mm: number): Point {
  let i = place;
  while (i + step >= 0 && i + step < points.length && distance(points[i]!, points[place]!) < mm) i += step;
  return points[i]!;
}

/** A cut leans no more than this against the limb, as a sine. */
const LEANS = 0.15;

/** Ends of the cut: nearest points on both sides, at the corners that bend inwards there; square to the limb where these lie askew. */
function sidesOf(area: Area, at: Point, inward: Point, radius: number): [Point, Point] | null {
  const reach = 2 * radius + 0.5;
  const near = SIDES.map((side) => nearestOn(area, { at, inward, side }, at, reach));
  if (!near[0] || !near[1]) return null;
  const ends = near.map((p) => cornerNear(area, p!, radius));
  const leans = (e: readonly Point[]): number => Math.abs(dot(unit(sub(e[1]!, e[0]!)), inward));
  if (leans(ends) <= LEANS) return [ends[0]!, ends[1]!];
  // From the corner farther out the shortest way across keeps the limb straight.
  const outer = dot(sub(ends[1]!, ends[0]!), inward) > 0 ? 0 : 1;
  const across = nearestOn(area, { at, inward, side: SIDES[1 - outer]! }, ends[outer]!, 2 * reach);
  if (across) ends[1 - outer] = across;
  return leans(ends) < leans(near as Point[]) + 0.1 ? [ends[0]!, ends[1]!] : [near[0], near[1]];
}

const SIDES = [1, -1] as const;

/** Nearest point of the outline to `p` that lies on one side of a direction through a point. */
function nearestOn(area: Area, of: { at: Point; inward: Point; side: 1 | -1 }, p: Point, within: number): Point | null {
  let [best, nearest]: [Point | null, number] = [null, within];
  for (const ring of area) {
    ring.forEach((q, i) => {
      const { point, distance: d } = nearestOnLine([q, ring[(i + 1) % ring.length]!], p);
      if (d < nearest && cross(of.inward, sub(point, of.at)) * of.side > 0) [best, nearest] = [point, d];
    });
  }
  return best;
}

/** A corner is taken within this share of the neck's half width, when it bends inwards by more than this, as a sine. */
const CORNER_NEAR = 0.35;
const CORNER_SINE = 0.35;

function cornerNear(area: Area, p: Point, radius: number): Point {
  let [best, nearest] = [p, CORNER_NEAR * radius];
  for (const ring of area) {
    ring.forEach((q, i) => {
      const d = distance(p, q);
      if (d >= nearest) return;
      const before = unit(sub(q, ring[(i + ring.length - 1) % ring.length]!));
      const after = unit(sub(ring[(i + 1) % ring.length]!, q));
      // Outlines have the area on the side to which a positive turn bends.
      if (cross(before, after) < -CORNER_SINE) [best, nearest] = [q, d];
    });
  }
  return best;
}

/** A thin strip across the limb at its neck, reaching a hair beyond both sides. */
export function cutAt({ ends: [a, b], inward }: Neck, widthMm: number, beyondMm: number): Point[] {
  const along = unit(sub(b, a));
  const [from, to] = [sub(a, scale(along, beyondMm)), { x: b.x + along.x * beyondMm, y: b.y + along.y * beyondMm }];
  const back = scale(inward, widthMm);
  return [from, to, sub(to, back), sub(from, back)];
}
