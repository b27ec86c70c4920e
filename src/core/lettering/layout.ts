import type { Lettering } from '../document/types';
import type { Point } from '../geometry/point';
import { cos, PI, sin } from '../units/trig';
import { FACES, faceOf, glyphOf, type Face } from './faces';
import { inkOf, type Glyph } from './glyph';
import { kerningOf } from './kerning';

/** A letter in its place. */
export interface PlacedGlyph {
  char: string;
  /** Its line, and how far its middle lies from the middle of that line, mm. */
  row: number;
  aside: number;
  glyph: Glyph;
  /** From the letter's own units, y upward, to mm on the page, y downward. */
  place(p: Point): Point;
  /** Turn of its base line, radians, the page's way. */
  turn: number;
}

export interface LaidText {
  face: Face;
  /** Width of a stroke, mm. */
  strokeMm: number;
  letters: PlacedGlyph[];
  /** Signs that the face does not have, each once. */
  missing: string[];
  /** Length of the longest line, mm. */
  lengthMm: number;
}

/**
 * Round letters are drawn so much beyond flat ones at each end, mm. Practitioners draw 0.2 (craft §4); here compensation at the ends
 * of the rows, which run along the height there, does that already: with more, the forecast has round letters taller than flat ones.
 */
export const OVERSHOOT_MM = 0.02;
/** Small letters are spread and thickened (craft §8). */
export const SMALL_BELOW_MM = 6;
const SPREAD = 1.3;
/** Strokes never get thinner than this as drawn, mm: with compensation the thinnest satin that sews. */
const LEAST_STROKE_MM = 0.6;
/** From line to line, in cap heights. */
const LINES_APART = 1.6;

interface Slot {
  char: string;
  glyph: Glyph;
  /** Where its own x = 0 lies along the line, and where its ink ends, mm from the line's beginning. */
  at: number;
  endsAt: number;
}

/** Lays out a text. An unknown face is the first one's. */
export function layOut(text: Lettering): LaidText {
  const face = faceOf(text.face) ?? FACES[0]!;
  const { height } = text;
  const strokeMm = Math.max(LEAST_STROKE_MM, face.proportions.w * height * (text.weight ?? 1));
  const sized: Face = {
    ...face,
    proportions: { ...face.proportions, w: strokeMm / height, wide: face.proportions.wide * (text.wide ?? 1) },
  };
  const missing = new Set<string>();
  const draw = drawerOf(sized, OVERSHOOT_MM / height);
  const kerning = kerningOf(sized, draw);
  let index = 0;
  const lines = text.text.split('\n').map((line) => {
    const slots: Slot[] = [];
    let x = 0;
    let [before, words] = ['', 0];
    for (const char of Array.from(line.normalize('NFC'))) {
      const own = index++;
      if (char === ' ') {
        words += face.wordApart * (text.wordSpacing ?? 1);
        continue;
      }
      const glyph = draw(char);
      if (!glyph) {
        missing.add(char);
        continue;
      }
      x += words * height;
      if (before !== '') x -= kerning(before, char, words) * height;
      [before, words] = [char, 0];
      const [left, right] = inkOf(glyph, sized.proportions.w);
      slots.push({ char, glyph, at: x - left * height, endsAt: x + (right - left) * height });
      x += (right - left) * height + apartMm(face, text) + (text.pairs?.[own] ?? 0);
    }
    index++;
    const last = slots[slots.length - 1];
    return { slots, length: last ? last.endsAt : 0 };
  });
  const lengthMm = Math.max(0, ...lines.map((l) => l.length));
  const roundMm = lengthMm + apartMm(face, text) + face.wordApart * height;
  const letters = lines.flatMap(({ slots, length }, row) =>
    slots.map((slot) => placed(slot, text, { row, rows: lines.length, length, lengthMm, roundMm })),
  );
  return { face: sized, strokeMm, letters, missing: [...missing], lengthMm };
}

/** Letters as they are asked for, each drawn once. */
function drawerOf(face: Face, over: number): (char: string) => Glyph | null {
  const drawn = new Map<string, Glyph | null>();
  return (char) => {
    if (!drawn.has(char)) drawn.set(char, glyphOf(face, char, over));
    return drawn.get(char)!;
  };
}

/** Between two letters, mm. */
function apartMm(face: Face, { height, spacing = 0 }: Lettering): number {
  const usual = face.apart * height * (height < SMALL_BELOW_MM ? SPREAD : 1);
  return Math.max(0.35, usual + (spacing / 100) * height);
}

interface Row {
  row: number;
  rows: number;
  length: number;
  lengthMm: number;
  /** The longest line once round, with the gap between its ends. */
  roundMm: number;
}

function placed({ char, glyph, at }: Slot, text: Lettering, { row, rows, length, lengthMm, roundMm }: Row): PlacedGlyph {
  const { height, align = 'centre', slant = 0, line = 'straight' } = text;
  const slack = align === 'left' ? 0 : align === 'right' ? lengthMm - length : (lengthMm - length) / 2;
  const down = (row - (rows - 1) / 2) * LINES_APART * height * (text.lineSpacing ?? 1);
  const lean = sin((slant * PI) / 180) / Math.max(0.2, cos((slant * PI) / 180));
  const middle = slack + at + (glyph.width * height) / 2 - lengthMm / 2;
  const base = baseAt(line, text.radius ?? usualRadius(line, lengthMm, roundMm), middle);
  const turn = ((text.turn ?? 0) * PI) / 180;
  const [cx, cy] = text.at ?? [0, 0];
  const onPage = (p: Point): Point => ({ x: cx + p.x * cos(turn) + p.y * sin(turn), y: cy - p.x * sin(turn) + p.y * cos(turn) });
  const [c, s] = [cos(base.turn), sin(base.turn)];
  return {
    char,
    row,
    aside: middle,
    glyph,
    turn: base.turn - turn,
    place: (p) => {
      const x = (p.x - glyph.width / 2) * height + lean * p.y * height;
      const y = -p.y * height + down;
      return onPage({ x: base.x + x * c - y * s, y: base.y + x * s + y * c });
    },
  };
}

/** A circle is just long enough for the text to go once round it; an arch is gentle. */
const usualRadius = (line: NonNullable<Lettering['line']>, lengthMm: number, roundMm: number): number =>
  line === 'circle' ? roundMm / (2 * PI) : Math.max(LEAST_ARCH_MM, lengthMm);
const LEAST_ARCH_MM = 30;

/** Place and turn of a base line at so much along it from its middle, mm. */
function baseAt(line: NonNullable<Lettering['line']>, radius: number, along: number): Point & { turn: number } {
  if (line === 'straight') return { x: along, y: 0, turn: 0 };
  const angle = along / radius;
  // Above, letters stand on the outside of the circle; below, inside it, so that they read from left to right.
  if (line === 'arc-down') return { x: radius * sin(angle), y: -radius + radius * cos(angle), turn: -angle };
  return { x: radius * sin(angle), y: radius - radius * cos(angle), turn: angle };
}
