import type { Point } from '../../geometry/point';

/** A projective map of the plane: nine numbers, row by row. */
export type Homography = readonly [number, number, number, number, number, number, number, number, number];

export const mapped = (h: Homography, { x, y }: Point): Point => {
  const w = h[6] * x + h[7] * y + h[8];
  return { x: (h[0] * x + h[1] * y + h[2]) / w, y: (h[3] * x + h[4] * y + h[5]) / w };
};

/** First `b`, then `a`. */
export function composed(a: Homography, b: Homography): Homography {
  const out: number[] = [];
  for (let r = 0; r < 3; r++)
    for (let c = 0; c < 3; c++) out.push(a[3 * r]! * b[c]! + a[3 * r + 1]! * b[3 + c]! + a[3 * r + 2]! * b[6 + c]!);
  return out as unknown as Homography;
}

/** The way back, up to a factor, which changes nothing. */
export function inverse([a, b, c, d, e, f, g, h, i]: Homography): Homography {
  return [
    e * i - f * h,
    c * h - b * i,
    b * f - c * e,
    f * g - d * i,
    a * i - c * g,
    c * d - a * f,
    d * h - e * g,
    b * g - a * h,
    a * e - b * d,
  ];
}

export const scaled = (x: number, y: number): Homography => [x, 0, 0, 0, y, 0, 0, 0, 1];
export const shifted = (x: number, y: number): Homography => [1, 0, x, 0, 1, y, 0, 0, 1];

/** Whether four places, in turn, are the corners of a shape that bulges everywhere: only such a one can be a rectangle seen aslant. */
export function isConvex(corners: readonly Point[]): boolean {
  const turns = corners.map((p, i) => {
    const [q, r] = [corners[(i + 1) % 4]!, corners[(i + 2) % 4]!];
    return (q.x - p.x) * (r.y - q.y) - (q.y - p.y) * (r.x - q.x);
  });
  return turns.every((t) => t > FLAT) || turns.every((t) => t < -FLAT);
}
const FLAT = 1e-6;

/** Takes the unit square (from its upper left corner, clockwise) to four corners (Heckbert 1989, §2.2.3). */
export function squareToQuad([p0, p1, p2, p3]: readonly [Point, Point, Point, Point]): Homography {
  const [sx, sy] = [p0.x - p1.x + p2.x - p3.x, p0.y - p1.y + p2.y - p3.y];
  const [dx1, dx2, dy1, dy2] = [p1.x - p2.x, p3.x - p2.x, p1.y - p2.y, p3.y - p2.y];
  const det = dx1 * dy2 - dx2 * dy1;
  const g = (sx * dy2 - dx2 * sy) / det;
  const h = (dx1 * sy - sx * dy1) / det;
  return [p1.x - p0.x + g * p1.x, p3.x - p0.x + h * p3.x, p0.x, p1.y - p0.y + g * p1.y, p3.y - p0.y + h * p3.y, p0.y, g, h, 1];
}
