import { perimeterOf } from '../../geometry/area';
import { parsePath } from '../../geometry/path';
import { perPiece, type Check } from '../check';

/** More nodes than this per mm of outline cannot be shaped by hand. */
const PER_MM = 1.2;
const LEAST = 60;

export const tooManyNodes: Check = {
  rule: 'too-many-nodes',
  severity: 'note',
  title: 'Outlines with more nodes than they need',
  find: perPiece(({ piece, shape }) => {
    const nodes = piece.area ? parsePath(piece.area).reduce((sum, s) => sum + s.segments.length, 0) : 0;
    const limit = Math.max(LEAST, Math.round(PER_MM * perimeterOf(shape.painted)));
    if (nodes <= limit) return null;
    return {
      measured: nodes,
      limit,
      unit: '',
      limitFrom: 'fewest nodes that hold the shape',
      message: `${nodes} nodes hold this outline: hard to shape by hand, and they make it jitter. ‘Fewest nodes’ (S) thins them.`,
    };
  }),
};
