import fc from 'fast-check';
import { formatClock, formatDuration, formatLength, parseLength, rowsPerInch, parsePercent, parseSpacing } from './length';

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

test('a length is told with its unit and one digit more in inches for what an inch is longer', () => {
  expect(formatLength(85)).toBe('85.0 mm');
  expect(formatLength(25.4, 'in')).toBe('1.000 in');
  expect(formatLength(3.14159, 'mm', 2)).toBe('3.14 mm');
});

test('only a number with a percent sign is a share', () => {
  expect(['120%', ' 112,5 % ', '.5%', '100.25 %'].map(parsePercent)).toEqual([120, 112.5, 0.5, 100.25]);
  expect(['120', 'a 120 %', '120 % b', '1a0 %', '%', ' %', '--5%'].map(parsePercent)).toEqual([null, null, null, null, null, null, null]);
});

test('rows per inch need a number, and more than none', () => {
  expect(parseSpacing('63.5 rows/in')).toBeCloseTo(0.4);
  expect(parseSpacing('0 /in')).toBeNull();
  expect(parseSpacing('rows/in')).toBeNull();
});

test('a clock tells minutes and two digits of seconds', () => {
  expect([0, 59.4, 59.6, 605, 3661].map(formatClock)).toEqual(['0:00', '0:59', '1:00', '10:05', '61:01']);
});
