import { overFoam, type Check } from '../check';

export const foamOpenEnd: Check = {
  rule: 'foam-open-end',
  severity: 'warn',
  title: 'Open ends over foam',
  find: overFoam(({ piece, settings }) =>
    settings.ends?.value !== 'open'
      ? null
      : {
          measured: 0,
          limit: 1,
          unit: '',
          limitFrom: 'a cap of cross stitches perforates the foam',
          message: 'Its ends are open: foam shows there and does not tear away clean.',
          fix: { label: 'Cap the ends', pieces: [{ id: piece.id, settings: { ends: 'capped' } }] },
        },
  ),
};
