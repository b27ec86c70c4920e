import fc from 'fast-check';
import { formatDuration, formatLength, parseLength, rowsPerInch, parsePercent, parseSpacing } from './length';

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

test('spacing is read as a length or as rows per inch, compensation as a share', () => {
  expect(parseSpacing('63.5 rows/in')).toBeCloseTo(0.4, 6);
  expect(parseSpacing('60 /in')).toBeCloseTo(0.42333, 4);
  expect(parseSpacing('50 rows per inch')).toBeCloseTo(0.508, 6);
  expect(parseSpacing('0.45')).toBe(0.45);
  expect(parseSpacing('0 rows/in')).toBeNull();
  expect(parsePercent('120 %')).toBe(120);
  expect(parsePercent('120')).toBeNull();
});
