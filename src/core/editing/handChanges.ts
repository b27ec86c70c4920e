import { fingerprintOf } from '../document/fingerprint';
import type { MadePiece, Piece, Thread } from '../document/types';
import { areaOf, intersect } from '../geometry/area';
import { outlineOf } from '../geometry/outline';
import { boundsOf, boundsTouch, type Area } from '../geometry/point';
import { dataToRings } from '../geometry/path';

/** A region is still there when so much of it and of the new one is common to both, as a share of the larger. */
const STILL_THERE = 0.6;
/** Lines are compared by the boxes about them, this much wider, mm. */
const LINE_MM = 0.5;

/** What tells later whether a piece is as it was made. */
export const markOf = (piece: Piece): string => fingerprintOf(piece);

export const marksOf = (pieces: readonly Piece[]): MadePiece[] => pieces.map((p) => ({ id: p.id, mark: markOf(p) }));

interface Made {
  pieces: readonly Piece[];
  threads: readonly Thread[];
}

/**
 * Pieces made anew, where those that were changed by hand stay: each in place of the new one that covers the same region, those that were
 * drawn by hand after all others. What was changed on a region that is gone is gone with it.
 * @param made marks of the old pieces as they were made
 */
export function withHandChanges(fresh: Made, old: Made, made: readonly MadePiece[]): { pieces: Piece[]; threads: Thread[]; kept: number } {
  const marks = new Map(made.map((m) => [m.id, m.mark]));
  const changed = old.pieces.filter((p) => marks.get(p.id) !== markOf(p));
  const threads = fresh.threads.slice();
  const pieces = fresh.pieces.slice();
  const taken = new Set<number>();
  let kept = 0;
  for (const piece of changed) {
    const at = marks.has(piece.id) ? samePlace(piece, pieces, taken) : -1;
    if (marks.has(piece.id) && at < 0) continue;
    const threadId = threadIn(
      threads,
      old.threads.find((t) => t.id === piece.thread),
    );
    if (threadId === null) continue;
    kept++;
    if (at >= 0) {
      taken.add(at);
      pieces[at] = { ...piece, id: pieces[at]!.id, thread: threadId };
    } else pieces.push({ ...piece, id: freeId(pieces), thread: threadId });
  }
  return { pieces, threads: threads.filter((t) => pieces.some((p) => p.thread === t.id)), kept };
}

function threadIn(threads: Thread[], wanted: Thread | undefined): string | null {
  if (!wanted) return null;
  const same = threads.find((t) => t.code === wanted.code && t.weight === wanted.weight);
  if (same) return same.id;
  const ids = new Set(threads.map((t) => t.id));
  let n = threads.length + 1;
  while (ids.has(`t${n}`)) n++;
  threads.push({ ...wanted, id: `t${n}` });
  return `t${n}`;
}

function freeId(pieces: readonly Piece[]): string {
  const ids = new Set(pieces.map((p) => p.id));
  let n = pieces.length + 1;
  while (ids.has(`p${n}`)) n++;
  return `p${n}`;
}

/** The new piece that is most of all where an old one is; -1 when none is. */
function samePlace(piece: Piece, pieces: readonly Piece[], taken: ReadonlySet<number>): number {
  let [best, most] = [-1, STILL_THERE];
  pieces.forEach((other, i) => {
    const share = taken.has(i) ? 0 : common(piece, other);
    if (share > most) [best, most] = [i, share];
  });
  return best;
}

function common(a: Piece, b: Piece): number {
  const [p, q] = [placeOf(a), placeOf(b)];
  if (!p || !q || !boundsTouch(boundsOf(p), boundsOf(q))) return 0;
  return areaOf(intersect(p, q)) / Math.max(areaOf(p), areaOf(q), 1e-9);
}

function placeOf({ area, line, sides }: Piece): Area | null {
  if (area) return outlineOf(area).area;
  const data = line ?? sides?.join(' ');
  if (!data) return null;
  const { minX, minY, maxX, maxY } = boundsOf(dataToRings(data));
  const [l, t, r, b] = [minX - LINE_MM, minY - LINE_MM, maxX + LINE_MM, maxY + LINE_MM];
  return [
    [
      { x: l, y: t },
      { x: r, y: t },
      { x: r, y: b },
      { x: l, y: b },
    ],
  ];
}
