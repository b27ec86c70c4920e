import type { Point } from '../../geometry/point';
import { eachStitch } from '../../stitches/stitches';
import { Role } from '../../stitches/roles';
import { heavySpots, type HeavySpot } from '../../stitches/weight';
import { THREAD_WIDTH_MM } from '../../units/tolerances';
import type { Check } from '../check';
import type { ProofContext } from '../context';
import type { Found } from '../finding';

/** Four covers weigh more than this, a satin counted as two; three may on one another (craft §7). */
const FOUR_COVERS = 5.5;
const MOST_COVERS = 3;
/** Three satins on one another weigh less, with their foundation: more is too much whatever it is made of. */
const MOST_LAYERS = 8;
const LEAST_AREA_MM2 = 4;
/** The thickest square, mm; and what a piece lays on it to be named, and to cover it, layers. */
const SQUARE_MM = 2;
const NAMED_LAYERS = 0.5;

export const layersStacked: Check = {
  rule: 'layers-stacked',
  severity: 'warn',
  title: 'Too many layers of thread',
  find(context) {
    const fourfold = heavySpots(context.weight(), FOUR_COVERS).filter((s) => piecesAt(context, s.at, Role.cover).length > MOST_COVERS);
    const known = new Set(fourfold.flatMap((s) => s.cells));
    const heaviest = heavySpots(context.weight(), MOST_LAYERS).filter((s) => !s.cells.some((cell) => known.has(cell)));
    return [...fourfold.flatMap((s) => told(context, s, FOUR_COVERS)), ...heaviest.flatMap((s) => told(context, s, MOST_LAYERS))];
  },
};

function told(context: ProofContext, { at, value, areaAboveMm2 }: HeavySpot, limit: number): Found[] {
  const own = piecesAt(context, at);
  // One piece over foam is thick as it should be.
  if (own.length < 2 || areaAboveMm2 < LEAST_AREA_MM2) return [];
  const names = own.map((i) => `‘${context.job.pieces[i]!.name}’`).join(', ');
  return [
    {
      pieces: own.map((i) => context.job.pieces[i]!.id),
      at,
      measured: value,
      spoilsMm2: areaAboveMm2,
      limit,
      unit: 'layers',
      limitFrom:
        limit === FOUR_COVERS
          ? 'three covers on one another at most; a satin weighs as much as two fills'
          : 'what three satins on one another weigh, with what lies beneath them',
      message: `Thread lies ${value.toFixed(1)} layers thick here, on ${areaAboveMm2.toFixed(0)} mm²: stiff, and needles break. ${own.length} pieces lie on one another: ${names}. Open or carve what lies beneath.`,
    },
  ];
}

/** Pieces that lay thread on a square, of a role when one is said, by their index, the first sewn first. */
function piecesAt({ plan }: ProofContext, at: Point, role?: number): number[] {
  const layers = new Float64Array(plan.pieces.length);
  const half = SQUARE_MM / 2;
  const inside = (x: number, y: number): boolean => Math.abs(x - at.x) <= half && Math.abs(y - at.y) <= half;
  eachStitch(plan, 1, plan.x.length, (i, mm) => {
    if (role !== undefined && plan.role[i] !== role) return;
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
