import { apart } from '../../pieces/resolve';
import type { Check } from '../check';

const LEAST_DEG = 30;

export const underlayAlongCover: Check = {
  rule: 'underlay-along-cover',
  severity: 'warn',
  title: 'Underlay along the cover’s rows',
  find({ job, shaped, middleOf }) {
    return job.pieces.flatMap((piece, n) => {
      const settings = shaped[n]!.settings;
      const angle = settings?.angle?.value;
      if (piece.kind !== 'fill' || angle === undefined) return [];
      const along = (settings?.underlay?.value ?? []).filter(
        (l) => l.kind === 'lattice' && l.angle !== undefined && apart(angle + 90 + l.angle, angle) < LEAST_DEG,
      );
      const others = (settings?.underlay?.value ?? []).filter((l) => l.kind === 'lattice').length - along.length;
      if (along.length === 0 || others > 0) return [];
      return [
        {
          pieces: [piece.id],
          at: middleOf(n),
          measured: apart(angle + 90 + along[0]!.angle!, angle),
          limit: LEAST_DEG,
          unit: '°' as const,
          limitFrom: 'underlay holds across the cover',
          message: 'The underlay runs along the cover’s rows: it vanishes between them and holds nothing.',
          fix: {
            label: 'Lay it across',
            pieces: [{ id: piece.id, settings: { underlay: settings!.underlay!.value.map(({ angle: _a, ...l }) => (void _a, l)) } }],
          },
        },
      ];
    });
  },
};
