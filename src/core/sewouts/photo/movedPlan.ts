import type { Job } from '../../document/types';
import { forecastParameters, type ForecastParameters } from '../../forecast/parameters';
import { HALF_BITE_MM } from '../../forecast/rowEnds';
import { EDITING_GRID, Sheet } from '../../forecast/sheet';
import type { StitchPlan } from '../../plan/plan';
import { Command, Role } from '../../stitches/roles';
import { hypot } from '../../units/trig';

/** A plan with every penetration where the forecast says that it lies when all is sewn, rows drawn back at their holes. */
export function movedPlan(
  job: Job,
  plan: StitchPlan,
  parameters: ForecastParameters = forecastParameters(job),
  progress: (done: number) => void = () => undefined,
): StitchPlan {
  const sheet = new Sheet(job.brief.hoop, parameters, { ...EDITING_GRID, progress }).sew(plan);
  const moved = { ...plan, x: plan.x.slice(), y: plan.y.slice() };
  for (let i = 0; i < plan.x.length; i++) {
    const [ux, uy] = sheet.at(plan.x[i]!, plan.y[i]!);
    const [bx, by] = bittenAt(plan, i, parameters.biteMm);
    moved.x[i] = plan.x[i]! + ux - sheet.sewnX[i]! + bx;
    moved.y[i] = plan.y[i]! + uy - sheet.sewnY[i]! + by;
  }
  return moved;
}

/** How far a cover row is drawn back at its hole: along the longer of the two stitches that meet there. */
function bittenAt({ x, y, command, role }: StitchPlan, i: number, biteMm: number): [number, number] {
  if (role[i] !== Role.cover || command[i] !== Command.stitch) return [0, 0];
  let best = { x: 0, y: 0, length: 0 };
  for (const other of [i - 1, i + 1]) {
    if (other < 0 || other >= x.length || command[Math.max(i, other)] !== Command.stitch) continue;
    const [dx, dy] = [x[other]! - x[i]!, y[other]! - y[i]!];
    const length = hypot(dx, dy);
    // Where two rows go on in one direction neither ends.
    const straight = best.length > 0 && dx * best.x + dy * best.y < -0.8 * length * best.length;
    if (straight) return [0, 0];
    if (length > best.length) best = { x: dx, y: dy, length };
  }
  if (best.length === 0) return [0, 0];
  const bite = Math.min(best.length / 2, biteMm * (best.length / (best.length + HALF_BITE_MM)));
  return [(best.x / best.length) * bite, (best.y / best.length) * bite];
}
