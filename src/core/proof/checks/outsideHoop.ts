import { fitsHoop, HOOPS } from '../../document/job';
import type { Brief, Job, Piece } from '../../document/types';
import { transformedPiece } from '../../editing/transform';
import { Command } from '../../stitches/roles';
import type { StitchPlan } from '../../plan/plan';
import { hypot } from '../../units/trig';
import type { Check } from '../check';
import type { Fix } from '../finding';

const ROUGH_MM = 0.05;
/** A scaled design ends so far inside the field, mm. */
const CLEAR_MM = 0.5;

/** How far the stitches reach from the hoop's middle, mm: to the sides, up and down, and in any direction. */
function reachOf(plan: StitchPlan): { x: number; y: number; r: number } {
  const reach = { x: 0, y: 0, r: 0 };
  for (let i = 0; i < plan.x.length; i++) {
    if (plan.command[i] !== Command.stitch) continue;
    const [x, y] = [Math.abs(plan.x[i]!), Math.abs(plan.y[i]!)];
    reach.x = Math.max(reach.x, x);
    reach.y = Math.max(reach.y, y);
    reach.r = Math.max(reach.r, hypot(x, y));
  }
  return reach;
}

const named = (h: Brief['hoop']): string => (h.shape === 'round' ? `${h.width} mm round` : `${h.width} × ${h.height} mm`);

/** The next hoop that holds everything; where there is none, everything smaller. */
function fixFor(job: Job, plan: StitchPlan): Fix {
  const reach = reachOf(plan);
  const holds = (h: Brief['hoop']): boolean => (h.shape === 'round' ? reach.r <= h.width / 2 : fitsHoop(h, 2 * reach.x, 2 * reach.y));
  const next = HOOPS.filter(holds).sort((a, b) => a.width * a.height - b.width * b.height)[0];
  if (next) return { label: `Take the hoop of ${named(next)}`, brief: { hoop: { ...next } } };
  const { width, height, shape } = job.brief.hoop;
  const room = (field: number): number => field / 2 - CLEAR_MM;
  const k = shape === 'round' ? room(width) / reach.r : Math.min(room(width) / reach.x, room(height) / reach.y);
  const share = Math.floor(1000 * k) / 1000;
  return {
    label: `Make everything smaller: ${Math.round(100 * share)} %`,
    pieces: job.pieces.map((p) => ({ id: p.id, patch: smaller(p, share) })),
  };
}

function smaller(piece: Piece, k: number): Partial<Piece> {
  return { ...transformedPiece(piece, [k, 0, 0, k, 0, 0]), settings: piece.settings };
}

export const outsideHoop: Check = {
  rule: 'outside-hoop',
  severity: 'stop',
  title: 'Stitches outside the hoop’s field',
  find({ plan, job }) {
    const { width, height, shape } = job.brief.hoop;
    let [worst, at] = [ROUGH_MM, -1];
    for (let i = 0; i < plan.x.length; i++) {
      if (plan.command[i] !== Command.stitch) continue;
      const [x, y] = [Math.abs(plan.x[i]!), Math.abs(plan.y[i]!)];
      const beyond = shape === 'round' ? hypot(x, y) - width / 2 : Math.max(x - width / 2, y - height / 2);
      if (beyond > worst) [worst, at] = [beyond, i];
    }
    if (at < 0) return [];
    return [
      {
        pieces: [job.pieces[plan.piece[at]!]!.id],
        at: { x: plan.x[at]!, y: plan.y[at]! },
        measured: worst,
        limit: 0,
        unit: 'mm',
        limitFrom: 'the hoop of the brief',
        message: `Stitches lie ${worst.toFixed(1)} mm outside the hoop’s field: the needle could hit the frame. Move the work, make it smaller or take a larger hoop.`,
        fix: fixFor(job, plan),
      },
    ];
  },
};
