import { movedBy, turnedAbout } from '@/core/editing/transform';
import { multiply, type Matrix } from '@/core/geometry/path';
import type { Bounds, Point } from '@/core/geometry/point';
import { middleOf } from '../chosenBox';

/** Where a grip stands on the box: at a side or corner, -1 to 1 from its middle; or the knob that turns. */
export interface Grip {
  name: string;
  across: -1 | 0 | 1;
  down: -1 | 0 | 1;
  does: 'turn' | 'scale' | 'stretch';
}

export const TURN: Grip = { name: 'Turn about its middle', across: 0, down: -1, does: 'turn' };
export const CORNERS: readonly Grip[] = [
  { name: 'Scale about its middle', across: 1, down: 1, does: 'scale' },
  { name: 'Scale about its middle, upper left', across: -1, down: -1, does: 'scale' },
  { name: 'Scale about its middle, upper right', across: 1, down: -1, does: 'scale' },
  { name: 'Scale about its middle, lower left', across: -1, down: 1, does: 'scale' },
];
export const SIDES: readonly Grip[] = [
  { name: 'Wider or narrower', across: 1, down: 0, does: 'stretch' },
  { name: 'Wider or narrower, left', across: -1, down: 0, does: 'stretch' },
  { name: 'Taller or lower', across: 0, down: 1, does: 'stretch' },
];

/** No side is drawn smaller than a stitch can lie, mm, nor larger than so many times. */
const LEAST_MM = 0.5;
const MOST_TIMES = 20;
const STEP_DEGREES = 15;
const ROUND_DEGREES = 0.5;

/** What a drag comes to: a map, and a figure for people. */
export interface Shaping {
  map: Matrix;
  degrees: number;
  /** Times as wide and as tall. */
  across: number;
  down: number;
}

/** Turned by so many degrees, counter-clockwise as seen, about the middle of a box. */
export const turned = (box: Bounds, degrees: number): Shaping => ({
  map: turnedAbout(middleOf(box), degrees),
  degrees,
  across: 1,
  down: 1,
});

/** Made so many times as wide and as tall about the middle of a box, within what can be sewn. */
export function scaled(box: Bounds, across: number, down: number): Shaping {
  const { x, y } = middleOf(box);
  const [a, d] =
    across === down
      ? ((k) => [k, k])(within(across, Math.max(box.maxX - box.minX, box.maxY - box.minY)))
      : [within(across, box.maxX - box.minX), within(down, box.maxY - box.minY)];
  return { map: multiply(movedBy(x, y), multiply([a, 0, 0, d, 0, 0], movedBy(-x, -y))), degrees: 0, across: a, down: d };
}

const within = (factor: number, mm: number): number =>
  factor === 1 ? 1 : Math.min(MOST_TIMES, Math.max(mm > 0 ? LEAST_MM / mm : 1, factor));

/**
 * What dragging a grip from one place to another comes to.
 * @param even with Shift: turns go by steps of 15 degrees
 */
export function shaping(grip: Grip, box: Bounds, from: Point, to: Point, even: boolean): Shaping {
  const middle = middleOf(box);
  if (grip.does === 'turn') return turned(box, degreesOf(middle, from, to, even));
  const [halfX, halfY] = [(box.maxX - box.minX) / 2, (box.maxY - box.minY) / 2];
  const [x, y] = [grip.across * halfX, grip.down * halfY];
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  if (grip.does === 'scale') {
    const k = 1 + (dx * x + dy * y) / (x * x + y * y || 1);
    return scaled(box, k, k);
  }
  return grip.across !== 0 ? scaled(box, 1 + dx / (x || 1), 1) : scaled(box, 1, 1 + dy / (y || 1));
}

function degreesOf(middle: Point, from: Point, to: Point, even: boolean): number {
  const of = (p: Point): number => (-Math.atan2(p.y - middle.y, p.x - middle.x) * 180) / Math.PI;
  const by = ((((of(to) - of(from) + 180) % 360) + 360) % 360) - 180;
  const step = even ? STEP_DEGREES : ROUND_DEGREES;
  return Math.round(by / step) * step;
}
