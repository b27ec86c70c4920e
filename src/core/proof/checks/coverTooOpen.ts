import { threadWidth } from '../../pieces/resolve';
import type { Check } from '../check';

/** Spacing over the thread's width beyond which cloth shows, below which it was meant as light cover. */
const SHOWS = 1.3;
const LIGHT_MM = 0.6;

export const coverTooOpen: Check = {
  rule: 'cover-too-open',
  severity: 'note',
  title: 'Cover that lets the cloth through',
  find({ job, shaped, middleOf }) {
    return job.pieces.flatMap((piece, n) => {
      const settings = shaped[n]!.settings;
      const spacing = settings?.spacing;
      if (!spacing || piece.kind === 'run' || spacing.value >= LIGHT_MM || spacing.from !== 'hand') return [];
      const limit = SHOWS * threadWidth(job.threads.find((t) => t.id === piece.thread)?.weight ?? 40);
      if (spacing.value <= limit) return [];
      return [
        {
          pieces: [piece.id],
          at: middleOf(n),
          measured: spacing.value,
          limit,
          unit: 'mm' as const,
          limitFrom: 'the width of its thread',
          message: 'Its rows are too far apart to cover and too near for a light fill: the cloth shows through unevenly.',
          fix: { label: 'Back to the recipe', pieces: [{ id: piece.id, settings: { spacing: undefined as never } }] },
        },
      ];
    });
  },
};
