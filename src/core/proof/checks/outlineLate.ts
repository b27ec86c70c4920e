import { constraintsOf } from '../../route/constraints';
import { outlinesOf } from '../../route/objectives';
import type { Check } from '../check';

/** Pieces sewn between a fill and its outline beyond this let the cloth move. */
const MOST_BETWEEN = 3;

export const outlineLate: Check = {
  rule: 'outline-late',
  severity: 'note',
  title: 'Outlines long after their fills',
  find({ job, route, middleOf }) {
    const { items, pieces } = route();
    const { forces } = constraintsOf(items);
    // What lies beneath the outline must stay before it.
    const mayMove = (fill: number, outline: number): boolean => items.every((_, k) => k <= fill || k >= outline || !forces(k, outline));
    return outlinesOf(items).flatMap((own, fill) =>
      own.flatMap((outline) => {
        const between = pieces.slice(fill + 1, outline).filter((_, k) => !own.includes(fill + 1 + k)).length;
        if (between <= MOST_BETWEEN) return [];
        const [f, o] = [job.pieces[pieces[fill]!]!, job.pieces[pieces[outline]!]!];
        return [
          {
            pieces: [o.id, f.id],
            at: middleOf(pieces[outline]!),
            measured: between,
            limit: MOST_BETWEEN,
            unit: '' as const,
            limitFrom: 'everything sewn between pulls the cloth',
            message: `‘${o.name}’ outlines ‘${f.name}’ but ${between} pieces are sewn between: cloth may show between them. The path for best registration brings it nearer.`,
            ...(mayMove(fill, outline)
              ? { fix: { label: `Sew ‘${o.name}’ right after ‘${f.name}’`, sewRightAfter: [{ piece: o.id, after: f.id }] } }
              : {}),
          },
        ];
      }),
    );
  },
};
