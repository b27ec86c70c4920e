import { nameOfText } from '@/core/document/job';
import type { LetterOwn, Lettering, Piece } from '@/core/document/types';
import { FACES } from '@/core/lettering/faces';
import { lettersApart } from '@/core/lettering/apart';
import { keptOwn, likeTheOthers, withOwn } from '@/core/lettering/moveLetter';
import { columnsApart } from '@/core/pieces/lettering/columnsApart';
import type { Point } from '@/core/geometry/point';
import { useJob } from '../job/jobStore';
import { faceFont, isOutlined, withLetters } from '../shop/faceStore';
import { addPiece, editPiece, freeId } from './commands';

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

/** A text in columns, which are no text any more. */
export const breakIntoColumns = (id: string): string[] =>
  replace(id, 'Break apart into columns', (piece) => columnsApart(JSON.parse(JSON.stringify(piece)) as Piece));
