import { overFoam, type Check } from '../check';

const SPACING_MM = 0.2;
const ROUGH_MM = 0.02;

export const foamTooOpen: Check = {
  rule: 'foam-too-open',
  severity: 'warn',
  title: 'Foam that shows between rows',
  find: overFoam(({ piece, settings }) => {
    const spacing = settings.spacing?.value ?? 0;
    if (spacing <= SPACING_MM + ROUGH_MM) return null;
    return {
      measured: spacing,
      limit: SPACING_MM,
      unit: 'mm',
      limitFrom: 'foam shows through anything more open',
      message: 'Rows over foam are too far apart: the foam shows between them and is not cut off at the edge.',
      fix: { label: 'Rows 0.20 apart', pieces: [{ id: piece.id, settings: { spacing: SPACING_MM } }] },
    };
  }),
};
