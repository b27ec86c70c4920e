import { among } from '@/core/document/among';
import { withThread } from '@/core/document/job';
import { sizeGap } from '@/core/document/size';
import { withSettings, type SettingsPatch } from '@/core/document/settings';
import { briefSchema } from '@/core/document/schema';
import type { ArtAnswer, ArtAnswerKind, ArtChoice, ArtPlaceKind, Brief, Job, Piece, PieceSettings, Thread } from '@/core/document/types';
import type { PieceKindName } from '@/core/document/kinds';
import type { Survey } from '@/core/artwork/survey';
import { current, original } from 'immer';
import { marksOf, withHandChanges } from '@/core/editing/handChanges';
import { repeatedAsOne } from '@/core/editing/repeat';
import { alikeOf, sewnLike } from '@/core/editing/alike';
import { transformedPiece } from '@/core/editing/transform';
import type { Matrix } from '@/core/geometry/path';
import { tellMade } from './asMade';
import { useJob } from '../job/jobStore';

const change = (label: string, recipe: (job: Job) => void, mark?: string): void => useJob.getState().change(label, recipe, mark);

/** Changes one piece in one step; the moves of one gesture share a mark. */
export function editPiece(id: string, label: string, recipe: (piece: Piece) => void, mark?: string): void {
  change(
    label,
    (job) => {
      const piece = job.pieces.find((p) => p.id === id);
      if (piece) recipe(piece);
    },
    mark,
  );
}

/** Sets one setting by hand, or gives it back to recipe and rules when `value` is undefined. */
export function setSetting<K extends keyof PieceSettings>(ids: readonly string[], key: K, value: PieceSettings[K] | undefined): void {
  const label = value === undefined ? `Reset ${key}` : `Set ${key}`;
  const chosen = among(ids);
  change(ids.length > 1 ? `${label} of ${ids.length} pieces` : label, (job) => {
    for (const piece of job.pieces) {
      if (!chosen(piece.id)) continue;
      if (value === undefined) delete piece.settings[key];
      else piece.settings[key] = value;
    }
  });
}

/** Several settings in one step. */
export function setSettings(ids: readonly string[], patch: SettingsPatch): void {
  const chosen = among(ids);
  change(`Set ${Object.keys(patch).join(', ')}`, (job) => {
    for (const piece of job.pieces) if (chosen(piece.id)) piece.settings = withSettings(piece.settings, patch);
  });
}

/** Gives pieces another thread. */
export function setThreads(ids: readonly string[], thread: string): void {
  const chosen = among(ids);
  change(ids.length > 1 ? `Change thread of ${ids.length} pieces` : 'Change thread', (job) => {
    for (const piece of job.pieces) if (chosen(piece.id)) piece.thread = thread;
  });
}

/** Id of a thread in a job that is being changed; one of the same code counts as the same, else it is added. */
export function threadIn(job: Job, thread: Omit<Thread, 'id'>): string {
  const { threads, id } = withThread(job.threads, thread);
  if (threads.length > job.threads.length) job.threads.push(threads[threads.length - 1]!);
  return id;
}

/** A thread joins the job, for pieces to come. @returns its id */
export function bringThread(thread: Omit<Thread, 'id'>): string {
  let id = '';
  change(`Take ${thread.name} to the job`, (job) => void (id = threadIn(job, thread)));
  return id;
}

/** Gives pieces a thread that the job may not have yet. */
export function setToThread(ids: readonly string[], thread: Omit<Thread, 'id'>): void {
  const chosen = among(ids);
  change(`Sew in ${thread.name}`, (job) => {
    const id = threadIn(job, thread);
    for (const piece of job.pieces) if (chosen(piece.id)) piece.thread = id;
  });
}

/** Gives pieces the settings that were set by hand on another one, as far as they are of its kind. */
export function copySettings(from: string, to: readonly string[]): void {
  const source = useJob.getState().job?.pieces.find((p) => p.id === from);
  if (!source) return;
  const chosen = among(to);
  change(`Settings of ‘${source.name}’ to ${to.length} ${to.length === 1 ? 'piece' : 'pieces'}`, (job) => {
    for (const piece of job.pieces) if (chosen(piece.id) && piece.kind === source.kind) piece.settings = { ...source.settings };
  });
}

export const renamePiece = (id: string, name: string): void => editPiece(id, 'Rename', (p) => void (p.name = name));

/** What was decided from the artwork no longer says why a piece is sewn so. */
function sewAs(piece: Piece, kind: PieceKindName): void {
  piece.kind = kind;
  delete piece.why;
}

export const setKind = (id: string, kind: PieceKindName): void => editPiece(id, `Sew as ${kind}`, (p) => sewAs(p, kind));

/** Has all pieces of one shape sewn as one of them is: kind, thread and settings. */
export function sewAllAlike(from: string): void {
  const job = useJob.getState().job;
  const model = job?.pieces.find((p) => p.id === from);
  if (!job || !model) return;
  const chosen = among(alikeOf(job.pieces, model));
  change(`All like ‘${model.name}’`, (draft) => {
    draft.pieces = job.pieces.map((piece) => (chosen(piece.id) && piece.id !== from ? sewnLike(piece, model) : piece));
  });
}

/** Moves a piece so that it is sewn at `position` (0 is first) among the others. */
export function movePiece(id: string, position: number): void {
  change('Change the order', (job) => {
    const from = job.pieces.findIndex((p) => p.id === id);
    if (from < 0) return;
    const to = Math.max(0, Math.min(job.pieces.length - 1, position));
    if (to === from) return;
    const [piece] = job.pieces.splice(from, 1);
    job.pieces.splice(to, 0, piece!);
  });
}

/**
 * Adds a piece, to be sewn after `after` or last of all.
 * @returns its id in the job
 */
export function addPiece(piece: Piece, after: string | null, label = `Draw ${piece.kind}`): string {
  const id = freeId(new Set(useJob.getState().job?.pieces.map((p) => p.id)));
  change(label, (job) => {
    const at = job.pieces.findIndex((p) => p.id === after);
    job.pieces.splice(at < 0 ? job.pieces.length : at + 1, 0, { ...piece, id });
  });
  return id;
}

/** An id that is not taken yet; takes it. */
export function freeId(taken: Set<string>): string {
  let n = taken.size + 1;
  while (taken.has(`p${n}`)) n++;
  taken.add(`p${n}`);
  return `p${n}`;
}

/** Changes the shape of a piece; the moves of one gesture share a mark and are one step. */
export function reshape(id: string, label: string, recipe: (piece: Piece) => void, mark?: string): void {
  useJob.getState().change(
    label,
    (job) => {
      const piece = job.pieces.find((p) => p.id === id);
      if (!piece || piece.locked) return;
      recipe(piece);
      delete piece.follows;
    },
    mark,
  );
}

/** Maps pieces to another place; the moves of one gesture share a mark. */
export function transformPieces(ids: readonly string[], label: string, m: Matrix, mark?: string): void {
  const chosen = among(ids);
  useJob.getState().change(
    label,
    (job) => {
      job.pieces.forEach((piece, at) => {
        if (chosen(piece.id) && !piece.locked) job.pieces[at] = movedAway(transformedPiece(original<Piece>(piece), m), job, chosen);
      });
    },
    mark,
  );
}

/** Lays pieces as they were when a drag began with a map put to them: what is drawn out and back ends where it began, to the last digit. */
export function transformFrom(sources: readonly Piece[], label: string, m: Matrix, mark: string): void {
  const chosen = among(sources.map((p) => p.id));
  const as = new Map(sources.map((p) => [p.id, p]));
  useJob.getState().change(
    label,
    (job) => {
      job.pieces.forEach(({ id }, at) => {
        const source = as.get(id);
        if (source && !source.locked) job.pieces[at] = movedAway(transformedPiece(source, m), job, chosen);
      });
    },
    mark,
  );
}

/** A shadow moved without its text lies farther off; what else follows a text and is moved without it stands by itself. */
function movedAway(piece: Piece, job: Job, chosen: (id: string) => boolean): Piece {
  const { follows, ...alone } = piece;
  if (!follows || chosen(follows.text)) return piece;
  const [at, from] = [piece.lettering?.at, job.pieces.find((p) => p.id === follows.text)?.lettering?.at];
  if (!follows.shift || !at) return alone;
  return { ...piece, follows: { ...follows, shift: [at[0] - (from?.[0] ?? 0), at[1] - (from?.[1] ?? 0)] } };
}

/**
 * Adds copies of pieces, one set for each map, each copy after the piece that it comes from.
 * @returns ids of the copies
 */
export function copyPieces(ids: readonly string[], label: string, maps: readonly Matrix[]): string[] {
  const chosen = among(ids);
  const sources = (useJob.getState().job?.pieces ?? []).filter((p) => chosen(p.id));
  const made: string[] = [];
  change(label, (job) => {
    const taken = new Set(job.pieces.map((p) => p.id));
    for (const source of sources) {
      const at = job.pieces.findIndex((p) => p.id === source.id);
      const copies = maps.map((m, k) => {
        const id = freeId(taken);
        made.push(id);
        return { ...transformedPiece(source, m), id, name: `${source.name} ${k + 2}` };
      });
      job.pieces.splice(at + 1, 0, ...copies);
    }
  });
  return made;
}

/**
 * Repeats pieces under the maps and grows those that touch into one, in one step.
 * @returns ids of all that came of it
 */
export function repeatJoined(ids: readonly string[], label: string, maps: readonly Matrix[]): string[] {
  const pieces = useJob.getState().job?.pieces ?? [];
  const chosen = among(ids);
  const made = new Map(pieces.filter((p) => chosen(p.id) && !p.locked).map((p) => [p.id, repeatedAsOne(p, maps)]));
  const taken = new Set(pieces.map((p) => p.id));
  const named = new Map(
    [...made].map(([id, parts]) => [id, parts.map((p, k) => (k === 0 ? p : { ...p, id: freeId(taken), name: `${p.name} ${k + 1}` }))]),
  );
  change(label, (job) => {
    job.pieces = job.pieces.flatMap((p) => named.get(p.id) ?? [p]);
  });
  return [...named.values()].flatMap((parts) => parts.map((p) => p.id));
}

export function removePieces(ids: readonly string[]): void {
  const chosen = among(ids);
  change(ids.length > 1 ? `Remove ${ids.length} pieces` : 'Remove piece', (job) => {
    job.pieces = job.pieces.filter((p) => !chosen(p.id) && !(p.follows && chosen(p.follows.text)));
  });
}

/** What was decided in the size report, as one text to compare; empty for nothing. */
const answersKey = (job: Job): string =>
  [
    ...(job.artwork[0]?.answers ?? []).map((a) => `${a.place} ${a.answer} ${a.at[0].toFixed(3)} ${a.at[1].toFixed(3)}`),
    ...(job.artwork[0]?.sewnAs ?? []).map((c) => `as ${c.as} ${c.at[0].toFixed(3)} ${c.at[1].toFixed(3)}`),
  ].join('; ');

/**
 * Puts the pieces of a survey of the artwork into the job, in place of those it had; of a picture that was traced again, what was changed
 * by hand stays where its region is still there.
 * @returns how many such there are
 */
export function takePieces(survey: Survey): number {
  let kept = 0;
  change('Make pieces from artwork', (job) => {
    const art = job.artwork[0];
    const isTracedAgain = art?.picture !== undefined && art.madeWith === 'another drawing' && isSameSize(art.madeAt, survey);
    const made = isTracedAgain ? withHandChanges(survey, current(job), art.made ?? marksOf(job.pieces)) : { ...survey, kept: 0 };
    kept = made.kept;
    job.threads = made.threads;
    job.pieces = made.pieces;
    if (!art) return;
    if (art.picture) art.made = marksOf(survey.pieces);
    art.transform = survey.transform;
    art.madeAt = { width: survey.widthMm, height: survey.heightMm };
    const key = answersKey(job);
    if (key === '') delete art.madeWith;
    else art.madeWith = key;
  });
  if (kept === 0) tellMade(useJob.getState().job!);
  return kept;
}

/** Shapes of another size lie elsewhere: what was changed by hand no longer fits them. */
const isSameSize = (at: { width: number; height: number } | undefined, { widthMm, heightMm }: Survey): boolean =>
  at !== undefined && Math.abs(at.width / widthMm - 1) < SAME_SIZE && Math.abs(at.height / heightMm - 1) < SAME_SIZE;
const SAME_SIZE = 0.03;

/** Decides what becomes of a place of the size report, or takes the decision back. */
export function answerPlace(at: [number, number], place: ArtPlaceKind, answer: ArtAnswerKind | null, before: ArtAnswer | null): void {
  change(answer ? `${answer[0]!.toUpperCase()}${answer.slice(1)} (size report)` : 'Take a decision back', (job) => {
    const art = job.artwork[0];
    if (!art) return;
    const rest = (art.answers ?? []).filter(
      (a) => !before || a.at[0] !== before.at[0] || a.at[1] !== before.at[1] || a.place !== before.place,
    );
    art.answers = answer ? [...rest, { at, place, answer }] : rest;
    if (art.answers.length === 0) delete art.answers;
  });
}

/** Has a region of the artwork sewn as something else than proposed; null takes the choice back. */
export function chooseSewnAs(at: [number, number], as: ArtChoice['as'] | null): void {
  change(as ? (as === 'drop' ? 'Leave a region out' : `Sew a region as ${as}`) : 'Take a choice back', (job) => {
    const art = job.artwork[0];
    if (!art) return;
    const rest = (art.sewnAs ?? []).filter((c) => Math.hypot(c.at[0] - at[0], c.at[1] - at[1]) > 1e-6);
    art.sewnAs = as ? [...rest, { at, as }] : rest;
    if (art.sewnAs.length === 0) delete art.sewnAs;
  });
}

export const renameJob = (name: string): void => change('Rename job', (job) => void (job.name = name));

/** Changes to a brief; what is undefined is taken out of it. */
export type BriefPatch = { [K in keyof Brief]?: Brief[K] | undefined };

/**
 * Changes the brief, if the result is a valid one.
 * @returns what is wrong with it, or null when it was taken
 */
export function changeBrief(label: string, patch: BriefPatch): string | null {
  const job = useJob.getState().job;
  if (!job) return null;
  const result = briefSchema.validate({ ...job.brief, ...patch });
  if (result.error) return result.error.message.replaceAll('"', '‘');
  const brief = result.value;
  change(label, (draft) => void (draft.brief = brief));
  return null;
}

/** Whether the job's pieces were made from this very survey: same drawing, size, pose and decisions. */
export function madeFrom(job: Job, survey: Survey): boolean {
  const art = job.artwork[0];
  if (!art || job.pieces.length === 0 || answersKey(job) !== (art.madeWith ?? '')) return false;
  return art.transform.every((v, i) => Math.abs(v - survey.transform[i]!) < 1e-6 * Math.max(1, Math.abs(v)));
}

/** Brings all pieces to the size that the brief asks for: order, settings and hand work stay, stitches are laid anew. */
export function scaleToBrief(): void {
  const open = useJob.getState().job;
  const gap = open && sizeGap(open);
  if (!gap) return;
  const k = gap.askedMm / gap.madeMm;
  change(`Scale the pieces to ${gap.askedMm.toFixed(1)} mm`, (job) => {
    job.pieces = open.pieces.map((p) => transformedPiece(p, [k, 0, 0, k, 0, 0]));
    const art = job.artwork[0]!;
    art.transform = open.artwork[0]!.transform.map((v) => v * k) as typeof art.transform;
    art.madeAt = { width: (art.madeAt?.width ?? 0) * k, height: (art.madeAt?.height ?? 0) * k };
    art.madeAt[gap.side] = gap.askedMm;
  });
}

/** Asks for the size that the pieces have. */
export function keepMadeSize(): void {
  const job = useJob.getState().job;
  const gap = job && sizeGap(job);
  if (gap) changeBrief('Keep the size of the pieces', { size: { [gap.side]: Math.round(gap.madeMm * 10) / 10 } });
}

/** Mirrors or turns the artwork as it lies; pieces on the bench stay until they are made again. */
export function poseArtwork(label: string, pose: { turn: number; mirror: boolean }): void {
  change(label, (job) => {
    const art = job.artwork[0];
    if (!art) return;
    const turn = ((pose.turn % 360) + 360) % 360;
    if (turn === 0) delete art.turn;
    else art.turn = turn;
    if (pose.mirror) art.mirror = true;
    else delete art.mirror;
  });
}
