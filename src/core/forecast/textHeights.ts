import type { Job, Lettering, Piece } from '../document/types';
import { roughOffset } from '../geometry/area';
import { sub, unit } from '../geometry/point';
import { inkBox } from '../lettering/glyph';
import { layOut, type PlacedGlyph } from '../lettering/layout';
import { footOf } from '../lettering/moveLetter';
import { isCorrection } from '../lettering/sized';
import { styleOf } from '../lettering/styleOf';
import { letterOf } from '../pieces/lettering/letter';
import type { Shaped } from '../pieces/prepare/shaped';
import type { StitchPlan } from '../plan/plan';
import type { SheetResult } from './sheet';
import { laidThreads, reachOf, threadsIn, type LaidThread } from './silhouette';

/** How high one letter comes out, mm from its base line, upward. */
export interface LetterHeight {
  /** Its place in the text. */
  index: number;
  char: string;
  wantedTop: number;
  wantedBottom: number;
  /** Bottom of its ink as drawn, before any shift. */
  bottom: number;
  sewnTop: number;
  sewnBottom: number;
}

export const wantedMm = (h: LetterHeight): number => h.wantedTop - h.wantedBottom;
export const sewnMm = (h: LetterHeight): number => h.sewnTop - h.sewnBottom;

/** Ink that ends this near to a line of the face, in heights of capitals, is meant to sew as high as that line. */
const NEAR_LINE = 0.045;

/** Lines of a text's face, in heights of capitals: base line, height of small letters, of capitals. */
function linesOf(text: Lettering): number[] {
  const top = (sign: string): number[] => {
    const glyph = layOut({ ...text, text: sign, line: 'straight', letters: {} }).letters[0];
    return glyph ? [inkOf(glyph).top] : [];
  };
  return [0, 1, ...top('x')];
}

/** Ink of a letter from its base line, heights of capitals. */
function inkOf({ glyph, height, strokeMm }: PlacedGlyph): { top: number; bottom: number } {
  const { maxY, minY } = inkBox(glyph, strokeMm / height);
  return { top: maxY, bottom: minY };
}

/** A letter raised or lowered by more than this share of the height was meant to be. */
const RAISED = 0.06;

/** A letter is as high as this much of its width reaches, as a share of its height and within limits, mm; as a line, its thread. */
const TELLS = { share: 0.05, least: 0.3, most: 0.8 };
const tellingMm = (height: number, text: Lettering): number =>
  styleOf(text) === 'line' ? TELLS.least : Math.min(TELLS.most, Math.max(TELLS.least, TELLS.share * height));
/** Threads so far about a letter are its own, mm. */
const ABOUT_MM = 0.7;

/**
 * How high the letters of a text are predicted to sew, beside how high they are wanted: where ink ends near the base line or a height of
 * the face, that line, for round letters as for flat ones. Letters without cover are left out.
 * @param threads the text's cover as predicted
 */
export function textHeights({ lettering, settings }: TextOf, threads: readonly LaidThread[]): LetterHeight[] {
  if (!lettering) return [];
  const text = lettering;
  const lines = linesOf(text);
  const laid = layOut(text);
  return laid.letters.flatMap((letter): LetterHeight[] => {
    const { painted } = letterOf(letter, laid, settings.corners);
    if (painted.length === 0) return [];
    const [foot, head] = [footOf(letter), letter.place({ x: letter.glyph.width / 2, y: 1 })];
    const shift = text.letters?.[letter.index]?.shift?.[1] ?? 0;
    const own = threadsIn(threads, roughOffset(painted, ABOUT_MM));
    const reach = reachOf(own, foot, unit(sub(head, foot)), tellingMm(letter.height, text));
    if (!reach) return [];
    return [{ ...wantedOf(letter, text, lines, shift), sewnTop: reach.top + shift, sewnBottom: reach.bottom + shift }];
  });
}

type TextOf = Pick<Piece, 'lettering' | 'settings'>;

function wantedOf(
  letter: PlacedGlyph,
  text: Lettering,
  lines: readonly number[],
  shift: number,
): Omit<LetterHeight, 'sewnTop' | 'sewnBottom'> {
  const { top, bottom } = inkOf(letter);
  // A letter that differs much from the others was meant to: it is wanted so, by whatever it is drawn as.
  const factor = isCorrection(letter.height, text) ? 1 : letter.height / text.height;
  const raised = Math.abs(shift) > RAISED * text.height ? shift : 0;
  const wanted = (edge: number): number => (lines.find((l) => Math.abs(l - edge) < NEAR_LINE) ?? edge) * text.height * factor + raised;
  return {
    index: letter.index,
    char: letter.char,
    bottom: bottom * letter.height,
    wantedTop: wanted(top),
    wantedBottom: wanted(bottom),
  };
}

/** What is predicted of the letters of one text. */
export interface TextHeights {
  /** Index in the job. */
  piece: number;
  heights: LetterHeight[];
}

/** Heights of the letters of all texts of a job. */
export const heightsIn = (plan: StitchPlan, shaped: readonly Shaped[], sheet: SheetResult, biteMm: number): TextHeights[] =>
  shaped.flatMap(({ laid, shape }, piece) =>
    laid.lettering && shape ? [{ piece, heights: textHeights(laid, laidThreads(plan, piece, sheet, biteMm)) }] : [],
  );

/** Texts of a job with what was predicted of their letters. */
export const heightsOfTexts = (job: Job, { texts }: { texts: readonly TextHeights[] }): { piece: Piece; heights: LetterHeight[] }[] =>
  texts.map(({ piece, heights }) => ({ piece: job.pieces[piece]!, heights }));
