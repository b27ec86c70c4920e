import type { Point } from '../../geometry/point';
import { eachStitch } from '../../stitches/stitches';
import { heavySpots } from '../../stitches/weight';
import { THREAD_WIDTH_MM } from '../../units/tolerances';
import type { Check } from '../check';
import type { ProofContext } from '../context';

/** More full covers than this on one another make it stiff and break threads (craft §7). A satin counts as two. */
const MOST_LAYERS = 5.5;
const LEAST_AREA_MM2 = 4;
/** The thickest square, mm; and what a piece lays on it to be named, layers. */
const SQUARE_MM = 2;
const NAMED_LAYERS = 0.5;

export const layersStacked: Check = {
  rule: 'layers-stacked',
  severity: 'warn',
  title: 'Too many layers of thread',
  find(context) {
    return heavySpots(context.weight(), MOST_LAYERS)
      .filter((s) => s.areaAboveMm2 >= LEAST_AREA_MM2)
      .flatMap((spot) => {
        const own = piecesAt(context, spot.at);
        // One piece over foam is thick as it should be.
        if (own.length < 2) return [];
        const names = own.map((i) => `‘${context.job.pieces[i]!.name}’`).join(', ');
        return [
          {
            pieces: own.map((i) => context.job.pieces[i]!.id),
            at: spot.at,
            measured: spot.value,
            spoilsMm2: spot.areaAboveMm2,
            limit: MOST_LAYERS,
            unit: 'layers' as const,
            limitFrom: 'fill counted as one layer, satin as two; three covers on one another at most',
            message: `Thread lies ${spot.value.toFixed(1)} layers thick here, on ${spot.areaAboveMm2.toFixed(0)} mm²: stiff, and needles break. ${own.length} pieces lie on one another: ${names}. Open or carve what lies beneath.`,
          },
        ];
      });
  },
};

/** Pieces that lay thread on a square, by their index, the first sewn first. */
function piecesAt({ plan }: ProofContext, at: Point): number[] {
  const layers = new Float64Array(plan.pieces.length);
  const half = SQUARE_MM / 2;
  const inside = (x: number, y: number): boolean => Math.abs(x - at.x) <= half && Math.abs(y - at.y) <= half;
  eachStitch(plan, 1, plan.x.length, (i, mm) => {
    const [ax, ay, bx, by] = [plan.x[i - 1]!, plan.y[i - 1]!, plan.x[i]!, plan.y[i]!];
    if (Math.max(ax, bx) < at.x - half || Math.min(ax, bx) > at.x + half) return;
    if (Math.max(ay, by) < at.y - half || Math.min(ay, by) > at.y + half) return;
    const steps = Math.max(1, Math.ceil(mm / 0.2));
    let within = 0;
    for (let k = 0; k < steps; k++) {
      const t = (k + 0.5) / steps;
      if (inside(ax + (bx - ax) * t, ay + (by - ay) * t)) within++;
    }
    layers[plan.piece[i]!]! += ((mm * within) / steps) * (THREAD_WIDTH_MM / (SQUARE_MM * SQUARE_MM));
  });
  return [...layers.keys()].filter((i) => layers[i]! >= NAMED_LAYERS);
}
