import { perimeterOf, areaOf, simplify } from './area';
import { once } from './known';
import { distance, dot, mix, sub, unit, type Area, type Point } from './point';
import { triangulate, type Triangulation } from './triangles';

/**
 * The medial axis of an area, as branches that a column of stitches can follow.
 *
 * Source: chordal axis transform (Prasad 1997) on a conforming Delaunay triangulation of the sampled outline. Triangles
 * with two doors are sleeves along a branch, with three doors junctions, with one door tips. Where a triangle's
 * circle is sensible its centre and radius are used (they are the inscribed ball), else the middle of its longer door.
 * Branches into mere corners are pruned: a corner's branch is hardly longer than the ball at its foot.
 */
export interface Branch {
  /** Node at each end; -1 at both for a closed loop without a node. */
  from: number;
  to: number;
  points: Point[];
  /** Radius of the inscribed ball at each point, mm. */
  radii: number[];
}

export interface MedialAxis {
  branches: Branch[];
  /** Radius of the largest ball inside the area, mm. */
  maxRadius: number;
  /** The same with the branches of narrow spurs on broad parts, however short beside these; absent when there is none to ask for. */
  withSpurs?: () => MedialAxis;
  /** The same where both corners of a column's end go together, though one reaches far: what rows of a column follow. */
  forColumns?: () => MedialAxis;
}

/** A branch is a corner when it reaches less far than this many radii of the ball at its foot (a right angle has 1.41). */
const CORNER_RATIO = 1.65;

interface Ball {
  centre: Point;
  radius: number;
}

function circumscribed(a: Point, b: Point, c: Point): Ball | null {
  const bx = b.x - a.x;
  const by = b.y - a.y;
  const cx = c.x - a.x;
  const cy = c.y - a.y;
  const d = 2 * (bx * cy - by * cx);
  if (Math.abs(d) < 1e-12) return null;
  const b2 = bx * bx + by * by;
  const c2 = cx * cx + cy * cy;
  const x = (cy * b2 - by * c2) / d;
  const y = (bx * c2 - cx * b2) / d;
  return { centre: { x: a.x + x, y: a.y + y }, radius: Math.sqrt(x * x + y * y) };
}

/**
 * A triangle's circle may be so much larger than half its longest door: along a branch a flat triangle's centre lies far off,
 * but where branches meet, as in the middle of a star, several flat triangles share one true ball.
 */
const OBTUSE = 1.3;
const OBTUSE_JUNCTION = 2.2;

function ballOf(t: Triangulation, triangle: number): Ball {
  const [a, b, c] = [0, 1, 2].map((k) => t.points[t.corners[triangle * 3 + k]!]!) as [Point, Point, Point];
  const corners = [a, b, c];
  const doors = t.doors.get(triangle)!;
  let longest: Ball = { centre: mix(a, b, 0.5), radius: 0 };
  for (const e of doors) {
    const p = corners[e % 3]!;
    const q = corners[(e + 1) % 3]!;
    const half = distance(p, q) / 2;
    if (half > longest.radius) longest = { centre: mix(p, q, 0.5), radius: half };
  }
  if (doors.length === 1) {
    const tip = corners[(doors[0]! + 2) % 3]!;
    return { centre: tip, radius: 0 };
  }
  const circle = circumscribed(a, b, c);
  return circle && circle.radius < longest.radius * (doors.length > 2 ? OBTUSE_JUNCTION : OBTUSE) ? circle : longest;
}

function traceBranches(t: Triangulation): Branch[] {
  const balls = new Map<number, Ball>();
  const ball = (triangle: number): Ball => {
    let made = balls.get(triangle);
    if (!made) balls.set(triangle, (made = ballOf(t, triangle)));
    return made;
  };
  const used = new Set<number>();
  const branches: Branch[] = [];
  const follow = (start: number, door: number): void => {
    if (used.has(door)) return;
    const first = ball(start);
    const branch: Branch = { from: start, to: -1, points: [first.centre], radii: [first.radius] };
    let out = door;
    for (;;) {
      used.add(out);
      const twin = t.twins[out]!;
      used.add(twin);
      const triangle = Math.floor(twin / 3);
      const here = ball(triangle);
      branch.points.push(here.centre);
      branch.radii.push(here.radius);
      const doors = t.doors.get(triangle) ?? [];
      if (doors.length !== 2 || triangle === start) {
        branch.to = triangle;
        break;
      }
      out = doors[0] === twin ? doors[1]! : doors[0]!;
    }
    branches.push(branch);
  };
  for (const [triangle, doors] of t.doors) if (doors.length !== 2) for (const door of doors) follow(triangle, door);
  for (const [triangle, doors] of t.doors) {
    if (doors.length === 2 && !used.has(doors[0]!)) {
      follow(triangle, doors[0]!);
      const loop = branches[branches.length - 1]!;
      loop.from = -1;
      loop.to = -1;
    }
  }
  return branches;
}

/** A branch walked the other way. */
export function reversed(b: Branch): Branch {
  return { from: b.to, to: b.from, points: b.points.slice().reverse(), radii: b.radii.slice().reverse() };
}

function joined(a: Branch, b: Branch, node: number): Branch {
  const head = a.to === node ? a : reversed(a);
  const tail = b.from === node ? b : reversed(b);
  return {
    from: head.from,
    to: tail.to,
    points: [...head.points, ...tail.points.slice(1)],
    radii: [...head.radii, ...tail.radii.slice(1)],
  };
}

/** Which corners' branches stay: none that are mere corners, narrow ones on broad parts, or fewer still at the ends of columns. */
type Which = 'usual' | 'spurs' | 'columns';

interface Corner {
  branch: number;
  foot: number;
}

/** Of two corners at the end of a column the sharper one may reach so many radii: followed alone it would bend the column into itself. */
const OTHER_CORNER_RATIO = 1.9;

/** A spur reaches at least so many radii of a ball on its way beyond that; the corner of an arrow of 33° does so too. */
const SPUR_RATIO = 3.5;
/** Balls smaller than this are the outline's own unevenness, mm. */
const LEAST_SPUR_MM = 0.3;

/** Whether a branch, given from its foot to its tip, is narrow over a long way. */
function isSpur(points: readonly Point[], radii: readonly number[]): boolean {
  const tip = points[points.length - 1]!;
  return points.some((p, i) => radii[i]! > LEAST_SPUR_MM && distance(p, tip) >= SPUR_RATIO * radii[i]!);
}

function cornersOf(branches: readonly Branch[], which: Which): Corner[] {
  const tips = tipsOf(branches).filter((t) => !(which === 'spurs' && isSpur(t.outwards.points, t.outwards.radii)));
  const through = (t: Tip): number => t.footDegree - tips.filter((other) => other.foot === t.foot && !isBarEnd(other)).length;
  const corners = tips.filter((t) => t.ratio < CORNER_RATIO && !(isBarEnd(t) && through(t) > 2));
  if (which !== 'columns') return corners;
  const ends = new Set(corners.map((t) => t.foot));
  const others = tips.filter(
    (t) =>
      !corners.includes(t) &&
      ends.has(t.foot) &&
      t.ratio < OTHER_CORNER_RATIO &&
      t.footDegree === 3 &&
      narrows(t) &&
      !goesOn(t, tips, branches),
  );
  return [...corners, ...others];
}

interface Tip extends Corner {
  outwards: Branch;
  /** How far it reaches, in radii of the ball at its foot. */
  ratio: number;
  footDegree: number;
}

/** The end of a bar that sticks out of a crossing of others keeps its width, where a corner runs out to nothing. */
const BAR_END = { width: 0.6, reach: 0.9 };

const isBarEnd = ({ outwards: { radii }, ratio }: Tip): boolean =>
  ratio >= BAR_END.reach && radii[radii.length - 1]! >= BAR_END.width * radii[0]!;

/** Whether a branch runs out evenly, as into a corner: a short leg of a column keeps its width. */
function narrows({ outwards: { radii } }: Tip): boolean {
  const foot = radii[0]!;
  return radii[radii.length - 1]! < 0.2 * foot && radii[radii.length >> 1]! < 0.75 * foot;
}

/** A branch that goes on within 32° of the way that leads to its foot is the column's own. */
const GOES_ON = 0.85;

function goesOn({ foot, outwards }: Tip, tips: readonly Tip[], branches: readonly Branch[]): boolean {
  const ends = new Set(tips.filter((t) => t.foot === foot).map((t) => t.branch));
  const into = branches.find((b, i) => !ends.has(i) && (b.from === foot || b.to === foot));
  if (!into) return false;
  const [at, r] = [outwards.points[0]!, outwards.radii[0]!];
  const back = (into.from === foot ? into : reversed(into)).points;
  const behind = back.find((p) => distance(p, at) >= r) ?? back[back.length - 1]!;
  return dot(unit(sub(outwards.points[outwards.points.length - 1]!, at)), unit(sub(at, behind))) > GOES_ON;
}

/** Branches that lead from a junction to nowhere. */
function tipsOf(branches: readonly Branch[]): Tip[] {
  const degree = new Map<number, number>();
  for (const b of branches) for (const n of [b.from, b.to]) if (n >= 0) degree.set(n, (degree.get(n) ?? 0) + 1);
  return branches.flatMap((b, branch): Tip[] => {
    if (b.from === b.to) return [];
    for (const foot of [b.from, b.to]) {
      const footDegree = degree.get(foot) ?? 0;
      if (footDegree < 3 || degree.get(foot === b.from ? b.to : b.from) !== 1) continue;
      const outwards = foot === b.from ? b : reversed(b);
      const ratio = reachFrom(outwards.points[0]!, outwards.points) / Math.max(1e-9, outwards.radii[0]!);
      return [{ branch, foot, outwards, ratio, footDegree }];
    }
    return [];
  });
}

/** Distance of the farthest point of a branch from its foot; unlike its length it does not grow with jitter. */
const reachFrom = (foot: Point, points: readonly Point[]): number => points.reduce((far, p) => Math.max(far, distance(p, foot)), 0);

/** How many branches at each node lead on to other nodes. */
function innerDegrees(branches: readonly Branch[]): Map<number, number> {
  const degree = new Map<number, number>();
  for (const b of branches) for (const n of [b.from, b.to]) degree.set(n, (degree.get(n) ?? 0) + 1);
  const inner = new Map<number, number>();
  for (const b of branches) {
    if ((degree.get(b.to) ?? 0) > 1) inner.set(b.from, (inner.get(b.from) ?? 0) + 1);
    if ((degree.get(b.from) ?? 0) > 1) inner.set(b.to, (inner.get(b.to) ?? 0) + 1);
  }
  return inner;
}

/**
 * Removes corner branches, outermost nodes first. All corners at one node go together: a square end has two, and to drop only
 * one would bend the column into the other.
 */
function prune(branches: Branch[], which: Which = 'usual'): Branch[] {
  let now = branches;
  for (;;) {
    const corners = cornersOf(now, which);
    if (corners.length === 0) return now;
    const inner = innerDegrees(now);
    const outermost = corners.filter((c) => (inner.get(c.foot) ?? 0) <= 1);
    const going = outermost.length > 0 ? outermost : corners;
    const gone = new Set(going.map((c) => now[c.branch]!));
    now = now.filter((b) => !gone.has(b));
    for (const foot of new Set(going.map((c) => c.foot))) now = dissolve(now, foot);
  }
}

/** Junctions joined by a branch shorter than this share of their ball are one junction (a crossing has two near ones). */
const NEAR_RATIO = 0.8;

function mergeNear(branches: Branch[]): Branch[] {
  let now = branches;
  for (;;) {
    const degree = new Map<number, number>();
    for (const b of now) for (const n of [b.from, b.to]) degree.set(n, (degree.get(n) ?? 0) + 1);
    const short = now.find((b) => {
      const [r0, r1] = [b.radii[0]!, b.radii[b.radii.length - 1]!];
      const between = (degree.get(b.from) ?? 0) > 2 && (degree.get(b.to) ?? 0) > 2 && b.from !== b.to;
      return between && reachFrom(b.points[0]!, b.points) < NEAR_RATIO * Math.max(r0, r1);
    });
    if (!short) return now;
    const middle = mix(short.points[0]!, short.points[short.points.length - 1]!, 0.5);
    now = now
      .filter((b) => b !== short)
      .map((b) => {
        const points = b.points.slice();
        if (b.from === short.from || b.from === short.to) points[0] = middle;
        if (b.to === short.from || b.to === short.to) points[points.length - 1] = middle;
        const node = (n: number): number => (n === short.to ? short.from : n);
        return { ...b, points, from: node(b.from), to: node(b.to) };
      });
  }
}

/** Joins the two branches that meet at a node of degree two. */
function dissolve(branches: Branch[], node: number): Branch[] {
  const here = branches.filter((b) => b.from === node || b.to === node);
  if (here.length === 1 && here[0]!.from === here[0]!.to) {
    return branches.map((b) => (b === here[0] ? { ...b, from: -1, to: -1 } : b));
  }
  if (here.length !== 2 || here.some((b) => b.from === b.to)) return branches;
  return [...branches.filter((b) => !here.includes(b)), joined(here[0]!, here[1]!, node)];
}

/** Outline sampling fine enough for the area's usual width, coarse enough to stay quick, mm. */
export function samplingStep(area: Area): number {
  const perimeter = perimeterOf(area);
  const usualWidth = perimeter > 0 ? (2 * areaOf(area)) / perimeter : 1;
  return Math.max(Math.min(Math.max(usualWidth / 7, 0.06), 0.8), perimeter / 5000);
}

/** An outline of more nodes is measured on a simpler one: pruning takes the square of its branches. */
const MOST_NODES = 5000;

function simpler(area: Area): Area {
  let out = area;
  for (let mm = 0.03; mm < 1 && out.reduce((n, ring) => n + ring.length, 0) > MOST_NODES; mm *= 2) out = simplify(area, mm);
  return out;
}

/** Medial axis of one connected clean area. */
export function medialAxis(whole: Area): MedialAxis {
  const area = simpler(whole);
  const triangulation = triangulate(area, samplingStep(area));
  const branches = traceBranches(triangulation);
  let maxRadius = 0;
  for (const b of branches) for (const r of b.radii) if (r > maxRadius) maxRadius = r;
  const as = (which: Which) => once(() => ({ branches: mergeNear(prune(branches, which)), maxRadius }));
  return { branches: mergeNear(prune(branches)), maxRadius, withSpurs: as('spurs'), forColumns: as('columns') };
}

export interface WidthRange {
  min: number;
  median: number;
  max: number;
}

/** Share of the axis whose narrowest places are tips rather than widths anyone would measure. */
const TIPS = 0.05;

/** Local width along the pruned axis, mm; its narrowest twentieth, where points taper out, is left aside. */
export function widthRange(axis: MedialAxis): WidthRange {
  const samples: { width: number; weight: number }[] = [];
  for (const b of axis.branches) {
    for (let i = 1; i < b.points.length; i++) {
      const radius = (b.radii[i - 1]! + b.radii[i]!) / 2;
      if (b.radii[i - 1]! > 0 && b.radii[i]! > 0) {
        samples.push({ width: 2 * radius, weight: distance(b.points[i - 1]!, b.points[i]!) });
      }
    }
  }
  const max = 2 * axis.maxRadius;
  if (samples.length === 0) return { min: max, median: max, max };
  samples.sort((a, b) => a.width - b.width);
  const whole = samples.reduce((sum, s) => sum + s.weight, 0);
  const at = (share: number): number => {
    let sum = 0;
    return samples.find((s) => (sum += s.weight) >= share * whole)?.width ?? max;
  };
  const median = at(0.5);
  return { min: at(TIPS), median, max: Math.max(max, median) };
}
