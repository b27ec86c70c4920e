import { Command, Role } from '../../plan/roles';
import { hypot } from '../../units/trig';
import type { Check } from '../check';

const ROUGH_MM = 0.6;
const USUAL_MM = 9;

export const satinTooWide: Check = {
  rule: 'satin-too-wide',
  severity: 'warn',
  title: 'Satin rows over the satin limit',
  find({ plan, job, shaped }) {
    return job.pieces.flatMap((piece, n) => {
      const settings = shaped[n]?.settings;
      if (piece.kind !== 'satin' || !settings?.satinLimit) return [];
      const sides = 2 * (settings.pullComp?.value ?? 0);
      const foam = (settings.foam?.value ?? 0) > 0;
      const limit = foam ? settings.satinLimit.value : (job.settings.satinLimit ?? USUAL_MM);
      const { from, to } = plan.pieces[n]!;
      let [longest, at] = [limit + sides + ROUGH_MM, -1];
      for (let i = from + 1; i < to; i++) {
        if (plan.command[i] !== Command.stitch || plan.command[i - 1] !== Command.stitch || plan.role[i] !== Role.cover) continue;
        const length = hypot(plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!);
        if (length > longest) [longest, at] = [length, i];
      }
      // Rows that were split on purpose are not too wide; a shape wider than the limit whose rows go unsplit is.
      if (at < 0) return [];
      return [
        {
          pieces: [piece.id],
          at: { x: plan.x[at]!, y: plan.y[at]! },
          measured: longest - sides,
          limit,
          unit: 'mm' as const,
          limitFrom: job.settings.satinLimit === undefined ? 'widest satin of the default school' : 'the job’s own limit',
          message: 'Rows of this satin are longer than the satin limit: they snag and come loose in wear.',
          fix: { label: 'Split its rows', pieces: [{ id: piece.id, settings: { satinLimit: limit } }] },
        },
      ];
    });
  },
};
