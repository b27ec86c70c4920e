import { contains } from '../../geometry/area';
import { Role } from '../../stitches/roles';
import { eachStitch } from '../../stitches/stitches';
import { overFoam, type Check } from '../check';

/** One run along a column is needed to close its far end; ways beyond that and this press the foam flat, mm. */
const MOST_MM = 10;

export const foamTravel: Check = {
  rule: 'foam-travel',
  severity: 'warn',
  title: 'Travel over foam',
  find: overFoam(({ index, shape }, { plan }) => {
    let [length, longest, at] = [0, 0, 0];
    eachStitch(plan, plan.pieces[index]!.from, plan.x.length, (event, mm) => {
      if (plan.role[event] !== Role.travel) return;
      const middle = { x: (plan.x[event]! + plan.x[event - 1]!) / 2, y: (plan.y[event]! + plan.y[event - 1]!) / 2 };
      if (!contains(shape.painted, middle)) return;
      length += mm;
      if (mm > longest) [longest, at] = [mm, event];
    });
    const limit = MOST_MM + shape.areaMm2 / Math.max(1, shape.facts.widthMm);
    if (length <= limit) return null;
    return {
      at: { x: plan.x[at]!, y: plan.y[at]! },
      measured: length,
      limit,
      unit: 'mm',
      limitFrom: 'runs flatten foam',
      message: 'The needle runs over the foam and presses it flat along its way: draw the arms as columns of their own.',
    };
  }),
};
