import { ofEach } from '@/core/geometry/known';
import type { PlannedPiece, StitchPlan } from '@/core/plan/plan';
import { Command } from '@/core/stitches/roles';
import { hypot } from '@/core/units/trig';
import type { Finding } from '@/core/proof/finding';

/** Farther from any stitch of its pieces a finding has no place in the sewing, mm. */
const NEAR_MM = 4;
/** Stitches this near all lie at the place; the last of them counts, mm. */
const HERE_MM = 0.8;

/** The pieces of a plan by their ids. */
const byId = ofEach(({ pieces }: StitchPlan) => new Map(pieces.map((p) => [p.id, p])));

/** The pieces that a finding concerns, in the order they are sewn in. */
function concerned(plan: StitchPlan, ids: readonly string[]): readonly PlannedPiece[] {
  if (ids.length === 0) return plan.pieces;
  return ids.flatMap((id) => byId(plan).get(id) ?? []).sort((a, b) => a.from - b.from);
}

/** The event at which a finding's place is sewn last; null when it lies nowhere near the stitches of its pieces. */
export function eventOfFinding(plan: StitchPlan, { at, pieces }: Pick<Finding, 'at' | 'pieces'>): number | null {
  let best: number | null = null;
  let least = NEAR_MM;
  for (const piece of concerned(plan, pieces)) {
    for (let i = piece.from; i < piece.to; i++) {
      const [dx, dy] = [plan.x[i]! - at.x, plan.y[i]! - at.y];
      const within = Math.max(least, HERE_MM);
      if (dx > within || dx < -within || dy > within || dy < -within || plan.command[i] !== Command.stitch) continue;
      const away = hypot(dx, dy);
      if (away <= within) [best, least] = [i, Math.min(least, away)];
    }
  }
  return best;
}

/** What the replay is to wait at. */
export interface Halts {
  trims: boolean;
  stops: boolean;
  /** Events of findings, in any order. */
  findings: readonly number[];
}

/** The event right after the first trim, stop or finding from `from` up to, but without, `to`; null when there is none. */
export function nextHalt(plan: Pick<StitchPlan, 'command'>, from: number, to: number, { trims, stops, findings }: Halts): number | null {
  const found = findings.filter((i) => i >= from && i < to);
  let first = found.length > 0 ? Math.min(...found) : Infinity;
  if (trims || stops) {
    for (let i = from; i < Math.min(to, plan.command.length, first); i++) {
      if ((trims && plan.command[i] === Command.trim) || (stops && plan.command[i] === Command.stop)) first = i;
    }
  }
  return Number.isFinite(first) ? first + 1 : null;
}
