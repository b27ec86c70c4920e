import { among } from '@/core/document/among';
import { widthAt, type Gauge } from '@/core/editing/gauge';
import { contains } from '@/core/geometry/area';
import { ofEach } from '@/core/geometry/known';
import { distanceTo } from '@/core/geometry/line';
import { dataToRings } from '@/core/geometry/path';
import { boundsOf, type Area, type Bounds, type Point } from '@/core/geometry/point';
import { usePlan, type Planned } from '@/session/derived/planStore';
import { useJob } from '@/session/job/jobStore';
import { useView } from '@/session/view/viewStore';

/** How near to a thin piece a click counts, mm. */
const NEAR_MM = 0.5;

interface Outline {
  rings: Area;
  box: Bounds;
}

/** Outlines of what is shown, read from their data once for each plan. */
const outlinesOf = ofEach(({ outlines }: Planned): Outline[] =>
  outlines.map((data) => {
    const rings = dataToRings(data);
    return { rings, box: boundsOf(rings) };
  }),
);

/** What of the job is on the cloth, in sewing order: what is hidden is not. */
function shown(): { id: string; outline: Outline }[] {
  const { planned } = usePlan.getState();
  const isHidden = among(useView.getState().hidden);
  if (!planned) return [];
  const outlines = outlinesOf(planned);
  return (useJob.getState().job?.pieces ?? []).flatMap(({ id }, i) => (isHidden(id) || !outlines[i] ? [] : [{ id, outline: outlines[i] }]));
}

function isAt({ rings, box }: Outline, p: Point): boolean {
  if (p.x < box.minX - NEAR_MM || p.x > box.maxX + NEAR_MM || p.y < box.minY - NEAR_MM || p.y > box.maxY + NEAR_MM) return false;
  return contains(rings, p) || rings.some((ring) => distanceTo([...ring, ring[0]!], p) <= NEAR_MM);
}

/** The piece sewn last among those at a place on the cloth; its id, or null. */
export const pieceAt = (p: Point): string | null => shown().findLast(({ outline }) => isAt(outline, p))?.id ?? null;

/** Pieces that lie wholly in a box on the cloth, in sewing order. */
export function piecesIn(a: Point, b: Point): string[] {
  const [left, right, top, bottom] = [Math.min(a.x, b.x), Math.max(a.x, b.x), Math.min(a.y, b.y), Math.max(a.y, b.y)];
  return shown()
    .filter(({ outline: { box } }) => box.minX >= left && box.maxX <= right && box.minY >= top && box.maxY <= bottom)
    .map(({ id }) => id);
}

/** The ids with all that are grouped with them. */
export function withGroups(ids: readonly string[]): string[] {
  const pieces = useJob.getState().job?.pieces ?? [];
  const chosen = among(ids);
  const groups = new Set(pieces.flatMap((p) => (p.group && chosen(p.id) ? [p.group] : [])));
  return [...ids, ...pieces.flatMap((p) => (p.group && groups.has(p.group) && !chosen(p.id) ? [p.id] : []))];
}

/** Local width of the chosen piece, or else of the piece on top, at a place on the cloth. */
export function gaugeAt(p: Point): Gauge | null {
  const all = shown();
  const widthOf = (id: string | null): Gauge | null => {
    const found = all.find((s) => s.id === id);
    return found ? widthAt(found.outline.rings, p) : null;
  };
  return widthOf(useView.getState().selected) ?? widthOf(pieceAt(p));
}
