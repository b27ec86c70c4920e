import { firstPoints } from '../../plan/blocks';
import { Command, Role } from '../../stitches/roles';
import { isTied } from '../../stitches/ties';
import { CUT_BY_HAND_MM } from '../../units/craft';
import { usualTies } from '../../pieces/rules/tieSettings';
import { perPiece, type Check } from '../check';
import type { ProofContext } from '../context';
import { locked } from './tieMissing';

/** Stitches after its start that may hold a thread. */
const LOOK_AHEAD = 6;

/** Thread between two pieces that is so long that people cut it by hand, with no tie on both sides (craft §6, Ties). */
export const threadUnheld: Check = {
  rule: 'thread-unheld',
  severity: 'warn',
  title: 'Thread to cut by hand that no tie holds',
  find: perPiece(({ piece, index }, context) => {
    const { plan, job } = context;
    const { link, from } = plan.pieces[index]!;
    if (usualTies(job.brief.cloth) === 'never' || !link || link.bareMm < CUT_BY_HAND_MM) return null;
    const left = plan.pieces[link.from]!.to;
    const leaves = firstWithout(plan.role, Role.tie, left, from);
    const open = [...(locked(context, leaves) ? [] : [link.from]), ...(lockedFrom(context, from) ? [] : [index])];
    if (open.length === 0) return null;
    const names = open.map((i) => `‘${job.pieces[i]!.name}’`).join(' and ');
    return {
      pieces: [job.pieces[link.from]!.id, piece.id],
      at: { x: (link.leaves.x + link.arrives.x) / 2, y: (link.leaves.y + link.arrives.y) / 2 },
      measured: link.bareMm,
      limit: CUT_BY_HAND_MM,
      unit: 'mm' as const,
      limitFrom: 'a shorter thread can be left',
      message: `${link.bareMm.toFixed(1)} mm of thread lie bare, with no tie at ${names}: left it catches, cut by hand it comes undone.`,
      // A job without any ties has none to give back.
      ...(job.settings.tieWhen === 'never'
        ? {}
        : {
            fix: {
              label: 'Tie on both sides',
              pieces: open.map((i) => ({ id: job.pieces[i]!.id, settings: i === index ? { tieIn: undefined } : { tieOff: undefined } })),
            },
          }),
      others: [{ label: 'Let the machine cut', pieces: [{ id: piece.id, patch: { approach: { how: 'trim' as const } } }] }],
    };
  }),
};

/** The first event from `from` on that has another role, `until` at most. */
function firstWithout(roles: Uint8Array, role: number, from: number, until: number): number {
  let i = from;
  while (i < until && roles[i] === role) i++;
  return i;
}

function lockedFrom({ plan }: ProofContext, start: number): boolean {
  for (let k = start; k < start + LOOK_AHEAD && plan.command[k] === Command.stitch; k++) if (plan.role[k] === Role.tie) return true;
  return isTied(firstPoints(plan, start));
}
