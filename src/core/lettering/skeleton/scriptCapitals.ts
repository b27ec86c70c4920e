import { arc, curve, glyph, through, type Draw, type Glyph, type Proportions, type Stroke } from '../glyph';
import { leading, linesOf, type Lines } from './scriptLines';

/** A capital of a script: its strokes for lines, and how wide it is; what leads on ends there at the height of the joins. */
type Capital = (l: Lines, p: Proportions) => readonly [width: number, ...strokes: Stroke[]];

const capital =
  (draw: Capital, leadsOn: boolean, middle?: number): Draw =>
  (p): Glyph => {
    const [width, ...strokes] = draw(linesOf(p), p);
    const spread = (s: Stroke): Stroke => ({ ...s, middle: s.middle.map((q) => ({ x: q.x * p.wide, y: q.y })) });
    const markAt = (middle ?? width / 2) * p.wide;
    return { ...glyph(width * p.wide, ...strokes.map(spread)), ...(leadsOn ? { joins: 'after' as const } : {}), markAt };
  };
/** One that the next letter joins, and one that stands alone. */
const leads = (draw: Capital, middle?: number): Draw => capital(draw, true, middle);
const stands = (draw: Capital, middle?: number): Draw => capital(draw, false, middle);

/** The curl by which a tall left stem begins, and the stem. */
const curledStem = (x: number): Stroke => curve([x - 0.13, 0.76], [x - 0.08, 0.89], [x - 0.01, 0.84], [x, 0.6], [x - 0.01, 0.3], [x - 0.02, 0]); // prettier-ignore
/** A wave over a stem, which begins with a curl. */
const roof = ({ tall }: Lines, to: number): Stroke => curve([0.02, 0.74], [0.07, 0.88], [0.2, 0.93], [0.55 * to, 0.89], [to, tall]);
/** A stem that turns back at its foot. */
const hooked = ({ f }: Lines, x: number): Stroke => curve([x, 0.9], [x - 0.01, 0.5], [x - 0.04, 0.2], [x - 0.14, f], [x - 0.26, 0.14]);
/** A stem that begins low on the left and rises to a point. */
const rising = ({ f }: Lines, x: number): Stroke => curve([x - 0.2, 0.15], [x - 0.15, f], [x - 0.09, 0.18], [x - 0.04, 0.55], [x, 0.98]); // prettier-ignore
const bowl = ({ tall }: Lines): Stroke => curve([0.02, 0.7], [0.06, 0.88], [0.25, tall], [0.45, 0.88], [0.48, 0.68], [0.36, 0.5], [0.16, 0.46]); // prettier-ignore
const ring = ({ f, tall }: Lines, cx: number, rx: number): Stroke => ({
  ...through(...arc(cx, (f + tall) / 2, rx, (tall - f) / 2, 90, 450, 0.04)),
  closed: true,
});

export const SCRIPT_CAPITALS: Readonly<Record<string, Draw>> = {
  A: leads((l) => [0.74, curve([0.16, 0.34], [0.33, 0.32], [0.5, 0.36]), curve([0.04, 0.16], [0.08, l.f], [0.16, 0.12], [0.3, 0.5], [0.46, 0.97]), leading(l, 0.5, 1)], 0.4), // prettier-ignore
  B: stands((l) => [
    0.54,
    curve([0.02, 0.7], [0.06, 0.88], [0.24, l.tall], [0.42, 0.88], [0.44, 0.7], [0.28, 0.53], [0.44, 0.45], [0.5, 0.25], [0.36, l.f], [0.16, l.f + 0.02], [0.05, 0.16]), // prettier-ignore
    curve([0.17, 0.88], [0.17, 0.5], [0.15, 0]),
  ]),
  C: leads((l) => [0.62, curve([0.5, 0.7], [0.53, 0.86], [0.4, l.tall], [0.18, 0.82], [0.06, 0.46], [0.16, 0.14], [0.34, l.f], [0.5, 0.5 * l.c], [0.62, l.c])], 0.36), // prettier-ignore
  D: stands((l) => [
    0.64,
    curve([0.02, 0.7], [0.08, 0.88], [0.26, l.tall], [0.5, 0.82], [0.58, 0.48], [0.48, 0.16], [0.26, l.f], [0.1, 0.1], [0.05, 0.22]),
    curve([0.18, 0.88], [0.18, 0.5], [0.17, 0.1]),
  ]),
  E: leads((l) => [0.56, curve([0.45, 0.74], [0.45, 0.88], [0.32, l.tall], [0.15, 0.86], [0.14, 0.66], [0.31, 0.53], [0.12, 0.42], [0.05, 0.22], [0.18, l.f], [0.34, 0.25 * l.c], [0.46, 0.62 * l.c], [0.56, l.c])], 0.3), // prettier-ignore
  F: stands((l) => [0.6, roof(l, 0.58), curve([0.17, 0.45], [0.3, 0.49], [0.46, 0.47]), hooked(l, 0.32)], 0.32),
  G: leads((l) => [
    0.76,
    curve([0.5, 0.72], [0.52, 0.87], [0.38, l.tall], [0.17, 0.82], [0.06, 0.48], [0.14, 0.18], [0.3, 0.12], [0.44, 0.24], [0.52, 0.44]),
    leading(l, 0.52, 0.5),
  ], 0.34), // prettier-ignore
  H: leads((l) => [0.78, curve([0.17, 0.47], [0.34, 0.51], [0.54, 0.49]), curledStem(0.17), leading(l, 0.54, 1)], 0.36),
  I: leads((l) => [0.5, roof(l, 0.44), leading(l, 0.26, 0.9)], 0.26),
  J: stands((l) => [0.46, roof(l, 0.44), curve([0.28, 0.9], [0.28, 0.4], [0.28, 0.0], [0.22, -0.2], [0.09, l.low], [0.0, -0.16])], 0.26), // prettier-ignore
  K: leads((l) => [
    0.72,
    curve([0.26, 0.56], [0.37, 0.34], [0.45, 0.13], [0.55, l.f], [0.64, 0.5 * l.c], [0.72, l.c]),
    curve([0.54, 0.97], [0.36, 0.66], [0.16, 0.46]),
    curledStem(0.17),
  ], 0.34), // prettier-ignore
  L: leads((l) => [
    0.62,
    curve([0.02, 0.13], [0.08, l.f], [0.22, 0.1], [0.38, l.f], [0.51, 0.5 * l.c], [0.62, l.c]),
    curve([0.4, 0.76], [0.4, 0.9], [0.29, l.tall], [0.2, 0.8], [0.19, 0.5], [0.17, 0.24], [0.1, 0.08]),
  ], 0.26), // prettier-ignore
  M: leads((l) => [
    0.96,
    curve([0.24, 0.98], [0.3, 0.6], [0.37, 0.28], [0.42, 0.12]),
    curve([0.42, 0.12], [0.52, 0.5], [0.68, 0.97]),
    rising(l, 0.24),
    leading(l, 0.72, 1),
  ], 0.46), // prettier-ignore
  N: stands((l) => [
    0.74,
    curve([0.24, 0.98], [0.32, 0.62], [0.43, 0.24], [0.5, l.f]),
    rising(l, 0.24),
    curve([0.5, l.f], [0.53, 0.4], [0.56, 0.78], [0.64, l.tall], [0.72, 0.85]),
  ]),
  O: stands((l) => [0.62, ring(l, 0.31, 0.25)]),
  P: stands((l) => [0.54, bowl(l), curve([0.17, 0.88], [0.17, 0.5], [0.15, 0])]),
  Q: leads((l) => [0.74, curve([0.3, 0.2], [0.42, 0.13], [0.54, l.f], [0.65, 0.5 * l.c], [0.74, l.c]), ring(l, 0.31, 0.25)], 0.31),
  R: leads((l) => [
    0.7,
    curve([0.3, 0.5], [0.37, 0.3], [0.44, 0.12], [0.53, l.f], [0.62, 0.5 * l.c], [0.7, l.c]),
    bowl(l),
    curve([0.17, 0.88], [0.17, 0.5], [0.15, 0]),
  ], 0.3), // prettier-ignore
  S: stands((l) => [0.52, curve([0.47, 0.74], [0.46, 0.88], [0.34, l.tall], [0.19, 0.87], [0.18, 0.7], [0.34, 0.53], [0.44, 0.33], [0.36, 0.11], [0.2, l.f], [0.06, 0.12], [0.04, 0.26])]), // prettier-ignore
  T: stands((l) => [0.64, roof(l, 0.62), hooked(l, 0.36)]),
  U: leads((l) => [
    0.78,
    curve([0.04, 0.76], [0.09, 0.89], [0.16, 0.84], [0.17, 0.5], [0.2, 0.18], [0.32, l.f], [0.46, 0.18], [0.54, 0.46]),
    leading(l, 0.54, 1),
  ], 0.36), // prettier-ignore
  V: stands((l) => [0.64, curve([0.04, 0.76], [0.09, 0.89], [0.15, 0.84], [0.21, 0.46], [0.3, l.f], [0.4, 0.42], [0.48, 0.78], [0.56, l.tall], [0.63, 0.84])]), // prettier-ignore
  W: stands((l) => [
    0.9,
    curve([0.04, 0.76], [0.09, 0.89], [0.14, 0.84], [0.18, 0.44], [0.26, l.f], [0.36, 0.4], [0.44, 0.74]),
    curve([0.44, 0.74], [0.47, 0.36], [0.55, l.f], [0.65, 0.42], [0.73, 0.78], [0.81, l.tall], [0.88, 0.84]),
  ]),
  X: leads((l) => [
    0.7,
    curve([0.56, 0.97], [0.44, 0.78], [0.2, 0.26], [0.07, 0.03]),
    curve([0.04, 0.78], [0.1, 0.9], [0.18, 0.82], [0.33, 0.5], [0.46, 0.16], [0.55, l.f], [0.63, 0.5 * l.c], [0.7, l.c]),
  ], 0.32), // prettier-ignore
  Y: stands((l) => [
    0.58,
    curve([0.04, 0.76], [0.09, 0.89], [0.16, 0.84], [0.17, 0.62], [0.23, 0.43], [0.36, 0.42], [0.47, 0.54], [0.52, 0.7]),
    curve([0.52, 1], [0.52, 0.4], [0.52, 0.04], [0.45, -0.2], [0.31, l.low], [0.18, -0.16]),
  ]),
  Z: leads((l) => [
    0.62,
    curve([0.06, 0.76], [0.12, 0.9], [0.28, 0.92], [0.52, l.tall]),
    curve([0.08, l.f], [0.2, 0.1], [0.38, l.f], [0.51, 0.5 * l.c], [0.62, l.c]),
    through([0.52, l.tall], [0.08, l.f]),
  ], 0.3), // prettier-ignore
};
