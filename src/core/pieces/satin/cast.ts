import { add, scale, type Point } from '../../geometry/point';
import type { EdgeIndex } from './outlineEdges';
import { makeTrack, type Track } from './track';

/** Rows square to the middle line, cut where they meet the outline; rows that miss the area are left out. */
export function castRows(
  middle: readonly Point[],
  directions: readonly Point[],
  reachLeft: (i: number) => number,
  reachRight: (i: number) => number,
  edges: EdgeIndex,
): Track | null {
  const left: Point[] = [];
  const right: Point[] = [];
  middle.forEach((p, i) => {
    const t = directions[i]!;
    const normal = { x: t.y, y: -t.x };
    const found = edges.stretch(p, normal, reachRight(i), reachLeft(i));
    if (!found) return;
    right.push(add(p, scale(normal, found[0])));
    left.push(add(p, scale(normal, found[1])));
  });
  return left.length < 2 ? null : makeTrack(left, right);
}
