import { among } from '@/core/document/among';
import { useJob } from '@/session/job/jobStore';
import { widthAt, type Gauge } from '@/core/editing/gauge';
import { boundsOf, type Point } from '@/core/geometry/point';
import { dataToRings } from '@/core/geometry/path';
import { usePlan } from '@/session/derived/planStore';
import { useView } from '@/session/view/viewStore';

let context: CanvasRenderingContext2D | null = null;

/** How near to a thin piece a click counts, mm. */
const NEAR_MM = 1;

/** The piece sewn last among those at a place on the cloth; its id, or null. */
export function pieceAt(p: { x: number; y: number }): string | null {
  const { planned } = usePlan.getState();
  const { hidden } = useView.getState();
  const pieces = useJob.getState().job?.pieces ?? [];
  context ??= document.createElement('canvas').getContext('2d');
  if (!planned || !context) return null;
  context.lineWidth = NEAR_MM;
  for (let i = pieces.length - 1; i >= 0; i--) {
    const data = planned.outlines[i];
    if (!data || hidden.includes(pieces[i]!.id)) continue;
    const path = new Path2D(data);
    if (context.isPointInPath(path, p.x, p.y, 'evenodd') || context.isPointInStroke(path, p.x, p.y)) return pieces[i]!.id;
  }
  return null;
}

/** Pieces that lie wholly in a box on the cloth, in sewing order. */
export function piecesIn(a: Point, b: Point): string[] {
  const { planned } = usePlan.getState();
  const { hidden } = useView.getState();
  const [left, right, top, bottom] = [Math.min(a.x, b.x), Math.max(a.x, b.x), Math.min(a.y, b.y), Math.max(a.y, b.y)];
  return (useJob.getState().job?.pieces ?? []).flatMap((p, i) => {
    const data = planned?.outlines[i];
    if (!data || hidden.includes(p.id)) return [];
    const box = boundsOf(dataToRings(data));
    return box.minX >= left && box.maxX <= right && box.minY >= top && box.maxY <= bottom ? [p.id] : [];
  });
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
  const pieces = useJob.getState().job?.pieces ?? [];
  const { planned } = usePlan.getState();
  const { selected } = useView.getState();
  const widthOf = (id: string | null): Gauge | null => {
    const data = planned?.outlines[pieces.findIndex((q) => q.id === id)];
    return data ? widthAt(dataToRings(data), p) : null;
  };
  return widthOf(selected) ?? widthOf(pieceAt(p));
}
