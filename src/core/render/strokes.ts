import { among } from '../document/among';
import type { StitchPlan } from '../plan/plan';
import { Command } from '../stitches/roles';

/** A piece's stitches as one line of thread; path data in mm. */
export interface Stroke {
  id: string;
  hex: string;
  widthMm: number;
  d: string;
}

/** The stitches of some pieces, in the order in which they are sewn. */
export function strokesOf(plan: StitchPlan, ids: readonly string[], looks: readonly { hex: string; widthMm: number }[]): Stroke[] {
  const wanted = among(ids);
  return plan.pieces.flatMap(({ id, from, to }): Stroke[] => {
    if (!wanted(id) || to <= from) return [];
    const look = looks[plan.thread[from]!];
    return look ? [{ id, ...look, d: lineOf(plan, from, to) }] : [];
  });
}

function lineOf(plan: StitchPlan, from: number, to: number): string {
  const out: string[] = [];
  for (let i = from; i < to; i++) {
    const sewn = out.length > 0 && plan.command[i] === Command.stitch;
    out.push(`${sewn ? 'L' : 'M'}${plan.x[i]!.toFixed(2)},${plan.y[i]!.toFixed(2)}`);
  }
  return out.join('');
}
