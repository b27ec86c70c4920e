import { areaOf, intersect, opened, ringArea, roughOffset, turnedRight } from '../../geometry/area';
import type { Area } from '../../geometry/point';
import type { FaceOutlines } from '../../document/types';
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
/** Letters that are open to one side, and stay so. */
const BAYS = ['n', 'H', 'c', 's', '3'];
/** A counter is open when it is so wide between the rows' ends, mm (craft §8). */
export const OPEN_MM = 0.5;
/** A bay is closed when what is too narrow of it makes up more of the letter. */
const MOST_FILLED = 0.05;
const HEIGHTS = { from: 3, to: 20, step: 0.5 };

/** A face, with its letters where they are outlines. */
export interface AnyFace {
  key: string;
  outlines?: FaceOutlines;
}

/** Letters of which a face's smallest height depends. */
export const TELLING_LETTERS = [...COUNTERS.map(([c]) => c), ...BAYS].join('');

/** The smallest height of capitals at which a face's counters stay open on plain cloth, mm. */
export function smallestHeight(face: AnyFace, threadWeight: number): number {
  for (let height = HEIGHTS.from; height < HEIGHTS.to; height += HEIGHTS.step) if (staysOpen(face, height, threadWeight)) return height;
  return HEIGHTS.to;
}

/** Whether all openings of a face's letters are open at a height of capitals, mm. */
export function staysOpen(face: AnyFace, height: number, threadWeight: number): boolean {
  const { pullComp } = recipeOf('twill');
  const law = pullThrough(pullComp, 10, 0.005);
  const thread = (threadWidth(threadWeight) - threadWidth(40)) / 2;
  const chars = [...COUNTERS.map(([c]) => c), ...BAYS];
  // As columns, even where the face would be lines.
  const rules = { line: false };
  const laid = layOut({ text: chars.join(''), face: face.key, height, rules, ...(face.outlines ? { outlines: face.outlines } : {}) });
  const grown = pulledAt(law, laid.strokeMm) + thread;
  return laid.letters.every((glyph, i) => {
    const { painted } = letterOf(glyph, laid);
    // A script has letters with fewer openings than print: what is not drawn cannot close.
    const most = COUNTERS[i]?.[1];
    const wanted = most === undefined ? undefined : Math.min(most, holesOf(painted).length);
    const sewn = roughOffset(painted, grown);
    if (wanted === undefined) return areaOf(roughOffset(roughOffset(sewn, OPEN_MM / 2), -OPEN_MM / 2)) < (1 + MOST_FILLED) * areaOf(sewn);
    const open = holesOf(sewn).filter((hole) => areaOf(intersect(opened(hole, OPEN_MM), hole)) > 0.05);
    return open.length >= wanted;
  });
}

const holesOf = (area: Area): Area[] => area.filter((ring) => ringArea(ring) < 0).map((ring) => [turnedRight(ring)]);
