import { without } from '@/core/document/without';
import { among } from '@/core/document/among';
import { nearestThreads } from '@/core/cloth/threads';
import { nameOfText } from '@/core/document/job';
import type { Follows, Job, LetterOwn, Lettering, Piece, Thread } from '@/core/document/types';
import { FACES } from '@/core/lettering/faces';
import { lettersApart } from '@/core/lettering/apart';
import { asMonogram } from '@/core/lettering/monogram';
import { keptOwn, likeTheOthers, turnsOf, withOwn } from '@/core/lettering/moveLetter';
import { piecesApart } from '@/core/pieces/lettering/piecesApart';
import { aroundText, shadowOf, usualBorder, usualShadow } from '@/core/pieces/lettering/following';
import type { Point } from '@/core/geometry/point';
import { useJob } from '../job/jobStore';
import { faceFont, isOutlined, withLetters } from '../shop/faceStore';
import { addPiece, editPiece, freeId, threadIn } from './commands';

/** Values with which the next text begins: those of the last one. */
let last: Omit<Lettering, 'text' | 'at'> = { face: FACES[0]!.key, height: 10 };

const nameOf = (text: string): string => nameOfText(text) || 'Text';

/** A new text at a place, in a thread. @returns its id */
export function addLettering(text: string, at: Point, thread: string, after: string | null): string {
  const round = (v: number): number => Math.round(v * 100) / 100;
  const lettering = withLetters({ ...last, text, at: [round(at.x), round(at.y)] });
  return addPiece({ id: '', name: nameOf(text), kind: 'lettering', thread, lettering, settings: {} }, after, 'Letter a text');
}

/** Changes a text; what is typed in one go is one step. A text that was never named goes by what it says. */
export function editLettering(id: string, patch: Partial<Lettering>, mark?: string): void {
  editPiece(
    id,
    patch.text === undefined ? `Set ${Object.keys(patch).join(', ')}` : 'Change the text',
    (piece) => {
      if (!piece.lettering || piece.locked) return;
      if (patch.text !== undefined && piece.name === nameOf(piece.lettering.text)) piece.name = nameOf(patch.text);
      const before = JSON.parse(JSON.stringify(piece.lettering)) as Lettering;
      const rewritten = patch.text !== undefined && patch.text !== before.text;
      const own = rewritten ? { pairs: undefined, letters: undefined, ...keptOwn(before, patch.text!) } : {};
      const next = withLetters({ ...before, ...own, ...patch });
      piece.lettering = Object.fromEntries(Object.entries(next).filter(([, v]) => v !== undefined)) as unknown as Lettering;
    },
    mark,
  );
  const now = useJob.getState().job?.pieces.find((p) => p.id === id)?.lettering;
  if (!now) return;
  const kept: Partial<Lettering> = { ...now };
  for (const own of ['text', 'at', 'pairs', 'letters', 'outlines', 'path', 'upper'] as const) delete kept[own];
  last = { ...kept, face: now.face, height: now.height };
}

/** Changes what one letter of a text has for itself; `undefined` is as the others. */
export function editLetter(id: string, index: number, patch: { [K in keyof LetterOwn]: LetterOwn[K] | undefined }): void {
  const text = useJob.getState().job?.pieces.find((p) => p.id === id)?.lettering;
  if (!text) return;
  const { letters } = withOwn(text, index, { ...text.letters?.[index], ...patch });
  editLettering(id, { letters });
}

/** A letter as the others again. */
export function resetLetter(id: string, index: number): void {
  const text = useJob.getState().job?.pieces.find((p) => p.id === id)?.lettering;
  if (text) editLettering(id, { letters: undefined, pairs: undefined, ...likeTheOthers(text, index) });
}

/** Gives a text another face, once its letters are at hand. */
export async function chooseFace(id: string, face: string): Promise<void> {
  if (isOutlined(face) && !(await faceFont(face))) return;
  editLettering(id, { face });
}

/** Puts other pieces in the place of a text, as one group. @returns their ids */
function replace(id: string, label: string, made: (piece: Piece) => Omit<Piece, 'id'>[]): string[] {
  const ids: string[] = [];
  useJob.getState().change(label, (job) => {
    const at = job.pieces.findIndex((p) => p.id === id);
    const piece = job.pieces[at];
    if (!piece || piece.locked) return;
    const taken = new Set(job.pieces.map((p) => p.id));
    const pieces = made(piece).map((p): Piece => ({ ...p, id: freeId(taken), group: piece.group ?? `text-${id}` }));
    ids.push(...pieces.map((p) => p.id));
    job.pieces.splice(at, 1, ...pieces);
  });
  return ids;
}

/** A text in letters, each a text of its own. */
export const breakIntoLetters = (id: string): string[] =>
  replace(id, 'Break apart into letters', (piece) =>
    lettersApart(JSON.parse(JSON.stringify(piece.lettering)) as Lettering).map((lettering) => ({
      name: lettering.text,
      kind: 'lettering',
      thread: piece.thread,
      lettering,
      settings: { ...piece.settings },
    })),
  );

/** A text in pieces, which are no text any more. */
export const breakIntoPieces = (id: string): string[] =>
  replace(id, 'Break apart into pieces', (piece) => piecesApart(JSON.parse(JSON.stringify(piece)) as Piece));

/** A thread for shadows: of middle lightness, so that it shows on light cloth and on dark. */
const SHADOW_HEX = '#8b8d92';

/** A shadow beneath a text, which follows it. @returns its id; null for no text */
export function addShadow(id: string): string | null {
  return addFollower(id, 'Lay a shadow beneath', 0, (piece, job) => {
    const { height, style } = piece.lettering!;
    const shift = usualShadow(height);
    const thread = threadIn(job, {
      ...nearestThreads(SHADOW_HEX)[0]!.thread,
      weight: job.threads.find((t) => t.id === piece.thread)?.weight ?? 40,
    });
    return { name: `${piece.name}, shadow`, kind: 'lettering', thread, lettering: shadowOf(piece.lettering!, shift, style), follows: { text: id, shift }, settings: {} }; // prettier-ignore
  });
}

/** A satin border round a text, which follows it. @returns its id; null where there is no ink to go round */
export function addBorder(id: string): string | null {
  return addFollower(id, 'Sew a border round it', 1, (piece) => {
    const { gap, width } = usualBorder(piece.lettering!.height);
    const area = aroundText(piece, gap, width);
    if (!area) return null;
    return { name: `${piece.name}, border`, kind: 'border', thread: piece.thread, area, width, follows: { text: id, gap }, settings: {} };
  });
}

type Made = Omit<Piece, 'id'>;

function addFollower(id: string, label: string, after: 0 | 1, made: (piece: Piece, job: Job) => Made | null): string | null {
  let added: string | null = null;
  useJob.getState().change(label, (job) => {
    const at = job.pieces.findIndex((p) => p.id === id);
    const piece = at < 0 ? undefined : (JSON.parse(JSON.stringify(job.pieces[at])) as Piece);
    const follower = piece?.lettering ? made(piece, job) : null;
    if (!follower) return;
    added = freeId(new Set(job.pieces.map((p) => p.id)));
    job.pieces.splice(at + after, 0, { ...follower, id: added });
  });
  return added;
}

/** A text of two or three letters as a monogram in a frame, in one step. @returns the frame's id */
export function makeMonogram(id: string): string | null {
  return addFollower(id, 'Make a monogram', 1, (piece, job) => {
    const lettering = asMonogram(piece.lettering!);
    const own = { ...piece, lettering };
    const { gap, width } = usualBorder(lettering.height);
    const area = aroundText(own, gap, width, 'circle');
    if (!area) return null;
    job.pieces[job.pieces.findIndex((p) => p.id === id)]!.lettering = lettering;
    return { name: `${piece.name}, frame`, kind: 'border', thread: piece.thread, area, width, follows: { text: id, gap, frame: 'circle' }, settings: {} }; // prettier-ignore
  });
}

/** Sets how a piece follows its text; undefined lets it stand by itself. */
export function setFollows(id: string, patch: { [K in keyof Follows]?: Follows[K] | undefined } | undefined): void {
  editPiece(id, patch ? 'Set its distance' : 'Let it stand by itself', (piece) => {
    if (!patch) return void delete piece.follows;
    const next = { ...piece.follows!, ...patch };
    piece.follows = Object.fromEntries(Object.entries(next).filter(([, v]) => v !== undefined)) as unknown as Follows;
  });
}

/** Puts a text in the place of pieces, in the thread of the first one. @returns its id */
export function textInPlaceOf(ids: readonly string[], lettering: Lettering): string {
  const chosen = among(ids);
  let id = '';
  useJob.getState().change('Set shapes as text', (job) => {
    const at = job.pieces.findIndex((p) => chosen(p.id));
    const first = job.pieces[at];
    if (!first) return;
    id = freeId(new Set(job.pieces.map((p) => p.id)));
    const { thread, group } = first;
    const made: Piece = { id, name: nameOf(lettering.text), kind: 'lettering', thread, lettering, settings: {} };
    if (group !== undefined) made.group = group;
    job.pieces.splice(at, 0, made);
    job.pieces = job.pieces.filter((p) => !chosen(p.id));
  });
  return id;
}

/** Gives a text, or one letter of it, a thread that the job may not have yet. */
export function letterInThread(id: string, index: number | null, thread: Omit<Thread, 'id'>): void {
  useJob.getState().change('Change thread', (job) => {
    const piece = job.pieces.find((p) => p.id === id);
    if (!piece?.lettering || piece.locked) return;
    const own = threadIn(job, thread);
    if (index === null) piece.thread = own;
    else piece.lettering.letters = { ...piece.lettering.letters, [index]: { ...piece.lettering.letters?.[index], thread: own } };
  });
}

/** The threads of a job by turns for the letters, or the words, of a text; the text's own comes first. */
export function threadsByTurns(id: string, each: 'letter' | 'word'): void {
  const { job } = useJob.getState();
  const piece = job?.pieces.find((p) => p.id === id);
  if (!job || !piece?.lettering) return;
  const threads = [piece.thread, ...job.threads.map((t) => t.id).filter((t) => t !== piece.thread)];
  const letters: NonNullable<Lettering['letters']> = {};
  for (const [index, turn] of turnsOf(piece.lettering.text, each)) {
    const own = without(piece.lettering.letters?.[index] ?? {}, 'thread');
    const thread = threads[turn % threads.length]!;
    if (thread !== piece.thread) letters[index] = { ...own, thread };
    else if (Object.keys(own).length > 0) letters[index] = own;
  }
  editLettering(id, { letters: Object.keys(letters).length > 0 ? letters : undefined });
}
