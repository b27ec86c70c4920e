import { distance } from '../geometry/point';
import { TIE_LENGTH_MM, tieIn, tieOff } from './ties';

const at = { x: 10, y: 5 };

test('a tie lies along the line, is short, and makes at least three stitches', () => {
  const points = tieIn(at, { x: 14, y: 5 });
  expect(points.length).toBeGreaterThanOrEqual(3);
  for (const p of points) {
    expect(p.y).toBe(5);
    expect(p.x).toBeGreaterThanOrEqual(10);
    expect(p.x).toBeLessThanOrEqual(10 + TIE_LENGTH_MM + 1e-9);
  }
});

test('beside a short stitch the tie comes back, so that the stitch after it is not shorter still', () => {
  const points = tieIn(at, { x: 10.8, y: 5 });
  expect(points[points.length - 1]).toEqual(at);
});

test('a tie-off goes back over what was sewn', () => {
  const points = tieOff(at, { x: 10, y: 1 });
  for (const p of points) {
    expect(p.x).toBe(10);
    expect(p.y).toBeLessThanOrEqual(5);
    expect(distance(p, at)).toBeLessThanOrEqual(TIE_LENGTH_MM + 1e-9);
  }
});

test('two penetrations in one place are still locked', () => {
  const points = tieOff(at, at);
  expect(points.some((p) => distance(p, at) > 0.2)).toBe(true);
});
