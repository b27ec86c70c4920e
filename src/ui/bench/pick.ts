import { useJob } from '@/store/jobStore';
import { usePlan } from '@/store/planStore';

let context: CanvasRenderingContext2D | null = null;

/** How near to a thin piece a click counts, mm. */
const NEAR_MM = 1;

/** The piece sewn last among those at a place on the cloth; its id, or null. */
export function pieceAt(p: { x: number; y: number }): string | null {
  const { planned } = usePlan.getState();
  const pieces = useJob.getState().job?.pieces ?? [];
  context ??= document.createElement('canvas').getContext('2d');
  if (!planned || !context) return null;
  context.lineWidth = NEAR_MM;
  for (let i = pieces.length - 1; i >= 0; i--) {
    const data = planned.outlines[i];
    if (!data) continue;
    const path = new Path2D(data);
    if (context.isPointInPath(path, p.x, p.y, 'evenodd') || context.isPointInStroke(path, p.x, p.y)) return pieces[i]!.id;
  }
  return null;
}
