import { formOf } from '../../pieces/registry';
import { threadWidth } from '../../cloth/threadWidth';
import { perPiece, type Check } from '../check';

/** Rows nearer than this share of the thread's width pile up. Borders and foam are meant so. */
const PILES = 0.8;
const ROUGH_MM = 0.005;

export const coverTooDense: Check = {
  rule: 'cover-too-dense',
  severity: 'warn',
  title: 'Rows piled on one another',
  find: perPiece(({ piece, settings: { spacing, foam } }, { weightOf }) => {
    if (!spacing || (formOf(piece) !== 'rows' && formOf(piece) !== 'column') || (foam?.value ?? 0) > 0) return null;
    const limit = PILES * threadWidth(weightOf(piece));
    if (spacing.value >= limit - ROUGH_MM) return null;
    return {
      measured: spacing.value,
      limit,
      unit: 'mm',
      limitFrom: 'four fifths of its thread’s width',
      message: 'Its rows lie nearer than its thread is wide: stiff, slow, and threads break.',
      fix: { label: 'Back to the recipe', pieces: [{ id: piece.id, settings: { spacing: undefined } }] },
    };
  }),
};
