import { areaOf } from '../../geometry/area';
import { convexHull, convexity, fittingBox } from '../../geometry/hull';
import { calmTangents, lengthsAlong, resample, smooth } from '../../geometry/line';
import { medialAxis, type MedialAxis } from '../../geometry/medial';
import { add, dot, mix, scale, type Area, type Point } from '../../geometry/point';
import { PI } from '../../units/trig';
import { hasPointedCorners, stringChains, type Chain } from './chains';
import { indexEdges, type EdgeIndex } from './outlineEdges';
import type { Corners } from '../../document/types';
import { castRows } from './cast';
import { corneredColumns } from './cornered';
import { reshapeEnd, sampleChain, STEP_MM, type Sampled } from './sampled';
import { sliceTrack, type Column, type ColumnNetwork } from './track';

/**
 * Columns that fill an outline, along its medial axis.
 *
 * Each chain of branches becomes a middle line, smoothed so that rows do not flutter, and rows are cast square to it onto
 * the true outline. Open ends run on to the outline. An end that meets a column running through is tucked under it by
 * about 1.0 mm and no further. A compact shape without a clear middle gets one column along its longer axis.
 */
/** Nodes at corners are numbered from here on, clear of the medial axis' own. */
const FIRST_CORNER_NODE = 1_000_000;
/** Shapes hardly larger than the ball inside them have no middle line worth following (a square has 1.27). */
const BLOB_RATIO = 1.6;
/** A shape is as good as convex that fills this share of its hull. */
const CONVEX = 0.965;

export function networkFromArea(area: Area, corners: Corners = 'turn', axis: MedialAxis = medialAxis(area)): ColumnNetwork {
  const edges = indexEdges(area);
  const branches = (axis.forColumns?.() ?? axis).branches.filter((b) => b.points.length > 1);
  const length = branches.reduce((sum, b) => sum + lengthsAlong(b.points)[b.points.length - 1]!, 0);
  const hasLoop = area.length > 1;
  const blob = !hasLoop && areaOf(area) < BLOB_RATIO * PI * axis.maxRadius * axis.maxRadius;
  const convex = !hasLoop && isConvex(area);
  if (branches.length === 0 || blob || convex || (!hasLoop && length < axis.maxRadius * 1.2))
    return compactColumn(area, edges, axis.maxRadius);
  let node = FIRST_CORNER_NODE;
  const nextNode = (): number => node++;
  let cornered = corners !== 'turn' && hasPointedCorners(branches);
  const columns = stringChains(branches, corners !== 'turn').flatMap((chain) => {
    const sampled = sampleChain(chain);
    const built = corners === 'turn' ? null : corneredColumns(chain, bridged(sampled, chain), edges, corners, nextNode);
    cornered ||= built !== null;
    return built ?? columnsOf(chain, sampled, edges);
  });
  return { columns, cornered };
}

/** Straight rows square to a convex shape's longer side cover it whole and never fan. */
function isConvex(area: Area): boolean {
  return area.length === 1 && convexity(area[0]!) >= CONVEX;
}

/**
 * Where a side column joins, the axis sags towards it; a column that runs through goes straight on instead, with the
 * width it has before and after.
 */
function bridged(sampled: Sampled, chain: Chain): Sampled {
  const points = sampled.points.slice();
  const radii = sampled.radii.slice();
  const last = points.length - 1;
  for (let k = 1; k < chain.stops.length - 1; k++) {
    const at = sampled.stopAt[k]!;
    const span = Math.round((1.2 * sampled.radii[at]!) / STEP_MM);
    const from = Math.max(0, at - span);
    const to = Math.min(last, at + span);
    for (let i = from + 1; i < to; i++) {
      const t = (i - from) / (to - from);
      points[i] = mix(points[from]!, points[to]!, t);
      radii[i] = radii[from]! + (radii[to]! - radii[from]!) * t;
    }
  }
  return { ...sampled, points, radii };
}

const median = (values: readonly number[]): number => values.slice().sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

function columnsOf(chain: Chain, drawn: Sampled, edges: EdgeIndex): Column[] {
  const loop = chain.startsAs === 'loop';
  const sampled = bridged(drawn, chain);
  const usual = median(sampled.radii);
  const rounds = Math.min(400, Math.round(2 * ((0.35 * usual) / STEP_MM) ** 2));
  let middle = loop ? smoothLoop(sampled.points, rounds) : smooth(sampled.points, rounds, false);
  let radii = sampled.radii;
  let shift = 0;
  if (!loop) {
    const head = reshapeEnd(middle, radii, chain.startsAs, usual);
    const tail = reshapeEnd(middle.slice().reverse(), radii.slice().reverse(), chain.endsAs, usual);
    const kept = middle.slice(head.drop, middle.length - tail.drop);
    middle = [...head.added.slice().reverse(), ...kept, ...tail.added];
    radii = [
      ...head.added.map(() => head.radius),
      ...radii.slice(head.drop, radii.length - tail.drop),
      ...tail.added.map(() => tail.radius),
    ];
    shift = head.added.length - head.drop;
  }
  if (middle.length < 3) return [];
  const directions = calmTangents(middle, loop, Math.max(1, Math.round((0.3 * usual) / STEP_MM)));
  const reach = reachOf(
    radii,
    chain,
    sampled.stopAt.map((i) => i + shift),
    loop,
  );
  const track = castRows(middle, directions, reach, reach, edges);
  if (!track) return [];
  if (loop || chain.stops.length === 2) {
    const [a, b] = [chain.stops[0]!.node, chain.stops[chain.stops.length - 1]!.node];
    return [{ from: a, to: b, track, tuckedAt: tuckedNodes(chain), openFrom: chain.startsAs === 'open', openTo: chain.endsAs === 'open' }];
  }
  const last = track.left.length - 1;
  const cuts = sampled.stopAt.map((i, k) => {
    if (k === 0) return 0;
    return k === sampled.stopAt.length - 1 ? last : Math.min(last - 1, Math.max(1, Math.round(((i + shift) * last) / (middle.length - 1))));
  });
  return cuts.slice(1).flatMap((to, k) => {
    const from = cuts[k]!;
    if (to - from < 1) return [];
    const column = {
      from: chain.stops[k]!.node,
      to: chain.stops[k + 1]!.node,
      track: sliceTrack(track, from, to),
      tuckedAt: tuckedNodes(chain),
    };
    return [{ ...column, openFrom: k === 0 && chain.startsAs === 'open', openTo: k === cuts.length - 2 && chain.endsAs === 'open' }];
  });
}

/** Rows may reach past the inscribed ball at bends, but hardly where another column joins. */
function reachOf(radii: readonly number[], chain: Chain, stopAt: readonly number[], loop: boolean): (i: number) => number {
  const inner = chain.stops.map((_, k) => k).filter((k) => loop || (k > 0 && k < chain.stops.length - 1) || tucked(chain, k));
  return (i) => {
    const r = radii[Math.min(i, radii.length - 1)]!;
    const near = inner.some((k) => !loop && Math.abs(stopAt[k]! - i) * STEP_MM < r * 1.2);
    return r * (near ? 1.12 : 1.5) + 0.1;
  };
}

const tucked = (chain: Chain, k: number): boolean => (k === 0 ? chain.startsAs : chain.endsAs) === 'tucked';

const tuckedNodes = (chain: Chain): number[] =>
  [0, chain.stops.length - 1].filter((k) => tucked(chain, k)).map((k) => chain.stops[k]!.node);

function smoothLoop(points: readonly Point[], rounds: number): Point[] {
  const ring = smooth(points.slice(0, -1), rounds, true);
  return [...ring, ring[0]!];
}

/** One straight column along the longer side of the box that fits a compact shape. */
function compactColumn(area: Area, edges: EdgeIndex, maxRadius: number): ColumnNetwork {
  const hull = convexHull(area.flat());
  if (hull.length < 3 || areaOf(area) === 0) return { columns: [] };
  const { along: axis } = fittingBox(hull);
  const across = { x: -axis.y, y: axis.x };
  const extent = (d: Point): [number, number] => {
    const at = hull.map((p) => dot(p, d));
    return [Math.min(...at), Math.max(...at)];
  };
  const [low, high] = extent(axis);
  const [left, right] = extent(across);
  const base = scale(across, (left + right) / 2);
  const [from, to] = [add(base, scale(axis, low)), add(base, scale(axis, high))];
  const middle = resample([mix(from, to, 0.002), mix(from, to, 0.998)], STEP_MM);
  const reach = (): number => Math.max(maxRadius * 3, right - left) + 1;
  const track = castRows(
    middle,
    middle.map(() => axis),
    reach,
    reach,
    edges,
  );
  return { columns: track ? [{ from: 0, to: 1, track, openFrom: true, openTo: true }] : [] };
}
