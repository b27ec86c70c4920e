import { add, distance, dot, scale, sub, unit, type Point } from '../../geometry/point';
import type { Segment, Subpath } from '../../geometry/path';
import { atan2, cos, sin } from '../../units/trig';

/** Shorter straight sides tell no direction, pixels. */
const LEAST_PX = 12;
const QUARTER_TURN = Math.PI / 2;
/** Sides are as good as square to each other when no end is farther off than this, pixels. */
const DONE_PX = 1e-5;
const MOST_ROUNDS = 400;
/** An end that would have to move by more than this, in what is allowed, is not meant to be square. */
const TOO_FAR = 2.5;
/** A handle so nearly along a straight side goes on from it smoothly, as a sine. */
const SMOOTH = 0.02;

/** What a straight side of a shape is: its ends by their numbers, where it points, and how long it is. */
interface Edge {
  a: number;
  b: number;
  angle: number;
  length: number;
}

/** Sides that are parallel or square to each other, and the direction that they share, modulo a quarter turn. */
interface Direction {
  angle: number;
  /** Of its sides, by how surely they tell it; 0 where it is given. */
  weight: number;
  edges: Edge[];
}

export interface Squared {
  shapes: Subpath[];
  /** Straight sides that are level, upright, parallel or square to others now and were not quite before. */
  count: number;
}

/**
 * Shapes whose straight sides that are nearly level, upright, parallel or square to each other are so exactly. Ends move by as little as that
 * takes; neighbours that share an end keep sharing it. Source: projection on the sides' conditions in turn (Kaczmarz 1937).
 * @param allowed no end of a side is moved farther by turning it, pixels
 * @param isFixed places that stay, and shapes whose sides tell nothing
 */
export function squared(
  shapes: readonly Subpath[],
  allowed: number,
  isFixed: { place(p: Point): boolean; shape(index: number): boolean },
): Squared {
  const ends = new Ends(isFixed.place);
  const edges = shapes.flatMap((shape, i) => (isFixed.shape(i) ? [] : edgesOf(shape, ends)));
  for (const shape of shapes) for (const p of placesOf(shape)) ends.of(p);
  let meant = directionsOf(edges, allowed).flatMap(({ angle, edges: own }) => own.map((edge) => ({ edge, angle })));
  ends.turn(meant);
  const tooFar = ends.movedMoreThan(TOO_FAR * allowed);
  if (tooFar.size > 0) {
    meant = meant.filter(({ edge }) => !tooFar.has(edge.a) && !tooFar.has(edge.b));
    ends.turn(meant);
  }
  return { shapes: shapes.map((shape) => ends.movedShape(shape)), count: meant.filter((m) => offBy(m.edge, m.angle) > DONE_PX).length };
}

const placesOf = ({ start, segments }: Subpath): Point[] => [start, ...segments.map((s) => s.to)];

function edgesOf({ start, segments }: Subpath, ends: Ends): Edge[] {
  return segments.flatMap((s, i): Edge[] => {
    const from = segments[i - 1]?.to ?? start;
    const length = distance(from, s.to);
    if (s.c1 || length < LEAST_PX) return [];
    return [{ a: ends.of(from), b: ends.of(s.to), angle: atan2(s.to.y - from.y, s.to.x - from.x), length }];
  });
}

/** The longest sides first: each joins the direction that it is nearest to, or begins one. Those of one side alone are none. */
function directionsOf(edges: readonly Edge[], allowed: number): Direction[] {
  const all: Direction[] = [{ angle: 0, weight: 0, edges: [] }];
  for (const edge of edges.slice().sort((a, b) => b.length - a.length)) {
    const near = all
      .map((direction) => ({ direction, off: offBy(edge, direction.angle) }))
      .filter(({ off }) => off <= allowed)
      .sort((a, b) => a.off - b.off)[0];
    if (!near) {
      all.push({ angle: edge.angle, weight: edge.length ** 3, edges: [edge] });
      continue;
    }
    const { direction } = near;
    direction.edges.push(edge);
    // How surely a line through even places tells its direction goes by the third power of its length.
    if (direction.weight === 0) continue;
    const weight = edge.length ** 3;
    direction.angle += (turnTo(edge.angle, direction.angle) * weight) / (direction.weight + weight);
    direction.weight += weight;
  }
  return all.filter((d, i) => i === 0 || d.edges.length > 1);
}

/** By how much an angle is beyond another, modulo a quarter turn. */
const turnTo = (angle: number, from: number): number => angle - from - Math.round((angle - from) / QUARTER_TURN) * QUARTER_TURN;

/** How far the ends of a side lie off when it is turned about its middle to a direction, pixels. */
const offBy = (edge: Edge, angle: number): number => (Math.abs(turnTo(edge.angle, angle)) * edge.length) / 2;

type Side = readonly [Point, Point];

/** Places where sides end, each once, as they are and as they become. */
class Ends {
  private readonly numbers = new Map<string, number>();
  private readonly places: Point[] = [];
  private moved: Point[] = [];
  private readonly fixed: boolean[] = [];

  constructor(private readonly isFixed: (p: Point) => boolean) {}

  of(p: Point): number {
    const key = `${p.x} ${p.y}`;
    const known = this.numbers.get(key);
    if (known !== undefined) return known;
    this.numbers.set(key, this.places.length);
    this.fixed.push(this.isFixed(p));
    this.moved.push(p);
    return this.places.push(p) - 1;
  }

  /** Moves ends until each side points where it is meant to. */
  turn(meant: readonly { edge: Edge; angle: number }[]): void {
    this.moved = this.places.slice();
    const normals = meant.map(({ edge, angle }) => {
      const exact = edge.angle - turnTo(edge.angle, angle);
      return { x: -sin(exact), y: cos(exact) };
    });
    for (let round = 0; round < MOST_ROUNDS; round++) {
      let worst = 0;
      meant.forEach(({ edge: { a, b } }, i) => {
        const normal = normals[i]!;
        const off = dot(sub(this.moved[b]!, this.moved[a]!), normal);
        const movable = (this.fixed[a] ? 0 : 1) + (this.fixed[b] ? 0 : 1);
        if (movable === 0) return;
        worst = Math.max(worst, Math.abs(off));
        if (!this.fixed[a]) this.moved[a] = add(this.moved[a]!, scale(normal, off / movable));
        if (!this.fixed[b]) this.moved[b] = sub(this.moved[b]!, scale(normal, off / movable));
      });
      if (worst < DONE_PX) return;
    }
  }

  movedMoreThan(limit: number): Set<number> {
    return new Set(Array.from(this.places.keys()).filter((i) => distance(this.places[i]!, this.moved[i]!) > limit));
  }

  /** A shape with its ends where they are now; curves go along, and on from straight sides as smoothly as before. */
  movedShape({ start, segments, closed }: Subpath): Subpath {
    const to = (p: Point): Point => this.moved[this.of(p)]!;
    const fromOf = (i: number): Point => (i === 0 ? start : segments[i - 1]!.to);
    /** A straight side by its ends, the one that is asked for last; null where there is none. */
    const sideAt = (i: number, backward: boolean): Side | null => {
      const k = closed ? (i + segments.length) % segments.length : i;
      const side = segments[k];
      if (!side || side.c1) return null;
      return backward ? [side.to, fromOf(k)] : [fromOf(k), side.to];
    };
    return {
      start: to(start),
      closed,
      segments: segments.map((s, i): Segment => {
        if (!s.c1 || !s.c2) return { to: to(s.to) };
        return {
          c1: this.handle(fromOf(i), s.c1, sideAt(i - 1, false)),
          c2: this.handle(s.to, s.c2, sideAt(i + 1, true)),
          to: to(s.to),
        };
      }),
    };
  }

  /** A handle at an end: moved with it, and turned with a straight side that comes in from its other end. */
  private handle(at: Point, handle: Point, side: Side | null): Point {
    const now = this.moved[this.of(at)]!;
    const arm = sub(handle, at);
    if (side) {
      const was = unit(sub(at, side[0]));
      const is = unit(sub(now, this.moved[this.of(side[0])]!));
      const along = dot(arm, was);
      if (along > 0 && Math.abs(arm.x * was.y - arm.y * was.x) < SMOOTH * along) return add(now, scale(is, along));
    }
    return add(now, arm);
  }
}
