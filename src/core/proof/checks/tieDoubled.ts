import { Command, Role } from '../../stitches/roles';
import { hypot } from '../../units/trig';
import type { Check } from '../check';

/** Stitches of a strong tie; more in a row are two ties on one another. */
const MOST = 5;
/** The first penetration of the next piece lies between a tie-off and a tie-in. */
const BETWEEN = 1;
/** A longer stitch leads to another spot, mm. */
const SPOT_MM = 1.5;

export const tieDoubled: Check = {
  rule: 'tie-doubled',
  severity: 'warn',
  title: 'Ties sewn twice over',
  find({ plan, job }) {
    const found: { from: number; count: number }[] = [];
    let [count, from, since] = [0, 0, 0];
    const close = (): void => {
      if (count > MOST) found.push({ from, count });
      count = 0;
    };
    for (let i = 0; i < plan.role.length; i++) {
      // Ties on both sides of a way lie apart.
      if (plan.command[i] !== Command.stitch || (i > 0 && hypot(plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!) > SPOT_MM))
        close();
      if (plan.command[i] !== Command.stitch) continue;
      if (plan.role[i] === Role.tie) {
        if (count === 0) from = i;
        count++;
        since = 0;
      } else if (++since > BETWEEN) close();
    }
    close();
    if (found.length === 0) return [];
    const worst = found.reduce((a, b) => (b.count > a.count ? b : a));
    const owners = [...new Set(found.map((f) => plan.piece[Math.min(f.from + f.count, plan.piece.length - 1)]!))].map(
      (i) => job.pieces[i]!.id,
    );
    return [
      {
        pieces: owners,
        at: { x: plan.x[worst.from]!, y: plan.y[worst.from]! },
        measured: worst.count,
        limit: MOST,
        unit: '',
        limitFrom: 'one tie holds; two make a lump that breaks thread',
        message: `At ${found.length} ${found.length === 1 ? 'place' : 'places'} a tie-off is followed by a tie-in on the same spot, though the thread is not cut there.`,
        fix: { label: 'One tie there', pieces: owners.map((id) => ({ id, settings: { tieIn: false } })) },
      },
    ];
  },
};
