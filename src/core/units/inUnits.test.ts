import fc from 'fast-check';
import { inUnits } from './inUnits';

test.each([
  ['Cloth shows for 0.4 mm between them.', 'Cloth shows for 0.016 in between them.'],
  ['85.0 × 54.0 mm', '3.346 × 2.126 in'],
  ['30, 15, 8 and 5 mm high', '1.18, 0.59, 0.31 and 0.20 in high'],
  ['0.35 → 0.40 mm', '0.0138 → 0.0157 in'],
  ['lines of 1.5 to 2 mm', 'lines of 0.059 to 0.08 in'],
  ['a 5 mm seam', 'a 0.20 in seam'],
  ['area 25 mm²', 'area 0.039 in²'],
  ['4.0 px/mm', '102 px/in'],
  ['12 holes/mm²', '7742 holes/in²'],
  ['within ±0.1 mm', 'within ±0.004 in'],
  ['moved by −2.5 mm, 4.0 mm', 'moved by −0.098 in, 0.157 in'],
  ['12,540 mm of thread', '493.70 in of thread'],
  ['Overlaps, mm', 'Overlaps, in'],
  ['gaps (mm), heights', 'gaps (in), heights'],
  ['51.4 x 58.3 mm, 3.2 min', '2.024 x 2.295 in, 3.2 min'],
  ['100\u00a0×\u202f100\u00a0mm', '3.94\u00a0×\u202f3.94\u00a0in'],
  ['100 × 100 mm hoop', '3.94 × 3.94 in hoop'],
])('%s is, in inches, %s', (mm, inches) => {
  expect(inUnits(mm, 'in')).toBe(inches);
  expect(inUnits(mm, 'mm')).toBe(mm);
});

test('what only looks like a length is left alone: codes, commas, summer, and lengths already in inches', () => {
  for (const text of ['Summer 2026: hammers', 'part M4mm', '5 min', '3.5 in', 'comma']) expect(inUnits(text, 'in')).toBe(text);
});

test('any length keeps what it says to a twentieth of a thousandth of an inch', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.01, max: 900, noNaN: true }), (mm) => {
      const written = inUnits(`it is ${mm.toFixed(2)} mm wide`, 'in');
      const inches = Number(/is ([\d.]+) in/.exec(written)![1]);
      expect(Math.abs(inches * 25.4 - mm)).toBeLessThan(0.00005 * 25.4 + 0.0051);
    }),
  );
});
