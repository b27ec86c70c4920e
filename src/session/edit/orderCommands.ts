import type { Job, Piece } from '@/core/document/types';
import { editPiece } from './commands';
import { useJob } from '../job/jobStore';

/** Stretches of one thread in the sewing order. */
function blocksOf(pieces: readonly Piece[]): Piece[][] {
  const out: Piece[][] = [];
  for (const p of pieces) {
    const last = out[out.length - 1];
    if (last && last[0]!.thread === p.thread) last.push(p);
    else out.push([p]);
  }
  return out;
}

/** Pieces with the whole stretch of one colour about a piece sewn before its neighbour (-1) or after it (1). */
export function withBlockMoved(pieces: readonly Piece[], id: string, step: 1 | -1): Piece[] {
  const blocks = blocksOf(pieces);
  const at = blocks.findIndex((b) => b.some((p) => p.id === id));
  const to = at + step;
  if (at < 0 || to < 0 || to >= blocks.length) return pieces.slice();
  [blocks[at], blocks[to]] = [blocks[to]!, blocks[at]!];
  return blocks.flat();
}

export function moveColour(id: string, step: 1 | -1): void {
  useJob.getState().change('Move the whole colour', (job: Job) => {
    job.pieces = withBlockMoved(job.pieces, id, step);
  });
}

/** Pieces sewn one right after the other in the order given, from where the first of them stands; proposals keep it so. */
export function withSequence(pieces: readonly Piece[], ids: readonly string[]): Piece[] {
  const chosen = ids.flatMap((id) => pieces.find((p) => p.id === id) ?? []);
  const [first] = chosen;
  if (!first || chosen.length < 2) return pieces.slice();
  const bound = chosen.map((p, k) => (k === 0 ? p : { ...p, sewAfter: chosen[k - 1]!.id }));
  return pieces.flatMap((p) => (p.id === first.id ? bound : ids.includes(p.id) ? [] : [p]));
}

export function sewInSequence(ids: readonly string[]): void {
  useJob.getState().change('Sew one after the other', (job: Job) => {
    job.pieces = withSequence(job.pieces, ids);
  });
}

/** Sets how the needle comes to a piece; undefined gives it back to the router. The moves of one gesture share a mark. */
export function setApproach(id: string, approach: Piece['approach'] | undefined, mark?: string): void {
  const label = approach ? (approach.how === 'trim' ? 'Cut before it' : 'Sew across to it') : 'Path as the router finds';
  editPiece(
    id,
    label,
    (piece) => {
      if (approach) piece.approach = approach;
      else delete piece.approach;
    },
    mark,
  );
}

export function setStopBefore(id: string, on: boolean): void {
  editPiece(id, on ? 'Wait before it' : 'Do not wait before it', (piece) => {
    if (on) piece.stopBefore = true;
    else delete piece.stopBefore;
  });
}

export const freeOrder = (id: string): void => editPiece(id, 'Let the order go', (piece) => void delete piece.sewAfter);
