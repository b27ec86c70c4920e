import { constrained } from '@/core/editing/drawn';
import { movedBy } from '@/core/editing/transform';
import type { Bounds, Point } from '@/core/geometry/point';
import { transformPieces } from '@/session/edit/commands';
import { useJob } from '@/session/job/jobStore';
import { chosenIds, useView } from '@/session/view/viewStore';
import { boxOf } from '../chosenBox';
import { pieceAt } from '../pick';
import type { Drag, Spot } from '../tool';

const round = (v: number): number => Math.round(v * 100) / 100;

/** Moves what is chosen when the drag began on it; edges and middle catch on guides and on the hoop's centre lines. */
export function carrying({ at: from }: Spot, mark: string): Drag | null {
  const ids = chosenIds();
  const under = pieceAt(from);
  if (!under || !ids.includes(under)) return null;
  const box = boxOf(ids);
  let moved = { x: 0, y: 0 };
  useView.setState({ gesture: mark });
  return {
    to: ({ at, shift, snapMm }) => {
      // Esc has given the drag up: the pointer may go on, the pieces do not.
      if (useView.getState().gesture !== mark) return;
      const wanted = snapped(box, shift ? constrained(from, at) : at, from, snapMm);
      const [dx, dy] = [round(wanted.x - moved.x), round(wanted.y - moved.y)];
      if (dx === 0 && dy === 0) return;
      moved = { x: round(moved.x + dx), y: round(moved.y + dy) };
      transformPieces(chosenIds(), 'Move', movedBy(dx, dy), mark);
    },
    drop: () => useView.setState({ gesture: null }),
  };
}

/** How far to move a box so that it follows the pointer and catches on what it comes near. */
function snapped(box: Bounds, to: Point, from: Point, snapMm: number): Point {
  const guides = useJob.getState().job?.guides;
  const { showGuides } = useView.getState();
  const uprights = showGuides ? (guides?.upright ?? []) : [];
  const levels = showGuides ? (guides?.level ?? []) : [];
  return {
    x: catching([box.minX, box.maxX], uprights, to.x - from.x, snapMm),
    y: catching([box.minY, box.maxY], levels, to.y - from.y, snapMm),
  };
}

/** The middle catches on the centre line and on guides, edges on guides. */
function catching([low, high]: readonly [number, number], guides: readonly number[], by: number, snapMm: number): number {
  const places = [(low + high) / 2, ...(guides.length > 0 ? [low, high] : [])];
  const near = places.flatMap((p) => [0, ...guides].map((line) => line - (p + by))).sort((a, b) => Math.abs(a) - Math.abs(b))[0];
  return near !== undefined && Math.abs(near) < snapMm ? by + near : by;
}
