import { formOf } from '../../pieces/registry';
import type { UnderlayKind, UnderlayLayer } from '../../document/types';
import { LEAST_CROSSING_DEG } from '../../units/craft';
import { apart } from '../../units/directions';
import { perPiece, type Check } from '../check';

/** Rows of a foundation without a direction of their own lie across the cover. */
const ACROSS_DEG = 90;
/** Layers that a fill sews as rows. */
const ROWS: ReadonlySet<UnderlayKind> = new Set(['lattice', 'zigzag', 'double-zigzag']);

export const underlayAlongCover: Check = {
  rule: 'underlay-along-cover',
  severity: 'warn',
  title: 'Underlay along the cover’s rows',
  find: perPiece(({ piece, settings }) => {
    const layers = settings.underlay?.value ?? [];
    const lattices = formOf(piece) === 'rows' ? layers.filter((l) => ROWS.has(l.kind)) : [];
    // Of two layers of rows one may run along the cover, since the other holds across it.
    const differs = Math.max(...lattices.map((l) => apart(l.angle ?? ACROSS_DEG, 0)));
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
