import { Role } from '../../stitches/roles';
import { eachStitch } from '../../stitches/stitches';
import { perPiece, type Check } from '../check';

/** Below this threads break and nests form, mm (craft §3: 0.3 is the floor). */
const FLOOR_MM = 0.3;
/** A few in a thousand at seams do no harm. */
const SHARE = 0.01;
const LEAST = 3;

export const stitchTooShort: Check = {
  rule: 'stitch-too-short',
  severity: 'warn',
  title: 'Many stitches under 0.3 mm',
  find: perPiece(({ index }, { plan }) => {
    const { from, to } = plan.pieces[index]!;
    let [short, all, shortest, at] = [0, 0, FLOOR_MM, from];
    eachStitch(plan, from + 1, to, (i, length) => {
      if (plan.role[i] === Role.tie || plan.role[i - 1] === Role.tie) return;
      all++;
      if (length < FLOOR_MM) short++;
      if (length < shortest) [shortest, at] = [length, i];
    });
    if (short < LEAST || short < all * SHARE) return null;
    return {
      at: { x: plan.x[at]!, y: plan.y[at]! },
      measured: shortest,
      limit: FLOOR_MM,
      unit: 'mm',
      limitFrom: 'below it threads break and nest',
      message: `${short} of ${all} stitches are shorter than ${FLOOR_MM} mm: threads break and nests form.`,
    };
  }),
};
