import fc from 'fast-check';
import { formatDuration, formatLength, parseLength, rowsPerInch } from './length';

test.each([
  ['85', 85],
  ['85 mm', 85],
  ['8,5cm', 85],
  ['1 in', 25.4],
  ['3.5"', 88.9],
  [' .5 inch ', 12.7],
])('reads %s as %f mm', (text, mm) => {
  expect(parseLength(text)).toBeCloseTo(mm, 9);
});

test('a bare number means the chosen unit', () => {
  expect(parseLength('2', 'in')).toBeCloseTo(50.8, 9);
  expect(parseLength('2 mm', 'in')).toBe(2);
});

test.each(['', 'wide', '12 stones', 'NaN', '1e3', '--4', '4 4'])('refuses %j', (text) => {
  expect(parseLength(text)).toBeNull();
});

test('what is written in inches reads back within a hundredth of a millimetre', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.1, max: 900, noNaN: true }), (mm) => {
      expect(Math.abs(parseLength(formatLength(mm, 'in', 2))! - mm)).toBeLessThan(0.01);
    }),
    { seed: 7 },
  );
});

test('rows per inch of the usual spacing', () => {
  expect(rowsPerInch(0.4)).toBeCloseTo(63.5, 6);
});

test('durations', () => {
  expect(formatDuration(59.4)).toBe('59 s');
  expect(formatDuration(725)).toBe('12 min 05 s');
});
