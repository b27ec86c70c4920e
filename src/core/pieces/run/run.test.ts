import { nearestOnLine } from '../../geometry/line';
import { dataToRings } from '../../geometry/path';
import { piece, stitchesOf } from '../fixtures';
import { runPoints } from './points';

const points = (s: { x: Float32Array; y: Float32Array }) => Array.from(s.x, (x, i) => ({ x, y: s.y[i]! }));

test('a plain run: even stitches no longer than asked, both ends met', () => {
  const p = points(stitchesOf(piece('run', { line: 'M0,0 L10,0' }, { style: 'plain', stitchLength: 2.5 })));
  expect(p.map((q) => q.x)).toEqual([0, 2.5, 5, 7.5, 10]);
});

test('out and back ends where it began and sews every stitch twice', () => {
  const p = points(stitchesOf(piece('run', { line: 'M0,0 L10,0' }, { style: 'double' })));
  expect(p[p.length - 1]).toEqual(p[0]);
  expect(p).toHaveLength(9);
});

test('a bean of three sews each stitch three times', () => {
  const p = points(stitchesOf(piece('run', { line: 'M0,0 L5,0' }, { style: 'bean', passes: 3 })));
  expect(p.map((q) => q.x)).toEqual([0, 2.5, 0, 2.5, 5, 2.5, 5]);
});

test('a curve is followed within a tenth of a millimetre, with corners kept', () => {
  const line = dataToRings('M0,0 C0,6 8,6 8,0 L14,0')[0]!;
  const stitched = runPoints(line, 2.5);
  expect(stitched.some((q) => Math.hypot(q.x - 8, q.y) < 1e-6)).toBe(true);
  for (const q of line) expect(nearestOnLine(stitched, q).distance).toBeLessThan(0.13);
});

test('lines that meet are one unbroken way', () => {
  const s = stitchesOf(piece('run', { line: 'M0,0 L10,0 M10,0 L10,8 M10,0 L18,0' }));
  expect(Array.from(s.command).every((c) => c === 0)).toBe(true);
  const p = points(s);
  expect(p[0]).toEqual(p[p.length - 1]);
});
