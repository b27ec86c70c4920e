import { arc, frame, glyph, oval, slanting, stem, through, type Draw, type Proportions } from '../glyph';

/** A bowl that leaves a stem at one height and comes back at another. */
function bowl(p: Proportions, width: number, high: number, low: number) {
  const { left, right } = frame(p, width);
  const ry = (high - low) / 2;
  const cx = Math.max(left + 0.12, right - Math.max(ry * 1.05, (right - left) * 0.62));
  return through([left, high], ...arc(cx, (high + low) / 2, right - cx, ry, 90, -90, p.square), [left, low]);
}

/** So far in from a stem's middle a slanting stroke ends that is not to reach beyond the stem's outer side. */
function inset({ w }: Proportions, across: number, high: number): number {
  const up = high / Math.sqrt(across * across + high * high);
  return (w / 2) * (1 / up - 1);
}

/** The two arcs of an S between heights, with how far its ends come round, degrees. */
export function spine(p: Proportions, width: number, low: number, high: number, open = 28) {
  const { left, right, mid } = frame(p, width);
  const [top, foot] = [high - p.w / 2 + p.over, low + p.w / 2 - p.over];
  const waist = foot + (top - foot) * 0.52;
  const rx = (right - left) / 2;
  const [up, down] = [(top - waist) / 2, (waist - foot) / 2];
  return through(
    ...arc(mid, waist + up, rx * 0.95, up, open, 270, p.square),
    ...arc(mid, waist - down, rx, down, 90, -180 + open, p.square).slice(1),
  );
}

/** A round letter open to the right between two angles. */
function round(p: Proportions, width: number, from: number, to: number) {
  const { left, right, mid, top } = frame(p, width);
  return through(...arc(mid, 0.5, (right - left) / 2, top - 0.5 + p.over, from, to, p.square));
}

export const CAPITALS: Readonly<Record<string, Draw>> = {
  A: (p) => {
    const { width, mid } = frame(p, 0.8);
    const low = 0.3;
    const at = (y: number): number => p.w * 0.56 + (mid - p.w * 0.56) * y;
    return glyph(
      width,
      through([at(low), low], [width - at(low), low]),
      slanting([p.w * 0.56, 0], [mid, 1], 0, 1, p.w),
      slanting([width - p.w * 0.56, 0], [mid, 1], 0, 1, p.w),
    );
  },
  B: (p) => {
    const { width, left, top, foot } = frame(p, 0.66);
    const waist = 0.53;
    return glyph(width, bowl(p, 0.66, waist, foot), bowl(p, 0.62, top, waist), stem(left));
  },
  C: (p) => glyph(frame(p, 0.7).width, round(p, 0.7, 46, 314)),
  D: (p) => {
    const { width, left, top, foot } = frame(p, 0.7);
    return glyph(width, bowl(p, 0.7, top, foot), stem(left));
  },
  E: (p) => {
    const { width, left, top, foot } = frame(p, 0.58);
    return glyph(width, through([width, top], [left, top]), through([width * 0.92, 0.52], [left, 0.52]), through([width, foot], [left, foot]), stem(left)); // prettier-ignore
  },
  F: (p) => {
    const { width, left, top } = frame(p, 0.56);
    return glyph(width, through([width, top], [left, top]), through([width * 0.9, 0.5], [left, 0.5]), stem(left));
  },
  G: (p) => {
    const { width, right, mid } = frame(p, 0.74);
    const bar = 0.44;
    return glyph(width, through([mid + 0.02, bar], [right, bar]), round(p, 0.74, 46, 322), through([right, bar + p.w / 2], [right, 0.14]));
  },
  H: (p) => {
    const { width, left, right } = frame(p, 0.7);
    return glyph(width, through([left, 0.52], [right, 0.52]), stem(left), stem(right));
  },
  I: (p) => glyph(p.w, stem(p.w / 2)),
  J: (p) => {
    const { width, left, right, foot } = frame(p, 0.5);
    const rx = (right - left) / 2;
    const ry = Math.max(rx, 0.24);
    return glyph(width, through([right, 1], ...arc(right - rx, foot - p.over + ry, rx, ry, 0, -165, p.square)));
  },
  K: (p) => {
    const { width, left } = frame(p, 0.68);
    const [ax, ay] = [width - p.w * 0.62, 1];
    const [bx, by] = [left, 0.36];
    const t = 0.3;
    const knee: [number, number] = [bx + (ax - bx) * t, by + (ay - by) * t];
    return glyph(width, slanting(knee, [width - p.w * 0.62, 0], 0, 1, p.w), slanting([bx, by], [ax, ay], 0, 1, p.w), stem(left));
  },
  L: (p) => {
    const { width, left, foot } = frame(p, 0.54);
    return glyph(width, through([width, foot], [left, foot]), stem(left));
  },
  M: (p) => {
    const { width, left, right, mid } = frame(p, 0.86);
    const dip = 0.22;
    const by = inset(p, mid - left, 1 - dip);
    return glyph(
      width,
      slanting([left + by, 1], [mid, dip], dip, 1, p.w),
      slanting([right - by, 1], [mid, dip], dip, 1, p.w),
      stem(left),
      stem(right),
    );
  },
  N: (p) => {
    const { width, left, right } = frame(p, 0.72);
    const by = inset(p, right - left, 1);
    return glyph(width, slanting([left + by, 1], [right - by, 0], 0, 1, p.w), stem(left), stem(right));
  },
  O: (p) => {
    const { width, left, right, mid, top } = frame(p, 0.76);
    return glyph(width, oval(mid, 0.5, (right - left) / 2, top - 0.5 + p.over, p.square));
  },
  P: (p) => {
    const { width, left, top } = frame(p, 0.64);
    return glyph(width, bowl(p, 0.64, top, 0.42), stem(left));
  },
  Q: (p) => {
    const { width, left, right, mid, top } = frame(p, 0.76);
    return glyph(
      width,
      oval(mid, 0.5, (right - left) / 2, top - 0.5 + p.over, p.square),
      through([mid + 0.06, 0.3], [width + 0.01, -0.04]),
    );
  },
  R: (p) => {
    const { width, left, right, top } = frame(p, 0.66);
    const waist = 0.44;
    return glyph(
      width,
      slanting([left + (right - left) * 0.45, waist], [width - p.w * 0.6, 0], 0, 1, p.w),
      bowl(p, 0.63, top, waist),
      stem(left),
    );
  },
  S: (p) => glyph(frame(p, 0.62).width, spine(p, 0.62, 0, 1)),
  T: (p) => {
    const { width, mid, top } = frame(p, 0.64);
    return glyph(width, through([0, top], [width, top]), stem(mid));
  },
  U: (p) => {
    const { width, left, right, mid, foot } = frame(p, 0.7);
    const ry = Math.max(0.28, (right - left) / 2);
    return glyph(width, through([left, 1], ...arc(mid, foot - p.over + ry, (right - left) / 2, ry, 180, 360, p.square), [right, 1]));
  },
  V: (p) => {
    const { width, mid } = frame(p, 0.78);
    return glyph(width, slanting([p.w * 0.56, 1], [mid, 0], 0, 1, p.w), slanting([width - p.w * 0.56, 1], [mid, 0], 0, 1, p.w));
  },
  W: (p) => {
    const { width, mid } = frame(p, 1.1);
    const side = p.w * 0.55;
    const [a, b] = [side + (mid - side) * 0.52, width - side - (mid - side) * 0.52];
    return glyph(
      width,
      slanting([a, 0], [mid, 1], 0, 1, p.w),
      slanting([b, 0], [mid, 1], 0, 1, p.w),
      slanting([side, 1], [a, 0], 0, 1, p.w),
      slanting([width - side, 1], [b, 0], 0, 1, p.w),
    );
  },
  X: (p) => {
    const { width } = frame(p, 0.74);
    const side = p.w * 0.62;
    return glyph(width, slanting([side, 1], [width - side, 0], 0, 1, p.w), slanting([side, 0], [width - side, 1], 0, 1, p.w));
  },
  Y: (p) => {
    const { width, mid } = frame(p, 0.74);
    const side = p.w * 0.58;
    const fork = 0.42;
    return glyph(
      width,
      slanting([side, 1], [mid, fork], 0, 1, p.w),
      slanting([width - side, 1], [mid, fork], 0, 1, p.w),
      stem(mid, 0, fork + 0.06),
    );
  },
  Z: (p) => {
    const { width, top, foot } = frame(p, 0.66);
    const side = p.w * 0.7;
    return glyph(
      width,
      through([0, top], [width - side, top]),
      through([width, foot], [side, foot]),
      slanting([side, 0], [width - side, 1], 0, 1, p.w),
    );
  },
};
