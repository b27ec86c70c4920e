import { coverageOf } from '../../stitches/coverage';
import type { StitchColumns } from '../../stitches/buffer';
import { HIDES_TO_MM } from '../../units/craft';
import { formOf, laidOnLayers } from '../../pieces/registry';
import { perPiece, type Check } from '../check';

/** A bare spot larger than this is a hole in the cover, mm². */
const LEAST_MM2 = 1;
/** Cells on which it is measured, mm; coarser for large pieces. */
const CELL_MM = 0.16;
const COARSE_MM = 0.25;
const LARGE_MM2 = 400;

export const coverMissing: Check = {
  rule: 'cover-missing',
  severity: 'warn',
  title: 'Parts of a piece that no thread covers',
  find: perPiece(({ piece, index, shape, settings }, { plan }) => {
    const spacing = settings.spacing?.value;
    if (formOf(piece) === 'line' || laidOnLayers(piece) > 0 || spacing === undefined || spacing >= HIDES_TO_MM) return null;
    const { from, to } = plan.pieces[index]!;
    if (to - from < 2) return null;
    const own: StitchColumns = {
      x: plan.x.subarray(from, to),
      y: plan.y.subarray(from, to),
      command: plan.command.subarray(from, to),
      role: plan.role.subarray(from, to),
    };
    const { barestMm2 } = coverageOf(shape.cover, own, shape.areaMm2 > LARGE_MM2 ? COARSE_MM : CELL_MM);
    if (barestMm2 < LEAST_MM2) return null;
    return {
      measured: barestMm2,
      spoilsMm2: barestMm2,
      limit: LEAST_MM2,
      unit: 'mm²',
      limitFrom: 'smaller spots close as the thread relaxes',
      message: `The rows of ‘${piece.name}’ leave ${barestMm2.toFixed(1)} mm² of it bare in one spot: its shape is more than they can cover that way.`,
      ...(formOf(piece) === 'column' && piece.area
        ? { fix: { label: 'Sew it as a fill', pieces: [{ id: piece.id, patch: { kind: 'fill' as const }, without: ['slants' as const] }] } }
        : {}),
    };
  }),
};
