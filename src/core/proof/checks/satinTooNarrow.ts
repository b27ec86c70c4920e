import type { Check } from '../check';

/** Narrowest satin that lies well, sewn width, mm (craft §4). */
const LEAST_SEWN_MM = 1;

export const satinTooNarrow: Check = {
  rule: 'satin-too-narrow',
  severity: 'warn',
  title: 'Satins narrower than 1 mm as sewn',
  find({ job, shaped, middleOf }) {
    return job.pieces.flatMap((piece, n) => {
      const { shape, settings } = shaped[n]!;
      if (piece.kind !== 'satin' || !shape || !settings) return [];
      const comp = settings.pullComp?.value ?? 0;
      const sewn = shape.facts.widthMm + 2 * comp;
      if (sewn >= LEAST_SEWN_MM - 0.02) return [];
      const wanted = Math.ceil(((LEAST_SEWN_MM - shape.facts.widthMm) / 2) * 100) / 100;
      return [
        {
          pieces: [piece.id],
          at: middleOf(n),
          measured: sewn,
          limit: LEAST_SEWN_MM,
          unit: 'mm' as const,
          limitFrom: 'narrower satin sinks into the cloth',
          message: 'This satin is too narrow to lie well: it sinks into the cloth and its needle holes run together.',
          fix: { label: `Widen it by ${wanted.toFixed(2)} mm a side`, pieces: [{ id: piece.id, settings: { pullComp: wanted } }] },
        },
      ];
    });
  },
};
