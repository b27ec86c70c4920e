import { areaOf } from '../../geometry/area';
import { nodesOf } from '../limbs/bodies';
import { lengthsAlong, resample, smooth, tangents } from '../../geometry/line';
import { reversed, type Branch, type MedialAxis } from '../../geometry/medial';
import { add, distance, dot, scale, type Line, type Point } from '../../geometry/point';
import { PI, atan2 } from '../../units/trig';
import { ringsToData } from '../../geometry/path';
import type { Region } from '../artRegions';
import type { Proposal } from '../proposeKind';

/** A field whose rows turn is at least so many times as long as it is wide. */
const LONG = 3;
/** And bends by at least so much from end to end, degrees: straight rows would run along it somewhere. */
const BENDS_DEG = 55;
/** Its middle line accounts for so much of it: what branches off would be sewn askew. */
const WHOLE = 0.88;
/** Its narrowest places, tips aside, are at least so wide beside its widest. */
const EVEN = 0.45;
/** What others hide of it is less than this share: what peeps out round them bends by chance. */
const HIDDEN = 0.25;
/** Tighter than this, in half widths, rows would crowd at the inside of the bend. */
const TIGHTEST = 1.15;
const STEP_MM = 0.5;
/** Slants lie so far apart, and not nearer to the ends than this share of the length. */
const APART_MM = 9;
const MARGIN = 0.1;
/** Slants reach over the edge by this share. */
const OVER = 1.15;

/** The middle of a region with its half widths, evenly along. */
interface Spine {
  points: Line;
  radii: number[];
  length: number;
}

/** Lines across a bent area that its rows should follow; null where straight rows serve. */
export function turningSlants({ area, axis, areaMm2, hiding, seen }: Region): Line[] | null {
  if ((hiding && areaOf(hiding.drawn) * (1 - HIDDEN) > areaMm2) || (seen && areaOf(seen) < (1 - HIDDEN) * areaMm2)) return null;
  const spine = axis && area.length === 1 ? spineOf(axis) : null;
  if (!spine || narrowest(spine) < EVEN * axis!.maxRadius) return null;
  // The middle line ends a half width before the ends of a bar.
  const ends = [spine.radii[0]!, spine.radii[spine.radii.length - 1]!];
  if (spine.length + ends[0]! + ends[1]! < LONG * 2 * axis!.maxRadius) return null;
  const swept = spine.radii.reduce((sum, r) => sum + 2 * r, 0) * STEP_MM + ends.reduce((sum, r) => sum + 2 * r * r, 0);
  if (swept < WHOLE * areaMm2) return null;
  const along = tangents(spine.points, false);
  if (bendOf(along) < BENDS_DEG || tightest(spine, along) < TIGHTEST) return null;
  const count = Math.max(2, Math.round(spine.length / APART_MM));
  return Array.from({ length: count + 1 }, (_, k) => {
    const t = MARGIN + ((1 - 2 * MARGIN) * k) / count;
    const i = Math.round(t * (spine.points.length - 1));
    const across = scale({ x: -along[i]!.y, y: along[i]!.x }, OVER * spine.radii[i]!);
    return [add(spine.points[i]!, across), add(spine.points[i]!, scale(across, -1))];
  });
}

/** Half width that nine tenths of the middle line have at least, mm. */
const narrowest = ({ radii }: Spine): number => radii.slice().sort((a, b) => a - b)[Math.floor(radii.length / 10)]!;

/** A fill with rows that turn where its shape bends, when it is covered so; else what was proposed. */
export function turningProposal(region: Region, proposal: Proposal, sews: (shape: Shape) => boolean): Proposal {
  const slants = proposal.kind === 'fill' ? turningSlants(region) : null;
  if (!slants) return proposal;
  const shape = { ...proposal.shape!, slants: slants.map((l) => ringsToData([l], false)) };
  return sews(shape) ? { ...proposal, why: `${proposal.why}; rows turn with the shape`, shape } : proposal;
}
type Shape = NonNullable<Proposal['shape']>;

/** The longest way through an axis without loops, smoothed; null where there is none. */
function spineOf(axis: MedialAxis): Spine | null {
  const longest = longestWay(axis);
  if (!longest || longest.length === 0) return null;
  const points = longest.flatMap((b, i) => (i === 0 ? b.points : b.points.slice(1)));
  const radii = longest.flatMap((b, i) => (i === 0 ? b.radii : b.radii.slice(1)));
  const lengths = lengthsAlong(points);
  const even = smooth(resample(points, STEP_MM), Math.round(axis.maxRadius / STEP_MM) ** 2, false);
  const total = lengths[lengths.length - 1]!;
  let k = 0;
  const evenRadii = even.map((_, i) => {
    while (k < lengths.length - 1 && lengths[k]! < (total * i) / Math.max(1, even.length - 1)) k++;
    return radii[k]!;
  });
  return even.length < 4 ? null : { points: even, radii: evenRadii, length: total };
}

/** Branches in walking order from one tip to another, the longest such way. */
function longestWay(axis: MedialAxis): Branch[] | null {
  const nodes = nodesOf(axis);
  if (axis.branches.some((b) => b.from < 0 || b.from === b.to)) return null;
  let best: { ways: Branch[]; mm: number } = { ways: [], mm: 0 };
  const walk = (node: number, seen: ReadonlySet<number>, ways: Branch[], mm: number): void => {
    if (mm > best.mm) best = { ways, mm };
    for (const { branch, order } of nodes.get(node) ?? []) {
      const b = axis.branches[branch]!;
      const onward = order[0] === 0 ? b : reversed(b);
      if (seen.has(onward.to)) continue;
      walk(onward.to, new Set([...seen, onward.to]), [...ways, onward], mm + lengthsAlong(b.points)[b.points.length - 1]!);
    }
  };
  if (axis.branches.length > MOST_BRANCHES) return null;
  for (const [node, walks] of nodes) if (walks.length === 1) walk(node, new Set([node]), [], 0);
  return best.ways;
}
/** An axis of more branches is no bent bar. */
const MOST_BRANCHES = 24;

/** How far the direction turns between the ends, the most of it between any two places, degrees. */
function bendOf(along: readonly Point[]): number {
  let [turned, low, high] = [0, 0, 0];
  for (let i = 1; i < along.length; i++) {
    const [a, b] = [along[i - 1]!, along[i]!];
    turned += (atan2(a.x * b.y - a.y * b.x, dot(a, b)) * 180) / PI;
    [low, high] = [Math.min(low, turned), Math.max(high, turned)];
  }
  return high - low;
}

/** Smallest radius of the bend in half widths there. */
function tightest({ points, radii }: Spine, along: readonly Point[]): number {
  const window = Math.max(2, Math.round(4 / STEP_MM));
  let least = Infinity;
  for (let i = 0; i + window < points.length; i += 2) {
    const turn = Math.abs(
      atan2(along[i]!.x * along[i + window]!.y - along[i]!.y * along[i + window]!.x, dot(along[i]!, along[i + window]!)),
    );
    const mm = distance(points[i]!, points[i + window]!);
    if (turn > 1e-6) least = Math.min(least, mm / turn / Math.max(0.1, radii[i + (window >> 1)]!));
  }
  return least;
}
