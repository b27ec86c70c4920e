import { glyph, leaned, moved, oval, through, type Draw, type Glyph, type Proportions, type Stroke } from './glyph';
import { CAPITALS } from './skeleton/capitals';
import { FIGURES, MARKS } from './skeleton/figures';
import { barredCapitals, barredSmall, JOINED, scriptJoined } from './skeleton/joined';
import { SCRIPT } from './skeleton/script';
import { SCRIPT_CAPITALS } from './skeleton/scriptCapitals';
import { SMALL } from './skeleton/small';

/** A face of letters that are drawn as columns. */
export interface Face {
  key: string;
  name: string;
  /** What it is good for. */
  says: string;
  proportions: Omit<Proportions, 'over'>;
  /** Heights of capitals, mm, from which its letters stay open, by weight of the thread; worked out by `pieces/lettering/smallest`. */
  smallest: Readonly<Record<40 | 60, number>>;
  /** Lower letters have one line along each stroke, mm. */
  linesBelow?: number;
  /** How open ends look. */
  ends: 'flat' | 'round';
  /** Bars across the ends of stems, in stroke widths; 0 for none. */
  serif: number;
  /** Between letters, in cap heights. */
  apart: number;
  /** Between words, in cap heights. */
  wordApart: number;
  /** A script: its small letters join, and all lean by so much for each height. */
  script?: { lean: number };
}

const FLAT = { x: 0.73, below: -0.28, wide: 1, square: 0.08 };

/** Faces that Cobble draws itself. Names come from the workroom. */
export const FACES: readonly Face[] = [
  {
    ...{
      key: 'treadle',
      name: 'Treadle',
      says: 'plain block letters with flat ends',
      smallest: { 40: 7, 60: 6 },
      ends: 'flat',
      serif: 0,
      apart: 0.14,
      wordApart: 0.24,
    },
    proportions: { ...FLAT, w: 0.17 },
  },
  {
    ...{
      key: 'bobbin',
      name: 'Bobbin',
      says: 'soft letters with round ends',
      smallest: { 40: 5.5, 60: 4.5 },
      ends: 'round',
      serif: 0,
      apart: 0.14,
      wordApart: 0.24,
    },
    proportions: { ...FLAT, w: 0.16, square: 0, wide: 1.02 },
  },
  {
    ...{
      key: 'gable',
      name: 'Gable',
      says: 'letters with slab feet',
      smallest: { 40: 6, 60: 5.5 },
      ends: 'flat',
      serif: 2.1,
      apart: 0.14,
      wordApart: 0.24,
    },
    proportions: { ...FLAT, w: 0.15, wide: 1.1, square: 0.04 },
  },
  {
    ...{
      key: 'thimble',
      name: 'Thimble',
      says: 'wide open letters for small sizes',
      smallest: { 40: 4.5, 60: 4 },
      linesBelow: 4,
      ends: 'flat',
      serif: 0,
      apart: 0.18,
      wordApart: 0.3,
    },
    proportions: { x: 0.8, below: -0.26, wide: 1.14, square: 0.12, w: 0.125 },
  },
  {
    ...{
      key: 'skein',
      name: 'Skein',
      says: 'a script whose small letters join',
      smallest: { 40: 6, 60: 5.5 },
      ends: 'round',
      serif: 0,
      apart: 0.08,
      wordApart: 0.24,
    },
    script: { lean: 0.16 },
    proportions: { x: 0.62, below: -0.38, wide: 1, square: 0, w: 0.11 },
  },
];

/** The smallest height of a face in a thread, mm. */
export const smallestIn = (face: Face, threadWeight: number): number => face.smallest[threadWeight >= 60 ? 60 : 40];

export const faceOf = (key: string): Face | undefined => FACES.find((f) => f.key === key || f.name.toLowerCase() === key.toLowerCase());

/** Letters by what they are written as; letters with marks are put together from both. */
const DRAWN: ReadonlyMap<string, Draw> = new Map([CAPITALS, SMALL, FIGURES, MARKS, JOINED].flatMap((set) => Object.entries(set)));

/** … and in a script. */
const SCRIPTED: ReadonlyMap<string, Draw> = new Map(
  [
    Object.fromEntries(DRAWN),
    SCRIPT_CAPITALS,
    barredCapitals(SCRIPT_CAPITALS),
    scriptJoined(SCRIPT_CAPITALS),
    SCRIPT,
    barredSmall(SCRIPT),
  ].flatMap((set) => Object.entries(set)),
);

/** Marks that stand above (or hang below) a letter, drawn about x = 0 with their foot at y = 0. */
const ACCENTS: Readonly<Record<string, (p: Proportions) => Stroke[]>> = {
  '\u0300': () => [through([-0.12, 0.2], [0.06, 0.04])],
  '\u0301': () => [through([0.12, 0.2], [-0.06, 0.04])],
  '\u0302': () => [through([-0.16, 0.04], [0, 0.19]), through([0.16, 0.04], [0, 0.19])],
  '\u030c': () => [through([-0.16, 0.19], [0, 0.05]), through([0.16, 0.19], [0, 0.05])],
  '\u0303': () => [through([-0.19, 0.06], [-0.1, 0.15], [0.1, 0.07], [0.19, 0.16])],
  '\u0304': () => [through([-0.16, 0.11], [0.16, 0.11])],
  '\u0306': () => [through([-0.17, 0.19], [-0.1, 0.08], [0, 0.05], [0.1, 0.08], [0.17, 0.19])],
  '\u0308': ({ w }) => [-1, 1].map((s) => through([s * 0.15, 0.02], [s * 0.15, 0.02 + 1.2 * w])),
  '\u0307': ({ w }) => [through([0, 0.02], [0, 0.02 + 1.2 * w])],
  '\u030a': () => [oval(0, 0.13, 0.1, 0.09)],
  '\u030b': () => [-0.08, 0.12].map((x) => through([x + 0.1, 0.2], [x - 0.06, 0.04])),
  '\u0327': ({ w }) => [through([0.02, 0.02], [0.04, -0.08], [-0.02, -0.17 - w * 0.2], [-0.13, -0.17])],
  '\u0328': ({ w }) => [through([0.04, 0.03], [-0.04, -0.09], [0.02, -0.19 - w * 0.1], [0.12, -0.19])],
};
const BELOW = new Set(['\u0327', '\u0328']);
/** Marks stand so far above what they belong to. */
const MARK_GAP = 0.06;
/** And are thinner than its strokes. */
const MARK_WIDTH = 0.82;

/** A letter of a face; null when the face does not have it. */
export function glyphOf(face: Face, char: string, over: number): Glyph | null {
  const drawn = uprightOf(face, char, over);
  return drawn && face.script ? leaned(drawn, face.script.lean) : drawn;
}

function uprightOf(face: Face, char: string, over: number): Glyph | null {
  const p = { ...face.proportions, over };
  const letters = face.script ? SCRIPTED : DRAWN;
  const plain = letters.get(char);
  if (plain) return withSerifs(plain(p), face, p);
  const [base, ...marks] = Array.from(char.normalize('NFD'));
  if (!base || marks.length === 0 || marks.some((m) => !ACCENTS[m])) return null;
  const above = marks.some((m) => !BELOW.has(m));
  const letter = letters.get(above && base === 'i' ? 'ı' : base);
  if (!letter) return null;
  const drawn = withSerifs(letter(p), face, p);
  const high = heightOf(drawn, p.w) + MARK_GAP;
  const added = marks.flatMap((m) =>
    ACCENTS[m]!(p).map((s) => ({ ...moved(s, drawn.markAt ?? drawn.width / 2, BELOW.has(m) ? 0 : high), width: MARK_WIDTH })),
  );
  return { ...drawn, strokes: [...added, ...drawn.strokes] };
}

const heightOf = ({ strokes }: Glyph, w: number): number =>
  strokes.reduce(
    (top, s) => Math.max(top, s.level ? s.level[1] : s.middle.reduce((t, q) => Math.max(t, q.y), 0) + (isUpright(s) ? 0 : w / 2)),
    0,
  );

const isUpright = ({ middle }: Stroke): boolean => Math.abs(middle[0]!.x - middle[middle.length - 1]!.x) < 1e-9 && middle.length === 2;

/** Bars under and over the ends of upright strokes, sewn before them. */
function withSerifs(drawn: Glyph, { serif }: Face, { w, x }: Proportions): Glyph {
  if (serif === 0) return drawn;
  const { width, strokes } = drawn;
  const half = (serif * w) / 2;
  const thin = 0.62;
  const feet = strokes.filter(isUpright).flatMap(({ middle }) =>
    middle.flatMap(({ x: at, y }): Stroke[] => {
      const down = Math.abs(y) < 1e-9;
      const up = Math.abs(y - 1) < 1e-9 || Math.abs(y - x) < 1e-9;
      if ((!down && !up) || isJoined(strokes, at, y, w)) return [];
      const bar = y + ((down ? 1 : -1) * (thin * w)) / 2;
      return [{ ...through([at - half, bar], [at + half, bar]), width: thin }];
    }),
  );
  return glyph(width, ...feet, ...strokes);
}

/** Whether another stroke comes to the end of a stem. */
const isJoined = (strokes: readonly Stroke[], x: number, y: number, w: number): boolean =>
  strokes.some((s) => !isUpright(s) && s.middle.some((q) => Math.abs(q.x - x) < w * 0.9 && Math.abs(q.y - y) < w * 0.9));

/** Signs that are drawn by themselves. */
export const signsOf = (): string[] => [...DRAWN.keys()];

const MARKED = 'ÀÁÂÃÄÅÇÈÉÊËÌÍÎÏÑÒÓÔÕÖÙÚÛÜÝĀĂĄĆČĎĒĖĘĚĞĢĪĮİĶĻĽŃŅŇŌŐŔŘŚŞŠŢŤŪŮŰŲŹŻŽ';

/** Letters with marks of the Latin alphabets of Europe that a face puts together. */
export const markedOf = (face: Face): string[] =>
  [...new Set([...MARKED, ...MARKED.toLowerCase()])].filter((c) => c.length === 1 && glyphOf(face, c, 0) !== null);
