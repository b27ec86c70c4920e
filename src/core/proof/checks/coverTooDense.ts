import { threadWidth } from '../../pieces/resolve';
import type { Check } from '../check';

/** Rows nearer than this share of the thread's width pile up. Borders and foam are meant so. */
const PILES = 0.8;

export const coverTooDense: Check = {
  rule: 'cover-too-dense',
  severity: 'warn',
  title: 'Rows piled on one another',
  find({ job, shaped, middleOf }) {
    return job.pieces.flatMap((piece, n) => {
      const settings = shaped[n]!.settings;
      const spacing = settings?.spacing?.value;
      if (spacing === undefined || (piece.kind !== 'fill' && piece.kind !== 'satin') || (settings?.foam?.value ?? 0) > 0) return [];
      const limit = PILES * threadWidth(job.threads.find((t) => t.id === piece.thread)?.weight ?? 40);
      if (spacing >= limit - 0.005) return [];
      return [
        {
          pieces: [piece.id],
          at: middleOf(n),
          measured: spacing,
          limit,
          unit: 'mm' as const,
          limitFrom: 'four fifths of its thread’s width',
          message: 'Its rows lie nearer than its thread is wide: stiff, slow, and threads break.',
          fix: { label: 'Back to the recipe', pieces: [{ id: piece.id, settings: { spacing: undefined as never } }] },
        },
      ];
    });
  },
};
