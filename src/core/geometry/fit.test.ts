import { areaOf, clean, offset, subtract } from './area';
import { fittedData } from './fit';
import { dataToRings } from './path';

const nodes = (d: string): number => (d.match(/[LC]/g) ?? []).length;
const area = (d: string) => clean(dataToRings(d), 'evenodd');

test.each([
  ['a circle', 'M10,0 A10,10 0 1 1 -10,0 A10,10 0 1 1 10,0 Z', 12],
  ['a square', 'M-10,-10 H10 V10 H-10 Z', 4],
  ['a leaf with two points', 'M-14,0 C-6,-9 6,-9 14,0 C6,9 -6,9 -14,0 Z', 12],
  ['a crescent', 'M0,-12 A12,12 0 1 0 0,12 A16,16 0 0 1 0,-12 Z', 14],
])('%s comes back with few nodes and within its tolerance', (_, d, most) => {
  const drawn = area(d);
  const data = fittedData(drawn, 0.02);
  expect(nodes(data)).toBeLessThanOrEqual(most);
  const again = area(data);
  expect(areaOf(subtract(again, offset(drawn, 0.045)))).toBe(0);
  expect(areaOf(subtract(drawn, offset(again, 0.045)))).toBe(0);
});

test('holes stay holes', () => {
  const ring = area('M10,0 A10,10 0 1 1 -10,0 A10,10 0 1 1 10,0 Z M5,0 A5,5 0 1 0 -5,0 A5,5 0 1 0 5,0 Z');
  expect(areaOf(area(fittedData(ring, 0.02)))).toBeCloseTo(areaOf(ring), 0);
});
