import { Command, Role } from '../../stitches/roles';
import { usualTies } from '../../pieces/rules/tieSettings';
import { isTied } from '../../stitches/ties';
import type { Check } from '../check';
import type { ProofContext } from '../context';

/** Stitches before a cut that may hold its thread. */
const LOOK_BACK = 6;

export const tieMissing: Check = {
  rule: 'tie-missing',
  severity: 'warn',
  title: 'Cuts whose thread is not locked',
  find(context) {
    const { plan, job } = context;
    if (usualTies(job.brief.cloth) === 'never') return [];
    const seen = new Set<number>();
    const out = [];
    for (let i = 1; i < plan.command.length; i++) {
      const piece = plan.piece[i]!;
      if (plan.command[i] !== Command.trim || locked(context, i) || seen.has(piece)) continue;
      seen.add(piece);
      const { id, name } = job.pieces[piece]!;
      out.push({
        pieces: [id],
        at: { x: plan.x[i]!, y: plan.y[i]! },
        measured: 0,
        limit: 3,
        unit: '' as const,
        limitFrom: 'three small stitches hold a thread',
        message: `The thread of ‘${name}’ is cut without being locked: it comes undone in the wash.`,
        fix: { label: 'Tie it', pieces: [{ id, settings: { tieOff: true } }] },
      });
    }
    return out;
  },
};

/** Whether the thread is locked right before an event. */
export function locked({ plan }: ProofContext, event: number): boolean {
  const back = [];
  for (let k = event - 1; k >= 0 && k >= event - LOOK_BACK && plan.command[k] === Command.stitch; k--) {
    if (plan.role[k] === Role.tie) return true;
    back.push({ x: plan.x[k]!, y: plan.y[k]! });
  }
  return isTied(back);
}
