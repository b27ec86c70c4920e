import { contains, offset } from '../../geometry/area';
import { nearestOnLine } from '../../geometry/line';
import type { Area } from '../../geometry/point';
import type { StitchBuffer } from '../../stitches/buffer';
import { Role } from '../../stitches/roles';

/** Thread so far beside a letter, beyond its compensation, is seen by nobody, mm. */
const UNSEEN_MM = 0.13;

/**
 * Rows at the tips and crotches of outlines can end beside the letter, since there the columns that they were cast from are rough:
 * from event `from` on, cover is drawn back to no farther off than compensation and what nobody sees.
 */
export function keepNear(out: StitchBuffer, from: number, painted: Area, pullMm: number): void {
  const edges = offset(painted, pullMm + UNSEEN_MM).map((ring) => [...ring, ring[0]!]);
  out.move(from, Role.cover, (p) => {
    if (contains(edges, p)) return null;
    return edges.map((edge) => nearestOnLine(edge, p)).reduce((a, b) => (b.distance < a.distance ? b : a)).point;
  });
}
