import { planBounds } from './planBounds';
import { Command } from './roles';
import { eachStitch, longestStitch } from './stitches';

const { jump, trim } = Command;
const planOf = (events: readonly [number, number, number?][]) => ({
  x: Float32Array.from(events, (e) => e[0]),
  y: Float32Array.from(events, (e) => e[1]),
  command: Uint8Array.from(events, (e) => e[2] ?? Command.stitch),
});
const plan = planOf([[0, 0], [3, 4], [3, 4, trim], [10, 4, jump], [10, 5], [10, 7], [4, 7]]); // prettier-ignore
const seen = (from: number, to: number): [number, number][] => {
  const out: [number, number][] = [];
  eachStitch(plan, from, to, (event, lengthMm) => out.push([event, lengthMm]));
  return out;
};

test('a stitch is two penetrations with nothing between', () => {
  expect(seen(0, 7)).toEqual([[1, 5], [5, 2], [6, 6]]); // prettier-ignore
  expect(seen(1, 7)).toHaveLength(3);
  expect(seen(2, 6)).toEqual([[5, 2]]);
  expect(seen(6, 6)).toEqual([]);
});

test('the longest that counts is over what was asked, and in the range', () => {
  expect(longestStitch(plan, 0, 7, 1)).toEqual({ event: 6, lengthMm: 6 });
  expect(longestStitch(plan, 0, 6, 1)).toEqual({ event: 1, lengthMm: 5 });
  expect(longestStitch(plan, 0, 7, 6)).toEqual({ event: -1, lengthMm: 6 });
  expect(longestStitch(plan, 0, 7, 1, (e) => e === 5)).toEqual({ event: 5, lengthMm: 2 });
});

test('of two equally long ones the first counts', () => {
  expect(longestStitch(planOf([[0, 0], [4, 0], [8, 0]]), 0, 3, 1).event).toBe(1); // prettier-ignore
});

test('the box of a plan holds all its places; an empty one has a centred box', () => {
  expect(planBounds(plan)).toEqual({ minX: 0, minY: 0, maxX: 10, maxY: 7 });
  expect(planBounds(planOf([]))).toEqual({ minX: -5, minY: -5, maxX: 5, maxY: 5 });
});
