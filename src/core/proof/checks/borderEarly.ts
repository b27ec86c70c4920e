import type { Check } from '../check';

export const borderEarly: Check = {
  rule: 'border-early',
  severity: 'warn',
  title: 'Patch borders that are not last',
  find({ job, shaped, middleOf }) {
    const sewn = job.pieces.flatMap((piece, index) => (shaped[index]!.shape ? [{ piece, index }] : []));
    const last = sewn.findLast(({ piece }) => piece.kind !== 'border');
    return sewn.flatMap(({ piece, index }) => {
      if (piece.kind !== 'border' || !last || index > last.index) return [];
      const later = sewn.filter((s) => s.index > index && s.piece.kind !== 'border').length;
      return [
        {
          pieces: [piece.id],
          at: middleOf(index),
          measured: later,
          limit: 0,
          unit: '' as const,
          limitFrom: 'a border hides the ends of everything and is where the patch is cut',
          message: `${later} ${later === 1 ? 'piece is' : 'pieces are'} sewn after the border ‘${piece.name}’: they pull at the edge that it should hold, and their ends stay open.`,
          fix: { label: 'Sew the border last', sewRightAfter: [{ piece: piece.id, after: last.piece.id }] },
        },
      ];
    });
  },
};
