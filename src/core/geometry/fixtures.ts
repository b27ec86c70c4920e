import { cos, PI, sin } from '../units/trig';
import type { Point } from './point';

/** A rectangle by its upper left corner and sides, mm; a square when one is given. */
export const box = (x: number, y: number, w: number, h = w): Point[] => [
  { x, y },
  { x: x + w, y },
  { x: x + w, y: y + h },
  { x, y: y + h },
];

/** A point by its distance and direction from the middle, degrees. */
export const polar = (r: number, deg: number): Point => ({ x: r * cos((deg * PI) / 180), y: r * sin((deg * PI) / 180) });

/** A disc of many sides. */
export const disc = (r: number, cx = 0, sides = 96): Point[] =>
  Array.from({ length: sides }, (_, i) => polar(r, (i * 360) / sides)).map((p) => ({ x: p.x + cx, y: p.y }));

/** An outline turned about the middle. */
export const turned = (ring: readonly Point[], deg: number): Point[] => {
  const a = polar(1, deg);
  return ring.map((p) => ({ x: p.x * a.x - p.y * a.y, y: p.x * a.y + p.y * a.x }));
};
