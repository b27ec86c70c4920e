import { explainCuts } from '../../plan/explain';
import type { Check } from '../check';
import type { Fix, Found } from '../finding';
import { withFix } from '../withFix';

export const trimAvoidable: Check = {
  rule: 'trim-avoidable',
  severity: 'note',
  title: 'Cuts that pinned ends or a wish cost',
  find({ plan, job, figures, trimsOf }) {
    return explainCuts(job, plan).flatMap((c): Found[] => {
      if (c.to === null || !c.remedies.includes('free-ends')) return [];
      const [from, to] = [job.pieces[c.from]!, job.pieces[c.to]!];
      const fix: Fix = {
        label: 'Let the ends go',
        pieces: [
          { id: from.id, without: ['end'] },
          { id: to.id, without: ['start', 'approach'] },
        ],
      };
      // Asked of the router: free ends do not help where nothing hides the way.
      if (trimsOf(withFix(job, fix)) >= figures.trims) return [];
      return [
        {
          pieces: [from.id, to.id],
          at: c.at,
          measured: 1,
          limit: 0,
          unit: '',
          limitFrom: 'the router has more places to choose from',
          message: `A cut before ‘${to.name}’: ${c.words}. Without what was set by hand there is none.`,
          fix,
        },
      ];
    });
  },
};
