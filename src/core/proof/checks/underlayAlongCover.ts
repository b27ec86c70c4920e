import { formOf } from '../../pieces/registry';
import type { UnderlayLayer } from '../../document/types';
import { LEAST_CROSSING_DEG } from '../../units/craft';
import { apart } from '../../units/directions';
import { perPiece, type Check } from '../check';

/** A lattice without a direction of its own lies across the cover. */
const ACROSS_DEG = 90;

export const underlayAlongCover: Check = {
  rule: 'underlay-along-cover',
  severity: 'warn',
  title: 'Underlay along the cover’s rows',
  find: perPiece(({ piece, settings }) => {
    const layers = settings.underlay?.value ?? [];
    const lattices = formOf(piece) === 'rows' ? layers.filter((l) => l.kind === 'lattice') : [];
    // Of two lattices one may run along the cover, since the other holds across it.
    const differs = Math.max(...lattices.map((l) => apart(ACROSS_DEG + (l.angle ?? 0), 0)));
    if (lattices.length === 0 || differs >= LEAST_CROSSING_DEG) return null;
    return {
      measured: differs,
      limit: LEAST_CROSSING_DEG,
      unit: '°',
      limitFrom: 'underlay holds across the cover',
      message: 'The underlay runs along the cover’s rows: it vanishes between them and holds nothing.',
      fix: { label: 'Lay it across', pieces: [{ id: piece.id, settings: { underlay: layers.map(laidAcross) } }] },
    };
  }),
};

function laidAcross(layer: UnderlayLayer): UnderlayLayer {
  const across = { ...layer };
  delete across.angle;
  return across;
}
