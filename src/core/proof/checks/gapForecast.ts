import { GAP_LIMIT_MM } from '../../forecast/correct';
import { gapsOf } from '../../forecast/forecast';
import type { Check } from '../check';

export const gapForecast: Check = {
  rule: 'gap-forecast',
  severity: 'warn',
  title: 'Edges where cloth is predicted to show',
  find({ job, forecast }) {
    return gapsOf(forecast().meetings, GAP_LIMIT_MM).map(({ first, later, at, gapMm, alongMm, backed }) => {
      const [under, over] = [job.pieces[first]!, job.pieces[later]!];
      return {
        pieces: [under.id, over.id],
        at,
        measured: gapMm,
        spoilsMm2: gapMm * alongMm,
        limit: GAP_LIMIT_MM,
        unit: 'mm' as const,
        limitFrom: 'less is not seen; predicted with the cloth’s assumed values',
        message: `${backed ? 'What lies beneath' : 'Cloth'} will show between ‘${under.name}’ and ‘${over.name}’ along ${alongMm.toFixed(0)} mm: the cloth moves before ‘${over.name}’ is sewn.`,
        ...(under.locked ? {} : { fix: { label: 'Extend it under', correct: [under.id] } }),
      };
    });
  },
};
