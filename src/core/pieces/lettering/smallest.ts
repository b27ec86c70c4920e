import { areaOf, intersect, opened, ringArea, roughOffset, turnedRight } from '../../geometry/area';
import type { Face } from '../../lettering/faces';
import { layOut } from '../../lettering/layout';
import { threadWidth } from '../../cloth/threadWidth';
import { recipeOf } from '../../cloth/recipes';
import { pulledAt, pullThrough } from '../rules/pull';
import { letterOf } from './letter';

/** Letters whose counters close first, with how many they have. */
const COUNTERS: readonly (readonly [char: string, count: number])[] = [
  ['a', 1],
  ['e', 1],
  ['o', 1],
  ['B', 2],
  ['R', 1],
  ['8', 2],
];
/** A counter is open when it is so wide between the rows' ends, mm (craft §8). */
export const OPEN_MM = 0.5;
const HEIGHTS = { from: 3, to: 20, step: 0.5 };

/** The smallest height of capitals at which a face's counters stay open on plain cloth, mm. */
export function smallestHeight(face: Face, threadWeight: number): number {
  for (let height = HEIGHTS.from; height < HEIGHTS.to; height += HEIGHTS.step) if (staysOpen(face, height, threadWeight)) return height;
  return HEIGHTS.to;
}

function staysOpen(face: Face, height: number, threadWeight: number): boolean {
  const { pullComp } = recipeOf('twill');
  const law = pullThrough(pullComp, 10, 0.005);
  const laid = layOut({ text: COUNTERS.map(([c]) => c).join(''), face: face.key, height });
  const thread = (threadWidth(threadWeight) - threadWidth(40)) / 2;
  return laid.letters.every((glyph, i) => {
    const { painted } = letterOf(glyph, laid);
    const sewn = roughOffset(painted, pulledAt(law, laid.strokeMm) + thread);
    const holes = sewn.filter((ring) => ringArea(ring) < 0).map((ring) => [turnedRight(ring)]);
    const open = holes.filter((hole) => areaOf(intersect(opened(hole, OPEN_MM), hole)) > 0.05);
    return open.length >= COUNTERS[i]![1];
  });
}
