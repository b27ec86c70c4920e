import { hypot } from '../../units/trig';
import type { Check } from '../check';
import { planBounds } from '../../stitches/planBounds';

/** Farther off than this it is hooped wrong by eye, mm. */
const MOST_MM = 3;

export const offCentre: Check = {
  rule: 'off-centre',
  severity: 'note',
  title: 'Work away from the hoop’s centre',
  find({ plan }) {
    if (plan.x.length === 0) return [];
    const box = planBounds(plan);
    const middle = { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
    const away = hypot(middle.x, middle.y);
    if (away <= MOST_MM) return [];
    return [
      {
        pieces: [],
        at: middle,
        measured: away,
        limit: MOST_MM,
        unit: 'mm',
        limitFrom: 'hoops are marked by their centre',
        message: `The work’s middle lies ${away.toFixed(1)} mm from the hoop’s centre: placed by the hoop’s marks it would sit off.`,
      },
    ];
  },
};
