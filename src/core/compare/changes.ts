import { SETTINGS, type AnySetting, type SettingKey } from '../document/catalogue';
import type { Job, Piece } from '../document/types';

/** How a piece differs between two versions of a job. */
export interface PieceChange {
  id: string;
  name: string;
  how: 'added' | 'removed' | 'changed';
  /** What is different, as words that can stand in a list; empty for pieces added or removed. */
  what: string[];
}

const SHAPE = ['area', 'line', 'sides', 'width'] as const satisfies readonly (keyof Piece)[];
/** A key that this version does not know stands for itself. */
const calledOf = (key: SettingKey): string => (SETTINGS[key] as AnySetting | undefined)?.label.toLowerCase() ?? key;
const same = (a: unknown, b: unknown): boolean => JSON.stringify(a ?? null) === JSON.stringify(b ?? null);

/** What differs between two versions of one job, piece by piece in the order of the second; removed ones come last. */
export function changesBetween(a: Job, b: Job): PieceChange[] {
  const before = new Map(a.pieces.map((p) => [p.id, p]));
  const after = new Set(b.pieces.map((p) => p.id));
  const moved = movedAmong(
    a.pieces.map((p) => p.id).filter((id) => after.has(id)),
    b.pieces.map((p) => p.id).filter((id) => before.has(id)),
  );
  const changes = b.pieces.flatMap((piece): PieceChange[] => {
    const old = before.get(piece.id);
    const { id, name } = piece;
    if (!old) return [{ id, name, how: 'added', what: [] }];
    const what = whatDiffers(old, piece, a, b);
    if (moved.has(id)) what.push('order');
    return what.length > 0 ? [{ id, name, how: 'changed', what }] : [];
  });
  const removed = a.pieces.filter((p) => !after.has(p.id)).map(({ id, name }): PieceChange => ({ id, name, how: 'removed', what: [] }));
  return [...changes, ...removed];
}

function whatDiffers(old: Piece, piece: Piece, a: Job, b: Job): string[] {
  const hex = (job: Job, id: string): string | undefined => job.threads.find((t) => t.id === id)?.hex;
  const keys = [...new Set([...Object.keys(old.settings), ...Object.keys(piece.settings)])] as (keyof Piece['settings'])[];
  return [
    ...(old.kind === piece.kind ? [] : [`sewn as ${piece.kind}`]),
    ...(SHAPE.every((k) => same(old[k], piece[k])) ? [] : ['shape']),
    ...(same(old.slants, piece.slants) ? [] : ['slants']),
    ...(same([old.start, old.end], [piece.start, piece.end]) ? [] : ['start or end']),
    ...(hex(a, old.thread) === hex(b, piece.thread) ? [] : ['thread']),
    ...new Set(keys.filter((k) => !same(old.settings[k], piece.settings[k])).map(calledOf)),
  ];
}

/** The fewest ids that must have been moved to turn one order into the other: all but the longest run that kept its order. */
function movedAmong(before: readonly string[], after: readonly string[]): Set<string> {
  const place = new Map(before.map((id, i) => [id, i]));
  const at = after.map((id) => place.get(id)!);
  const length = at.map(() => 1);
  const from = at.map(() => -1);
  let last = -1;
  for (let i = 0; i < at.length; i++) {
    for (let k = 0; k < i; k++) {
      if (at[k]! < at[i]! && length[k]! + 1 > length[i]!) [length[i], from[i]] = [length[k]! + 1, k];
    }
    if (last < 0 || length[i]! > length[last]!) last = i;
  }
  const moved = new Set(after);
  for (let i = last; i >= 0; i = from[i]!) moved.delete(after[i]!);
  return moved;
}
