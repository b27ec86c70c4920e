import type { Check } from '../check';

const LEAST_MM = 0.8;

export const lineTooThin: Check = {
  rule: 'line-too-thin',
  severity: 'warn',
  title: 'Fills thinner than two threads',
  find({ job, shaped, middleOf }) {
    return job.pieces.flatMap((piece, n) => {
      const shape = shaped[n]!.shape;
      if (piece.kind !== 'fill' || !shape || shape.facts.widthMm >= LEAST_MM) return [];
      return [
        {
          pieces: [piece.id],
          at: middleOf(n),
          measured: shape.facts.widthMm,
          limit: LEAST_MM,
          unit: 'mm' as const,
          limitFrom: 'two threads beside each other',
          message: 'This area is thinner than two threads: as a fill it is a row of dots; sew it as a run, widen it or drop it.',
        },
      ];
    });
  },
};
