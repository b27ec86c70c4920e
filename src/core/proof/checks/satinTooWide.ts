import { formOf } from '../../pieces/registry';
import { Role } from '../../stitches/roles';
import { longestStitch } from '../../stitches/stitches';
import { perPiece, type Check } from '../check';
import { WIDEST_SATIN_MM } from '../../units/craft';

/** Rows lean a little and are compensated at both ends. */
const ROUGH_MM = 0.6;

export const satinTooWide: Check = {
  rule: 'satin-too-wide',
  severity: 'warn',
  title: 'Satin rows over the satin limit',
  find: perPiece(({ piece, index, settings }, { plan, job }) => {
    if (formOf(piece) !== 'column' || !settings.satinLimit) return null;
    const sides = 2 * (settings.pullComp?.value ?? 0);
    const foam = (settings.foam?.value ?? 0) > 0;
    const limit = foam ? settings.satinLimit.value : (job.settings.satinLimit ?? WIDEST_SATIN_MM);
    const { from, to } = plan.pieces[index]!;
    const { event, lengthMm } = longestStitch(plan, from + 1, to, limit + sides + ROUGH_MM, (i) => plan.role[i] === Role.cover);
    if (event < 0) return null;
    return {
      at: { x: plan.x[event]!, y: plan.y[event]! },
      measured: lengthMm - sides,
      limit,
      unit: 'mm',
      limitFrom: job.settings.satinLimit === undefined ? 'widest satin of the default school' : 'the job’s own limit',
      message: 'Rows of this satin are longer than the satin limit: they snag and come loose in wear.',
      fix: { label: 'Split its rows', pieces: [{ id: piece.id, settings: { satinLimit: limit } }] },
    };
  }),
};
