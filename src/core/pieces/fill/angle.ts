import { resample } from '../../geometry/line';
import type { Area } from '../../geometry/point';
import { atan2, PI } from '../../units/trig';

/** Shapes less elongated than this have no shorter way. */
const ELONGATED = 1.25;
/** Direction for compact shapes, degrees: it differs from the cloth's own grain. */
const COMPACT_ANGLE = 45;
const STEP_DEG = 15;

/** Row direction that runs the shorter way of a long shape, to the nearest 15°; degrees, counter-clockwise on screen. */
export function proposeAngle(area: Area): number {
  const points = area.flatMap((ring) => resample([...ring, ring[0]!], 1));
  const n = points.length || 1;
  const mx = points.reduce((s, p) => s + p.x, 0) / n;
  const my = points.reduce((s, p) => s + p.y, 0) / n;
  let [xx, xy, yy] = [0, 0, 0];
  for (const p of points) {
    xx += (p.x - mx) ** 2;
    xy += (p.x - mx) * (p.y - my);
    yy += (p.y - my) ** 2;
  }
  const spread = Math.sqrt((xx - yy) ** 2 + 4 * xy * xy);
  const [long, short] = [(xx + yy + spread) / 2, (xx + yy - spread) / 2];
  if (short <= 0 || Math.sqrt(long / short) < ELONGATED) return COMPACT_ANGLE;
  const axis = (-atan2(2 * xy, xx - yy) / 2) * (180 / PI);
  const across = Math.round((axis + 90) / STEP_DEG) * STEP_DEG;
  return ((across % 180) + 180) % 180;
}
