import { transformedPiece } from '../../editing/transform';
import { placesAlong } from '../../editing/edgePlaces';
import type { Area, Point } from '../../geometry/point';
import { indexEdges } from '../../pieces/satin/outlineEdges';
import { outlinesOf } from '../../route/objectives';
import { planeThrough } from '../../units/plane';
import { hypot } from '../../units/trig';
import type { Piece } from '../../document/types';
import type { Check } from '../check';

/** An outline this far beside the edge that it outlines was moved there, mm: the edge should have been. */
const LEAST_MM = 0.3;
/** Outlines are looked for so far to either side of an edge, mm. */
const WITHIN_MM = 3;
/** Places that say how far it is off, and how far they may differ from one move of the whole, mm. */
const LEAST_PLACES = 12;
const STEADY_MM = 0.25;

export const outlineNudged: Check = {
  rule: 'outline-nudged',
  severity: 'warn',
  title: 'Outlines moved off the edge that they outline',
  find({ job, shaped, route }) {
    const { items, pieces } = route();
    const done = new Set<number>();
    return outlinesOf(items).flatMap((own, fill) =>
      own.flatMap((outline) => {
        const [f, o] = [pieces[fill]!, pieces[outline]!];
        const [edge, line] = [shaped[f]!.shape, shaped[o]!.shape];
        const move = edge && line && !done.has(o) ? moveBetween(edge.painted, line.painted) : null;
        if (!move || hypot(move.by.x, move.by.y) < LEAST_MM) return [];
        done.add(o);
        const [under, over] = [job.pieces[f]!, job.pieces[o]!];
        const mm = hypot(move.by.x, move.by.y);
        return [
          {
            pieces: [over.id, under.id],
            at: move.at,
            measured: mm,
            spoilsMm2: mm * move.places,
            limit: LEAST_MM,
            unit: 'mm' as const,
            limitFrom: 'outlines lie on the drawn edge; what the cloth does is for the fill to make good',
            message: `‘${over.name}’ lies ${mm.toFixed(1)} mm beside the edge of ‘${under.name}’ that it outlines: it fits one sample and no other. Back on the line, the fill extended instead.`,
            ...(over.locked ? {} : { fix: { label: 'Back onto its edge', pieces: [{ id: over.id, patch: movedBack(over, move.by) }] } }),
          },
        ];
      }),
    );
  },
};

/** How far an outline as a whole lies off an edge: the move that explains where its middle runs, by least squares; null when none does. */
function moveBetween(edge: Area, outline: Area): { by: Point; at: Point; places: number } | null {
  const index = indexEdges(outline);
  const met = placesAlong(edge).flatMap((ring) =>
    ring.flatMap(({ at, out }) => {
      const found = index.stretch(at, out, WITHIN_MM, WITHIN_MM);
      return found && found[0] > -WITHIN_MM && found[1] < WITHIN_MM ? [{ at, out, off: (found[0] + found[1]) / 2 }] : [];
    }),
  );
  if (met.length < LEAST_PLACES) return null;
  const fit = planeThrough(met.map(({ out, off }) => [out.x, out.y, off] as const));
  if (!fit) return null;
  const away = met.map(({ out, off }) => Math.abs(off - fit.c - out.x * fit.x - out.y * fit.y));
  const steady = away.filter((d) => d < STEADY_MM).length >= 0.8 * met.length;
  const worst = met.reduce((a, b) => (b.out.x * fit.x + b.out.y * fit.y > a.out.x * fit.x + a.out.y * fit.y ? b : a));
  return steady ? { by: { x: fit.x, y: fit.y }, at: worst.at, places: met.length } : null;
}

function movedBack(piece: Piece, by: Point): Partial<Piece> {
  const { area, line, sides, slants, start, end } = transformedPiece(piece, [1, 0, 0, 1, -by.x, -by.y]);
  const all = { area, line, sides, slants, start, end };
  return Object.fromEntries(Object.entries(all).filter(([, v]) => v !== undefined));
}
