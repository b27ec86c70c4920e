import Flatbush from 'flatbush';
import { EdgeIndex, edgesOfArea } from '../../../geometry/edgeIndex';
import { contains } from '../../../geometry/area';
import { add, cross, distance, mix, scale, sub, unit, type Area, type Line, type Point } from '../../../geometry/point';
import { evenly, lengthsAlong, resample } from '../../../geometry/line';
import { rowField, type RowField } from './field';
import { valueAt } from './fieldGrid';
import { levelRows, levelsFor } from './levels';

/** Rows that follow slants, each a stretch inside the area. */
export interface TurningRows {
  /** Row number and course of each stretch; all run the same way. */
  readonly stretches: readonly { row: number; points: Line }[];
  readonly spacingMm: number;
  /** Stretches that lie next to a stretch on the side of lower (-1) or higher (+1) row numbers. */
  neighbours(i: number, step: 1 | -1): readonly number[];
  /** Whether a row should be sewn from its first end: rows that stop must be come to from the side on which they begin. */
  prefers(i: number): boolean;
}

const SHORTEST_MM = 0.3;

/**
 * Cuts an area into rows that turn with the slants.
 * @param thin whether rows may stop where they crowd
 */
export function turningRows(area: Area, slants: readonly Line[], spacingMm: number, thin: boolean): TurningRows {
  return rowsInField(area, rowField(area, slants), spacingMm, thin);
}

/** The same with the field known, which does not depend on the spacing. */
export function rowsInField(area: Area, field: RowField, spacingMm: number, thin: boolean): TurningRows {
  const rows = levelRows(field, levelsFor(field, spacingMm, thin));
  const clip = clipper(area);
  const stretches = rows
    .flatMap(({ row, points }) => clip(oriented(field, points)).map((line) => ({ row, points: line })))
    .filter((s) => lengthOf(s.points) >= SHORTEST_MM)
    .sort((a, b) => a.row - b.row);
  const beside = adjacency(field, stretches, spacingMm);
  const steepAt = (p: Point): number => valueAt(field.grid, field.gradientSize, p);
  return {
    stretches,
    spacingMm,
    neighbours: (i, step) => (step === 1 ? beside.above[i]! : beside.below[i]!),
    prefers: (i) => {
      const { row, points } = stretches[i]!;
      const innerFirst = steepAt(points[0]!) > steepAt(points[points.length - 1]!);
      return innerFirst === (row % 2 === 0);
    },
  };
}

const lengthOf = (line: Line): number => lengthsAlong(line)[line.length - 1]!;

function normalAt(field: RowField, p: Point): Point {
  const { grid } = field;
  const x = Math.min(grid.nx - 1, Math.max(0, Math.round((p.x - grid.left) / grid.cell)));
  const y = Math.min(grid.ny - 1, Math.max(0, Math.round((p.y - grid.top) / grid.cell)));
  const i = y * grid.nx + x;
  return { x: field.nx[i]!, y: field.ny[i]! };
}

/** The line turned so that φ rises on the same side of every row. */
function oriented(field: RowField, points: readonly Point[]): Line {
  let votes = 0;
  for (let i = 1; i < points.length; i++) votes += cross(sub(points[i]!, points[i - 1]!), normalAt(field, points[i]!));
  return votes < 0 ? points.slice().reverse() : points;
}

/** Cuts lines at the outline of an area and keeps what is inside. */
function clipper(area: Area): (line: Line) => Line[] {
  const index = new EdgeIndex(edgesOfArea(area));
  const hits = (a: Point, b: Point): number[] =>
    index
      .meets(a, b)
      .filter((t) => t >= -1e-9 && t <= 1 + 1e-9)
      .sort((p, q) => p - q);
  return (line) => {
    const parts: Point[][] = [];
    let now: Point[] = [line[0]!];
    for (let i = 1; i < line.length; i++) {
      const [a, b] = [line[i - 1]!, line[i]!];
      for (const t of hits(a, b)) {
        const p = mix(a, b, t);
        parts.push([...now, p]);
        now = [p];
      }
      now.push(b);
    }
    parts.push(now);
    // Which parts are inside is asked of each, so that a crossing counted twice does no harm.
    return parts.filter((part) => lengthOf(part) > 1e-6 && contains(area, middleOf(part)));
  };
}

const middleOf = (line: Line): Point => evenly(line, lengthsAlong(line), 2)[1]!;

interface Beside {
  above: number[][];
  below: number[][];
}

const PROBE_MM = 0.8;
/** How many rows on a stretch may find its neighbour where those between have stopped. */
const FARTHEST_ROW = 16;

/** Which stretches lie next to each other: the nearest row on either side, as far as it overlaps. */
function adjacency(field: RowField, stretches: TurningRows['stretches'], spacingMm: number): Beside {
  const probes = stretches.map((s) => resample(s.points, PROBE_MM));
  const tree = new Flatbush(
    Math.max(
      1,
      probes.reduce((n, p) => n + Math.max(1, p.length - 1), 0),
    ),
  );
  const owner: number[] = [];
  const middles: Point[] = [];
  probes.forEach((points, i) => {
    for (let k = 1; k < Math.max(2, points.length); k++) {
      const [a, b] = [points[k - 1]!, points[Math.min(k, points.length - 1)]!];
      tree.add(Math.min(a.x, b.x), Math.min(a.y, b.y), Math.max(a.x, b.x), Math.max(a.y, b.y));
      owner.push(i);
      middles.push(mix(a, b, 0.5));
    }
  });
  if (owner.length === 0) tree.add(0, 0, 0, 0);
  tree.finish();
  const above = stretches.map((): number[] => []);
  const below = stretches.map((): number[] => []);
  const link = (i: number, j: number): void => {
    const [low, high] = stretches[i]!.row < stretches[j]!.row ? [i, j] : [j, i];
    if (!above[low]!.includes(high)) above[low]!.push(high);
    if (!below[high]!.includes(low)) below[high]!.push(low);
  };
  stretches.forEach((s, i) => {
    for (const side of [1, -1] as const) {
      const found = new Map<number, number>();
      for (const p of probes[i]!) {
        const ahead = add(p, scale(unit(normalAt(field, p)), side * spacingMm));
        const reach = 1.6 * spacingMm;
        for (const e of tree.search(ahead.x - reach, ahead.y - reach, ahead.x + reach, ahead.y + reach)) {
          const j = owner[e];
          if (j === undefined) continue;
          const rise = (stretches[j]!.row - s.row) * side;
          if (rise < 1 || rise > FARTHEST_ROW || distance(middles[e]!, p) > 2.2 * spacingMm + PROBE_MM) continue;
          found.set(j, rise);
        }
      }
      const nearest = Math.min(...found.values());
      for (const [j, rise] of found) if (rise === nearest) link(i, j);
    }
  });
  return { above, below };
}
