import type { LetterOwn, Lettering } from '../document/types';
import { heightWithin } from '../document/ranges';
import type { Point } from '../geometry/point';
import { cos, sin } from '../units/trig';
import { layOut, type PlacedGlyph } from './layout';
import { toThousandths } from '../units/rounded';

/** Where a letter is taken hold of: the middle of its foot. */
export const footOf = ({ glyph, place }: PlacedGlyph): Point => place({ x: glyph.width / 2, y: 0 });

const letterAt = (text: Lettering, index: number): PlacedGlyph | undefined => layOut(text).letters.find((l) => l.index === index);

/**
 * A text with one letter moved to a place. Along the base line the letters after it go with it, those before it stay: the distance of one
 * pair changes. Up or down it moves alone.
 */
export function movedLetter(text: Lettering, index: number, to: Point): Lettering {
  const letter = letterAt(text, index);
  if (!letter) return text;
  const foot = footOf(letter);
  const [dx, dy] = [to.x - foot.x, to.y - foot.y];
  const along = dx * cos(letter.turn) + dy * sin(letter.turn);
  const up = dx * sin(letter.turn) - dy * cos(letter.turn);
  const before = previous(text, index);
  const own = text.letters?.[index] ?? {};
  const [sx, sy] = own.shift ?? [0, 0];
  const shifted = withOwn(text, index, { ...own, shift: [toThousandths(before ? sx : sx + along), toThousandths(sy + up)] });
  return !before ? shifted : withPair(shifted, { index, before: before.index, along });
}

/** Some of a text's line stays where it was: of a straight one what comes before the letter, of a round one its middle. */
function withPair(text: Lettering, { index, before, along }: { index: number; before: number; along: number }): Lettering {
  const pairOf = (mm: number): Lettering => ({
    ...text,
    pairs: { ...text.pairs, [before]: toThousandths((text.pairs?.[before] ?? 0) + mm) },
  });
  const was = letterAt(text, before)!;
  const anchored = (made: Lettering): Lettering => {
    const [a, b] = [footOf(was), footOf(letterAt(made, before)!)];
    const [x, y] = text.at ?? [0, 0];
    return { ...made, at: [toThousandths(x + a.x - b.x), toThousandths(y + a.y - b.y)] };
  };
  if ((text.line ?? 'straight') === 'straight') return anchored(pairOf(along));
  // Round a circle, or along a line, the text stays in the middle: a letter goes only some of the way that a pair is widened.
  const tried = letterAt(pairOf(along), index)!;
  const went = tried.aside - letterAt(text, index)!.aside;
  return pairOf(Math.abs(went) > 1e-6 ? (along * along) / went : along);
}

/** A text with what one letter has for itself; nothing of that is kept where it is as usual. */
export function withOwn(text: Lettering, index: number, own: LetterOwn): Lettering {
  const plain: LetterOwn = { ...own };
  if (plain.shift?.every((v) => v === 0)) delete plain.shift;
  if (plain.cut === false) delete plain.cut;
  for (const key of Object.keys(plain) as (keyof LetterOwn)[]) if (plain[key] === undefined) delete plain[key];
  const letters = { ...text.letters };
  if (Object.keys(plain).length === 0) delete letters[index];
  else letters[index] = plain;
  if (Object.keys(letters).length > 0) return { ...text, letters };
  const rest = { ...text };
  delete rest.letters;
  return rest;
}

/** A text in which a letter is as the others: nothing of its own, and as far from the one before as the face says. */
export function likeTheOthers(text: Lettering, index: number): Lettering {
  const plain = withOwn(text, index, {});
  const before = previous(text, index)?.index;
  if (before === undefined || plain.pairs?.[before] === undefined) return plain;
  const pairs = { ...plain.pairs };
  delete pairs[before];
  const rest = { ...plain };
  delete rest.pairs;
  return Object.keys(pairs).length > 0 ? { ...rest, pairs } : rest;
}

/** The letter before one in its line. */
export function previous(text: Lettering, index: number): PlacedGlyph | undefined {
  const { letters } = layOut(text);
  const k = letters.findIndex((l) => l.index === index);
  const before = letters[k - 1];
  return before && before.row === letters[k]!.row ? before : undefined;
}

/** What single letters have for themselves, after the text was written otherwise: letters before and after what changed keep theirs. */
export function keptOwn(text: Lettering, next: string): Pick<Lettering, 'pairs' | 'letters'> {
  const [a, b] = [Array.from(text.text), Array.from(next)];
  let head = 0;
  while (head < a.length && head < b.length && a[head] === b[head]) head++;
  let tail = 0;
  while (tail < a.length - head && tail < b.length - head && a[a.length - 1 - tail] === b[b.length - 1 - tail]) tail++;
  const moved = <T>(of: Record<string, T> | undefined): Record<string, T> | undefined => {
    if (!of) return undefined;
    const kept = Object.entries(of).flatMap(([key, v]): [string, T][] => {
      const i = Number(key);
      if (i < head) return [[key, v]];
      return i >= a.length - tail ? [[String(i + b.length - a.length), v]] : [];
    });
    return kept.length > 0 ? Object.fromEntries(kept) : undefined;
  };
  const [pairs, letters] = [moved(text.pairs), moved(text.letters)];
  return { ...(pairs ? { pairs } : {}), ...(letters ? { letters } : {}) };
}

/** The height at which the corner of a text, dragged from one place to another, is where it was dragged to. */
export function heightDragged({ height, at = [0, 0] }: Lettering, from: Point, to: Point): number {
  const away = (p: Point): number => Math.sqrt((p.x - at[0]) ** 2 + (p.y - at[1]) ** 2);
  return toThousandths(heightWithin((height * away(to)) / Math.max(0.1, away(from))));
}

/** What is added between letters, %, when the end of the longest line of a straight text is dragged so far along it, mm. */
export function spacingDragged(text: Lettering, alongMm: number): number {
  const rows = layOut(text).letters.reduce((counts, l) => counts.set(l.row, (counts.get(l.row) ?? 0) + 1), new Map<number, number>());
  const gaps = Math.max(1, Math.max(0, ...rows.values()) - 1);
  // A text grows to both sides of its middle.
  const spacing = (text.spacing ?? 0) + (100 * 2 * alongMm) / (gaps * text.height);
  return Math.round(Math.min(300, Math.max(-20, spacing)) * 10) / 10;
}

/** The radius of an arc, from where the end of its base line is dragged to, as its width and rise from the middle, mm. */
export function radiusDragged(widthMm: number, riseMm: number): number {
  const rise = Math.max(0.05, Math.abs(riseMm));
  return toThousandths(Math.min(2000, Math.max(5, (widthMm * widthMm + rise * rise) / (2 * rise))));
}

/** Places of the letters of a text, each with the number of its letter, or of its word, from 0. */
export function turnsOf(text: string, each: 'letter' | 'word'): [index: number, turn: number][] {
  const out: [number, number][] = [];
  let [letters, words, inWord] = [0, -1, false];
  Array.from(text.normalize('NFC')).forEach((sign, index) => {
    const isGap = /\s/.test(sign);
    if (!isGap && !inWord) words++;
    inWord = !isGap;
    if (!isGap) out.push([index, each === 'letter' ? letters++ : words]);
  });
  return out;
}
