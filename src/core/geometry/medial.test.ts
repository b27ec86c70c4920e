import { clean } from './area';
import { medialAxis, widthRange } from './medial';
import { dataToRings } from './path';

const axisOf = (d: string) => medialAxis(clean(dataToRings(d), 'evenodd'));

test('a bar has one branch along its middle, and its width everywhere', () => {
  const axis = axisOf('M-20,-2 H20 V2 H-20 Z');
  expect(axis.branches).toHaveLength(1);
  const range = widthRange(axis);
  expect(range.min).toBeCloseTo(4, 1);
  expect(range.median).toBeCloseTo(4, 1);
  expect(range.max).toBeCloseTo(4, 1);
  for (const p of axis.branches[0]!.points) expect(Math.abs(p.y)).toBeLessThan(0.15);
});

test('a ring is one loop without nodes', () => {
  const axis = axisOf('M10,0 A10,10 0 1 1 -10,0 A10,10 0 1 1 10,0 Z M7,0 A7,7 0 1 0 -7,0 A7,7 0 1 0 7,0 Z');
  expect(axis.branches).toHaveLength(1);
  expect(axis.branches[0]!.from).toBe(-1);
  expect(widthRange(axis).median).toBeCloseTo(3, 1);
});

test('a T has three branches that meet at one node', () => {
  const axis = axisOf('M-15,-2 H15 V2 H2 V20 H-2 V2 H-15 Z');
  expect(axis.branches).toHaveLength(3);
  const ends = axis.branches.flatMap((b) => [b.from, b.to]);
  const shared = ends.filter((n) => ends.indexOf(n) !== ends.lastIndexOf(n));
  expect(new Set(shared).size).toBe(1);
});

test('a disc’s widest place is its diameter', () => {
  const axis = axisOf('M6,0 A6,6 0 1 1 -6,0 A6,6 0 1 1 6,0 Z');
  expect(2 * axis.maxRadius).toBeCloseTo(12, 1);
});

test('a wedge reports the widths along it', () => {
  const range = widthRange(axisOf('M0,-0.5 L40,-3 V3 L0,0.5 Z'));
  expect(range.min).toBeGreaterThan(0.9);
  expect(range.min).toBeLessThan(1.6);
  expect(range.max).toBeGreaterThan(5);
  expect(range.max).toBeLessThan(6.1);
});
