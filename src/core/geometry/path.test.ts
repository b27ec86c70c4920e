import fc from 'fast-check';
import { apply, flatten, formatPath, multiply, parsePath, transformPath, type Matrix } from './path';

test('curves stay curves, arcs become curves, and data reads back the same', () => {
  const path = parsePath('M0,0 C1,2 3,4 5,6 A5,5 0 0 1 10,10 l2,0 h3 v-4 z');
  expect(path[0]!.segments[0]!.c1).toEqual({ x: 1, y: 2 });
  expect(path[0]!.segments.slice(1).some((s) => s.c1)).toBe(true);
  expect(path[0]!.closed).toBe(true);
  const data = formatPath(path);
  expect(formatPath(parsePath(data))).toBe(data);
});

test('a drawing error keeps what came before it', () => {
  expect(parsePath('M0,0 L10,0 L oops')[0]!.segments).toHaveLength(1);
});

test('a flattened circle keeps within the tolerance of its radius', () => {
  const [ring] = flatten(parsePath('M50,0 A50,50 0 1 1 -50,0 A50,50 0 1 1 50,0 Z'), 0.02);
  for (let i = 0; i < ring!.length; i++) {
    const [a, b] = [ring![i]!, ring![(i + 1) % ring!.length]!];
    const middle = Math.hypot((a.x + b.x) / 2, (a.y + b.y) / 2);
    expect(Math.abs(middle - 50)).toBeLessThan(0.05);
  }
});

test('two maps one after the other are their product', () => {
  const map = fc.tuple(...Array.from({ length: 6 }, () => fc.double({ min: -5, max: 5, noNaN: true }))) as unknown as fc.Arbitrary<Matrix>;
  fc.assert(
    fc.property(map, map, (outer, inner) => {
      const p = { x: 1.5, y: -2 };
      const once = apply(multiply(outer, inner), p);
      const twice = apply(outer, apply(inner, p));
      expect(once.x).toBeCloseTo(twice.x, 6);
      expect(once.y).toBeCloseTo(twice.y, 6);
    }),
    { seed: 3 },
  );
});

test('transforming moves control points too', () => {
  const moved = transformPath(parsePath('M0,0 C1,0 2,1 2,2'), [2, 0, 0, 2, 10, 0]);
  expect(moved[0]!.segments[0]).toEqual({ c1: { x: 12, y: 0 }, c2: { x: 14, y: 2 }, to: { x: 14, y: 4 } });
});
