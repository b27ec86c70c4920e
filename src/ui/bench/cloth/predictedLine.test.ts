import type { PredictedPlace } from '@/core/forecast/edgeMeetings';
import { lineOf } from './predictedLine';

const place = (x: number, y: number, out: [number, number], offMm = 0, covered = false): PredictedPlace => ({
  at: { x, y },
  out: { x: out[0], y: out[1] },
  offMm,
  covered,
});
const line = (places: PredictedPlace[], times = 1): string => lineOf({ piece: 0, places }, times);
const UP: [number, number] = [0, -1];
const RIGHT: [number, number] = [1, 0];

test('an edge is one line, moved as far as predicted, or as often as asked', () => {
  const edge = [place(0, 0, UP, -0.5), place(1, 0, UP, -0.5), place(2, 0, UP, 0.25)];
  expect(line(edge)).toBe('M0.00,0.50 L1.00,0.50 L2.00,-0.25');
  expect(line(edge, 0)).toBe('M0.00,0.00 L1.00,0.00 L2.00,0.00');
  expect(line(edge, 4)).toBe('M0.00,2.00 L1.00,2.00 M2.00,-1.00');
});

test('at a corner each side goes its own way', () => {
  expect(line([place(0, 0, UP, -1), place(1, 0, UP, -1), place(2, 1, RIGHT, -1), place(2, 2, RIGHT, -1)])).toBe(
    'M0.00,1.00 L1.00,1.00 M1.00,1.00 L1.00,2.00',
  );
});

test('what later pieces cover is left out, and far places are not joined', () => {
  expect(line([place(0, 0, UP), place(1, 0, UP, 0, true), place(2, 0, UP), place(9, 0, UP)])).toBe('M0.00,0.00 M2.00,0.00 M9.00,0.00');
});
