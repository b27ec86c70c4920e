import { constraintsOf } from '../../route/constraints';
import { outlinesOf } from '../../route/objectives';
import { runsOf } from '../../route/clusters';
import type { Check } from '../check';

export const colourReturns: Check = {
  rule: 'colour-returns',
  severity: 'note',
  title: 'Threads that come back though nothing demands it',
  find({ job, route, middleOf }) {
    const { items, pieces } = route();
    const { before } = constraintsOf(items);
    const outlines = new Set(outlinesOf(items).flat());
    const blocks = runsOf(
      items.map((_, i) => i),
      (i) => items[i]!.thread,
    );
    const end = new Map<string, number>();
    return blocks.flatMap((block) => {
      const thread = items[block[0]!]!.thread;
      const earlier = end.get(thread);
      // What it lies on is sewn by then, or moves there with it; an outline belongs right after its fill.
      const free =
        earlier !== undefined &&
        block.every((i) => !outlines.has(i) && before[i]!.every((j) => j <= earlier || (j >= block[0]! && items[j]!.thread === thread)));
      if (!free) {
        end.set(thread, block.at(-1)!);
        return [];
      }
      const [own, after] = [block.map((i) => job.pieces[pieces[i]!]!), job.pieces[pieces[earlier]!]!];
      return [
        {
          pieces: own.map((p) => p.id),
          at: middleOf(pieces[block[0]!]!),
          measured: 1,
          limit: 0,
          unit: '' as const,
          limitFrom: 'each change of thread takes a stop; nothing seen demands this one',
          message: `The thread of ‘${own[0]!.name}’ is threaded again, though it could be sewn right after ‘${after.name}’.`,
          fix: {
            label: own.length === 1 ? `Sew it right after ‘${after.name}’` : `Sew the ${own.length} of them right after ‘${after.name}’`,
            sewRightAfter: own.map((p, k) => ({ piece: p.id, after: k === 0 ? after.id : own[k - 1]!.id })),
          },
        },
      ];
    });
  },
};
