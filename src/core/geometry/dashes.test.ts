import { dashed } from './dashes';
import { lineLength } from './line';
import { flattenSubpath, parsePath } from './path';
import { distance } from './point';

const line = (data: string) => parsePath(data)[0]!;
const lengths = (data: string, pattern: number[], offset = 0): number[] =>
  dashed(line(data), { lengths: pattern, offset }).map((d) => Math.round(100 * lineLength(flattenSubpath(d, 0.001))) / 100);

test('dashes and gaps follow one another, the last dash is cut off where the line ends', () => {
  expect(lengths('M0,0 L10,0', [3, 2])).toEqual([3, 3]);
  expect(lengths('M0,0 L11,0', [3, 2])).toEqual([3, 3, 1]);
  expect(lengths('M0,0 L10,0', [4])).toEqual([4, 2]);
});

test('the pattern may begin anywhere, before the line as well', () => {
  expect(lengths('M0,0 L10,0', [3, 2], 1)).toEqual([2, 3, 1]);
  expect(lengths('M0,0 L10,0', [3, 2], 4)).toEqual([3, 3]);
  expect(lengths('M0,0 L10,0', [3, 2], -1)).toEqual([3, 3]);
});

test('dashes go round corners and keep curves as curves', () => {
  const [round] = dashed(line('M0,0 L3,0 L3,9'), { lengths: [5, 100], offset: 0 });
  expect(round!.segments.map((s) => s.to)).toEqual([
    { x: 3, y: 0 },
    { x: 3, y: 2 },
  ]);
  const arc = dashed(line('M10,0 C10,5.523 5.523,10 0,10'), { lengths: [2, 1], offset: 0 });
  for (const dash of arc) {
    expect(dash.segments[0]!.c1).toBeDefined();
    for (const p of flattenSubpath(dash)) expect(Math.hypot(p.x, p.y)).toBeCloseTo(10, 1);
  }
  const long = arc.slice(0, -1).map((d) => lineLength(flattenSubpath(d, 0.001)));
  for (const mm of long) expect(mm).toBeCloseTo(2, 2);
});

test('on a closed line a dash that runs through the start is one', () => {
  const made = dashed(line('M0,0 L10,0 L10,10 L0,10 Z'), { lengths: [6, 4], offset: 3 });
  expect(made.map((d) => lineLength(flattenSubpath(d)))).toEqual([6, 6, 6, 6]);
  expect(made.some((d) => d.segments.some((s) => distance(s.to, { x: 0, y: 0 }) < 1e-9))).toBe(true);
});

test('dots, and patterns that say nothing', () => {
  expect(dashed(line('M0,0 L10,0'), { lengths: [0, 4], offset: 0 }).map((d) => d.start.x)).toEqual([0, 4, 8]);
  const whole = line('M0,0 L10,0');
  expect(dashed(whole, { lengths: [0, 0], offset: 0 })).toEqual([whole]);
  expect(dashed(whole, { lengths: [0.0001, 0.0001], offset: 0 })).toEqual([whole]);
});
