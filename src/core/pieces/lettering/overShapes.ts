import type { Lettering, Piece } from '../../document/types';
import { heightWithin } from '../../document/ranges';
import { areaOf, intersect, unite } from '../../geometry/area';
import { boundsOf, type Area, type Bounds } from '../../geometry/point';
import { FACES } from '../../lettering/faces';
import { inkBox } from '../../lettering/glyph';
import { layOut } from '../../lettering/layout';
import { centred, extentOf } from '../../lettering/textJob';
import { toThousandths } from '../../units/rounded';
import { prepareShape } from '../registry';
import { inkOf } from './letter';

/** A text laid over shapes, and how much of both they share: 1 when they are the same. */
export interface TextOver {
  lettering: Lettering;
  likeness: number;
}

const SLANTS = [0, 12];
const ROUNDS = 2;
/** Parts of one letter (a dot, a mark, an inside) lie over one another by more than this share of the narrower one. */
const OVER = 0.5;

/**
 * A text in the place of shapes that are its letters: of all faces of our own the likest one, with the height, the base line, the width
 * and weight of its letters and the distances between them as in the shapes. One line of text.
 * @returns null when the shapes paint nothing, or no sign of the text can be set
 */
export function textOverShapes(text: string, shapes: readonly Piece[]): TextOver | null {
  const areas = shapes.flatMap((p) => prepareShape(p)?.painted ?? []);
  if (areas.length === 0) return null;
  const drawn = unite(areas);
  const tries = FACES.flatMap(({ key }) => SLANTS.map((slant) => fitted(text, key, slant, drawn)));
  return tries.reduce<TextOver | null>((best, one) => (one && one.likeness > (best?.likeness ?? -1) ? one : best), null);
}

function fitted(text: string, face: string, slant: number, drawn: Area): TextOver | null {
  const box = boundsOf(drawn);
  const boxes = lettersOf(drawn);
  let lettering: Lettering = { text, face, height: heightWithin(box.maxY - box.minY), ...(slant === 0 ? {} : { slant }) };
  if (!extentOf(lettering)) return null;
  for (let round = 0; round < ROUNDS; round++) {
    lettering = likeInSize(lettering, box, boxes);
    lettering = { ...lettering, weight: likeInWeight(lettering, drawn) };
  }
  lettering = inPlace(withDistances(likeInSize(lettering, box, boxes), boxes), box);
  const painted = paintedBy(lettering);
  const shared = areaOf(intersect(painted, drawn));
  return { lettering, likeness: shared / (areaOf(painted) + areaOf(drawn) - shared) };
}

const within = (v: number, least: number, most: number): number => Math.min(most, Math.max(least, v));
const FACTOR = { least: 0.4, most: 3 };

/** As high as a box, and its letters as wide as those found; where these are not as many, the whole as wide as the box. */
function likeInSize(text: Lettering, box: Bounds, letters: readonly Bounds[]): Lettering {
  let now = text;
  for (let round = 0; round < 2; round++) {
    const b = extentOf(now)!;
    const height = heightWithin((now.height * (box.maxY - box.minY)) / (b.maxY - b.minY));
    const own = inkWidths(now);
    const same = own.length === letters.length;
    const sum = (widths: readonly number[]): number => widths.reduce((total, w) => total + w, 0);
    const ratio = same ? sum(letters.map((l) => l.maxX - l.minX)) / sum(own) : (box.maxX - box.minX) / (b.maxX - b.minX);
    const wide = within(((now.wide ?? 1) * ratio * now.height) / height, FACTOR.least, FACTOR.most);
    now = { ...now, height: toThousandths(height), wide: toThousandths(wide) };
  }
  return now;
}

/** How wide the ink of each letter is, mm. */
const inkWidths = (text: Lettering): number[] =>
  layOut(text).letters.map(({ glyph, height, strokeMm, place }) => {
    const { minX, minY, maxX, maxY } = inkBox(glyph, strokeMm / height);
    const xs = [minX, maxX].flatMap((x) => [minY, maxY].map((y) => place({ x, y }).x));
    return Math.max(...xs) - Math.min(...xs);
  });

function likeInWeight(text: Lettering, drawn: Area): number {
  const ratio = areaOf(drawn) / areaOf(paintedBy(text));
  return toThousandths(within((text.weight ?? 1) * ratio, FACTOR.least, FACTOR.most));
}

function paintedBy(text: Lettering): Area {
  const laid = layOut(text);
  return unite(...laid.letters.map((glyph) => inkOf(glyph, laid)));
}

/** Boxes of the letters of a line, from left to right; parts that stand over one another are one letter. */
function lettersOf(drawn: Area): Bounds[] {
  const out: Bounds[] = [];
  for (const b of drawn.map((ring) => boundsOf([ring])).sort((a, c) => a.minX - c.minX)) {
    const last = out[out.length - 1];
    const shared = last ? Math.min(last.maxX, b.maxX) - b.minX : 0;
    if (last && shared > OVER * Math.min(last.maxX - last.minX, b.maxX - b.minX)) last.maxX = Math.max(last.maxX, b.maxX);
    else out.push({ ...b });
  }
  return out;
}

/** Each letter as far from the one before it as in the shapes, where these are as many as the letters. */
function withDistances(text: Lettering, boxes: readonly Bounds[]): Lettering {
  const laid = layOut(text);
  if (laid.letters.length !== boxes.length) return text;
  const middles = laid.letters.map((glyph) => {
    const b = boundsOf(inkOf(glyph, laid));
    return (b.minX + b.maxX) / 2;
  });
  const pairs: Record<string, number> = {};
  laid.letters.slice(1).forEach((_, k) => {
    const wanted = (boxes[k + 1]!.minX + boxes[k + 1]!.maxX - boxes[k]!.minX - boxes[k]!.maxX) / 2;
    const added = toThousandths(wanted - (middles[k + 1]! - middles[k]!));
    if (Math.abs(added) > LEAST_MM) pairs[laid.letters[k]!.index] = added;
  });
  return Object.keys(pairs).length > 0 ? { ...text, pairs } : text;
}
const LEAST_MM = 0.02;

const inPlace = (text: Lettering, b: Bounds): Lettering => centred(text, [(b.minX + b.maxX) / 2, (b.minY + b.maxY) / 2]);
