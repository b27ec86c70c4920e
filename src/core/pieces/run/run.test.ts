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

const steps = (p: readonly { x: number; y: number }[]) => p.slice(1).map((q, i) => Math.hypot(q.x - p[i]!.x, q.y - p[i]!.y));

test('a backstitch goes two steps on and one back, and covers its line twice', () => {
  const p = points(stitchesOf(piece('run', { line: 'M0,0 L20,0' }, { style: 'backstitch', stitchLength: 4 })));
  expect(p[0]!.x).toBe(0);
  expect(p[p.length - 1]!.x).toBe(20);
  const forward = steps(p).filter((_, i) => p[i + 1]!.x > p[i]!.x);
  const back = steps(p).filter((_, i) => p[i + 1]!.x < p[i]!.x);
  for (const f of forward.slice(0, -1)) expect(f).toBeCloseTo(4, 2);
  for (const b of back) expect(b).toBeCloseTo(2, 2);
});

test('a loose zigzag keeps its width and spacing and stays centred on its line', () => {
  const p = points(stitchesOf(piece('run', { line: 'M0,0 L30,0' }, { style: 'zigzag', zigzagWidth: 3, spacing: 1.5 })));
  const inner = p.slice(1, -1);
  for (const q of inner) expect(Math.abs(q.y)).toBeCloseTo(1.5, 2);
  for (let i = 1; i < inner.length; i++) expect(inner[i]!.y * inner[i - 1]!.y).toBeLessThan(0);
  for (let i = 2; i < inner.length; i++) expect(inner[i]!.x - inner[i - 2]!.x).toBeCloseTo(1.5, 2);
});

test('a motif repeats whole along the line, first at its start and last at its end', () => {
  const motif = 'M0,0 L1.5,-2 L3,0';
  const p = points(stitchesOf(piece('run', { line: 'M0,0 L20,0', motif }, { style: 'motif', motifSpacing: 1 })));
  const peaks = p.filter((q) => q.y < -1.9).map((q) => q.x);
  expect(peaks).toHaveLength(5);
  expect(peaks[0]).toBeCloseTo(1.5, 2);
  expect(peaks[4]).toBeCloseTo(18.5, 2);
});

test('a branched bean goes out on a run and comes back as a bean, unbroken', () => {
  const s = stitchesOf(piece('run', { line: 'M0,0 L10,0 M10,0 L10,8 M10,0 L18,0' }, { style: 'bean', passes: 3, stitchLength: 2 }));
  expect(Array.from(s.command).every((c) => c === 0)).toBe(true);
  const onArm = points(s).filter((q) => Math.abs(q.x - 10) < 0.01 && Math.abs(q.y - 4) < 0.01).length;
  expect(onArm).toBeGreaterThanOrEqual(3);
});

test('hand-drawn underlay knows that it is foundation', () => {
  const s = stitchesOf(piece('run', { line: 'M0,0 L10,0' }, { foundation: true }));
  expect(new Set(s.role)).toEqual(new Set([1]));
  expect(s.x).toHaveLength(5);
});
