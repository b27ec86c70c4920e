import { distance, sub, unit, type Point } from '../../geometry/point';
import { armOf } from './arms';
import { cornersOf, type Border, type Roughness } from './corners';

/** A place at which a shape may not be smooth, or at which it begins. */
export interface Stop {
  /** Index of the border's point at it; beyond the count for the second round of a loop. */
  index: number;
  at: Point;
  /** Directions away from it, back along the border and onward. */
  back: Point;
  onward: Point;
  /** Border points nearer to it than this say nothing, pixels. */
  blur: number;
  /** Its place is not to be changed: it is a node, shared with other borders. */
  fixed: boolean;
}

/** Directions of a smooth place are read from so much border on either side, pixels. */
const SMOOTH_ARM = 6;

/** Corners and ends of a border, in order; a loop's last is its first again. */
export function stopsOf(border: Border, ends: { from: Point; to: Point } | null, roughness: Roughness): Stop[] {
  const corners = cornersOf(border, roughness).map((c): Stop => ({ ...c, blur: roughness.blur, fixed: false }));
  return ends ? betweenNodes(border, corners, ends, roughness) : roundLoop(border, corners);
}

/** Nodes first and last; corners that lie in their blur go with them. */
function betweenNodes(border: Border, corners: readonly Stop[], ends: { from: Point; to: Point }, { blur }: Roughness): Stop[] {
  const last = border.count - 1;
  const inner = corners.filter((c) => distance(c.at, ends.from) > blur && distance(c.at, ends.to) > blur);
  const stop = (index: number, at: Point, step: 1 | -1, beyond: number): Stop => {
    const arm = armOf(border.stretch(index, step, blur, blur + SMOOTH_ARM, beyond), at);
    const way = arm ? arm.along : unit(sub(border.at(beyond) ?? at, at));
    // Where the node lies away from the border's raw end, what is between says nothing.
    return { index, at, blur: blur + distance(at, border.at(index)!), back: way, onward: way, fixed: true };
  };
  return [stop(0, ends.from, 1, inner[0]?.index ?? last), ...inner, stop(last, ends.to, -1, inner.at(-1)?.index ?? 0)];
}

/** A loop begins and ends at a corner, or where it lies farthest left. */
function roundLoop(border: Border, corners: readonly Stop[]): Stop[] {
  const first = corners[0] ?? smoothStop(border, leftmost(border));
  return [first, ...corners.slice(1), { ...first, index: first.index + border.count }];
}

function leftmost(border: Border): number {
  let best = 0;
  for (let i = 1; i < border.count; i++) if (border.at(i)!.x < border.at(best)!.x) best = i;
  return best;
}

/** A place on a smooth stretch, its direction from both sides at once, never from beyond the bounds. */
export function smoothStop(border: Border, index: number, from?: number, to?: number): Stop {
  const place = border.at(index)!;
  const back = border.stretch(index, -1, 0, SMOOTH_ARM, from === undefined ? null : from - 1);
  const on = border.stretch(index, 1, 0, SMOOTH_ARM, to === undefined ? null : to + 1);
  const arm = armOf([...back.reverse(), place, ...on], place);
  const along = arm?.along ?? { x: 1, y: 0 };
  return { index, at: arm?.at ?? place, back: { x: -along.x, y: -along.y }, onward: along, blur: 0, fixed: false };
}
