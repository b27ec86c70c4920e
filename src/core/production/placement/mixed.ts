import { InputError } from '../../document/errors';
import type { CopyPlace, Hoop } from '../../document/types';
import { boundsOf, type Bounds } from '../../geometry/point';
import type { StitchPlan } from '../../plan/plan';
import { clearOfEdge, sewnBox } from './arrange';
import { nestedMix, type Room } from './nest';

/** A design and how many copies of it are to lie in the hoop. */
export interface Wanted {
  plan: StitchPlan;
  copies: number;
}

/** A copy of one of several designs, told by its place among them. */
export interface MixedPlace {
  design: number;
  at: CopyPlace;
}

/** One copy to be laid, with the box that it is sewn in. */
interface Item {
  design: number;
  box: Bounds;
}

const widthOf = (b: Bounds): number => b.maxX - b.minX;
const heightOf = (b: Bounds): number => b.maxY - b.minY;

/**
 * Lays copies of different designs in a hoop, the whole in its middle: in rows in the order in which they are given, so that a list of names
 * reads as it was written; else in rows by height; else by outline, the largest first.
 * @param nest by outline whether or not rows would do
 * @throws InputError that says how many would fit, when not all do
 */
export function arrangeMixed(wanted: readonly Wanted[], room: Room, nest: boolean): MixedPlace[] {
  const boxes = wanted.map(({ plan }) => sewnBox(plan, { turn: 0 }));
  const items = wanted.flatMap(({ copies }, design) =>
    Array.from({ length: boxes[design]!.maxX >= boxes[design]!.minX ? copies : 0 }, (): Item => ({ design, box: boxes[design]! })),
  );
  const tall = items.slice().sort((a, b) => heightOf(b.box) - heightOf(a.box));
  const rows = nest ? null : (inRows(items, room) ?? inRows(tall, room));
  if (rows) return rows;
  const close = nestedMix(wanted, room);
  if (close.length >= items.length) return inMiddle(close, wanted, room.hoop);
  const most = Math.max(close.length, nest ? 0 : mostOf(items, room));
  throw new InputError(
    'too-big-for-hoop',
    `${items.length} designs ${room.gapMm} mm apart do not fit into a hoop of ${room.hoop.width} x ${room.hoop.height} mm; ${most} would: take fewer, a smaller gap or a larger hoop.`,
  );
}

/** How many of the first can lie in rows. */
function mostOf(items: readonly Item[], room: Room): number {
  let n = items.length - 1;
  while (n > 0 && !inRows(items.slice(0, n), room)) n--;
  return n;
}

/** Rows one below the other, each in the middle; of all widths of rows the one whose whole is smallest. Null where none fits. */
function inRows(items: readonly Item[], { hoop, gapMm, edgeMm }: Room): MixedPlace[] | null {
  const boxes = new Map(items.map(({ design, box }) => [design, box]));
  let best: { places: MixedPlace[]; size: number } | null = null;
  for (const width of widths(items, { gapMm, most: hoop.width - 2 * edgeMm })) {
    const rows = divided(items, width, gapMm);
    const height = rows.reduce((sum, row) => sum + tallest(row) + gapMm, -gapMm);
    const size = Math.max(...rows.map((row) => lengthOf(row, gapMm))) * height;
    if (best && best.size <= size) continue;
    const places = laid(rows, height, gapMm);
    if (places.every(({ design, at }) => clear(boxes.get(design)!, at, { hoop, edgeMm }))) best = { places, size };
  }
  return best?.places ?? null;
}

const lengthOf = (row: readonly Item[], gapMm: number): number => row.reduce((sum, { box }) => sum + widthOf(box) + gapMm, -gapMm);
const tallest = (row: readonly Item[]): number => Math.max(...row.map(({ box }) => heightOf(box)));

/** Widths that rows may have: those of every stretch of the list. */
function widths(items: readonly Item[], { gapMm, most }: { gapMm: number; most: number }): number[] {
  const found = new Set<number>();
  for (let from = 0; from < items.length; from++)
    for (let to = from + 1, w = -gapMm; to <= items.length; to++) {
      w += widthOf(items[to - 1]!.box) + gapMm;
      if (w <= most + 1e-6) found.add(Math.round(w * 100) / 100 + 0.01);
    }
  const all = [...found].sort((a, b) => a - b);
  const step = Math.max(1, Math.ceil(all.length / MOST_WIDTHS));
  return all.filter((_, i) => i % step === 0 || i === all.length - 1);
}
const MOST_WIDTHS = 400;

/** The list divided into rows no longer than `width`, so that all rows together are as low as they can be. */
function divided(items: readonly Item[], width: number, gapMm: number): Item[][] {
  const lowest = [{ height: -gapMm, from: 0 }];
  for (let to = 1; to <= items.length; to++) {
    let best = { height: Infinity, from: to - 1 };
    for (let from = to - 1, length = -gapMm, high = 0; from >= 0; from--) {
      const { box } = items[from]!;
      length += widthOf(box) + gapMm;
      if (length > width) break;
      high = Math.max(high, heightOf(box));
      const height = lowest[from]!.height + gapMm + high;
      if (height < best.height) best = { height, from };
    }
    lowest.push(best);
  }
  const rows: Item[][] = [];
  for (let to = items.length; to > 0; to = lowest[to]!.from) rows.unshift(items.slice(lowest[to]!.from, to));
  return rows;
}

function laid(rows: readonly Item[][], height: number, gapMm: number): MixedPlace[] {
  let y = -height / 2;
  return rows.flatMap((row) => {
    const middle = y + tallest(row) / 2;
    let x = -lengthOf(row, gapMm) / 2;
    y += tallest(row) + gapMm;
    return row.map(({ design, box }): MixedPlace => {
      const at = { x: x - box.minX, y: middle - (box.minY + box.maxY) / 2, turn: 0 };
      x += widthOf(box) + gapMm;
      return { design, at };
    });
  });
}

function clear(box: Bounds, { x, y }: CopyPlace, { hoop, edgeMm }: { hoop: Hoop; edgeMm: number }): boolean {
  return [box.minX, box.maxX].every((cx) => [box.minY, box.maxY].every((cy) => clearOfEdge({ x: cx + x, y: cy + y }, hoop, edgeMm)));
}

/** All moved together to the hoop's middle; where a round hoop would cut one off, they stay where they are. */
function inMiddle(places: readonly MixedPlace[], wanted: readonly Wanted[], hoop: Hoop): MixedPlace[] {
  if (hoop.shape === 'round') return places.slice();
  const all = boundsOf(
    places.map(({ design, at }) => {
      const b = sewnBox(wanted[design]!.plan, at);
      return [
        { x: b.minX + at.x, y: b.minY + at.y },
        { x: b.maxX + at.x, y: b.maxY + at.y },
      ];
    }),
  );
  const [dx, dy] = [-(all.minX + all.maxX) / 2, -(all.minY + all.maxY) / 2];
  return places.map(({ design, at }) => ({ design, at: { ...at, x: at.x + dx, y: at.y + dy } }));
}
