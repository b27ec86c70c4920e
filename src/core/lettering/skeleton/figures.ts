import { arc, dot, frame, glyph, oval, slanting, stem, through, type Draw } from '../glyph';

const level = (y: number, from: number, to: number) => through([from, y], [to, y]);

/** Dots on the base line and above it stand so far in from the left, in stroke widths. */
const DOT = 0.6;

export const FIGURES: Readonly<Record<string, Draw>> = {
  '0': (p) => {
    const { width, left, right, mid, top } = frame(p, 0.62);
    return glyph(width, oval(mid, 0.5, (right - left) / 2, top - 0.5 + p.over, p.square));
  },
  '1': (p) => {
    const { width, right } = frame(p, 0.36);
    return glyph(width, slanting([0, 0.72], [right, 1], 0, 1, p.w), stem(right, 0, 1));
  },
  '2': (p) => {
    const { width, left, right, mid, top, foot } = frame(p, 0.6);
    const rx = (right - left) / 2;
    const ry = 0.27;
    const crown = arc(mid, top + p.over - ry, rx, ry, 165, -20, p.square);
    return glyph(width, level(foot, width, left), through(...crown, [left + p.w * 0.2, foot]));
  },
  '3': (p) => {
    const { width, left, right, mid, top, foot } = frame(p, 0.6);
    const waist = 0.52;
    const rx = (right - left) / 2;
    const [up, down] = [(top + p.over - waist) / 2, (waist - foot + p.over) / 2];
    return glyph(
      width,
      through(...arc(mid, waist - down, rx, down, 90, -155, p.square)),
      through(...arc(mid, waist + up, rx * 0.93, up, 155, -90, p.square), [mid - rx * 0.35, waist]),
    );
  },
  '4': (p) => {
    const { width, right } = frame(p, 0.68);
    const x = right - 0.1;
    const bar = 0.28;
    return glyph(width, level(bar, width, p.w * 0.35), slanting([p.w * 0.35, bar - p.w / 2], [x, 1], bar - p.w / 2, 1, p.w), stem(x, 0, 1));
  },
  '5': (p) => {
    const { width, left, right, top, foot } = frame(p, 0.6);
    const ry = 0.31;
    const cx = left + (right - left) * 0.4;
    const bowl = arc(cx, foot - p.over + ry, right - cx, ry, 132, -140, p.square);
    return glyph(width, level(top, width * 0.94, left), through(...bowl), stem(left, 0.5, 1));
  },
  '6': (p) => {
    const { width, left, right, mid, top, foot } = frame(p, 0.62);
    const rx = (right - left) / 2;
    const ry = 0.29;
    const cy = foot - p.over + ry;
    const back = arc(mid + rx * 0.35, cy, rx * 1.35, top + p.over - cy, 62, 180, p.square);
    return glyph(width, through(...back), oval(mid, cy, rx, ry, p.square));
  },
  '7': (p) => {
    const { width, top } = frame(p, 0.6);
    return glyph(width, level(top, 0, width), slanting([width * 0.34, 0], [width - p.w * 0.62, 1], 0, 1, p.w));
  },
  '8': (p) => {
    const { width, left, right, mid, top, foot } = frame(p, 0.62);
    const waist = 0.54;
    const rx = (right - left) / 2;
    const [up, down] = [(top + p.over - waist) / 2, (waist - foot + p.over) / 2];
    return glyph(width, oval(mid, waist + up, rx * 0.9, up, p.square), oval(mid, waist - down, rx, down, p.square));
  },
  '9': (p) => {
    const { width, left, right, mid, top, foot } = frame(p, 0.62);
    const rx = (right - left) / 2;
    const ry = 0.29;
    const cy = top + p.over - ry;
    const back = arc(mid - rx * 0.35, cy, rx * 1.35, cy - foot + p.over, 242, 360, p.square);
    return glyph(width, through(...back), oval(mid, cy, rx, ry, p.square));
  },
};

export const MARKS: Readonly<Record<string, Draw>> = {
  '.': (p) => glyph(p.w * 1.2, dot(p.w * DOT, p.w * 0.6, p.w)),
  ',': (p) => glyph(p.w * 1.2, through([p.w * 0.75, p.w * 1.1], [p.w * 0.35, -p.w * 0.9])),
  ':': (p) => glyph(p.w * 1.2, dot(p.w * DOT, p.w * 0.6, p.w), dot(p.w * DOT, p.x - p.w * 0.6, p.w)),
  ';': (p) => glyph(p.w * 1.2, through([p.w * 0.75, p.w * 1.1], [p.w * 0.35, -p.w * 0.9]), dot(p.w * DOT, p.x - p.w * 0.6, p.w)),
  '!': (p) => glyph(p.w * 1.2, dot(p.w * DOT, p.w * 0.6, p.w), stem(p.w * DOT, p.w * 1.9, 1)),
  '?': (p) => {
    const { width, left, right, mid, top } = frame(p, 0.52);
    const rx = (right - left) / 2;
    return glyph(
      width,
      dot(mid, p.w * 0.6, p.w),
      through(...arc(mid, top + p.over - 0.24, rx, 0.24, 165, -58, p.square), [mid, 0.4], [mid, p.w * 1.9]),
    );
  },
  '-': (p) => glyph(0.34 * p.wide, level(0.42, 0, 0.34 * p.wide)),
  '–': (p) => glyph(0.5 * p.wide, level(0.42, 0, 0.5 * p.wide)),
  _: (p) => glyph(0.5, level(-p.w, 0, 0.5)),
  '+': () => glyph(0.56, level(0.46, 0, 0.56), stem(0.28, 0.18, 0.74)),
  '=': (p) => glyph(0.5, level(0.34, 0, 0.5), level(0.34 + 1.9 * p.w, 0, 0.5)),
  '/': (p) => glyph(0.5, slanting([p.w * 0.6, 0], [0.5 - p.w * 0.6, 1], 0, 1, p.w)),
  "'": (p) => glyph(p.w, stem(p.w / 2, 0.68, 1)),
  '’': (p) => glyph(p.w * 1.2, through([p.w * 0.75, 1], [p.w * 0.35, 0.66])),
  '"': (p) => glyph(p.w * 2.8, stem(p.w / 2, 0.68, 1), stem(p.w * 2.3, 0.68, 1)),
  '(': (p) => glyph(0.26, through(...arc(0.26 + 0.14, 0.44, 0.4 - p.w / 2, 0.64, 112, 248))),
  ')': (p) => glyph(0.26, through(...arc(-0.14, 0.44, 0.4 - p.w / 2, 0.64, 68, -68))),
  '#': () => glyph(0.74, level(0.34, 0, 0.74), level(0.66, 0, 0.74), stem(0.24, 0.02, 0.98), stem(0.5, 0.02, 0.98)),
  '&': (p) => {
    const { width, left } = frame(p, 0.78);
    const top = 1 - p.w / 2 + p.over;
    const [cx, rx, ry] = [left + 0.24, 0.17, 0.2];
    const loop = arc(cx, top - ry, rx, ry, -60, 215, p.square);
    const belly = arc(left + 0.25, p.w / 2 - p.over + 0.26, 0.25, 0.26, 118, 350, p.square);
    return glyph(width, through(...belly, [width - p.w * 0.5, 0.52]), through(...loop, [width - p.w * 0.5, 0.02]));
  },
  '@': (p) =>
    glyph(
      0.9,
      oval(0.45, 0.46, 0.14, 0.17),
      through(...arc(0.45, 0.44, 0.45 - p.w / 2, 0.54 - p.w / 2, -46, 300)),
      through([0.62, 0.64], [0.62, 0.28]),
    ),
  '€': (p) => {
    const { left, right, mid, top } = frame(p, 0.7);
    const round = through(...arc(mid + 0.06, 0.5, (right - left) / 2, top - 0.5 + p.over, 48, 312, p.square));
    return glyph(0.78 * p.wide, level(0.6, 0, 0.5 * p.wide), level(0.6 - 1.7 * p.w, 0, 0.47 * p.wide), round);
  },
};
