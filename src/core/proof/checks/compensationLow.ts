import { withSettings } from '../../document/settings';
import { formOf, resolveSettings } from '../../pieces/registry';
import { perPiece, type Check } from '../check';

/** Less than the recipe by so much is seen, mm; and by so large a share of it. */
const LEAST_MM = 0.08;
const SHARE = 0.75;

export const compensationLow: Check = {
  rule: 'compensation-low',
  severity: 'warn',
  title: 'Compensation below the cloth’s recipe',
  find: perPiece(({ piece, shape, settings }, { job, recipe, weightOf }) => {
    const own = settings.pullComp;
    if (!own || own.from !== 'hand' || formOf(piece) === 'line') return null;
    const settled = withSettings(piece.settings, { pullComp: undefined, pullCompPercent: undefined });
    const usual = resolveSettings({ ...piece, settings: settled }, shape.facts, {
      recipe,
      settings: job.settings,
      threadWeight: weightOf(piece),
    }).pullComp;
    if (!usual || own.value > SHARE * usual.value || usual.value - own.value < LEAST_MM) return null;
    return {
      measured: own.value,
      limit: usual.value,
      unit: 'mm',
      limitFrom: 'what the recipe of this cloth adds to rows this long',
      message: `‘${piece.name}’ has ${own.value.toFixed(2)} mm of compensation where this cloth wants ${usual.value.toFixed(2)}: it comes out narrower than drawn.`,
      fix: { label: 'As the recipe has it', pieces: [{ id: piece.id, settings: { pullComp: undefined, pullCompPercent: undefined } }] },
    };
  }),
};
