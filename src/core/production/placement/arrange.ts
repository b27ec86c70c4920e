import { InputError } from '../../document/errors';
import type { CopyPlace, Hoop } from '../../document/types';
import { boundsOf, type Bounds, type Point } from '../../geometry/point';
import type { StitchPlan } from '../../plan/plan';
import { Command } from '../../stitches/roles';
import { copyMatrix, placedPoint } from './copy';
import { nested, type Room } from './nest';

/** How several copies are to lie. */
export interface Arrangement extends Room {
  copies: number;
  /** Columns and rows; found where absent. */
  grid?: { columns: number; rows: number };
  /** By outline where rows and columns hold too few, only so, or never. */
  nest?: 'never' | 'if-needed' | 'always';
  /** Every other copy is turned by half, or mirrored. */
  alternate?: 'turn' | 'mirror';
}

/** Free room at the hoop's edge for the presser foot, mm; the machine's manual tells its own. */
export const EDGE_MM = 5;

/**
 * Lays copies of a plan in a hoop, the whole in its middle.
 * @throws InputError that says how many would fit, when not all do
 */
export function arrange(plan: StitchPlan, wanted: Arrangement): CopyPlace[] {
  const box = sewnBox(plan, { turn: 0 });
  const rows = wanted.nest === 'always' && !wanted.grid ? null : inRows(box, wanted);
  if (rows) return rows;
  if (wanted.grid) throw refused(wanted, mostInRows(box, wanted), `in ${wanted.grid.columns} columns and ${wanted.grid.rows} rows`);
  const close = wanted.nest === 'never' ? [] : nested(plan, wanted, wanted.copies);
  if (close.length >= wanted.copies) return centred(plan, close, wanted.hoop);
  throw refused(wanted, Math.max(close.length, mostInRows(box, wanted)), '');
}

/** As many as a hoop holds. */
export function arrangeMost(plan: StitchPlan, room: Room, nest: boolean): CopyPlace[] {
  const box = sewnBox(plan, { turn: 0 });
  const rows = inRows(box, { ...room, copies: mostInRows(box, room) }) ?? [];
  const close = nest ? nested(plan, room, MOST_COPIES) : [];
  return close.length > rows.length ? centred(plan, close, room.hoop) : rows;
}
const MOST_COPIES = 200;

const refused = ({ copies, hoop, gapMm }: Arrangement, fit: number, how: string): InputError =>
  new InputError(
    'too-big-for-hoop',
    `${copies} copies ${gapMm} mm apart do not fit ${how === '' ? '' : `${how} `}into a hoop of ${hoop.width} x ${hoop.height} mm; ${fit} would: take fewer, a smaller gap or a larger hoop.`,
  );

/** Box round everything that is sewn, by a copy's turn and mirroring. */
export function sewnBox(plan: StitchPlan, { turn, mirror = false }: Pick<CopyPlace, 'turn' | 'mirror'>): Bounds {
  const m = copyMatrix({ x: 0, y: 0, turn, mirror });
  const points: Point[] = [];
  for (let i = 0; i < plan.x.length; i++)
    if (plan.command[i] === Command.stitch) points.push(placedPoint(m, { x: plan.x[i]!, y: plan.y[i]! }));
  return boundsOf([points]);
}

const widthOf = (b: Bounds): number => b.maxX - b.minX;
const heightOf = (b: Bounds): number => b.maxY - b.minY;

/** Rows and columns with equal gaps; null when they do not fit. Of all that hold the copies the one with the smallest box is taken. */
function inRows(box: Bounds, wanted: Arrangement): CopyPlace[] | null {
  const { copies, grid } = wanted;
  const shapes = grid ? [grid] : Array.from({ length: copies }, (_, i) => ({ columns: i + 1, rows: Math.ceil(copies / (i + 1)) }));
  const fitting = shapes
    .map((g) => placesOf(box, g, wanted))
    .filter((places) => places.length >= copies && places.every((p) => within(box, p, wanted)));
  const size = (places: readonly CopyPlace[]): number => {
    const all = boundsOf([places]);
    return (widthOf(all) + widthOf(box)) * (heightOf(all) + heightOf(box));
  };
  const best = fitting.sort((a, b) => size(a) - size(b))[0];
  return best ? best.slice(0, copies) : null;
}

function placesOf(
  box: Bounds,
  { columns, rows }: { columns: number; rows: number },
  { gapMm, alternate, copies }: Arrangement,
): CopyPlace[] {
  const [dx, dy] = [widthOf(box) + gapMm, heightOf(box) + gapMm];
  const [cx, cy] = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2];
  const count = Math.min(copies, rows * columns);
  return Array.from({ length: count }, (_, i) => {
    const [column, row] = [i % columns, Math.floor(i / columns)];
    const [x, y] = [(column - (columns - 1) / 2) * dx, (row - (rows - 1) / 2) * dy];
    const other = alternate !== undefined && (row + column) % 2 === 1;
    if (other && alternate === 'turn') return { x: x + cx, y: y + cy, turn: 180 };
    return { x: other ? x + cx : x - cx, y: y - cy, turn: 0, ...(other ? { mirror: true } : {}) };
  });
}

function mostInRows(box: Bounds, { hoop, gapMm, edgeMm }: Room): number {
  let most = 0;
  const fit = (room: number, one: number): number => Math.max(0, Math.floor((room - 2 * edgeMm + gapMm + 1e-6) / (one + gapMm)));
  const [columns, rows] = [fit(hoop.width, widthOf(box)), fit(hoop.height, heightOf(box))];
  for (let c = 1; c <= columns; c++)
    for (let r = 1; r <= rows; r++) {
      const wanted = { hoop, gapMm, edgeMm, copies: c * r };
      if (c * r > most && placesOf(box, { columns: c, rows: r }, wanted).every((p) => within(box, p, wanted))) most = c * r;
    }
  return most;
}

/** Whether a copy's box lies in the field, clear of its edge. */
function within(box: Bounds, { x, y, turn, mirror }: CopyPlace, { hoop, edgeMm }: Room): boolean {
  const corners = [box.minX, box.maxX].flatMap((cx) => [box.minY, box.maxY].map((cy) => ({ x: cx, y: cy })));
  const m = copyMatrix({ x, y, turn, ...(mirror ? { mirror } : {}) });
  return corners.every((c) => clearOfEdge(placedPoint(m, c), hoop, edgeMm));
}

const HAIR_MM = 1e-6;
/** Whether a place lies so far inside a hoop's field. */
export function clearOfEdge(p: Point, hoop: Hoop, edgeMm: number): boolean {
  const [a, b] = [hoop.width / 2 - edgeMm + HAIR_MM, hoop.height / 2 - edgeMm + HAIR_MM];
  return hoop.shape === 'round' ? (p.x / a) ** 2 + (p.y / b) ** 2 <= 1 : Math.abs(p.x) <= a && Math.abs(p.y) <= b;
}

/** Nested copies moved together to the hoop's middle; where a round hoop would cut one off, they stay where they are. */
function centred(plan: StitchPlan, places: readonly CopyPlace[], hoop: Hoop): CopyPlace[] {
  if (hoop.shape === 'round') return places.slice();
  const boxes = places.map((p) => {
    const b = sewnBox(plan, p);
    return [
      { x: b.minX + p.x, y: b.minY + p.y },
      { x: b.maxX + p.x, y: b.maxY + p.y },
    ];
  });
  const all = boundsOf(boxes);
  const [dx, dy] = [-(all.minX + all.maxX) / 2, -(all.minY + all.maxY) / 2];
  return places.map((p) => ({ ...p, x: p.x + dx, y: p.y + dy }));
}
