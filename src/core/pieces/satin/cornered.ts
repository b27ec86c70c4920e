import { calmTangents, lineLength, resample, smooth } from '../../geometry/line';
import { add, cross, distance, dot, mix, scale, sub, unit, type Point } from '../../geometry/point';
import type { Corners } from '../../document/types';
import { atan2 } from '../../units/trig';
import type { Chain, ChainEnd } from './chains';
import { castRows } from './cast';
import { capColumn, mitred, type Stretch } from './corners';
import type { EdgeIndex } from './outlineEdges';
import { reshapeEnd, STEP_MM, type Sampled } from './sampled';
import { extend, joinOf, shortenEnd } from './fromLine';
import { sliceTrack, type Column } from './track';

/**
 * Columns of an outline that has corners, each corner made the way the person chose.
 *
 * At a corner the medial axis bends round the inner vertex and its ball grows, since it reaches out towards the outer one;
 * along a smooth bend it does not. There the axis is replaced by its two arms, prolonged until they meet.
 */
const CORNER_RAD = 0.73;
/** The ball at a corner is at least this much larger than beside it. */
const BULGE = 1.05;

interface Corner {
  at: Point;
  /** Samples between which the axis goes round the corner. */
  from: number;
  to: number;
  half: number;
  turn: number;
  mitre: Point;
}

/** @returns null when the chain has no corners */
export function corneredColumns(
  chain: Chain,
  sampled: Sampled,
  edges: EdgeIndex,
  corners: Corners,
  nextNode: () => number,
): Column[] | null {
  if (chain.startsAs === 'loop') return corneredRing(chain, sampled, edges, corners, nextNode);
  const found = cornersIn(sampled);
  if (found.length === 0) return null;
  const inner = chain.stops.slice(1, -1).map((stop, k) => ({ node: stop.node, at: sampled.stopAt[k + 1]! }));
  const nodeAt = (c: Corner): number => inner.find((s) => s.at >= c.from && s.at <= c.to)?.node ?? nextNode();
  const nodes = [chain.stops[0]!.node, ...found.map(nodeAt), chain.stops[chain.stops.length - 1]!.node];
  const arms = armsOf(sampled, found);
  return arms.flatMap((arm, k): Column[] => {
    const startsAs = k === 0 ? chain.startsAs : null;
    const endsAs = k === arms.length - 1 ? chain.endsAs : null;
    const track = armTrack(arm, edges, corners, startsAs, endsAs);
    const [from, to] = [nodes[k]!, nodes[k + 1]!];
    const tucked = [startsAs === 'tucked' ? from : null, endsAs === 'tucked' ? to : null, corners === 'cap' && k > 0 ? from : null];
    const whole = track && {
      from,
      to,
      track,
      tuckedAt: tucked.filter((n): n is number => n !== null),
      openFrom: startsAs === 'open',
      openTo: endsAs === 'open',
      buttsTo: corners === 'butt' && endsAs === null,
    };
    const [first, last] = [found[k - 1]?.to ?? 0, found[k]?.from ?? sampled.points.length - 1];
    const joints = inner.filter((s) => s.at > first && s.at < last).map((s) => ({ node: s.node, at: sampled.points[s.at]! }));
    const made = whole ? cutAtJoints(whole, joints) : [];
    const cap =
      corners === 'cap' && endsAs === null ? capColumn(arm.stretch.points, arms[k + 1]!.stretch.points, found[k]!.half, edges) : null;
    return cap ? [...made, { from: to, to: nextNode(), track: cap }] : made;
  });
}

/** Columns of a ring from corner to corner; null when it has none, or where other columns join it. */
function corneredRing(
  chain: Chain,
  { points, radii }: Sampled,
  edges: EdgeIndex,
  corners: Corners,
  nextNode: () => number,
): Column[] | null {
  const period = points.length - 1;
  if (chain.stops.length > 2) return null;
  const round = <T>(list: readonly T[]): T[] => [...list.slice(0, -1), ...list.slice(0, -1), ...list.slice(0, -1)];
  const thrice = { points: round(points), radii: round(radii), stopAt: [] };
  const all = cornersIn(thrice).filter((c) => c.from + c.to >= period);
  const found = all.filter((c) => c.from + c.to <= all[0]!.from + all[0]!.to + 2 * period);
  if (found.length < 2) return null;
  const arms = armsOf(thrice, found).slice(1, -1);
  const nodes = arms.map(nextNode);
  return arms.flatMap((arm, k): Column[] => {
    const [from, to] = [nodes[k]!, nodes[(k + 1) % arms.length]!];
    const track = armTrack(arm, edges, corners, null, null);
    const made = track ? [{ from, to, track, tuckedAt: corners === 'cap' ? [from] : [], buttsTo: corners === 'butt' }] : [];
    const after = arms[(k + 1) % arms.length]!;
    const cap = corners === 'cap' ? capColumn(arm.stretch.points, after.stretch.points, found[k + 1]!.half, edges) : null;
    return cap ? [...made, { from: to, to: nextNode(), track: cap }] : made;
  });
}

/** An arm that other columns join is cut there, so that the path can leave it for them. */
function cutAtJoints(column: Column, joints: readonly { node: number; at: Point }[]): Column[] {
  const { track } = column;
  const away = (i: number, p: Point): number => distance(mix(track.left[i]!, track.right[i]!, 0.5), p);
  const last = track.left.length - 1;
  const cuts = joints.map(({ node, at }) => ({
    node,
    row: track.left.reduce((best, _, i) => (away(i, at) < away(best, at) ? i : best), 0),
  }));
  const stops = [
    { node: column.from, row: 0 },
    ...cuts.filter((c) => c.row > 0 && c.row < last).sort((a, b) => a.row - b.row),
    { node: column.to, row: last },
  ];
  return stops.slice(1).flatMap((to, k): Column[] => {
    const from = stops[k]!;
    if (to.row - from.row < 1) return [];
    const [starts, ends] = [k === 0, k === stops.length - 2];
    return [
      {
        ...column,
        from: from.node,
        to: to.node,
        track: stops.length === 2 ? track : sliceTrack(track, from.row, to.row),
        openFrom: starts && (column.openFrom ?? false),
        openTo: ends && (column.openTo ?? false),
        buttsTo: ends && (column.buttsTo ?? false),
      },
    ];
  });
}

function cornersIn({ points, radii }: Sampled): Corner[] {
  const out: Corner[] = [];
  const n = points.length;
  for (let i = 0; i < n; i++) {
    const span = Math.round((1.5 * radii[i]!) / STEP_MM);
    const [from, to] = [i - span, i + span];
    const back = from - Math.max(3, Math.round(span * 0.6));
    const fore = to + Math.max(3, Math.round(span * 0.6));
    if (back < 0 || fore >= n) continue;
    const before = unit(sub(points[from]!, points[back]!));
    const after = unit(sub(points[fore]!, points[to]!));
    const turn = Math.abs(atan2(cross(before, after), dot(before, after)));
    const half = (radii[from]! + radii[to]!) / 2;
    if (turn < CORNER_RAD || radii[i]! < BULGE * half) continue;
    const at = meeting(points[from]!, before, points[to]!, after);
    const last = out[out.length - 1];
    if (!at) continue;
    if (last && from < last.to) {
      if (radii[i]! / half > last.half) out.pop();
      else continue;
    }
    out.push({ at, from, to, half, turn, mitre: unit(sub(before, after)) });
  }
  return out;
}

/** Where two lines meet; null when they are nearly parallel. */
function meeting(p: Point, d: Point, q: Point, e: Point): Point | null {
  const det = cross(d, e);
  return Math.abs(det) < 0.2 ? null : add(p, scale(d, cross(sub(q, p), e) / det));
}

interface Arm {
  stretch: Stretch;
  radii: number[];
}

function armsOf({ points, radii }: Sampled, corners: readonly Corner[]): Arm[] {
  return Array.from({ length: corners.length + 1 }, (_, k) => {
    const before = corners[k - 1];
    const after = corners[k];
    const from = before?.to ?? 0;
    const to = after?.from ?? points.length - 1;
    const lead = before ? resample([before.at, points[from]!], STEP_MM).slice(0, -1) : [];
    const trail = after ? resample([points[to]!, after.at], STEP_MM).slice(1) : [];
    const course = [...lead, ...points.slice(from, to + 1), ...trail];
    const stretch = {
      points: course,
      turnBefore: before?.turn ?? NaN,
      turnAfter: after?.turn ?? NaN,
      mitreBefore: before?.mitre ?? null,
      mitreAfter: after?.mitre ?? null,
    };
    return { stretch, radii: radii.slice(from, to + 1) };
  });
}

/** A drawn point is sewn this far out, in halves of the width. */
const POINTED_HALVES = 4.2;

function armTrack(arm: Arm, edges: EdgeIndex, corners: Corners, startsAs: ChainEnd | null, endsAs: ChainEnd | null) {
  const { stretch, radii } = arm;
  const usual = radii.slice().sort((a, b) => a - b)[radii.length >> 1]!;
  const join = joinOf(corners, usual, lineLength(stretch.points), POINTED_HALVES);
  let line: Point[] = stretch.points.slice();
  if (endsAs === null) line = turned(line, join.after(stretch.turnAfter));
  else {
    const tail = reshapeEnd(line.slice().reverse(), radii.slice().reverse(), endsAs, usual);
    line = [...line.slice(0, line.length - tail.drop), ...tail.added];
  }
  if (startsAs === null) line = turned(line.reverse(), join.before(stretch.turnBefore)).reverse();
  else {
    const head = reshapeEnd(line, radii, startsAs, usual);
    line = [...head.added.slice().reverse(), ...line.slice(head.drop)];
  }
  if (line.length < 3) return null;
  const middle = smooth(line, 4, false);
  const widest = radii.reduce((a, b) => Math.max(a, b), 0);
  // Near a corner rows must not reach into the other arm; elsewhere they end where the outline is.
  const near = Math.round((1.5 * widest) / STEP_MM);
  const [first, last] = [startsAs === null ? near : 0, middle.length - (endsAs === null ? near : 0)];
  const reach = (i: number): number => (i < first || i >= last ? widest * 1.04 + 0.02 : widest * 1.5 + 0.1);
  const directions = calmTangents(middle, false, Math.max(2, Math.round((0.5 * usual) / STEP_MM)));
  const track = castRows(middle, directions, reach, reach, edges);
  return track && corners === 'mitre' ? mitred(track, stretch) : track;
}

/** The line with its end carried on (positive) or taken back, mm. */
const turned = (line: readonly Point[], by: number): Point[] => (by >= 0 ? extend(line, 0, by) : shortenEnd(line, -by));
