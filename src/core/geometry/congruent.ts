import { normalDirection } from '../units/directions';
import { atan2, cos, PI, sin } from '../units/trig';
import { ringArea } from './area';
import { evenly, lengthsAlong, nearestOnLine } from './line';
import { add, dot, sub, type Area, type Line, type Point, type Ring } from './point';

/** A map that keeps all lengths: turned (radians, the page's way), mirrored left and right before that, then moved. */
export interface Congruence {
  turn: number;
  mirrored: boolean;
  from: Point;
  to: Point;
}

/** Points round an outline that are compared. */
const SAMPLES = 72;
/** Areas and lengths of congruent outlines differ by less than this share. */
const ALIKE = 0.04;

/** An outline as it is compared with others. */
export interface Print {
  closed: Line;
  /** Evenly round it. */
  points: readonly Point[];
  middle: Point;
  area: number;
  length: number;
  holes: number;
}

/** @returns what is compared of an area of one part; null for an empty one */
export function printOf(area: Area): Print | null {
  const ring = area[0];
  if (!ring || ring.length < 3) return null;
  const closed = [...ring, ring[0]!];
  const along = lengthsAlong(closed);
  const points = evenly(closed, along, SAMPLES).slice(0, SAMPLES);
  return {
    closed,
    points,
    middle: middleOf(ring),
    area: Math.abs(ringArea(ring)),
    length: along[along.length - 1]!,
    holes: area.length - 1,
  };
}

/** Centre of mass of what an outline encloses. */
export function middleOf(ring: Ring): Point {
  const o = ring[0]!;
  let [x, y, twice] = [0, 0, 0];
  ring.forEach((p, i) => {
    const q = ring[(i + 1) % ring.length]!;
    const c = (p.x - o.x) * (q.y - o.y) - (q.x - o.x) * (p.y - o.y);
    [x, y, twice] = [x + (p.x + q.x - 2 * o.x) * c, y + (p.y + q.y - 2 * o.y) * c, twice + c];
  });
  return Math.abs(twice) < 1e-9 ? o : { x: o.x + x / (3 * twice), y: o.y + y / (3 * twice) };
}

/** Where a point comes to. */
export function carried({ turn, mirrored, from, to }: Congruence, p: Point): Point {
  const [x, y] = [mirrored ? from.x - p.x : p.x - from.x, p.y - from.y];
  const [c, s] = [cos(turn), sin(turn)];
  return { x: to.x + c * x - s * y, y: to.y + s * x + c * y };
}

/** A direction, degrees counter-clockwise on the page, as it comes to lie. */
export const directionOn = ({ turn, mirrored }: Congruence, deg: number): number =>
  normalDirection((mirrored ? 180 - deg : deg) - (turn * 180) / PI);

/** The other way: the direction that comes to lie so. */
export function directionFrom({ turn, mirrored }: Congruence, deg: number): number {
  const turned = deg + (turn * 180) / PI;
  return normalDirection(mirrored ? 180 - turned : turned);
}

/**
 * The map that lays one outline on another, to within `off` mm everywhere; moved only where that does, else mirrored left and
 * right, else turned, else both. Null when there is none.
 */
export function congruence(a: Print, b: Print, off: number): Congruence | null {
  if (a.holes !== b.holes || unlike(a.area, b.area) || unlike(a.length, b.length)) return null;
  const upright = unturned(a, b, off);
  if (upright) return upright;
  const between = { from: a.middle, to: b.middle };
  const fits = (c: Congruence): boolean => fitsOn(a, b, c, off);
  for (const mirrored of [false, true]) {
    let turn = bestTurn(a, b, mirrored);
    for (let round = 0; round < ROUNDS; round++) turn += turnLeft(a, b, { turn, mirrored, ...between });
    if (fits({ turn, mirrored, ...between })) return { turn, mirrored, ...between };
  }
  return null;
}

/** The same without turning, which is quickly told. */
export function unturned(a: Print, b: Print, off: number): Congruence | null {
  if (a.holes !== b.holes || Math.abs(a.area - b.area) > off * a.length) return null;
  for (const mirrored of [false, true]) {
    const as = { turn: 0, mirrored, from: a.middle, to: b.middle };
    if (fitsOn(a, b, as, off)) return as;
  }
  return null;
}

/** Samples of two outlines lie up to half a step apart: how often the turn is mended by what is left. */
const ROUNDS = 2;

/** The turn by which the points would come nearer to the places of the other outline next to them. */
function turnLeft(a: Print, b: Print, c: Congruence): number {
  let [along, across] = [0, 0];
  for (const p of a.points) {
    const u = sub(carried(c, p), b.middle);
    const v = sub(nearestOnLine(b.closed, add(b.middle, u)).point, b.middle);
    along += dot(u, v);
    across += u.x * v.y - u.y * v.x;
  }
  return atan2(across, along);
}

const unlike = (p: number, q: number): boolean => Math.abs(p - q) > ALIKE * Math.max(p, q);

/** Whether an outline's points, when laid on the other, lie within `off` of that one's outline; both ways. */
function fitsOn(a: Print, b: Print, c: Congruence, off: number): boolean {
  if (!a.points.every((p) => isNear(b.closed, carried(c, p), off))) return false;
  const laid = a.closed.map((p) => carried(c, p));
  return b.points.every((p) => isNear(laid, p, off));
}

function isNear(line: Line, p: Point, off: number): boolean {
  for (let i = 1; i < line.length; i++) {
    const [a, b] = [line[i - 1]!, line[i]!];
    const [dx, dy] = [b.x - a.x, b.y - a.y];
    const size = dx * dx + dy * dy;
    const t = size > 0 ? Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / size)) : 0;
    const [x, y] = [p.x - a.x - t * dx, p.y - a.y - t * dy];
    if (x * x + y * y <= off * off) return true;
  }
  return false;
}

/** The turn that lays the points on one another best, whichever of them begins (orthogonal Procrustes over all shifts). */
function bestTurn(a: Print, b: Print, mirrored: boolean): number {
  const n = a.points.length;
  const p = a.points.map((q) => ({ x: mirrored ? a.middle.x - q.x : q.x - a.middle.x, y: q.y - a.middle.y }));
  if (mirrored) p.reverse();
  const q = b.points.map((r) => ({ x: r.x - b.middle.x, y: r.y - b.middle.y }));
  let [best, turn] = [-1, 0];
  for (let shift = 0; shift < n; shift++) {
    let [along, across] = [0, 0];
    for (let i = 0; i < n; i++) {
      const [u, v] = [p[i]!, q[(i + shift) % n]!];
      along += u.x * v.x + u.y * v.y;
      across += u.x * v.y - u.y * v.x;
    }
    const fit = along * along + across * across;
    if (fit > best) [best, turn] = [fit, atan2(across, along)];
  }
  return turn;
}
