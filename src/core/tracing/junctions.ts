import { distance, type Point } from '../geometry/point';
import { armOf } from './fit/arms';
import { Border } from './fit/corners';
import type { Chain, PlanarMap } from './planarMap';

/** Borders are looked along for so far, pixels, where they come to a node. */
const REACH = 6;
/** A node lies no farther than this from its lattice place, pixels; at slender wedges, whose tips the blur has taken, farther. */
const FARTHEST = 2.5;
const FARTHEST_IN_WEDGE = 8;
/** Weight of the lattice place beside one border's line. */
const HOLD = 0.02;

/** True places of the nodes: where the borders that come to each would meet, seen from outside the blur about it. */
export function nodePlaces({ chains, nodes }: PlanarMap, blur: number, size: { width: number; height: number }): Point[] {
  const sums = nodes.map((p) => ({ p, xx: HOLD, xy: 0, yy: HOLD, x: HOLD * p.x, y: HOLD * p.y }));
  const see = (node: number | null, { points }: Chain, step: 1 | -1): void => {
    if (node === null) return;
    const sum = sums[node]!;
    const border = new Border(points, false);
    const arm = armOf(border.stretch(step > 0 ? 0 : points.length - 1, step, blur, blur + REACH), sum.p);
    if (!arm || arm.points < 3) return;
    // The line's normal: squared distance from the line is (n · (p − m))².
    const n = { x: -arm.along.y, y: arm.along.x };
    const d = n.x * arm.at.x + n.y * arm.at.y;
    [sum.xx, sum.xy, sum.yy] = [sum.xx + n.x * n.x, sum.xy + n.x * n.y, sum.yy + n.y * n.y];
    [sum.x, sum.y] = [sum.x + n.x * d, sum.y + n.y * d];
  };
  for (const chain of chains) {
    see(chain.from, chain, 1);
    see(chain.to, chain, -1);
  }
  return sums.map(({ p, xx, xy, yy, x, y }) => {
    const det = xx * yy - xy * xy;
    const at = { x: (x * yy - y * xy) / det, y: (y * xx - x * xy) / det };
    // How well the lines' crossing is known along its worst direction: about the square of the sine of the angle between them.
    const sine = Math.sqrt(Math.max(0.01, det / ((xx + yy) / 2) ** 2));
    const held = distance(at, p) <= Math.min(FARTHEST_IN_WEDGE, FARTHEST / sine) ? at : p;
    return { x: onRim(p.x, size.width) ? p.x : held.x, y: onRim(p.y, size.height) ? p.y : held.y };
  });
}

const onRim = (v: number, size: number): boolean => v === 0 || v === size;
