import { parsePath } from '../../geometry/path';
import { perimeterOf } from '../../geometry/area';
import type { Check } from '../check';

/** More nodes than this per mm of outline cannot be shaped by hand. */
const PER_MM = 1.2;
const LEAST = 60;

export const tooManyNodes: Check = {
  rule: 'too-many-nodes',
  severity: 'note',
  title: 'Outlines with more nodes than they need',
  find({ job, shaped, middleOf }) {
    return job.pieces.flatMap((piece, n) => {
      const shape = shaped[n]!.shape;
      if (!piece.area || !shape) return [];
      const nodes = parsePath(piece.area).reduce((sum, s) => sum + s.segments.length, 0);
      const limit = Math.max(LEAST, PER_MM * perimeterOf(shape.painted));
      if (nodes <= limit) return [];
      return [
        {
          pieces: [piece.id],
          at: middleOf(n),
          measured: nodes,
          limit: Math.round(limit),
          unit: '' as const,
          limitFrom: 'fewest nodes that hold the shape',
          message: `${nodes} nodes hold this outline: hard to shape by hand, and they make it jitter. ‘Fewest nodes’ (S) thins them.`,
        },
      ];
    });
  },
};
