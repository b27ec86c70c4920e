import { overFoam, type Check } from '../check';

export const foamUnderlay: Check = {
  rule: 'foam-underlay',
  severity: 'warn',
  title: 'Underlay over foam',
  find: overFoam(({ piece, settings }) => {
    const layers = settings.underlay?.value.length ?? 0;
    if (layers === 0) return null;
    return {
      measured: layers,
      limit: 0,
      unit: '',
      limitFrom: 'underlay flattens foam',
      message: 'Underlay lies over the foam: it flattens what the foam is to raise.',
      fix: { label: 'No underlay', pieces: [{ id: piece.id, settings: { underlay: [] } }] },
    };
  }),
};
