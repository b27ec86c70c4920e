import type { Branch, MedialAxis } from '../../geometry/medial';
import { distance } from '../../geometry/point';

/** Balls of a crossing of like bars are up to √2 of a bar's width; where three bars cross, twice. */
const CROSSING = 1.5;
/** Widening slower than this is a taper, not the mouth of a limb: width gained per millimetre along. */
const MOUTH = 0.7;
/** A neck is looked for up to so many radii of the body's ball from its middle. */
const NECK_REACH = 2.5;

/** One end of a branch, walked from a node outwards. */
export interface Walk {
  branch: number;
  /** Places of the branch's points, in walking order. */
  order: readonly number[];
}

export const walkFrom = (b: Branch, branch: number, atStart: boolean): Walk => {
  const order = b.points.map((_, i) => i);
  return { branch, order: atStart ? order : order.reverse() };
};

/** Nodes with the branches that leave them. */
export function nodesOf(axis: MedialAxis): Map<number, Walk[]> {
  const nodes = new Map<number, Walk[]>();
  axis.branches.forEach((b, branch) => {
    for (const [node, atStart] of [
      [b.from, true],
      [b.to, false],
    ] as const)
      // prettier-ignore
      if (node >= 0) nodes.set(node, [...(nodes.get(node) ?? []), walkFrom(b, branch, atStart)]);
  });
  return nodes;
}

/**
 * Along a walk from a wide place the place where the wide part ends: narrow, and not far out along a taper.
 * @returns place in the walk's order; -1 when no point within reach is narrow enough
 */
export function neckAlong({ points, radii }: Branch, order: readonly number[], widestMm: number, reachMm: number): number {
  let [best, least] = [-1, Infinity];
  for (let k = 0; k < order.length; k++) {
    const along = distance(points[order[k]!]!, points[order[0]!]!);
    if (along > reachMm) break;
    const width = 2 * radii[order[k]!]!;
    if (width <= widestMm && width + MOUTH * along < least) [best, least] = [k, width + MOUTH * along];
  }
  return best;
}

/** The axis with one ball at each node, the largest that its branches have there: nodes that lay near each other were made one. */
export function withNodeBalls(axis: MedialAxis): MedialAxis {
  const most = new Map<number, number>();
  const grow = (node: number, r: number): void => void most.set(node, Math.max(r, most.get(node) ?? 0));
  for (const b of axis.branches) {
    grow(b.from, b.radii[0]!);
    grow(b.to, b.radii.at(-1)!);
  }
  const branches = axis.branches.map((b) => {
    const ball = (node: number, r: number): number => (node < 0 ? r : most.get(node)!);
    return { ...b, radii: [ball(b.from, b.radii[0]!), ...b.radii.slice(1, -1), ball(b.to, b.radii.at(-1)!)] };
  });
  return { ...axis, branches };
}

/** For each point of each branch whether it lies in a body: wider than a column may be, or where more than two columns cross. */
export function bodyMarks(axis: MedialAxis, limitMm: number): boolean[][] {
  const marks = axis.branches.map((b) => b.radii.map((r) => 2 * r > limitMm));
  for (const walks of nodesOf(axis).values()) {
    if (walks.length < 3) continue;
    const first = walks[0]!;
    const radius = axis.branches[first.branch]!.radii[first.order[0]!]!;
    const necks = walks.map(({ branch, order }) => {
      const b = axis.branches[branch]!;
      const k = neckAlong(b, order, Infinity, NECK_REACH * radius);
      return b.radii[order[Math.max(0, k)]!]!;
    });
    const widest = Math.max(...necks);
    const isBody = radius > CROSSING * widest || 2 * widest > limitMm;
    if (!isBody && 2 * radius <= limitMm) continue;
    for (const walk of walks) markNear(axis, walk, marks, isBody ? radius / 2 : radius, isBody);
  }
  spread(axis, marks);
  return marks;
}

/** A ball of a body with nearly as large ones up to a node within it holds the node too. */
const NEARLY = 0.55;

/** Bodies reach through the nodes that lie in their balls: the axis may be narrow just before these. */
function spread(axis: MedialAxis, marks: boolean[][]): void {
  for (const walks of nodesOf(axis).values()) {
    if (walks.length < 3 || !walks.some((w) => endsInBody(axis.branches[w.branch]!, w.order, marks[w.branch]!))) continue;
    for (const { branch, order } of walks) marks[branch]![order[0]!] = true;
  }
}

/** Whether the first body along a walk holds the way back to its node. */
function endsInBody({ points, radii }: Branch, order: readonly number[], marks: readonly boolean[]): boolean {
  const k = order.findIndex((i) => marks[i]);
  if (k < 0) return false;
  const body = order[k]!;
  return order.slice(0, k).every((i) => radii[i]! >= NEARLY * radii[body]! && distance(points[i]!, points[body]!) <= radii[body]!);
}

function markNear(axis: MedialAxis, { branch, order }: Walk, marks: boolean[][], withinMm: number, as: boolean): void {
  const { points } = axis.branches[branch]!;
  for (const i of order) {
    if (distance(points[i]!, points[order[0]!]!) > withinMm) return;
    marks[branch]![i] = as;
  }
}

/** Width of the widest column along an axis whose crossings do not count, mm. */
export function columnWidth(axis: MedialAxis, limitMm: number): number {
  const marks = bodyMarks(axis, limitMm);
  const crossings = [...nodesOf(axis).values()].filter((walks) => walks.length > 2);
  const off = axis.branches.map((b) => b.points.map(() => false));
  for (const walks of crossings)
    for (const walk of walks) {
      const radius = axis.branches[walk.branch]!.radii[walk.order[0]!]!;
      if (!marks[walk.branch]![walk.order[0]!]) markNear(axis, walk, off, radius, true);
    }
  let widest = 0;
  axis.branches.forEach((b, i) => b.radii.forEach((r, k) => off[i]![k] || (widest = Math.max(widest, 2 * r))));
  return widest;
}
