import { distance, type Point } from '../../geometry/point';
import { nearestOnLine } from '../../geometry/line';
import type { StartEnd } from '../../stitches/startEnd';
import type { StitchBuffer } from '../../stitches/buffer';
import { Role } from '../../stitches/roles';
import { SHORTEST_STITCH_MM } from '../../units/tolerances';
import type { RowMesh } from '../rows/mesh';
import { travelTo } from '../rows/sewRows';
import { sewColumn } from './cover';
import { shortened, withEnds, withRowsToEnds } from './columnEnds';
import { approach, endOf, layFoundation, runAlong, runTrack, sewCap, type ColumnSettings } from './foundation';
import { dividedAt, groupsOf, wayBetween } from './nodes';
import { centreLine, type Column, type ColumnNetwork } from './track';

/**
 * Sews a network of columns as one unbroken path from any place of it to any other.
 *
 * What does not lie on the way from start to end is sewn out on the underlay and back with the cover: entering a column at one
 * end, its underlay is sewn to the other end, everything attached there is sewn first, and then its cover is sewn back to where
 * it was entered. What lies on the way is sewn to and fro by its underlay and onward with the cover. A column in which the needle
 * begins or ends is two that meet there, row beside row. So every run lies under cover that comes later.
 */
export function sewNetwork(
  out: StitchBuffer,
  network: ColumnNetwork,
  settings: ColumnSettings,
  { start, end, goesOn = true }: StartEnd,
): void {
  const columns = network.columns.map((c) =>
    withRowsToEnds(withEnds(c, settings.ends, settings.pushMm, settings.cover.widen), settings.cover.spacingMm),
  );
  if (columns.length === 0) return;
  const groups = inOrder(columns);
  groups.forEach((group, i) => {
    const next = groups[i + 1];
    const wish = next ? nearestTo(group, next) : end && (groups.length === 1 || onRow(group, end)) ? end : null;
    new Walk(out, group, settings).sew(i === 0 ? start : null, wish, goesOn && !next);
  });
}

/** Rows looked at when groups are compared, one of so many. */
const EACH = 6;

/** The middle of the row of some columns that lies nearest to others. */
function nearestTo(columns: readonly Column[], others: readonly Column[]): Point {
  const middles = (list: readonly Column[]): Point[] => list.flatMap((c) => centreLine(c.track).filter((_, i) => i % EACH === 0));
  const theirs = middles(others);
  let [best, least] = [others[0]!.track.left[0]!, Infinity];
  for (const p of middles(columns)) {
    for (const q of theirs) if (distance(p, q) < least) [best, least] = [p, distance(p, q)];
  }
  return best;
}

/** Columns that hang together; the longest group last, so that it covers the ways to the others. */
function inOrder(columns: readonly Column[]): Column[][] {
  const length = (g: readonly Column[]): number => g.reduce((sum, c) => sum + c.track.advance[c.track.advance.length - 1]!, 0);
  return groupsOf(columns).sort((a, b) => length(a) - length(b));
}

/** A place belongs to columns of which a row passes this near, mm. */
const ON_ROW_MM = 0.75;

/** The place on a row nearest to a place, null where none passes near. */
function onRow(columns: readonly Column[], p: Point): Point | null {
  let best = { distance: ON_ROW_MM, point: p };
  for (const { track } of columns) {
    track.left.forEach((l, i) => {
      const near = nearestOnLine([l, track.right[i]!], p);
      if (near.distance < best.distance) best = near;
    });
  }
  return best.distance < ON_ROW_MM ? best.point : null;
}

/** The needle stands where it was asked to when it is this near, mm. */
const THERE_MM = 0.3;
/** Of a column that is sewn after the one under which it was to be tucked, so much of its end stays away, mm. */
const ON_TOP_MM = 0.6;
/** A gap that one short run may bridge without being looked for under cover, mm. */
const BRIDGE_MM = 4;

/** One group of columns, sewn. */
class Walk {
  private readonly done = new Set<Column>();
  private readonly covered = new Set<Column>();

  constructor(
    private readonly out: StitchBuffer,
    private columns: readonly Column[],
    private readonly settings: ColumnSettings,
  ) {}

  /** @param exactly whether the last stitch is to lie at the end, or just its row */
  sew(start: Point | null, end: Point | null, exactly: boolean): void {
    const lone = this.columns.length === 1 ? this.columns[0]! : null;
    const from = this.nodeFor(start ?? this.out.last());
    const to = end !== null ? this.nodeFor(end) : lone && this.settings.ends !== 'capped' && from === lone.from ? lone.to : from;
    const first = this.placeOf(from);
    const begin = start && onRow(this.columns, start);
    if (begin) this.out.push(begin.x, begin.y, Role.travel);
    else moveTo(this.out, first, this.settings.ways);
    this.goAlong(wayBetween(this.columns, from, to), from);
    const finish = exactly && end ? onRow(this.columns, end) : null;
    if (finish && this.out.length > 0) this.finishAt(finish);
  }

  /** The node at a place, made there if need be. */
  private nodeFor(p: Point | null): number {
    if (!p) return this.columns[0]!.from;
    const { columns, node } = dividedAt(this.columns, p, this.settings.cover.spacingMm);
    this.columns = columns;
    return node;
  }

  private placeOf(node: number): Point {
    const c = this.columns.find((o) => o.from === node || o.to === node)!;
    return endOf(c.track, c.from !== node);
  }

  private goAlong(way: readonly Column[], from: number): void {
    const aside = this.columns.filter((c) => !way.includes(c));
    let node = from;
    for (const column of way) {
      this.sewFrom(aside, node);
      node = this.sewOnward(column, node, aside);
    }
    this.sewFrom(aside, node);
  }

  /** Sews a column from one of its nodes to the other, after whatever is tucked under its far end. */
  private sewOnward(column: Column, node: number, aside: readonly Column[]): number {
    const { out, settings } = this;
    const backwards = column.from !== node;
    const far = backwards ? column.from : column.to;
    const first = aside.filter((c) => !this.done.has(c) && tuckedAt(c, far));
    const laid = this.laidOn(column);
    this.done.add(column);
    sewCap(out, laid, backwards, settings);
    layFoundation(out, laid.track, backwards, settings, first.length > 0);
    sewCap(out, laid, !backwards, settings);
    if (first.length > 0) {
      this.sewFrom(aside, far, first);
      runTrack(out, laid.track, !backwards, settings.runLengthMm, null, Role.travel);
    }
    this.cover(column, laid, backwards);
    return far;
  }

  /** Sews everything that hangs at a node, out and back. */
  private sewFrom(columns: readonly Column[], node: number, only: readonly Column[] = columns): void {
    const { out, settings } = this;
    const here = only.filter((c) => c.from === node || c.to === node);
    for (const column of [...here.filter((c) => tuckedAt(c, node)), ...here.filter((c) => !tuckedAt(c, node))]) {
      if (this.done.has(column)) continue;
      this.done.add(column);
      const backwards = column.from !== node;
      const far = backwards ? column.from : column.to;
      const laid = this.laidOn(column);
      sewCap(out, laid, backwards, settings);
      layFoundation(out, laid.track, backwards, settings, true);
      sewCap(out, laid, !backwards, settings);
      if (far !== node) this.sewFrom(columns, far);
      // What it was to be tucked under may have been sewn from its far end.
      this.cover(column, this.laidOn(column), !backwards);
    }
  }

  private cover(column: Column, { track }: Column, backwards: boolean): void {
    approach(this.out, track, backwards, this.settings);
    sewColumn(this.out, track, backwards, this.settings.cover, Role.cover);
    this.covered.add(column);
  }

  /** A column whose end was to be tucked under one that is sewn already: it hardly laps it instead. */
  private laidOn(column: Column): Column {
    const late = (node: number): boolean =>
      tuckedAt(column, node) && [...this.covered].some((c) => (c.from === node || c.to === node) && !tuckedAt(c, node));
    const [atFrom, atTo] = [late(column.from), late(column.to)];
    if (!atFrom && !atTo) return column;
    return { ...column, track: shortened(column.track, atFrom ? ON_TOP_MM : 0, atTo ? ON_TOP_MM : 0) };
  }

  /** The last stitch, along the last row. */
  private finishAt(end: Point): void {
    const here = this.out.last()!;
    const away = distance(here, end);
    if (away > THERE_MM && away <= this.settings.cover.splitMm) this.out.push(end.x, end.y, Role.cover);
  }
}

const tuckedAt = (c: Column, node: number): boolean => c.tuckedAt?.includes(node) ?? false;

function moveTo(out: StitchBuffer, p: Point, ways: Iterable<RowMesh>): void {
  const here = out.last();
  if (!here || distance(here, p) <= SHORTEST_STITCH_MM) return;
  if (distance(here, p) <= BRIDGE_MM) runAlong(out, [here, p], 2.5, Role.travel);
  else travelTo(out, p, ways);
}
