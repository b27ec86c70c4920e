import { momentsOf } from './moments';
import type { Ring } from '../../geometry/point';
import { atan2, cos, PI, sin } from '../../units/trig';
import { toThousandths } from '../../units/rounded';

/** Axes that differ by less than this share are one: a circle. */
const CIRCLE = 0.08;
/** A quarter of a circle by one curve: its handles have this share of the radius. */
const QUARTER = 0.5522847498;

/** A ring as the ellipse of its area and its second moments; a circle where its axes are nearly the same. Path data. */
export function roundedRing(ring: Ring): string {
  const { area, at, xx, xy, yy } = momentsOf(ring);
  const turn = xx === yy && xy === 0 ? 0 : 0.5 * atan2(2 * xy, xx - yy);
  const half = Math.sqrt(((xx - yy) / 2) ** 2 + xy * xy);
  const [a, b] = [(xx + yy) / 2 + half, (xx + yy) / 2 - half].map((v) => Math.sqrt(Math.max(1e-9, v))) as [number, number];
  const ratio = a / b;
  // Of an ellipse the moments say how long it is; its area says how large.
  const radius = Math.sqrt(area / PI);
  const isCircle = ratio < 1 + CIRCLE;
  const [ra, rb] = isCircle ? [radius, radius] : [radius * Math.sqrt(ratio), radius / Math.sqrt(ratio)];
  const [c, s] = [cos(turn), sin(turn)];
  const written = (u: number, v: number): string => `${toThousandths(at.x + u * c - v * s)},${toThousandths(at.y + u * s + v * c)}`;
  const [ka, kb] = [QUARTER * ra, QUARTER * rb];
  return [
    `M${written(ra, 0)}`,
    `C${written(ra, kb)} ${written(ka, rb)} ${written(0, rb)}`,
    `C${written(-ka, rb)} ${written(-ra, kb)} ${written(-ra, 0)}`,
    `C${written(-ra, -kb)} ${written(-ka, -rb)} ${written(0, -rb)}`,
    `C${written(ka, -rb)} ${written(ra, -kb)} ${written(ra, 0)} Z`,
  ].join(' ');
}
