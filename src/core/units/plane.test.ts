import fc from 'fast-check';
import { planeThrough } from './plane';

const value = fc.double({ min: -3, max: 3, noNaN: true });

test('finds the plane that places lie on, wherever they lie', () => {
  fc.assert(
    fc.property(value, value, value, fc.array(fc.tuple(value, value), { minLength: 8, maxLength: 30 }), (x, y, c, at) => {
      const places = [...at, [0, 0] as const, [1, 0] as const, [0, 1] as const, [2, 3] as const].map(
        ([u, v]) => [u, v, c + x * u + y * v] as const,
      );
      const plane = planeThrough(places)!;
      expect(plane.x).toBeCloseTo(x, 6);
      expect(plane.y).toBeCloseTo(y, 6);
      expect(plane.c).toBeCloseTo(c, 6);
    }),
    { seed: 3 },
  );
});

test('no other plane has smaller squares', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(value, value, value), { minLength: 6, maxLength: 20 }), value, value, value, (places, dx, dy, dc) => {
      const fit = planeThrough(places);
      if (!fit) return;
      const squares = (x: number, y: number, c: number): number => places.reduce((sum, [u, v, z]) => sum + (z - c - x * u - y * v) ** 2, 0);
      expect(squares(fit.x + dx / 9, fit.y + dy / 9, fit.c + dc / 9)).toBeGreaterThanOrEqual(squares(fit.x, fit.y, fit.c) - 1e-9);
    }),
    { seed: 4 },
  );
});

test('says nothing where places lie on one line, or there are none', () => {
  expect(planeThrough([])).toBeNull();
  expect(planeThrough([0, 1, 2, 3].map((u) => [u, 2 * u + 1, 5] as const))).toBeNull();
  const ring = (n: number, half: number) =>
    Array.from({ length: n }, (_, k) => [Math.cos((half * Math.PI * k) / n), Math.sin((half * Math.PI * k) / n), 1] as const);
  expect(planeThrough(ring(40, 2))).toMatchObject({ c: 1 });
  expect(planeThrough(ring(40, 0.3))).toBeNull();
});
