import { apply, multiply, type Matrix } from '../../geometry/path';
import type { CopyPlace } from '../../document/types';
import type { Point } from '../../geometry/point';
import { movedBy, turnedAbout } from '../../editing/transform';

const MIRRORED: Matrix = [-1, 0, 0, 1, 0, 0];
const QUARTERS: Record<number, Matrix> = {
  0: [1, 0, 0, 1, 0, 0],
  90: [0, -1, 1, 0, 0, 0],
  180: [-1, 0, 0, -1, 0, 0],
  270: [0, 1, -1, 0, 0, 0],
};

/** Takes the design's own places to those of the copy; quarter turns are exact. */
export function copyMatrix({ x, y, turn, mirror }: CopyPlace): Matrix {
  const turned = QUARTERS[((turn % 360) + 360) % 360] ?? turnedAbout({ x: 0, y: 0 }, turn);
  return multiply(movedBy(x, y), mirror ? multiply(turned, MIRRORED) : turned);
}

export const placedPoint = (m: Matrix, p: Point): Point => apply(m, p);
