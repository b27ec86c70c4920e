import type { LetterOwn, Lettering } from '../document/types';
import { without } from '../document/without';
import { heightWithin } from '../document/ranges';
import { toThousandths } from '../units/rounded';

/** The letter in the middle of three is so much taller: by custom the family's. */
const TALLER = 1.5;

/** Whether a text can be a monogram: two or three letters in one line. */
export const isMonogram = ({ text }: Pick<Lettering, 'text'>): boolean => /^\S{2,3}$/u.test(text) && [...text].length <= 3;

/** Two or three letters as a monogram: of three the middle one taller, all on one middle line. */
export function asMonogram(text: Lettering): Lettering {
  const plain = without(text, 'pairs', 'letters');
  if ([...text.text].length !== 3) return plain;
  const height = heightWithin(toThousandths(TALLER * text.height));
  const middle: LetterOwn = { height, shift: [0, toThousandths((text.height - height) / 2)] };
  return { ...plain, letters: { 1: middle } };
}
