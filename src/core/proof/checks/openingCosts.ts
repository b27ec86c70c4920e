import { openingsOf, switchOpening } from '../../pieces/fill/holes';
import { formOf, prepareShape, resolveSettings, stitchShape } from '../../pieces/registry';
import { contains } from '../../geometry/area';
import { outlineOf } from '../../geometry/outline';
import { StitchBuffer } from '../../stitches/buffer';
import { Command } from '../../stitches/roles';
import { OPENING_MM } from '../../units/tolerances';
import type { Piece } from '../../document/types';
import type { Check } from '../check';
import type { ProofContext } from '../context';
import type { Found } from '../finding';

/** Openings of 9.5 mm across and more are worth leaving open whatever they cost (craft §6), mm². */
const LARGEST_MM2 = 90;
/** So few stitches more are not worth a word. */
const LEAST = 5;

/** Openings that save no stitches: what is sewn round them is more than what is left out. */
export const openingCosts: Check = {
  rule: 'opening-costs',
  severity: 'note',
  title: 'Openings that cost more stitches than they save',
  find(context) {
    return context.job.pieces.flatMap((piece, index): Found[] => {
      if (formOf(piece) !== 'rows' || !piece.area || !context.shaped[index]!.shape) return [];
      const open = openingsOf(outlineOf(piece.area).area, piece).filter((o) => !o.sewnOver && o.areaMm2 < LARGEST_MM2);
      if (open.length === 0) return [];
      const own = stitchesIn(piece, context);
      return open.flatMap(({ at, areaMm2, edgeMm }): Found[] => {
        const covered = context.shaped.slice(index + 1).some(({ shape }) => shape && contains(shape.painted, at));
        // Small ones under later cover are another rule's.
        if (covered && (4 * areaMm2) / edgeMm < OPENING_MM) return [];
        const over = switchOpening(piece, at);
        const more = own - stitchesIn(over, context);
        if (more < LEAST) return [];
        return [
          {
            pieces: [piece.id],
            at,
            measured: more,
            spoilsMm2: 0,
            limit: 0,
            unit: '',
            limitFrom: 'stitches with the opening, less those without',
            message: `An opening of ${areaMm2.toFixed(0)} mm² in ‘${piece.name}’ costs ${more} stitches more than sewing over it${covered ? ', and something is sewn over it anyway' : ': worth it only where the cloth is to show'}.`,
            fix: { label: 'Sew over it', pieces: [{ id: piece.id, patch: { sewnOver: over.sewnOver! } }] },
          },
        ];
      });
    });
  },
};

/** Stitches of a piece by itself. */
function stitchesIn(piece: Piece, { job, recipe, weightOf }: ProofContext): number {
  const shape = prepareShape(piece);
  if (!shape) return 0;
  const out = new StitchBuffer();
  const settings = resolveSettings(piece, shape.facts, { recipe, settings: job.settings, threadWeight: weightOf(piece) });
  stitchShape(piece, out, shape, settings, { start: null, end: null });
  return out.columns().command.filter((c) => c === Command.stitch).length;
}
