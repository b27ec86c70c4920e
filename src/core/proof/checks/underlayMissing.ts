import type { Check } from '../check';
import { layerOf } from '../../underlay/choose';

/** From this width on a satin, and from this area on a fill, without anything beneath shows the cloth. */
const SATIN_MM = 3;
const FILL_MM2 = 60;
const LIGHT_MM = 0.6;

export const underlayMissing: Check = {
  rule: 'underlay-missing',
  severity: 'warn',
  title: 'Cover with nothing beneath',
  find({ job, shaped, middleOf }) {
    return job.pieces.flatMap((piece, n) => {
      const { shape, settings } = shaped[n]!;
      if (!shape || !settings?.underlay || settings.underlay.value.length > 0) return [];
      if ((settings.spacing?.value ?? 9) >= LIGHT_MM || (settings.foam?.value ?? 0) > 0) return [];
      const wide = piece.kind === 'satin' ? shape.facts.widthMm >= SATIN_MM : piece.kind === 'fill' && shape.areaMm2 >= FILL_MM2;
      if (!wide) return [];
      const layer = piece.kind === 'satin' ? layerOf('edge-run') : layerOf('lattice');
      return [
        {
          pieces: [piece.id],
          at: middleOf(n),
          measured: piece.kind === 'satin' ? shape.facts.widthMm : shape.areaMm2,
          limit: piece.kind === 'satin' ? SATIN_MM : FILL_MM2,
          unit: piece.kind === 'satin' ? ('mm' as const) : ('' as const),
          limitFrom: 'so wide a cover needs a foundation',
          message: 'Nothing lies beneath this cover: it sinks, its edge frays and the cloth is not held to the stabilizer.',
          fix: {
            label: piece.kind === 'satin' ? 'Lay an edge run' : 'Lay a lattice',
            pieces: [{ id: piece.id, settings: { underlay: [layer] } }],
          },
        },
      ];
    });
  },
};
