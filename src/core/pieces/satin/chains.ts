import { lineLength } from '../../geometry/line';
import { add, dot, scale, sub, unit, type Point } from '../../geometry/point';
import type { Branch } from '../../geometry/medial';

/** How a chain ends: open to the outline, tucked under another column, or closed on itself. */
export type ChainEnd = 'open' | 'tucked' | 'loop';

/** Branches that run on through junctions as one column. */
export interface Chain {
  points: Point[];
  radii: number[];
  /** Indices into `points` where nodes lie, with the node at each; first and last included. */
  stops: { index: number; node: number }[];
  startsAs: ChainEnd;
  endsAs: ChainEnd;
}

/** Branches that meet straighter than this run through, as a cosine of the angle between them (about 120°). */
const THROUGH_COSINE = -0.5;

interface End {
  branch: number;
  atStart: boolean;
}

/** Direction in which a branch leaves its node, over about one radius so that the junction's own kink does not count. */
function leaving(b: Branch, atStart: boolean): Point {
  const points = atStart ? b.points : b.points.slice().reverse();
  const radius = (atStart ? b.radii[0] : b.radii[b.radii.length - 1]) ?? 1;
  const origin = points[0]!;
  const far = points.find((p) => dot(sub(p, origin), sub(p, origin)) > 2.25 * radius * radius) ?? points[points.length - 1]!;
  return unit(sub(far, origin));
}

/** At each node the straightest pair of branches is joined; the others end there. */
function throughPairs(branches: readonly Branch[], atNodes: ReadonlyMap<number, readonly End[]>): Map<string, End> {
  const pairs = new Map<string, End>();
  for (const ends of atNodes.values()) {
    let best: [End, End] | null = null;
    let straightest = THROUGH_COSINE;
    ends.forEach((a, i) => {
      for (const b of ends.slice(i + 1)) {
        if (a.branch === b.branch) continue;
        const bend = dot(leaving(branches[a.branch]!, a.atStart), leaving(branches[b.branch]!, b.atStart));
        if (bend < straightest) [best, straightest] = [[a, b], bend];
      }
    });
    if (!best) continue;
    pairs.set(keyOf(best[0]), best[1]);
    pairs.set(keyOf(best[1]), best[0]);
  }
  return pairs;
}

const keyOf = (e: End): string => `${e.branch}${e.atStart ? 's' : 'e'}`;

/** The spur of a pointed corner leads away from both arms: as a cosine, and no farther than so many radii of the ball at its foot. */
const SPUR_COSINE = 0.8;
const SPUR_RADII = 6;
/** An arm is at least so many radii of that ball long. */
const ARM_RADII = 2;

/** A corner so pointed that the axis forks there: two arms, and a spur into the point. */
interface PointedCorner {
  spur: number;
  arms: readonly [End, End];
}

function pointedCorners(branches: readonly Branch[], ends: ReadonlyMap<number, readonly End[]>): Map<number, PointedCorner> {
  const out = new Map<number, PointedCorner>();
  for (const [node, meeting] of ends) {
    if (meeting.length !== 3) continue;
    const radiusOf = ({ branch, atStart }: End): number => branches[branch]!.radii.at(atStart ? 0 : -1)!;
    const isSpur = (e: End): boolean => {
      const b = branches[e.branch]!;
      const [foot, tip] = e.atStart ? [b.radii[0]!, b.radii.at(-1)!] : [b.radii.at(-1)!, b.radii[0]!];
      return (ends.get(e.atStart ? b.to : b.from)?.length ?? 0) < 2 && tip < 0.2 * foot && lineLength(b.points) < SPUR_RADII * foot;
    };
    const spurs = meeting.filter(isSpur);
    for (const spur of spurs) {
      const [a, b] = meeting.filter((e) => e !== spur) as [End, End];
      if ([a, b].some((e) => lineLength(branches[e.branch]!.points) < ARM_RADII * radiusOf(e))) continue;
      const [into, one, other] = [spur, a, b].map((e) => leaving(branches[e.branch]!, e.atStart));
      const away = unit(scale(add(one!, other!), -1));
      if (dot(into!, away) > SPUR_COSINE && dot(one!, other!) > THROUGH_COSINE) out.set(node, { spur: spur.branch, arms: [a, b] });
    }
  }
  return out;
}

function endsAtNodes(branches: readonly Branch[]): Map<number, End[]> {
  const out = new Map<number, End[]>();
  branches.forEach((b, branch) => {
    for (const [node, atStart] of [
      [b.from, true],
      [b.to, false],
    ] as const) {
      if (node >= 0) out.set(node, [...(out.get(node) ?? []), { branch, atStart }]);
    }
  });
  return out;
}

/** Whether stringing for built corners differs from stringing for turned ones. */
export const hasPointedCorners = (branches: readonly Branch[]): boolean => pointedCorners(branches, endsAtNodes(branches)).size > 0;

/**
 * Strings branches together through their junctions.
 * @param built whether corners are built of arms: then two arms run through a pointed corner, and its point is theirs
 */
export function stringChains(branches: readonly Branch[], built = false): Chain[] {
  const ends = endsAtNodes(branches);
  const pointed = built ? pointedCorners(branches, ends) : new Map<number, PointedCorner>();
  const pairs = throughPairs(branches, ends);
  for (const { arms } of pointed.values()) {
    pairs.set(keyOf(arms[0]), arms[1]);
    pairs.set(keyOf(arms[1]), arms[0]);
  }
  const degree = new Map<number, number>();
  for (const b of branches) for (const n of [b.from, b.to]) degree.set(n, (degree.get(n) ?? 0) + 1);
  const used = new Set<number>([...pointed.values()].map((p) => p.spur));
  const out: Chain[] = [];
  const begin = (branch: number, fromStart: boolean): void => {
    const first = branches[branch]!;
    const node = fromStart ? first.from : first.to;
    const chain: Chain = { points: [], radii: [], stops: [{ index: 0, node }], startsAs: 'open', endsAs: 'open' };
    let [here, forward] = [branch, fromStart];
    let closed = first.from === -1 && first.to === -1;
    for (;;) {
      used.add(here);
      const b = branches[here]!;
      const skip = chain.points.length > 0 ? 1 : 0;
      for (const p of (forward ? b.points : b.points.slice().reverse()).slice(skip)) chain.points.push(p);
      for (const r of (forward ? b.radii : b.radii.slice().reverse()).slice(skip)) chain.radii.push(r);
      const next = pairs.get(keyOf({ branch: here, atStart: !forward }));
      const at = forward ? b.to : b.from;
      if (!next || used.has(next.branch) || !pointed.has(at)) chain.stops.push({ index: chain.points.length - 1, node: at });
      // A ring with columns inside it runs through all its junctions and comes back to where it began.
      if (next?.branch === branch && next.atStart === fromStart) closed = true;
      if (!next || used.has(next.branch)) break;
      [here, forward] = [next.branch, next.atStart];
    }
    const lastNode = chain.stops[chain.stops.length - 1]!.node;
    const endKind = (n: number): ChainEnd => ((degree.get(n) ?? 0) > 1 ? 'tucked' : 'open');
    chain.startsAs = closed ? 'loop' : endKind(node);
    chain.endsAs = closed ? 'loop' : endKind(lastNode);
    out.push(chain);
  };
  branches.forEach((_, i) => {
    if (!used.has(i) && !pairs.has(keyOf({ branch: i, atStart: true }))) begin(i, true);
    else if (!used.has(i) && !pairs.has(keyOf({ branch: i, atStart: false }))) begin(i, false);
  });
  branches.forEach((_, i) => {
    if (!used.has(i)) begin(i, true);
  });
  return out;
}
