import { LEAD, leading, linesOf, type Lines } from './scriptLines';
import { arc, curve, glyph, stem, through, type Draw, type Glyph, type Proportions, type Stroke } from '../glyph';

type At = readonly [number, number];

/** The letter between its joins: its strokes for lines, and how wide it is from join to join, for a face of usual width. */
type Script = (l: Lines, p: Proportions) => readonly [width: number, ...strokes: Stroke[]];

/** A letter that joins those beside it; what marks stand over lies left of the stroke that leads on. */
const joining =
  (draw: Script, middle?: number): Draw =>
  (p): Glyph => {
    const [width, ...strokes] = draw(linesOf(p), p);
    const { wide } = p;
    const spread = (s: Stroke): Stroke => ({ ...s, middle: s.middle.map((q) => ({ x: q.x * wide, y: q.y })) });
    return { ...glyph(width * wide, ...strokes.map(spread)), joins: 'both', markAt: (middle ?? (width - LEAD) / 2) * wide };
  };

/** The stroke that comes from the letter before. */
const entry = ({ c }: Lines, ...to: readonly At[]): Stroke => curve([0, c], ...to);
/** An arch from inside a stem to a foot that leads on, or to a plain stem. */
const archOut = ({ c, f, t }: Lines, from: number, to: number): Stroke =>
  curve([from, 0.5 * t], [from + 0.05, 0.8 * t], [(from + to) / 2 + 0.03, t], [to - 0.01, 0.8 * t], [to, 0.55 * t], [to, c * 0.9], [to + 0.03, 0.5 * c], [to + 0.1, f], [to + 0.18, 0.62 * c], [to + LEAD, c]); // prettier-ignore
const archDown = ({ t }: Lines, from: number, to: number): Stroke =>
  curve([from, 0.5 * t], [from + 0.05, 0.8 * t], [(from + to) / 2 + 0.02, t], [to - 0.01, 0.8 * t], [to, 0.55 * t], [to, 0]);
/** The round of a, d, g and q. */
const round = ({ f, t }: Lines, cx: number, rx: number): Stroke => ({
  ...through(...arc(cx, (f + t) / 2, rx, (t - f) / 2, 90, 450, 0.05)),
  closed: true,
});
/** A small stroke from the right of a letter that ends high, down to the join. */
const dipping = ({ c, t }: Lines, x: number, to: number): Stroke => curve([x, 0.86 * t], [x + 0.05, 0.68 * t], [(x + to) / 2 + 0.03, c * 1.02], [to, c]); // prettier-ignore
const dotOver = (x: number, { x: high, tall }: Lines, w: number): Stroke => {
  const y = Math.min(tall - 0.2 * w, high + 1.7 * w);
  return { ...through([x, y - 0.12 * w], [x, y + 0.12 * w]), width: 1.15 };
};

/** The e that another letter runs into. */
const second = (l: Lines): Stroke[] => [
  curve([0.4, l.c], [0.52, 0.9 * l.c], [0.67, 1.02 * l.c], [0.77, 0.68 * l.t], [0.74, 0.92 * l.t], [0.64, l.t], [0.51, 0.8 * l.t], [0.46, l.x / 2], [0.5, 0.24 * l.x], [0.64, l.f], [0.78, 0.5 * l.c], [0.9, l.c]), // prettier-ignore
];

export const SCRIPT: Readonly<Record<string, Draw>> = {
  a: joining((l) => [0.68, entry(l, [0.07, l.c + 0.03]), round(l, 0.25, 0.19), leading(l, 0.44, l.t)]),
  b: joining((l) => [
    0.62,
    entry(l, [0.06, l.c + 0.08], [0.12, l.c + 0.2]),
    curve([0.12, 0.62 * l.t], [0.18, 0.88 * l.t], [0.28, l.t], [0.41, 0.78 * l.t], [0.44, l.x / 2], [0.39, 0.24 * l.x], [0.27, l.f], [0.12, l.f + 0.03]), // prettier-ignore
    dipping(l, 0.42, 0.62),
    stem(0.12, 0, 1),
  ]),
  c: joining((l) => [
    0.5,
    entry(l, [0.08, l.c + 0.03]),
    curve([0.39, 0.86 * l.t], [0.33, 0.97 * l.t], [0.24, l.t], [0.1, 0.78 * l.t], [0.06, l.x / 2], [0.1, 0.24 * l.x], [0.24, l.f], [0.38, 0.5 * l.c], [0.5, l.c]), // prettier-ignore
  ]),
  d: joining((l) => [0.68, entry(l, [0.07, l.c + 0.03]), round(l, 0.25, 0.19), leading(l, 0.44, l.tall + 0.5 * (1 - l.tall))]),
  e: joining((l) => [
    0.5,
    curve([0, l.c], [0.12, 0.9 * l.c], [0.27, 1.02 * l.c], [0.37, 0.68 * l.t], [0.34, 0.92 * l.t], [0.24, l.t], [0.11, 0.8 * l.t], [0.06, l.x / 2], [0.1, 0.24 * l.x], [0.24, l.f], [0.38, 0.5 * l.c], [0.5, l.c]), // prettier-ignore
  ]),
  f: joining(
    (l) => [
      0.44,
      entry(l, [0.1, l.c + 0.06], [0.18, l.c + 0.16]),
      curve([0.18, 0], [0.28, 0.3 * l.c], [0.44, l.c]),
      through([0.03, l.t], [0.36, l.t]),
      curve([0.4, 0.92], [0.33, l.tall], [0.23, 0.9], [0.18, 0.76], [0.18, l.t], [0.18, 0.2], [0.18, l.low + 0.16], [0.14, l.low + 0.04], [0.04, l.low]), // prettier-ignore
    ],
    0.22,
  ),
  g: joining((l) => [
    0.64,
    entry(l, [0.07, l.c + 0.03]),
    round(l, 0.25, 0.19),
    curve([0.44, -0.02], [0.54, 0.3 * l.c], [0.64, l.c]),
    curve([0.44, l.t], [0.44, 0.1], [0.44, l.low + 0.2], [0.39, l.low + 0.05], [0.26, l.low], [0.13, l.low + 0.08]),
  ]),
  h: joining((l) => [0.64, entry(l, [0.06, l.c + 0.08], [0.12, l.c + 0.2]), archOut(l, 0.12, 0.4), stem(0.12, 0, 1)]),
  i: joining((l, { w }) => [0.38, entry(l, [0.06, l.c + 0.06], [0.14, l.c + 0.2]), dotOver(0.14, l, w), leading(l, 0.14, l.t)], 0.14),
  ı: joining((l) => [0.38, entry(l, [0.06, l.c + 0.06], [0.14, l.c + 0.2]), leading(l, 0.14, l.t)], 0.14),
  j: joining(
    (l, { w }) => [
      0.36,
      entry(l, [0.06, l.c + 0.06], [0.15, l.c + 0.2]),
      curve([0.15, -0.02], [0.25, 0.3 * l.c], [0.36, l.c]),
      dotOver(0.15, l, w),
      curve([0.15, l.t], [0.15, 0.1], [0.15, l.low + 0.2], [0.1, l.low + 0.05], [0, l.low], [-0.1, l.low + 0.05]),
    ],
    0.15,
  ),
  k: joining((l) => [
    0.58,
    entry(l, [0.06, l.c + 0.08], [0.12, l.c + 0.2]),
    curve([0.22, 0.56 * l.t], [0.3, 0.3 * l.t], [0.36, 0.14 * l.t], [0.44, l.f], [0.51, 0.6 * l.c], [0.58, l.c]),
    curve([0.4, l.t], [0.26, 0.64 * l.t], [0.12, 0.42 * l.t]),
    stem(0.12, 0, 1),
  ]),
  l: joining((l) => [0.36, entry(l, [0.06, l.c + 0.08], [0.12, l.c + 0.2]), leading(l, 0.12, l.tall + 0.5 * (1 - l.tall))], 0.12),
  m: joining((l) => [
    0.88,
    entry(l, [0.06, l.c + 0.06], [0.11, l.c + 0.16]),
    archOut(l, 0.37, 0.64),
    archDown(l, 0.11, 0.37),
    stem(0.11, 0, l.x),
  ]),
  n: joining((l) => [0.63, entry(l, [0.06, l.c + 0.06], [0.11, l.c + 0.16]), archOut(l, 0.11, 0.39), stem(0.11, 0, l.x)]),
  o: joining((l) => [0.6, entry(l, [0.07, l.c + 0.03]), dipping(l, 0.4, 0.6), round(l, 0.25, 0.19)], 0.25),
  p: joining((l) => [
    0.58,
    entry(l, [0.06, l.c + 0.06], [0.12, l.c + 0.16]),
    curve([0.36, 0.62 * l.c], [0.46, 0.62 * l.c], [0.58, l.c]),
    curve([0.12, 0.62 * l.t], [0.18, 0.88 * l.t], [0.28, l.t], [0.41, 0.78 * l.t], [0.44, l.x / 2], [0.39, 0.24 * l.x], [0.27, l.f], [0.12, l.f + 0.03]), // prettier-ignore
    through([0.12, l.low - 0.05], [0.12, l.x]),
  ]),
  q: joining((l) => [
    0.64,
    entry(l, [0.07, l.c + 0.03]),
    round(l, 0.25, 0.19),
    curve([0.44, -0.02], [0.54, 0.3 * l.c], [0.64, l.c]),
    through([0.44, l.low - 0.05], [0.44, l.x]),
  ]),
  r: joining((l) => [
    0.38,
    entry(l, [0.06, l.c + 0.06], [0.14, l.c + 0.18]),
    curve([0.14, 0.5 * l.t], [0.19, 0.8 * l.t], [0.28, 0.98 * l.t], [0.38, 0.92 * l.t]),
    leading(l, 0.14, l.t),
  ], 0.2), // prettier-ignore
  s: joining((l) => [
    0.52,
    entry(l, [0.1, l.c + 0.07], [0.17, 0.62 * l.t]),
    curve([0.3, 0.36 * l.t], [0.4, 0.44 * l.c], [0.52, l.c]),
    curve([0.35, 0.88 * l.t], [0.29, 0.98 * l.t], [0.22, l.t], [0.13, 0.93 * l.t], [0.1, 0.76 * l.t], [0.16, 0.61 * l.t], [0.27, 0.5 * l.t], [0.32, 0.34 * l.t], [0.28, 0.17 * l.t], [0.18, l.f], [0.05, 0.22 * l.t]), // prettier-ignore
  ]),
  t: joining(
    (l) => [0.42, entry(l, [0.08, l.c + 0.06], [0.18, l.c + 0.16]), through([0.02, l.t], [0.34, l.t]), leading(l, 0.18, 0.9)],
    0.17,
  ),
  u: joining((l) => [
    0.62,
    entry(l, [0.06, l.c + 0.06], [0.11, l.c + 0.16]),
    curve([0.11, l.t], [0.11, 0.6 * l.t], [0.12, 0.3 * l.t], [0.22, l.f], [0.33, 0.24 * l.t], [0.38, 0.5 * l.t]),
    leading(l, 0.38, l.t),
  ]),
  v: joining((l) => [
    0.6,
    entry(l, [0.05, l.c + 0.06], [0.1, l.c + 0.16]),
    dipping(l, 0.4, 0.6),
    curve([0.08, l.t], [0.12, 0.62 * l.t], [0.18, 0.22 * l.t], [0.24, l.f], [0.32, 0.24 * l.t], [0.39, 0.62 * l.t], [0.41, 0.95 * l.t]),
  ]),
  w: joining((l) => [
    0.84,
    entry(l, [0.05, l.c + 0.06], [0.1, l.c + 0.16]),
    dipping(l, 0.64, 0.84),
    curve([0.09, l.t], [0.1, 0.5 * l.t], [0.13, 0.2 * l.t], [0.22, l.f], [0.32, 0.24 * l.t], [0.36, 0.55 * l.t], [0.37, 0.8 * l.t]),
    curve([0.37, 0.8 * l.t], [0.38, 0.5 * l.t], [0.41, 0.2 * l.t], [0.49, l.f], [0.59, 0.24 * l.t], [0.64, 0.62 * l.t], [0.65, 0.95 * l.t]),
  ]),
  x: joining((l) => [
    0.58,
    entry(l, [0.1, l.c + 0.04], [0.2, l.c + 0.06]),
    through([0.05, l.f], [0.38, l.t]),
    curve([0.06, l.t], [0.16, 0.66 * l.t], [0.28, 0.32 * l.t], [0.36, 0.12 * l.t], [0.44, l.f], [0.51, 0.6 * l.c], [0.58, l.c]),
  ]),
  y: joining((l) => [
    0.6,
    entry(l, [0.06, l.c + 0.06], [0.11, l.c + 0.16]),
    curve([0.11, l.t], [0.11, 0.6 * l.t], [0.12, 0.3 * l.t], [0.22, l.f], [0.33, 0.24 * l.t], [0.38, 0.5 * l.t]),
    curve([0.38, -0.02], [0.48, 0.3 * l.c], [0.6, l.c]),
    curve([0.38, l.t], [0.38, 0.1], [0.38, l.low + 0.2], [0.33, l.low + 0.05], [0.2, l.low], [0.08, l.low + 0.08]),
  ]),
  z: joining((l) => [
    0.58,
    entry(l, [0.09, l.c + 0.02], [0.19, l.c + 0.03]),
    through([0.05, l.t], [0.38, l.t]),
    curve([0.07, l.f], [0.32, l.f], [0.42, l.f + 0.02], [0.5, 0.6 * l.c], [0.58, l.c]),
    through([0.36, l.t], [0.08, l.f]),
  ]),
  æ: joining((l) => [0.9, entry(l, [0.07, l.c + 0.03]), round(l, 0.25, 0.19), ...second(l), through([0.44, l.t], [0.44, l.f])]),
  œ: joining((l) => [0.9, entry(l, [0.07, l.c + 0.03]), round(l, 0.25, 0.19), ...second(l)]),
  ß: joining((l) => [
    0.64,
    entry(l, [0.06, l.c + 0.08], [0.12, l.c + 0.2]),
    curve([0.43, 0.2], [0.5, 0.12], [0.57, 0.5 * l.c], [0.64, l.c]),
    curve([0.12, 0], [0.12, 0.4], [0.12, 0.74], [0.19, 0.91], [0.3, l.tall], [0.41, 0.84], [0.37, 0.68], [0.29, 0.57], [0.41, 0.46], [0.47, 0.28], [0.4, 0.1], [0.27, l.f], [0.2, 0.1]), // prettier-ignore
  ]),
};
