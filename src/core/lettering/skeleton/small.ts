import { arc, dot, frame, glyph, oval, slanting, stem, through, type Draw, type Frame, type Proportions } from '../glyph';
import { spine } from './capitals';

const box = (p: Proportions, width: number): Frame => frame(p, width, p.x);

/** Where an arch leaves its stem, degrees: just inside the stem's edge. */
const SPRING = 158;

/** A bowl at a stem on its left (side 1) or right (-1): both ends run into the stem. */
function bowl(p: Proportions, width: number, side: 1 | -1) {
  const { left, right, mid, top, foot } = box(p, width);
  const [rx, ry] = [(right - left) / 2, (top - foot) / 2 + p.over];
  const cy = (top + foot) / 2;
  const points = arc(mid, cy, rx, ry, SPRING, -SPRING, p.square);
  return through(...points.map(([x, y]): [number, number] => [side === 1 ? x : 2 * mid - x, y]));
}

/** An arch from the stem at x over to a stem of its own that ends at the base line. */
function arch(p: Proportions, from: number, to: number) {
  const [cx, rx, top] = [(from + to) / 2, (to - from) / 2, p.x - p.w / 2];
  const ry = Math.min(rx * 1.1, p.x * 0.5) + p.over;
  return through(...arc(cx, top + p.over - ry, rx, ry, SPRING, 0, p.square), [to, 0]);
}

export const SMALL: Readonly<Record<string, Draw>> = {
  a: (p) => {
    const { width, right } = box(p, 0.58);
    return glyph(width, bowl(p, 0.58, -1), stem(right, 0, p.x));
  },
  b: (p) => glyph(box(p, 0.58).width, bowl(p, 0.58, 1), stem(p.w / 2, 0, 1)),
  c: (p) => {
    const { width, left, right, mid, top, foot } = box(p, 0.54);
    return glyph(width, through(...arc(mid, (top + foot) / 2, (right - left) / 2, (top - foot) / 2 + p.over, 48, 312, p.square)));
  },
  d: (p) => {
    const { width, right } = box(p, 0.58);
    return glyph(width, bowl(p, 0.58, -1), stem(right, 0, 1));
  },
  e: (p) => {
    const { width, left, right, mid, top, foot } = box(p, 0.58);
    const [cy, ry] = [(top + foot) / 2, (top - foot) / 2 + p.over];
    // Thinner and lower than the middle, since only what lies above it is closed.
    const bar = cy - 0.035;
    return glyph(
      width,
      { ...through([left, bar], [right, bar]), width: 0.75 },
      through([right, bar - p.w * 0.36], ...arc(mid, cy, (right - left) / 2, ry, 0, 318, p.square)),
    );
  },
  f: (p) => {
    const { width, left } = box(p, 0.42);
    const x = left + 0.1;
    const rx = Math.max(0.12, width - p.w * 0.3 - x);
    return glyph(
      width,
      through([0, p.x - p.w / 2], [width * 0.92, p.x - p.w / 2]),
      through([x, 0], ...arc(x + rx, 1 - p.w / 2 - rx, rx, rx, 180, 78, p.square)),
    );
  },
  g: (p) => {
    const { width, left, right } = box(p, 0.58);
    const rx = (right - left) / 2;
    const ry = Math.min(rx, -p.below * 0.8);
    return glyph(width, bowl(p, 0.58, -1), through([right, p.x], ...arc(right - rx, p.below + p.w / 2 + ry, rx, ry, 0, -158, p.square)));
  },
  h: (p) => {
    const { width, left, right } = box(p, 0.56);
    return glyph(width, arch(p, left, right), stem(left, 0, 1));
  },
  i: (p) => glyph(p.w * 1.2, dot(p.w * 0.6, Math.min(0.94, p.x + p.w * 1.25), p.w), stem(p.w * 0.6, 0, p.x)),
  ı: (p) => glyph(p.w, stem(p.w / 2, 0, p.x)),
  j: (p) => {
    const { width, right } = box(p, 0.34);
    const rx = right - p.w * 0.3;
    const ry = Math.min(rx, -p.below * 0.8);
    const hook = through([right, p.x], ...arc(right - rx, p.below + p.w / 2 + ry, rx, ry, 0, -100, p.square));
    return glyph(width, dot(right, Math.min(0.94, p.x + p.w * 1.25), p.w), hook);
  },
  k: (p) => {
    const { width, left } = box(p, 0.56);
    const [a, b] = [[left, p.x * 0.36], [width - p.w * 0.6, p.x]] as const; // prettier-ignore
    const knee: [number, number] = [a[0] + (b[0] - a[0]) * 0.34, a[1] + (b[1] - a[1]) * 0.34];
    return glyph(width, slanting(knee, [width - p.w * 0.6, 0], 0, p.x, p.w), slanting(a, b, 0, p.x, p.w), stem(left, 0, 1));
  },
  l: (p) => glyph(p.w, stem(p.w / 2, 0, 1)),
  m: (p) => {
    const { width, left, right, mid } = box(p, 0.88);
    return glyph(width, arch(p, left, mid), arch(p, mid, right), stem(left, 0, p.x));
  },
  n: (p) => {
    const { width, left, right } = box(p, 0.56);
    return glyph(width, arch(p, left, right), stem(left, 0, p.x));
  },
  o: (p) => {
    const { width, left, right, mid, top, foot } = box(p, 0.58);
    return glyph(width, oval(mid, (top + foot) / 2, (right - left) / 2, (top - foot) / 2 + p.over, p.square));
  },
  p: (p) => glyph(box(p, 0.58).width, bowl(p, 0.58, 1), stem(p.w / 2, p.below, p.x)),
  q: (p) => {
    const { width, right } = box(p, 0.58);
    return glyph(width, bowl(p, 0.58, -1), stem(right, p.below, p.x));
  },
  r: (p) => {
    const { width, left } = box(p, 0.4);
    const rx = Math.max(0.16, (width - p.w * 0.3 - left) / 1.6);
    const ry = Math.min(rx * 1.1, p.x * 0.5) + p.over;
    return glyph(width, through(...arc(left + rx, p.x - p.w / 2 + p.over - ry, rx, ry, SPRING, 52, p.square)), stem(left, 0, p.x));
  },
  s: (p) => glyph(box(p, 0.5).width, spine(p, 0.5, 0, p.x, 30)),
  t: (p) => {
    const { width, left } = box(p, 0.42);
    const x = left + 0.08;
    const rx = Math.max(0.12, width - p.w * 0.3 - x);
    return glyph(
      width,
      through([0, p.x - p.w / 2], [width * 0.94, p.x - p.w / 2]),
      through([x, 0.9], ...arc(x + rx, p.w / 2 + rx, rx, rx, 180, 282, p.square)),
    );
  },
  u: (p) => {
    const { width, left, right, mid, foot } = box(p, 0.56);
    const rx = (right - left) / 2;
    const ry = Math.min(rx * 1.1, p.x * 0.5) + p.over;
    return glyph(
      width,
      through([left, p.x], ...arc(mid, foot - p.over + ry, rx, ry, 180, 360 - 180 + SPRING, p.square)),
      stem(right, 0, p.x),
    );
  },
  v: (p) => {
    const { width, mid } = box(p, 0.6);
    return glyph(width, slanting([p.w * 0.58, p.x], [mid, 0], 0, p.x, p.w), slanting([width - p.w * 0.58, p.x], [mid, 0], 0, p.x, p.w));
  },
  w: (p) => {
    const { width, mid } = box(p, 0.88);
    const side = p.w * 0.56;
    const [a, b] = [side + (mid - side) * 0.52, width - side - (mid - side) * 0.52];
    return glyph(
      width,
      slanting([a, 0], [mid, p.x], 0, p.x, p.w),
      slanting([b, 0], [mid, p.x], 0, p.x, p.w),
      slanting([side, p.x], [a, 0], 0, p.x, p.w),
      slanting([width - side, p.x], [b, 0], 0, p.x, p.w),
    );
  },
  x: (p) => {
    const { width } = box(p, 0.58);
    const side = p.w * 0.65;
    return glyph(width, slanting([side, p.x], [width - side, 0], 0, p.x, p.w), slanting([side, 0], [width - side, p.x], 0, p.x, p.w));
  },
  y: (p) => {
    const { width, mid } = box(p, 0.6);
    const foot = mid - ((width - p.w * 0.58 - mid) / p.x) * -p.below;
    return glyph(
      width,
      slanting([p.w * 0.58, p.x], [mid, 0], p.below, p.x, p.w),
      slanting([width - p.w * 0.58, p.x], [foot, p.below], p.below, p.x, p.w),
    );
  },
  z: (p) => {
    const { width, top, foot } = box(p, 0.52);
    const side = p.w * 0.75;
    return glyph(
      width,
      through([0, top], [width - side, top]),
      through([width, foot], [side, foot]),
      slanting([side, 0], [width - side, p.x], 0, p.x, p.w),
    );
  },
};
