import { isCap } from '../../document/job';
import type { Check } from '../check';

/** Height that most cap frames sew well, mm. */
const MOST_MM = 57;

export const capTooTall: Check = {
  rule: 'cap-too-tall',
  severity: 'warn',
  title: 'Cap designs too tall',
  find({ figures, job }) {
    if (!isCap(job.brief) || figures.heightMm <= MOST_MM) return [];
    return [
      {
        pieces: [],
        at: { x: 0, y: -figures.heightMm / 2 },
        measured: figures.heightMm,
        limit: MOST_MM,
        unit: 'mm',
        limitFrom: 'usual cap frames; your machine’s manual tells yours',
        message: 'Taller than most cap frames sew well: above, the cap curves away from the needle plate.',
      },
    ];
  },
};
