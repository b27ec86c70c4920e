import { explainCuts } from '../../plan/explain';
import type { Check } from '../check';

export const trimAvoidable: Check = {
  rule: 'trim-avoidable',
  severity: 'note',
  title: 'Cuts that pinned ends or a wish cost',
  find({ plan, job }) {
    return explainCuts(job, plan)
      .filter((c) => c.to !== null && c.remedies.includes('free-ends'))
      .map((c) => ({
        pieces: [job.pieces[c.from]!.id, job.pieces[c.to!]!.id],
        at: c.at,
        measured: 1,
        limit: 0,
        unit: '' as const,
        limitFrom: 'the router has more places to choose from',
        message: `A cut before ‘${job.pieces[c.to!]!.name}’: ${c.words}. Without what was set by hand there may be none.`,
        fix: {
          label: 'Let the ends go',
          pieces: [
            { id: job.pieces[c.from]!.id, without: ['end' as const] },
            { id: job.pieces[c.to!]!.id, without: ['start' as const, 'approach' as const] },
          ],
        },
      }));
  },
};
