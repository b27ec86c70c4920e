import type { Check } from '../check';
import { holePeak } from '../../stitches/weight';

/** Penetrations on one square millimetre beyond which cloth is cut rather than pierced. */
const MOST_HOLES = 16;

export const holesCrowded: Check = {
  rule: 'holes-crowded',
  severity: 'warn',
  title: 'Many holes in one spot',
  find({ weight, recipe }) {
    const limit = recipe.key === 'leather' ? MOST_HOLES / 2 : MOST_HOLES;
    const peak = holePeak(weight(), limit);
    if (peak.value <= limit) return [];
    return [
      {
        pieces: [],
        at: peak.at,
        measured: peak.value,
        limit,
        unit: 'per mm²',
        limitFrom: recipe.key === 'leather' ? 'leather keeps every hole' : 'beyond it the cloth is cut, not pierced',
        message: `${peak.value.toFixed(0)} holes on one square millimetre: the cloth is cut there. Move a start, or lessen ties.`,
      },
    ];
  },
};
