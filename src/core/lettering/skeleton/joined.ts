import { arc, glyph, moved, oval, slanting, through, type Draw, type Proportions, type Stroke } from '../glyph';
import { CAPITALS } from './capitals';
import { SMALL } from './small';

/** A letter with a bar laid through it. */
const barred =
  (letter: Draw, bar: (width: number, p: Proportions) => Stroke): Draw =>
  (p) => {
    const drawn = letter(p);
    return {
      ...drawn,
      strokes: [{ ...bar(drawn.markAt === undefined ? drawn.width : 2 * drawn.markAt, p), width: 0.8 }, ...drawn.strokes],
    };
  };

/** Two letters in one, the second so much of its width to the right. */
const joined =
  (first: Draw, second: Draw, lap: number): Draw =>
  (p) => {
    const [a, b] = [first(p), second(p)];
    const at = a.width - lap * p.w;
    return { ...glyph(at + b.width, ...a.strokes, ...b.strokes.map((s) => moved(s, at, 0))), ...(b.joins ? { joins: 'after' } : {}) };
  };

/** Bars through letters, by which they are others. */
export const barredSmall = (small: Readonly<Record<string, Draw>>): Readonly<Record<string, Draw>> => ({
  ø: barred(small.o!, (width, { x, w }) => through([w * 0.1, -0.03], [width - w * 0.1, x + 0.03])),
  ł: barred(small.l!, (width) => through([width / 2 - 0.16, 0.4], [width / 2 + 0.16, 0.6])),
  đ: barred(small.d!, (width, { w }) => through([width - w / 2 - 0.2, 0.86], [width - w / 2 + 0.16, 0.86])),
});
export const scriptJoined = (capitals: Readonly<Record<string, Draw>>): Readonly<Record<string, Draw>> => ({
  Æ: joined(capitals.A!, capitals.E!, 1),
  Œ: joined(capitals.O!, capitals.E!, 1),
});
export const barredCapitals = (capitals: Readonly<Record<string, Draw>>): Readonly<Record<string, Draw>> => ({
  Ø: barred(capitals.O!, (width, { w }) => through([w * 0.1, -0.04], [width - w * 0.1, 1.04])),
  Ł: barred(capitals.L!, (_, { w }) => through([w / 2 - 0.16, 0.42], [w / 2 + 0.2, 0.64])),
  Đ: barred(capitals.D!, (_, { w }) => through([w / 2 - 0.18, 0.5], [w / 2 + 0.22, 0.5])),
});

/** Letters of the Latin alphabets of Europe that are no letter with a mark. */
export const JOINED: Readonly<Record<string, Draw>> = {
  ...barredSmall(SMALL),
  ...barredCapitals(CAPITALS),
  æ: joined(SMALL.a!, SMALL.e!, 1),
  œ: joined(SMALL.o!, SMALL.e!, 1),
  Æ: (p) => {
    const e = CAPITALS.E!(p);
    const at = 0.52 * p.wide;
    const low = 0.28;
    return glyph(
      at + e.width,
      through([at * 0.38, low], [at + p.w / 2, low]),
      slanting([p.w * 0.6, 0], [at + p.w * 0.4, 1], 0, 1, p.w),
      ...e.strokes.map((s) => moved(s, at, 0)),
    );
  },
  Œ: joined(CAPITALS.O!, CAPITALS.E!, 1),
  ß: (p) => {
    const width = 0.58 * p.wide;
    const [left, right] = [p.w / 2, width - p.w / 2];
    const top = 1 - p.w / 2 + p.over;
    const waist = 0.56;
    const [rx, up] = [(right - left) / 2 - 0.03, (top - waist) / 2];
    const down = (waist - p.w / 2 + p.over) / 2;
    const head = through([left, 0], ...arc(left + rx, top - up, rx, up, 180, -90, p.square), [left + rx * 0.7, waist]);
    return glyph(width, through(...arc(right - rx * 1.05, waist - down, rx * 1.05, down, 90, -125, p.square)), head);
  },
  '°': (p) => glyph(0.3, oval(0.15, 0.86, 0.15 - p.w * 0.4, 0.14 - p.w * 0.35)),
  '%': (p) =>
    glyph(
      0.86,
      slanting([0.2, 0], [0.66, 1], 0, 1, p.w),
      { ...oval(0.17, 0.8, 0.17 - p.w * 0.36, 0.2 - p.w * 0.36), width: 0.72 },
      { ...oval(0.69, 0.2, 0.17 - p.w * 0.36, 0.2 - p.w * 0.36), width: 0.72 },
    ),
  '*': () =>
    glyph(0.4, ...[90, 30, 150].map((deg) => ({ ...through(...([0, 180] as const).map((half) => arc(0.2, 0.8, 0.19, 0.19, deg + half, deg + half)[0]!)), width: 0.7 }))), // prettier-ignore
};
