import fc from 'fast-check';
import { DEFAULT_IDENTITY } from '../document/shop/identity';
import { clockAt, minutesBetween, minutesUntil } from './workClock';

/** Monday to Friday, eight to half past four: 510 minutes a day. */
const HOURS = DEFAULT_IDENTITY;
const friday = new Date(2026, 11, 4, 15, 30);

test('work that does not end on Friday goes on on Monday morning', () => {
  expect(clockAt(friday, 60, HOURS)).toEqual(new Date(2026, 11, 4, 16, 30));
  expect(clockAt(friday, 90, HOURS)).toEqual(new Date(2026, 11, 7, 8, 30));
  expect(clockAt(friday, 60 + 510 + 5, HOURS)).toEqual(new Date(2026, 11, 8, 8, 5));
});

test('before work begins, and after it ends, no time is worked', () => {
  expect(clockAt(new Date(2026, 11, 7, 5, 0), 10, HOURS)).toEqual(new Date(2026, 11, 7, 8, 10));
  expect(clockAt(new Date(2026, 11, 7, 20, 0), 10, HOURS)).toEqual(new Date(2026, 11, 8, 8, 10));
});

test('a day that is due counts to its end; one that is past has no time left', () => {
  expect(minutesUntil(friday, '2026-12-04', HOURS)).toBe(60);
  expect(minutesUntil(friday, '2026-12-07', HOURS)).toBe(60 + 510);
  expect(minutesUntil(friday, '2026-12-06', HOURS)).toBe(60);
  expect(minutesUntil(friday, '2026-12-01', HOURS)).toBe(0);
  expect(minutesUntil(friday, undefined, HOURS)).toBe(Infinity);
  expect(minutesUntil(friday, 'soon', HOURS)).toBe(Infinity);
});

test('the clock and the count undo each other', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 20_000 }), fc.integer({ min: 0, max: 10_000 }), (minutes, later) => {
      const from = new Date(2026, 10, 1, 0, later);
      expect(minutesBetween(from, clockAt(from, minutes, HOURS), HOURS)).toBeCloseTo(minutes, 6);
    }),
    { seed: 17 },
  );
});
