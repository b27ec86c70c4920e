import type { MedialAxis } from '../../geometry/medial';
import { distance } from '../../geometry/point';
import { directionOf } from '../../units/directions';

/** Where a field is no wider than this, rows along it are long and lie loose, mm. */
const NARROW_MM = 7;
/** A stretch is narrow when it is at least so many times as long as wide. */
const LONG = 2.2;

/** The narrow stretches of a field, in pieces that run one way: their direction, degrees from level, and length, mm. */
export function narrowStretches(axis: MedialAxis | null): { deg: number; mm: number }[] {
  return (axis?.branches ?? []).flatMap(({ points, radii }) => {
    const out: { deg: number; mm: number }[] = [];
    let [from, length, widest] = [0, 0, 0];
    const end = (to: number): void => {
      if (length >= LONG * widest && widest > 0)
        for (let i = from + 1; i < to; i++) {
          out.push({ deg: directionOf(points[i - 1]!, points[i]!), mm: distance(points[i - 1]!, points[i]!) });
        }
      [from, length, widest] = [to, 0, 0];
    };
    for (let i = 0; i < points.length; i++) {
      const width = 2 * radii[i]!;
      if (width > NARROW_MM) end(i);
      else if (i > from) length += distance(points[i - 1]!, points[i]!);
      if (width <= NARROW_MM) widest = Math.max(widest, width);
      else from = i + 1;
    }
    end(points.length);
    return out;
  });
}
