import type { CopyPlace, Hoop } from '../../document/types';
import type { StitchPlan } from '../../plan/plan';
import { shiftedRows, type Tile } from './lattice';
import { CELL_MM, Mask, stitchedMask } from './mask';

/** How close copies lie and how near to the hoop's edge they come, mm. */
export interface Room {
  hoop: Hoop;
  /** Between the threads of two copies, at least. */
  gapMm: number;
  /** Between thread and the edge of the field: the presser foot needs it. */
  edgeMm: number;
}

/** Ways that copies may be turned: one way, with every other on its head, or by quarters. */
const TURNINGS: readonly (readonly number[])[] = [[0], [0, 180], [0, 90, 180, 270], [90], [90, 270]];

/**
 * Copies laid by their true outline: in rows of which every other one is shifted, and each at the first free place, row by row or
 * column by column, in each way of turning; the way that lays most copies is taken. Places are held against each other on cells, by more than the gap asked for and never by less.
 * @param most no more copies than these
 */
export function nested(plan: StitchPlan, room: Room, most: number): CopyPlace[] {
  const shapes = new Map([0, 90, 180, 270].map((turn) => [turn, shapeOf(plan, turn, room.gapMm)]));
  let best: CopyPlace[] = [];
  const field = fieldOf(room);
  for (const turn of [0, 90]) {
    const tile = shapes.get(turn)!;
    const laid = shiftedRows(field, tile).map((cell) => placeOf(field, tile, cell));
    if (laid.length > best.length) best = laid.slice(0, most);
    if (best.length >= most) return best;
  }
  for (const turns of TURNINGS) {
    for (const byRows of [true, false]) {
      const laid = lay(
        turns.map((t) => shapes.get(t)!),
        { room, most, byRows },
      );
      if (laid.length > best.length) best = laid;
      if (best.length >= most) return best;
    }
  }
  return best;
}

/**
 * Copies of different designs laid by their true outlines, the largest first, each at the first free place; the way of turning that lays most
 * is taken.
 */
export function nestedMix(wanted: readonly { plan: StitchPlan; copies: number }[], room: Room): { design: number; at: CopyPlace }[] {
  const tiles = wanted.map(({ plan, copies }) =>
    copies > 0 ? new Map(QUARTERS.map((t) => [t, shapeOf(plan, t, room.gapMm)])) : new Map<number, Tile>(),
  );
  const items = wanted.flatMap(({ copies }, design) => Array.from({ length: copies }, () => design));
  const size = (design: number): number => {
    const { mask } = tiles[design]!.get(0)!;
    return mask.width * mask.height;
  };
  items.sort((a, b) => size(b) - size(a) || a - b);
  let best: { design: number; at: CopyPlace }[] = [];
  for (const turns of TURNINGS)
    for (const byRows of [true, false]) {
      const laid = layMix(items, { tiles: tiles.map((own) => turns.flatMap((t) => own.get(t) ?? [])), room, byRows });
      if (laid.length > best.length) best = laid;
      if (best.length >= items.length) return best;
    }
  return best;
}
const QUARTERS = [0, 90, 180, 270] as const;

function layMix(
  items: readonly number[],
  { tiles, room, byRows }: { tiles: readonly (readonly Tile[])[]; room: Room; byRows: boolean },
): { design: number; at: CopyPlace }[] {
  const taken = fieldOf(room);
  const from = tiles.map((own) => own.map(() => 0));
  return items.flatMap((design) => {
    const free = nearest(taken, { shapes: tiles[design]!, from: from[design]!, byRows });
    if (!free) return [];
    cover(taken, free.shape, free.x, free.y);
    return [{ design, at: placeOf(taken, free.shape, free) }];
  });
}

function shapeOf(plan: StitchPlan, turn: number, gapMm: number): Tile {
  const mask = stitchedMask(plan, turn);
  const reach = gapMm / CELL_MM + Math.SQRT2;
  const r = Math.ceil(reach);
  const around = new Mask(mask.left - r, mask.top - r, mask.width + 2 * r, mask.height + 2 * r);
  const half = Array.from({ length: 2 * r + 1 }, (_, k) => Math.floor(Math.sqrt(Math.max(-1, reach * reach - (k - r) ** 2))));
  for (let y = 0; y < mask.height; y++)
    for (let x = 0; x < mask.width; x++) {
      if (!onRim(mask, x, y)) continue;
      for (let k = 0; k <= 2 * r; k++) if (half[k]! >= 0) around.fill(x + r - half[k]!, x + r + half[k]!, y + k);
    }
  return { turn, mask, around: withInside(around, mask, r) };
}

const onRim = (mask: Mask, x: number, y: number): boolean =>
  mask.has(x, y) &&
  (x === 0 ||
    y === 0 ||
    x === mask.width - 1 ||
    y === mask.height - 1 ||
    !mask.has(x - 1, y) ||
    !mask.has(x + 1, y) ||
    !mask.has(x, y - 1) ||
    !mask.has(x, y + 1));

function withInside(around: Mask, mask: Mask, r: number): Mask {
  for (let y = 0; y < mask.height; y++) for (let x = 0; x < mask.width; x++) if (mask.has(x, y)) around.set(x + r, y + r);
  return around;
}

interface Laying {
  room: Room;
  most: number;
  byRows: boolean;
}

function lay(shapes: readonly Tile[], { room, most, byRows }: Laying): CopyPlace[] {
  const taken = fieldOf(room);
  const out: CopyPlace[] = [];
  const from = shapes.map(() => 0);
  while (out.length < most) {
    const free = nearest(taken, { shapes, from, byRows });
    if (!free) break;
    cover(taken, free.shape, free.x, free.y);
    out.push(placeOf(taken, free.shape, free));
  }
  return out;
}

interface Seeking {
  shapes: readonly Tile[];
  /** For each of the shapes, the place before which none is free for it; written anew. */
  from: number[];
  byRows: boolean;
}

/** The first free place for any of some shapes: the one that keeps the rows lowest. */
function nearest(taken: Mask, { shapes, from, byRows }: Seeking): { shape: Tile; x: number; y: number } | null {
  let best: { shape: Tile; x: number; y: number } | null = null;
  for (const [s, shape] of shapes.entries()) {
    const free = firstFree(taken, shape.mask, from[s]!, byRows);
    from[s] = free ? free.at : Infinity;
    if (free && (!best || lineOf(free, shape, byRows) < lineOf(best, best.shape, byRows))) best = { shape, x: free.x, y: free.y };
  }
  return best;
}

const placeOf = (field: Mask, { mask, turn }: Tile, cell: { x: number; y: number }): CopyPlace => ({
  x: (cell.x - mask.left + field.left) * CELL_MM,
  y: (cell.y - mask.top + field.top) * CELL_MM,
  turn,
});

/** How far on the last of a copy lies: what keeps the rows low is laid first. */
const lineOf = ({ x, y }: { x: number; y: number }, { mask }: Tile, byRows: boolean): number =>
  byRows ? (y + mask.height) * 1e5 + x : (x + mask.width) * 1e5 + y;

/** Places are tried so many cells apart. */
const STEP = 2;

function firstFree(taken: Mask, mask: Mask, from: number, byRows: boolean): { at: number; x: number; y: number } | null {
  const steps = (room: number): number => (room < 0 ? 0 : Math.floor(room / STEP) + 1);
  const [across, down] = [steps(taken.width - mask.width), steps(taken.height - mask.height)];
  for (let at = from; at < across * down; at++) {
    const [x, y] = (byRows ? [at % across, Math.floor(at / across)] : [Math.floor(at / down), at % down]).map((k) => k * STEP) as [
      number,
      number,
    ];
    if (!taken.meets(mask, x, y)) return { at, x, y };
  }
  return null;
}

function cover(taken: Mask, { mask, around }: Tile, x: number, y: number): void {
  const [left, top] = [x - (mask.left - around.left), y - (mask.top - around.top)];
  for (let row = 0; row < around.height; row++)
    for (let k = 0; k < around.width; k++) if (around.has(k, row)) taken.fill(left + k, left + k, top + row);
}

/** The hoop's field: what lies outside it, or too near to its edge, is taken. */
function fieldOf({ hoop, edgeMm }: Room): Mask {
  const [w, h] = [hoop.width / 2 - edgeMm, hoop.height / 2 - edgeMm].map((v) => Math.floor(v / CELL_MM));
  const field = new Mask(-w!, -h!, Math.max(0, 2 * w!), Math.max(0, 2 * h!));
  if (hoop.shape === 'rect') return field;
  const [a, b] = [hoop.width / 2 - edgeMm, hoop.height / 2 - edgeMm];
  const far = (cell: number, half: number): number => Math.max(Math.abs(cell), Math.abs(cell + 1)) * (CELL_MM / half);
  for (let y = 0; y < field.height; y++)
    for (let x = 0; x < field.width; x++) if (far(x + field.left, a) ** 2 + far(y + field.top, b) ** 2 > 1) field.set(x, y);
  return field;
}
