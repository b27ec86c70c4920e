import { areaOf, contains } from '../geometry/area';
import { outlineOf } from '../geometry/outline';
import { dataToRings } from '../geometry/path';
import { piece } from '../pieces/fixtures';
import { alignedBy, boxOf, distributedBy } from './arrange';
import { extendEdge, joinPieces, offsetOutline, simplifiedOutline } from './outlines';
import { meetingsOf, shortMeetings } from './overlaps';
import { transformedPiece } from './transform';

const SQUARE = 'M0,0 H20 V20 H0 Z';
const size = (data: string): number => areaOf(outlineOf(data).area);

test('areas with a hair between them become one; lines are strung by their nearest ends', () => {
  const joined = joinPieces([piece('fill', { area: 'M0,0 H10 V10 H0 Z' }), piece('fill', { area: 'M10.2,0 H20 V10 H10.2 Z' })])!;
  expect(outlineOf(joined.area!).parts).toHaveLength(1);
  expect(size(joined.area!)).toBeCloseTo(200, 0);
  const line = joinPieces([piece('run', { line: 'M10,0 H0' }), piece('run', { line: 'M20,0 H10.5' })])!;
  const points = dataToRings(line.line!)[0]!;
  expect(points[0]!.x + points[points.length - 1]!.x).toBe(20);
  expect(joinPieces([piece('run', { line: 'M0,0 H1' }), piece('fill', { area: SQUARE })])).toBeNull();
});

test('an outline grows and shrinks by what was asked, and vanishes when nothing is left', () => {
  expect(size(offsetOutline(SQUARE, 1)!)).toBeCloseTo(22 * 22, 0);
  expect(size(offsetOutline(SQUARE, -2)!)).toBeCloseTo(16 * 16, 0);
  expect(offsetOutline(SQUARE, -11)).toBeNull();
});

test('one edge is pulled out where asked, less to either side, and nothing elsewhere', () => {
  const out = outlineOf(extendEdge(SQUARE, { x: 20, y: 10 }, 1, 6)).area;
  expect(contains(out, { x: 20.9, y: 10 })).toBe(true);
  expect(contains(out, { x: 21.1, y: 10 })).toBe(false);
  expect(contains(out, { x: 20.4, y: 13 })).toBe(true);
  expect(contains(out, { x: 20.2, y: 17 })).toBe(false);
  expect(contains(out, { x: -0.1, y: 10 })).toBe(false);
  const hole = outlineOf(extendEdge('M0,0 H20 V20 H0 Z M8,8 H12 V12 H8 Z', { x: 12, y: 10 }, 0.5, 1.5)).area;
  expect(contains(hole, { x: 11.7, y: 10 })).toBe(true);
});

test('a circle of many points comes down to few nodes within the tolerance', () => {
  const points = Array.from({ length: 120 }, (_, i) => `${(10 * Math.cos(i / 19.1)).toFixed(3)},${(10 * Math.sin(i / 19.1)).toFixed(3)}`);
  const simple = simplifiedOutline(`M${points.join(' L')} Z`, 0.05);
  expect((simple.match(/[CL]/g) ?? []).length).toBeLessThan(16);
  expect(Math.abs(size(simple) - Math.PI * 100)).toBeLessThan(1.5);
});

test('neighbours: overlap by its depth, gaps below nothing, and what lies inside is none', () => {
  const area = (d: string) => outlineOf(d).area;
  const meetings = meetingsOf([
    area('M0,0 H10 V20 H0 Z'),
    area('M9.5,0 H20 V20 H9.5 Z'),
    area('M20.3,0 H30 V20 H20.3 Z'),
    area('M2,2 H5 V5 H2 Z'),
    area('M60,0 H70 V20 H60 Z'),
  ]);
  expect(meetings.map((m) => [m.a, m.b])).toEqual([
    [0, 1],
    [1, 2],
  ]);
  expect(meetings[0]!.overlapMm).toBeCloseTo(0.49, 1);
  expect(meetings[1]!.overlapMm).toBeCloseTo(-0.3, 2);
  expect(shortMeetings(meetings, 1).map((m) => m.a)).toEqual([1, 0]);
});

test('pieces line up and are spread evenly', () => {
  const at = (x: number, w: number) => piece('fill', { area: `M${x},0 H${x + w} V5 H${x} Z` });
  const all = [at(0, 4), at(5, 6), at(20, 2)];
  const lefts = all.map((p, i) => boxOf(transformedPiece(p, alignedBy(all, 'left')[i]!)).minX);
  expect(lefts).toEqual([0, 0, 0]);
  const spread = all.map((p, i) => boxOf(transformedPiece(p, distributedBy(all, 'across')[i]!)));
  expect(spread[1]!.minX - spread[0]!.maxX).toBeCloseTo(spread[2]!.minX - spread[1]!.maxX, 6);
  expect([spread[0]!.minX, spread[2]!.maxX]).toEqual([0, 22]);
  expect(boxOf(transformedPiece(all[1]!, alignedBy([all[1]!], 'centre')[0]!)).minX).toBeCloseTo(-3, 6);
});
