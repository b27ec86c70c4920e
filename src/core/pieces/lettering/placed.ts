import type { Piece } from '../../document/types';
import { distance, type Area, type Point } from '../../geometry/point';
import { layOut } from '../../lettering/layout';
import { sewingOrder } from '../../lettering/order';
import { letterOf, type Letter } from './letter';

/** A letter as columns, and how far a place lies above its base line, mm. */
export interface LetterPath {
  char: string;
  letter: Letter;
  /** Another thread than the text's. */
  thread?: string | undefined;
  /** Whether the thread is cut before it. */
  cut?: boolean | undefined;
  heightOf(p: Point): number;
}

/** The letters of a text in sewing order; none when it has no ink. */
export function placedLetters({ lettering, settings }: Pick<Piece, 'lettering' | 'settings'>): LetterPath[] {
  if (!lettering) return [];
  const laid = layOut(lettering);
  const letters = sewingOrder(laid.letters, lettering.direction).map((glyph): LetterPath => {
    const [foot, up] = [glyph.place({ x: 0, y: 0 }), glyph.place({ x: 0, y: 1 })];
    const tall = distance(foot, up);
    const heightOf = (p: Point): number => ((p.x - foot.x) * (up.x - foot.x) + (p.y - foot.y) * (up.y - foot.y)) / tall;
    return { char: glyph.char, letter: letterOf(glyph, laid, settings.corners), heightOf, thread: glyph.thread, cut: glyph.cut };
  });
  return byThread(letters.filter((l) => l.letter.columns.length > 0));
}

/** Letters in the text's own thread first, then those of each other one together: one stop a thread. */
function byThread(letters: readonly LetterPath[]): LetterPath[] {
  const threads = [...new Set([undefined, ...letters.map((l) => l.thread)])];
  return threads.flatMap((thread) => letters.filter((l) => l.thread === thread));
}

/** Of some places the one lowest and farthest to one side: where a text is begun, or ended, when nothing else is said. */
export function footOf(places: readonly Point[], heightOf: (p: Point) => number, side: 1 | -1): Point {
  const cost = (p: Point): number => Math.max(0, heightOf(p)) - ASIDE * side * p.x;
  return places.reduce((a, b) => (cost(b) < cost(a) ? b : a));
}
/** A place so far aside is worth one a millimetre lower. */
const ASIDE = 0.5;

/** Everything that some letters paint, without joining them. */
export const ringsOf = (letters: readonly LetterPath[]): Area => letters.flatMap((l) => l.letter.painted);
