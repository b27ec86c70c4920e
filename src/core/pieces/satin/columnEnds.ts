import { add, cross, distance, dot, mix, scale, sub, unit, type Point } from '../../geometry/point';
import type { ColumnEnds } from '../../document/types';
import { pulledAt, type PullLaw } from '../rules/pull';
import { crossingAt, makeTrack, medianWidth, sliceTrack, type Column, type Track } from './track';

/** A covered end runs on this far under its neighbour, mm. */
const UNDER_MM = 0.6;
/** At most this share of a column is given up at one end: few rows push little. */
const MOST_SHARE = 0.06;
const STEP_MM = 0.12;

/**
 * The column with its ends as they are to be sewn: open ones shortened by `pushMm`, because push lengthens them, or run
 * on under a neighbour when they will be covered; butted ones carried on as far as the other's side is, widened as it will be.
 */
export function withEnds(column: Column, ends: ColumnEnds, pushMm: number, widen: readonly [PullLaw, PullLaw]): Column {
  const length = lengthOf(column.track);
  const open = (atEnd: boolean): number =>
    ends === 'covered' ? UNDER_MM : -Math.min(pushMm, length * MOST_SHARE, roundEndAt(column.track, atEnd));
  const butts = (): number => Math.max(...widen.map((law) => pulledAt(law, medianWidth([column.track]))));
  const from = column.openFrom ? open(false) : column.buttsFrom ? butts() : 0;
  const to = column.openTo ? open(true) : column.buttsTo ? butts() : 0;
  let { track } = column;
  if (from > 0 || to > 0) track = extended(track, Math.max(0, from), Math.max(0, to));
  if (from < 0 || to < 0) track = shortened(track, Math.max(0, -from), Math.max(0, -to));
  return track === column.track ? column : { ...column, track };
}

/** The last row of a round end is about so long: shorter ones only pile up, longer ones leave a flat, mm. */
const LAST_ROW_MM = 1.2;
/** An end is round or pointed when its last row is shorter than this share of the row so far inside, mm. */
const ROUND = { share: 0.6, insideMm: 1.5 };

/** How far inside its very end the last row of a round end lies; without bound where the end is cut square. */
function roundEndAt(track: Track, atEnd: boolean): number {
  const n = track.left.length;
  const at = (k: number): number => (atEnd ? n - 1 - k : k);
  const width = (k: number): number => distance(track.left[at(k)]!, track.right[at(k)]!);
  const inside = (k: number): number => Math.abs(track.advance[at(k)]! - track.advance[at(0)]!);
  let [k, deep] = [0, 0];
  while (deep < n - 1 && inside(deep) < ROUND.insideMm) deep++;
  if (width(0) >= ROUND.share * width(deep)) return Infinity;
  while (k < deep && width(k) < LAST_ROW_MM) k++;
  return inside(k);
}

/**
 * A column whose last rows lie at the very ends that are open, or end its stroke: its rows are moved together or apart by less than
 * one of them in all, where the lattice would leave up to half a spacing bare at each end. Where its stroke goes on, its rows go on too.
 */
export function withRowsToEnds(column: Column, spacingMm: number): Column {
  const [atFrom, atTo] = [column.openFrom || column.stopsFrom, column.openTo || column.stopsTo];
  if (!atFrom && !atTo) return column;
  const { track } = column;
  const [half, first, last] = [spacingMm / 2, track.advance[0]!, track.advance[track.advance.length - 1]!];
  const onLattice = (a: number): number => Math.round(a / half) * half;
  const from = atFrom ? (atTo ? 0 : onLattice(first)) : first;
  const to = !atTo ? last : atFrom ? onLattice(last - first) : onLattice(last);
  if (to - from < half || last - first < half) return column;
  const stretch = (to - from) / (last - first);
  return { ...column, track: { ...track, advance: track.advance.map((a) => from + (a - first) * stretch) } };
}

const lengthOf = (track: Track): number => track.advance[track.advance.length - 1]! - track.advance[0]!;

export function shortened(track: Track, before: number, after: number): Track {
  const n = track.advance.length;
  const first = track.advance[0]! + before;
  const last = track.advance[n - 1]! - after;
  const a = crossingAt(track, first, 1);
  const b = crossingAt(track, last, n - 1);
  if (b.index <= a.index) return track;
  const inner = sliceTrack(track, a.index, b.index - 1);
  const advance = new Float64Array(inner.advance.length + 2);
  advance[0] = first;
  advance.set(inner.advance, 1);
  advance[advance.length - 1] = last;
  return {
    left: [a.crossing.left, ...inner.left, b.crossing.left],
    right: [a.crossing.right, ...inner.right, b.crossing.right],
    advance,
  };
}

function extended(track: Track, before: number, after: number): Track {
  const head = ahead(track, false, before).reverse();
  const tail = ahead(track, true, after);
  return makeTrack(
    [...head.map((r) => r[0]), ...track.left, ...tail.map((r) => r[0])],
    [...head.map((r) => r[1]), ...track.right, ...tail.map((r) => r[1])],
    track.advance[0]! - before,
  );
}

/** Rows that go straight on beyond the first or last row. */
function ahead(track: Track, atEnd: boolean, reach: number): [Point, Point][] {
  if (reach <= 0) return [];
  const { left, right, outward } = endRow(track, atEnd);
  const steps = Math.ceil(reach / STEP_MM);
  return Array.from({ length: steps }, (_, i) => {
    const by = scale(outward, (reach * (i + 1)) / steps);
    return [add(left, by), add(right, by)];
  });
}

/** The first or last row and the direction in which the column would go on. */
export function endRow(track: Track, atEnd: boolean): { left: Point; right: Point; outward: Point } {
  const n = track.left.length;
  const i = atEnd ? n - 1 : 0;
  const inner = atEnd ? Math.max(0, n - 1 - 6) : Math.min(n - 1, 6);
  const [left, right] = [track.left[i]!, track.right[i]!];
  const row = unit(sub(right, left));
  const to = sub(mix(left, right, 0.5), mix(track.left[inner]!, track.right[inner]!, 0.5));
  const across = { x: -row.y, y: row.x };
  return { left, right, outward: scale(across, Math.sign(dot(across, to)) || 1) };
}

/** How deep a cap reaches into its column, mm. */
const CAP_DEPTH_MM = 2;

/**
 * The cap of an open end: a short column of cross stitches, square to the rows, from inside the column to its end. It is
 * sewn before the rows, so that foam tears clean where they end.
 * @returns null when the column is too short or too narrow for one
 */
export function capOf(track: Track, atEnd: boolean): Track | null {
  const depth = Math.min(CAP_DEPTH_MM, lengthOf(track) * 0.4);
  const n = track.advance.length;
  const from = atEnd ? track.advance[n - 1]! - depth : track.advance[0]! + depth;
  const { crossing, index } = crossingAt(track, from, atEnd ? n - 1 : 1);
  const width = distance(crossing.left, crossing.right);
  if (depth < 0.5 || width < 1) return null;
  const rim = atEnd
    ? [crossing.left, ...track.left.slice(index), ...track.right.slice(index).reverse(), crossing.right]
    : [crossing.left, ...track.left.slice(0, index).reverse(), ...track.right.slice(0, index), crossing.right];
  const { outward } = endRow(track, atEnd);
  const inner: Point[] = [];
  const outer: Point[] = [];
  const count = Math.max(2, Math.ceil(width / STEP_MM));
  for (let k = 0; k <= count; k++) {
    const p = mix(crossing.left, crossing.right, Math.min(0.99, Math.max(0.01, k / count)));
    const reach = rimAhead(rim, p, outward);
    if (reach < 0.3) continue;
    inner.push(p);
    outer.push(add(p, scale(outward, reach)));
  }
  return inner.length < 2 ? null : makeTrack(inner, outer);
}

/** Distance from `p` in direction `d` to the farthest place where the rim is met. */
function rimAhead(rim: readonly Point[], p: Point, d: Point): number {
  let best = 0;
  for (let i = 1; i < rim.length; i++) {
    const a = sub(rim[i - 1]!, p);
    const b = sub(rim[i]!, p);
    const [sa, sb] = [cross(d, a), cross(d, b)];
    if (sa > 0 === sb > 0) continue;
    const t = sa / (sa - sb);
    best = Math.max(best, dot(d, a) + (dot(d, b) - dot(d, a)) * t);
  }
  return best;
}
