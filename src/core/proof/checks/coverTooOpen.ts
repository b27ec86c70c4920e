import { formOf } from '../../pieces/registry';
import { threadWidth } from '../../cloth/threadWidth';
import { perPiece, type Check } from '../check';
import { HIDES_TO_MM } from '../../units/craft';

/** Spacing over the thread's width beyond which cloth shows. */
const SHOWS = 1.3;

export const coverTooOpen: Check = {
  rule: 'cover-too-open',
  severity: 'note',
  title: 'Cover that lets the cloth through',
  find: perPiece(({ piece, settings: { spacing } }, { weightOf }) => {
    if (!spacing || formOf(piece) === 'line' || spacing.value >= HIDES_TO_MM || spacing.from !== 'hand') return null;
    const limit = SHOWS * threadWidth(weightOf(piece));
    if (spacing.value <= limit) return null;
    return {
      measured: spacing.value,
      limit,
      unit: 'mm',
      limitFrom: 'the width of its thread',
      message: 'Its rows are too far apart to cover and too near for a light fill: the cloth shows through unevenly.',
      fix: { label: 'Back to the recipe', pieces: [{ id: piece.id, settings: { spacing: undefined } }] },
    };
  }),
};
