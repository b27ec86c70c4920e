import { outlineOf } from '../geometry/outline';
import { widthAt } from './gauge';

test('the width of a bar, a ring and a wedge where the pointer is', () => {
  const bar = outlineOf('M0,0 H40 V6 H0 Z').area;
  expect(widthAt(bar, { x: 20, y: 2 })!.widthMm).toBeCloseTo(6, 6);
  const ring = outlineOf('M20,0 A20,20 0 1 1 -20,0 A20,20 0 1 1 20,0 Z M12,0 A12,12 0 1 0 -12,0 A12,12 0 1 0 12,0 Z').area;
  expect(widthAt(ring, { x: 13, y: 1 })!.widthMm).toBeCloseTo(8, 1);
  const wedge = outlineOf('M0,0 L40,-5 V5 Z').area;
  expect(widthAt(wedge, { x: 10, y: 1 })!.widthMm).toBeLessThan(widthAt(wedge, { x: 30, y: 1 })!.widthMm);
});

test('outside a shape there is no width', () => {
  expect(widthAt(outlineOf('M0,0 H40 V6 H0 Z').area, { x: 20, y: 9 })).toBeNull();
  expect(widthAt(outlineOf('M0,0 H40 V30 H0 Z M10,10 V20 H30 V10 Z').area, { x: 20, y: 15 })).toBeNull();
});
