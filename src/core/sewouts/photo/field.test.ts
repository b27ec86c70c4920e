import { random } from '../../units/random';
import { fieldOf, reduced } from './field';

it.each([1, 2, 3, 4, 5, 6])('keeps every place where it was, as a share of the width (%d)', (seed) => {
  const r = random(seed);
  const field = fieldOf(40 + Math.floor(300 * r()), 30 + Math.floor(200 * r()), 2);
  // One channel says how far across a place lies, the other how far down, in shares of the width.
  for (let y = 0; y < field.height; y++)
    for (let x = 0; x < field.width; x++) field.data.set([(x + 0.5) / field.width, (y + 0.5) / field.width], (y * field.width + x) * 2);
  const small = reduced(field, 2 + Math.floor(4 * r()));
  for (let y = 0; y < small.height; y++) {
    for (let x = 0; x < small.width; x++) {
      const at = (y * small.width + x) * 2;
      // Places that are parted by a column's edge count as parts: that leaves less than a sixth of a place.
      expect(Math.abs(small.data[at]! - (x + 0.5) / small.width) * field.width).toBeLessThan(0.15);
      expect(Math.abs(small.data[at + 1]! - (y + 0.5) / small.width) * field.width).toBeLessThan(0.15);
    }
  }
});

it('is the plain mean where sizes divide', () => {
  const field = { width: 4, height: 2, channels: 1, data: Float32Array.from([1, 3, 5, 7, 2, 4, 6, 8]) };
  expect([...reduced(field, 2).data]).toEqual([2.5, 6.5]);
  expect(reduced(field, 1)).toBe(field);
});
