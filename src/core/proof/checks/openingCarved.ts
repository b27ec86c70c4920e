import { formOf } from '../../pieces/registry';
import { contains } from '../../geometry/area';
import { outlineOf } from '../../geometry/outline';
import { openingsOf, switchOpening } from '../../pieces/fill/holes';
import { OPENING_MM } from '../../units/tolerances';
import { perPiece, type Check } from '../check';

export const openingCarved: Check = {
  rule: 'opening-carved',
  severity: 'note',
  title: 'Small openings under later cover',
  find: perPiece(({ piece, index }, { shaped }) => {
    if (formOf(piece) !== 'rows' || !piece.area) return null;
    const covered = openingsOf(outlineOf(piece.area).area, piece).find((o) => {
      const acrossMm = (4 * o.areaMm2) / o.edgeMm;
      if (o.sewnOver || acrossMm >= OPENING_MM) return false;
      return shaped.slice(index + 1).some(({ shape }) => shape && contains(shape.painted, o.at));
    });
    if (!covered) return null;
    const { sewnOver } = switchOpening(piece, covered.at);
    return {
      at: covered.at,
      measured: (4 * covered.areaMm2) / covered.edgeMm,
      limit: OPENING_MM,
      unit: 'mm',
      limitFrom: 'smaller openings cost more than they save',
      message: `A small opening is left for what is sewn over it: a gap may open along ${covered.edgeMm.toFixed(0)} mm of edge. Sewn over, none can.`,
      fix: { label: 'Sew over it', pieces: [{ id: piece.id, patch: { sewnOver: sewnOver! } }] },
    };
  }),
};
