import { distance, mix, type Point } from '../../geometry/point';
import { nearestOnLine } from '../../geometry/line';
import { crossingAt, sliceTrack, type Column, type Track } from './track';

/** Nearer to its end a column is not divided: one begins or ends at that end instead, mm. */
const LEAST_PART_MM = 0.6;
const LEAST_PART_ROWS = 1.5;
/** Numbers of nodes made here are clear of all others. */
const FIRST_CUT_NODE = 3_000_000;

/** A place in a network where something can begin or end. */
export interface Divided {
  columns: readonly Column[];
  node: number;
}

/**
 * The network with a node at the row that passes nearest to a place: a column is divided there between two of its rows, which so
 * meet as if they had been sewn in one.
 */
export function dividedAt(columns: readonly Column[], p: Point, spacingMm: number): Divided {
  const { column, advance } = nearestRow(columns, p);
  const { track } = column;
  const [first, last] = [track.advance[0]!, track.advance[track.advance.length - 1]!];
  const least = Math.max(LEAST_PART_MM, LEAST_PART_ROWS * spacingMm);
  const half = spacingMm / 2;
  const at = (Math.round(advance / half - 0.5) + 0.5) * half;
  const nearTo = last - advance < advance - first;
  if (at - first < least || last - at < least) return { columns, node: nearTo ? column.to : column.from };
  const node = FIRST_CUT_NODE + columns.length;
  const parts = divided(column, at, node);
  return { columns: columns.flatMap((c) => (c === column ? parts : [c])), node };
}

function divided(column: Column, at: number, node: number): [Column, Column] {
  const { track, openFrom, openTo, buttsFrom, buttsTo, stopsFrom, stopsTo, ...rest } = column;
  const [first, last] = [
    { openFrom, buttsFrom, stopsFrom },
    { openTo, buttsTo, stopsTo },
  ];
  const { crossing, index } = crossingAt(track, at, 1);
  const row = { left: [crossing.left], right: [crossing.right], advance: Float64Array.of(at) };
  const [before, after] = [sliceTrack(track, 0, index - 1), sliceTrack(track, index, track.left.length - 1)];
  return [
    { ...rest, to: node, track: joinedTracks(before, row), ...first },
    { ...rest, from: node, track: joinedTracks(row, after), ...last },
  ];
}

const joinedTracks = (a: Track, b: Track): Track => ({
  left: [...a.left, ...b.left],
  right: [...a.right, ...b.right],
  advance: Float64Array.of(...a.advance, ...b.advance),
});

/** The row nearest to a place; of several the one whose middle is nearest. */
function nearestRow(columns: readonly Column[], p: Point): { column: Column; advance: number } {
  let [best, least] = [{ column: columns[0]!, advance: 0 }, Infinity];
  for (const column of columns) {
    const { left, right, advance } = column.track;
    for (let i = 0; i < left.length; i++) {
      const [a, b] = [left[i]!, right[i]!];
      const away = nearestOnLine([a, b], p).distance + TO_MIDDLE * distance(p, mix(a, b, 0.5));
      if (away < least) [best, least] = [{ column, advance: advance[i]! }, away];
    }
  }
  return best;
}
const TO_MIDDLE = 0.02;

/** Columns in walking order from one node to another, the fewest there are; empty where there is no way or none is needed. */
export function wayBetween(columns: readonly Column[], from: number, to: number): Column[] {
  const cameBy = new Map<number, Column | null>([[from, null]]);
  const queue = [from];
  for (const node of queue) {
    if (node === to) break;
    for (const c of columns) {
      const far = c.from === node ? c.to : c.to === node ? c.from : null;
      if (far === null || cameBy.has(far)) continue;
      cameBy.set(far, c);
      queue.push(far);
    }
  }
  const way: Column[] = [];
  for (let node = to; node !== from;) {
    const c = cameBy.get(node);
    if (!c) return [];
    way.unshift(c);
    node = c.from === node ? c.to : c.from;
  }
  return way;
}

/** Columns that hang together by their nodes. */
export function groupsOf(columns: readonly Column[]): Column[][] {
  const left = new Set(columns);
  const groups: Column[][] = [];
  for (const first of columns) {
    if (!left.delete(first)) continue;
    const group = [first];
    for (const c of group) {
      for (const d of left) {
        if (![d.from, d.to].some((n) => n === c.from || n === c.to)) continue;
        left.delete(d);
        group.push(d);
      }
    }
    groups.push(group);
  }
  return groups;
}
