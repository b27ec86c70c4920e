import type { Check } from '../check';

const SPACING_MM = 0.2;

const over = (context: Parameters<Check['find']>[0]) =>
  context.job.pieces.flatMap((piece, n) =>
    (context.shaped[n]!.settings?.foam?.value ?? 0) > 0 ? [{ piece, n, settings: context.shaped[n]!.settings! }] : [],
  );

export const foamUnderlay: Check = {
  rule: 'foam-underlay',
  severity: 'warn',
  title: 'Underlay over foam',
  find: (context) =>
    over(context).flatMap(({ piece, n, settings }) =>
      (settings.underlay?.value.length ?? 0) === 0
        ? []
        : [
            {
              pieces: [piece.id],
              at: context.middleOf(n),
              measured: settings.underlay!.value.length,
              limit: 0,
              unit: '' as const,
              limitFrom: 'underlay flattens foam',
              message: 'Underlay lies over the foam: it flattens what the foam is to raise.',
              fix: { label: 'No underlay', pieces: [{ id: piece.id, settings: { underlay: [] } }] },
            },
          ],
    ),
};

export const foamOpenEnd: Check = {
  rule: 'foam-open-end',
  severity: 'warn',
  title: 'Open ends over foam',
  find: (context) =>
    over(context).flatMap(({ piece, n, settings }) =>
      settings.ends?.value !== 'open'
        ? []
        : [
            {
              pieces: [piece.id],
              at: context.middleOf(n),
              measured: 0,
              limit: 1,
              unit: '' as const,
              limitFrom: 'a cap of cross stitches perforates the foam',
              message: 'Its ends are open: foam shows there and does not tear away clean.',
              fix: { label: 'Cap the ends', pieces: [{ id: piece.id, settings: { ends: 'capped' as const } }] },
            },
          ],
    ),
};

export const foamTooOpen: Check = {
  rule: 'foam-too-open',
  severity: 'warn',
  title: 'Foam that shows between rows',
  find: (context) =>
    over(context).flatMap(({ piece, n, settings }) =>
      (settings.spacing?.value ?? 0) <= SPACING_MM + 0.02
        ? []
        : [
            {
              pieces: [piece.id],
              at: context.middleOf(n),
              measured: settings.spacing!.value,
              limit: SPACING_MM,
              unit: 'mm' as const,
              limitFrom: 'foam shows through anything more open',
              message: 'Rows over foam are too far apart: the foam shows between them and is not cut off at the edge.',
              fix: { label: 'Rows 0.20 apart', pieces: [{ id: piece.id, settings: { spacing: SPACING_MM } }] },
            },
          ],
    ),
};
