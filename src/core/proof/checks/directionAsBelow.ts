import { apart } from '../../pieces/resolve';
import { CELL_MM, sharedCells, spansOf } from '../../route/cells';
import { boundsTouch, boundsOf } from '../../geometry/point';
import type { Check } from '../check';

/** Rows that differ less from those beneath sink between them, degrees (craft §7). */
const LEAST_DEG = 30;
/** This much of a piece lies on the other. */
const MOSTLY_ON = 0.5;
/** More open than this a fill is no bed to sink into, mm. */
const BED_MM = 0.8;

export const directionAsBelow: Check = {
  rule: 'direction-as-below',
  severity: 'warn',
  title: 'Rows that run along those beneath',
  find({ job, shaped, middleOf }) {
    return job.pieces.flatMap((piece, n) => {
      const angle = shaped[n]!.settings?.angle?.value;
      const shape = shaped[n]!.shape;
      if (piece.kind !== 'fill' || angle === undefined || !shape) return [];
      const own = spansOf(shape.cover);
      const cells = shape.areaMm2 / (CELL_MM * CELL_MM);
      for (let b = n - 1; b >= 0; b--) {
        const beneath = shaped[b]!;
        const other = beneath.settings?.angle?.value;
        if (job.pieces[b]!.kind !== 'fill' || other === undefined || !beneath.shape || (beneath.settings?.spacing?.value ?? 9) > BED_MM)
          continue;
        if (!boundsTouch(boundsOf(shape.painted), boundsOf(beneath.shape.painted))) continue;
        if (sharedCells(own, spansOf(beneath.shape.cover)) < MOSTLY_ON * cells) continue;
        const differs = apart(angle, other);
        if (differs >= LEAST_DEG) return [];
        const turned = Math.round((other + 60) % 180);
        return [
          {
            pieces: [piece.id, job.pieces[b]!.id],
            at: middleOf(n),
            measured: differs,
            limit: LEAST_DEG,
            unit: '°' as const,
            limitFrom: 'rows beneath swallow rows that run like them',
            message: `Its rows run along those of ‘${job.pieces[b]!.name}’ beneath: they sink between them and the edge turns ragged.`,
            fix: {
              label: `Turn its rows to ${turned}°`,
              pieces: [{ id: piece.id, settings: { angle: turned }, without: ['slants' as const] }],
            },
          },
        ];
      }
      return [];
    });
  },
};
