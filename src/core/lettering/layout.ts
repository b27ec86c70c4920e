import type { Lettering } from '../document/types';
import type { Point } from '../geometry/point';
import { cos, PI, sin } from '../units/trig';
import { baseOf, roomBetween, type Base } from './base';
import type { Face } from './faces';
import { inkOf, type Glyph } from './glyph';
import { settingOf, type SetLetter, type TypeSetting } from './sized';

/** A letter in its place. */
export interface PlacedGlyph {
  char: string;
  /** Its line, and how far its middle lies from the middle of that line, mm. */
  row: number;
  aside: number;
  /** Its place in the text. */
  index: number;
  glyph: Glyph;
  /** Height of capitals that it is drawn for, and width of its strokes, mm. */
  height: number;
  strokeMm: number;
  thread?: string;
  /** The thread is cut before it. */
  cut?: boolean;
  /** From the letter's own units, y upward, to mm about the middle of its foot, y downward, as on a straight line. */
  local(p: Point): Point;
  /** From its own units to mm on the page. */
  place(p: Point): Point;
  /** Whether it stands on the page as it is, moved and turned; not so between two lines. */
  isRigid: boolean;
  /** Turn of its base line, radians, the page's way. */
  turn: number;
}

export interface LaidText {
  face: Face;
  /** Usual width of a stroke, mm. */
  strokeMm: number;
  letters: PlacedGlyph[];
  /** Signs that the face does not have, each once. */
  missing: string[];
  /** Length of the longest line, mm. */
  lengthMm: number;
}

/** From line to line, in cap heights. */
const LINES_APART = 1.6;

interface Slot {
  char: string;
  index: number;
  glyph: Glyph;
  height: number;
  strokeMm: number;
  /** Where its own x = 0 lies along the line, and where its ink ends, mm from the line's beginning. */
  at: number;
  endsAt: number;
}

/** Lays out a text. An unknown face is the first one's. */
export function layOut(asked: Lettering): LaidText {
  const text = asked.line === 'between' && asked.path && asked.upper ? { ...asked, height: roomBetween(asked.path, asked.upper) } : asked;
  const setting = settingOf(text);
  const own = setting.at(text.height);
  const missing = new Set<string>();
  let index = 0;
  const lines = text.text.split('\n').map((line) => {
    const slots = slotsOf(line.normalize('NFC'), index, text, setting, missing);
    index += Array.from(line.normalize('NFC')).length + 1;
    return { slots, length: slots[slots.length - 1]?.endsAt ?? 0 };
  });
  const lengthMm = Math.max(0, ...lines.map((l) => l.length));
  const roundMm = lengthMm + setting.gapMm;
  const base = baseOf(text, { lengthMm, roundMm });
  const letters = lines.flatMap(({ slots, length }, row) => {
    const { align = 'centre' } = text;
    const slack = align === 'left' ? 0 : align === 'right' ? lengthMm - length : (lengthMm - length) / 2;
    const down = (row - (lines.length - 1) / 2) * LINES_APART * text.height * (text.lineSpacing ?? 1);
    return slots.map((slot) => placed(slot, text, { row, down, aside: slack - lengthMm / 2, base }));
  });
  return { face: own.face, strokeMm: own.strokeMm, letters, missing: [...missing], lengthMm };
}

/** Signs of a line in their places; those that the face does not have are told. */
function slotsOf(line: string, first: number, text: Lettering, setting: TypeSetting, missing: Set<string>): Slot[] {
  const slots: Slot[] = [];
  let index = first;
  let words = 0;
  let before: (SetLetter & { at: number; pairMm: number }) | null = null;
  for (const sign of setting.at(text.height).signsIn(line)) {
    const own = index;
    index += Array.from(sign).length;
    if (sign === ' ') {
      words++;
      continue;
    }
    const height = text.letters?.[own]?.height ?? text.height;
    const { draw, face, strokeMm } = setting.at(height);
    const glyph = draw(sign);
    if (!glyph) {
      missing.add(sign);
      continue;
    }
    const [left, right] = inkOf(glyph, face.proportions.w);
    const letter = { sign, glyph, height };
    const at: number = before ? before.at + before.pairMm + setting.step(before, letter, words) : words * setting.gapMm - left * height;
    if (right > left) slots.push({ char: sign, index: own, glyph, height, strokeMm, at, endsAt: at + right * height });
    before = { ...letter, at, pairMm: text.pairs?.[own] ?? 0 };
    words = 0;
  }
  return slots;
}

interface Row {
  row: number;
  /** How far the row lies below the middle one, and its beginning from the middle of the text, mm. */
  down: number;
  aside: number;
  base: Base;
}

function placed({ char, index, glyph, at, height, strokeMm }: Slot, text: Lettering, { row, down, aside, base }: Row): PlacedGlyph {
  const { slant = 0 } = text;
  const lean = sin((slant * PI) / 180) / Math.max(0.2, cos((slant * PI) / 180));
  const own = text.letters?.[index];
  const [along, up] = own?.shift ?? [0, 0];
  const middle = aside + at + (glyph.width * height) / 2 + along;
  const turn = ((text.turn ?? 0) * PI) / 180;
  const [cx, cy] = text.at ?? [0, 0];
  const onPage = (p: Point): Point => ({ x: cx + p.x * cos(turn) + p.y * sin(turn), y: cy - p.x * sin(turn) + p.y * cos(turn) });
  const local = (p: Point): Point => ({ x: (p.x - glyph.width / 2) * height + lean * p.y * height, y: -p.y * height });
  const standing = (p: Point): Point => {
    const { x, y } = local(p);
    return onPage(base.place(middle, { x, y: y + down - up }));
  };
  return {
    ...{ char, row, index, aside: middle, glyph, height, strokeMm },
    ...(own?.thread === undefined ? {} : { thread: own.thread }),
    ...(own?.cut === undefined ? {} : { cut: own.cut }),
    ...{ turn: base.turnAt(middle) - turn, local, place: standing, isRigid: base.isRigid },
  };
}
