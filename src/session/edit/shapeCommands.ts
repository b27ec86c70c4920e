import { among } from '@/core/document/among';
import type { Piece, Thread } from '@/core/document/types';
import { alignedBy, distributedBy, type Alignment } from '@/core/editing/arrange';
import { extendEdge, joinPieces, offsetOutline, simplifiedOutline } from '@/core/editing/outlines';
import { madeRound, madeStraight, smoothed, withGapsClosed, withoutOpenings } from '@/core/editing/mend/mend';
import { cutPiece } from '@/core/editing/cut';
import { transformedPiece } from '@/core/editing/transform';
import type { Matrix } from '@/core/geometry/path';
import type { Point } from '@/core/geometry/point';
import { freeId, threadIn } from './commands';
import { useJob } from '../job/jobStore';

const pieces = (): readonly Piece[] => useJob.getState().job?.pieces ?? [];
function chosenFrom(ids: readonly string[]): Piece[] {
  const chosen = among(ids);
  return pieces().filter((p) => chosen(p.id));
}

/** What could not be done and why, in a sentence; null when it was done. */
export type Refusal = string | null;

/**
 * Cuts every chosen piece that the line goes right through.
 * @returns ids of all parts, or the reason why nothing was cut
 */
export function cutPieces(ids: readonly string[], a: Point, b: Point): string[] | string {
  const cuts = chosenFrom(ids)
    .filter((p) => !p.locked)
    .map((piece) => ({ piece, parts: cutPiece(piece, a, b) }));
  if (!cuts.some((c) => c.parts)) return 'The line goes through none of what is chosen: draw it from outside to outside.';
  const made: string[] = [];
  useJob.getState().change('Cut', (job) => {
    const taken = new Set(job.pieces.map((p) => p.id));
    for (const { piece, parts } of cuts) {
      if (!parts) continue;
      const at = job.pieces.findIndex((p) => p.id === piece.id);
      const second = { ...parts[1], id: freeId(taken), name: `${piece.name}, part 2` };
      job.pieces.splice(at, 1, parts[0], second);
      made.push(piece.id, second.id);
    }
  });
  return made;
}

/** Joins the chosen pieces into the one sewn first among them. */
export function joinChosen(ids: readonly string[]): Refusal {
  const chosen = chosenFrom(ids);
  if (chosen.length < 2) return 'Choose two or more pieces to join.';
  const joined = joinPieces(chosen);
  if (!joined) return 'Only areas join with areas, and lines with lines.';
  useJob.getState().change(`Join ${chosen.length} pieces`, (job) => {
    job.pieces = job.pieces.filter((p) => p.id === joined.id || !ids.includes(p.id)).map((p) => (p.id === joined.id ? joined : p));
  });
  return null;
}

function reshapeAreas(
  ids: readonly string[],
  label: string,
  map: (data: string) => string | null,
  nothing = 'Nothing would be left of it.',
): Refusal {
  const shaped = chosenFrom(ids).flatMap((p) => (p.area && !p.locked ? [{ id: p.id, area: map(p.area) }] : []));
  if (shaped.length === 0) return 'This works on pieces with an outline.';
  if (shaped.some((s) => s.area === null)) return nothing;
  useJob.getState().change(label, (job) => {
    for (const piece of job.pieces) {
      const made = shaped.find((s) => s.id === piece.id);
      if (made?.area) piece.area = made.area;
    }
  });
  return null;
}

export const offsetChosen = (ids: readonly string[], mm: number): Refusal =>
  reshapeAreas(ids, `${mm > 0 ? 'Widen' : 'Narrow'} by ${Math.abs(mm)} mm`, (d) => offsetOutline(d, mm));

/** What a traced or drawn outline may need: each keeps the piece and its settings. */
export const MENDS = {
  fill: { label: 'Fill the openings', map: withoutOpenings, nothing: 'It has no opening.' },
  smooth: { label: 'Smooth the outline', map: smoothed, nothing: '' },
  straight: { label: 'Straighten the outline', map: madeStraight, nothing: '' },
  round: { label: 'Make it round', map: madeRound, nothing: '' },
} as const;

export const mendChosen = (ids: readonly string[], how: keyof typeof MENDS): Refusal =>
  reshapeAreas(ids, MENDS[how].label, MENDS[how].map, MENDS[how].nothing);

export const closeGaps = (ids: readonly string[], widthMm: number): Refusal =>
  reshapeAreas(ids, `Close gaps up to ${widthMm} mm`, (d) => withGapsClosed(d, widthMm), `It has no gap up to ${widthMm} mm.`);

export const simplifyChosen = (ids: readonly string[], toleranceMm: number): Refusal =>
  reshapeAreas(ids, 'Fewest nodes', (d) => simplifiedOutline(d, toleranceMm));

/** Pulls one edge of a piece out to where the pointer is; the moves of one gesture share a mark and begin at the same outline. */
export function pullEdge(id: string, area: string, pull: { at: Point; mm: number; falloffMm: number }, mark: string): void {
  const data = extendEdge(area, pull.at, pull.mm, pull.falloffMm);
  useJob.getState().change(
    `Extend edge by ${pull.mm.toFixed(1)} mm`,
    (job) => {
      const piece = job.pieces.find((p) => p.id === id);
      if (piece && !piece.locked) piece.area = data;
    },
    mark,
  );
}

/** A border along the outline of a piece, as a piece of its own, sewn right after it. */
export function borderOf(id: string, widthMm: number): string | null {
  const source = pieces().find((p) => p.id === id);
  if (!source?.area) return null;
  const made = freeId(new Set(pieces().map((p) => p.id)));
  useJob.getState().change('Border along the outline', (job) => {
    const at = job.pieces.findIndex((p) => p.id === id);
    job.pieces.splice(at + 1, 0, {
      id: made,
      name: `${source.name}, border`,
      kind: 'border',
      thread: source.thread,
      area: source.area!,
      width: widthMm,
      settings: {},
    });
  });
  return made;
}

function moveEach(ids: readonly string[], label: string, maps: (chosen: readonly Piece[]) => Matrix[]): void {
  const chosen = chosenFrom(ids).filter((p) => !p.locked);
  const found = maps(chosen);
  useJob.getState().change(label, (job) => {
    chosen.forEach((piece, i) => {
      const at = job.pieces.findIndex((p) => p.id === piece.id);
      job.pieces[at] = transformedPiece(piece, found[i]!);
    });
  });
}

export const align = (ids: readonly string[], how: Alignment): void => moveEach(ids, `Align ${how}`, (p) => alignedBy(p, how));
export const distribute = (ids: readonly string[], way: 'across' | 'down'): void =>
  moveEach(ids, 'Even gaps', (p) => distributedBy(p, way));

/** Pieces that are chosen together from now on; `ungroup` lets them go. */
export function group(ids: readonly string[]): void {
  const name = `g${new Set(pieces().flatMap((p) => (p.group ? [p.group] : []))).size + 1}-${ids[0] ?? ''}`;
  useJob.getState().change('Group', (job) => {
    for (const p of job.pieces) if (ids.includes(p.id)) p.group = name;
  });
}

export function ungroup(ids: readonly string[]): void {
  useJob.getState().change('Ungroup', (job) => {
    for (const p of job.pieces) if (ids.includes(p.id)) delete p.group;
  });
}

/** Locks what is chosen, or unlocks it when all of it is locked. */
export function toggleLock(ids: readonly string[]): void {
  const lock = chosenFrom(ids).some((p) => !p.locked);
  useJob.getState().change(lock ? 'Lock' : 'Unlock', (job) => {
    for (const p of job.pieces) {
      if (!ids.includes(p.id)) continue;
      if (lock) p.locked = true;
      else delete p.locked;
    }
  });
}

/** Adds pieces made elsewhere (regions of the artwork), sewn last, in a thread that the job gets if it has none of that code. */
export function addPieces(made: readonly Piece[], thread: Thread, label: string): string[] {
  const taken = new Set(pieces().map((p) => p.id));
  const ids = made.map(() => freeId(taken));
  useJob.getState().change(label, (job) => {
    const threadId = threadIn(job, thread);
    made.forEach((piece, i) => job.pieces.push({ ...piece, id: ids[i]!, thread: threadId }));
  });
  return ids;
}
