import { Command } from '../../stitches/roles';
import type { Check } from '../check';
import { holePeak } from '../../stitches/weight';

/** Penetrations on one square millimetre beyond which cloth is cut rather than pierced. */
const MOST_HOLES = 16;
const HALF_MM = 0.5;

export const holesCrowded: Check = {
  rule: 'holes-crowded',
  severity: 'warn',
  title: 'Many holes in one spot',
  find({ weight, recipe, plan, job }) {
    const limit = recipe.key === 'leather' ? MOST_HOLES / 2 : MOST_HOLES;
    const peak = holePeak(weight(), limit);
    if (peak.value <= limit) return [];
    const own = new Set<number>();
    for (let i = 0; i < plan.x.length; i++) {
      const inside = Math.abs(plan.x[i]! - peak.at.x) <= HALF_MM && Math.abs(plan.y[i]! - peak.at.y) <= HALF_MM;
      if (inside && plan.command[i] === Command.stitch) own.add(plan.piece[i]!);
    }
    return [
      {
        pieces: [...own].map((i) => job.pieces[i]!.id),
        at: peak.at,
        measured: peak.value,
        limit,
        unit: 'per mm²',
        limitFrom: recipe.key === 'leather' ? 'leather keeps every hole' : 'beyond it the cloth is cut, not pierced',
        message: `${peak.value.toFixed(0)} holes on 1 mm²: the cloth is cut there. Move a start, or lessen ties.`,
      },
    ];
  },
};
