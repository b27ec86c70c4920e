import { eachStitch } from '../../stitches/stitches';
import { Role } from '../../stitches/roles';
import { THREAD_WIDTH_MM } from '../../units/tolerances';
import { perPiece, type Check } from '../check';

/** Layers of thread that a foundation may add before it stiffens more than it holds. */
const MOST_LAYERS = 0.9;
const LEAST_AREA_MM2 = 20;

export const underlayTooHeavy: Check = {
  rule: 'underlay-too-heavy',
  severity: 'note',
  title: 'Underlay that stiffens the work',
  find: perPiece(({ piece, index, shape, settings }, { plan }) => {
    if (shape.areaMm2 < LEAST_AREA_MM2 || settings.underlay?.from !== 'hand') return null;
    const { from, to } = plan.pieces[index]!;
    let length = 0;
    eachStitch(plan, from + 1, to, (event, mm) => {
      if (plan.role[event] === Role.underlay) length += mm;
    });
    const layers = (length * THREAD_WIDTH_MM) / shape.areaMm2;
    if (layers <= MOST_LAYERS) return null;
    return {
      measured: layers,
      limit: MOST_LAYERS,
      unit: 'layers',
      limitFrom: 'more stiffens the work without holding better',
      message: 'The underlay is nearly a cover of its own: the work gets stiff as a board.',
      fix: { label: 'Back to the recipe', pieces: [{ id: piece.id, settings: { underlay: undefined } }] },
    };
  }),
};
