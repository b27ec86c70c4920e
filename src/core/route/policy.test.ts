import { jobOf } from '../pieces/fixtures';
import type { Job } from '../document/types';
import { at, box, item } from './itemFixtures';
import type { RouteItem } from './item';
import { policyOf, preferenceFor } from './policy';

const on = (cloth: Job['brief']['cloth'], settings: Job['settings'] = {}): Job => {
  const job = jobOf([]);
  return { ...job, brief: { ...job.brief, cloth }, settings };
};
/** A field of a height, from y = 0 down; areas are sewn between any two places. */
const field = (h: number, areaMm2: number, over: Partial<RouteItem> = {}): RouteItem =>
  item(box(0, 0, 30, h), { rim: box(0, 0, 30, h), areaMm2, ...over });
const [top, low] = [at(5, 0), at(5, 20)];

describe('the policy of a job', () => {
  it('is the one asked for, else that of caps on caps, and registration elsewhere', () => {
    expect(policyOf(on('pique'))).toBe('registration');
    expect(policyOf(on('cap'))).toBe('cap');
    expect(policyOf(on('cap', { policy: 'stops' }))).toBe('stops');
    expect(policyOf(on('twill', { policy: 'cap' }))).toBe('cap');
  });
});

describe('what it is worth to begin and end where the shop wants it', () => {
  it('is nothing where nobody minds', () => {
    expect(preferenceFor([field(20, 600)], on('pique'))).toEqual({});
    expect(preferenceFor([field(20, 600)], on('pique', { areaStart: 'free' }))).toEqual({});
  });

  it('on caps: each piece is sewn upward, the more of its height the better', () => {
    const { preference } = preferenceFor([field(20, 50)], on('cap'));
    const worth = (start: typeof top, end: typeof top): number => preference!(0, 0, { start, end });
    expect(worth(low, top)).toBeCloseTo(0, 9);
    expect(worth(top, low)).toBeCloseTo(3, 9);
    expect(worth(low, low)).toBeCloseTo(1.5, 9);
    expect(worth(at(5, 10), top)).toBeCloseTo(0.75, 9);
    // Something flat has no height to speak of.
    expect(preferenceFor([field(0.2, 50)], on('cap')).preference!(0, 0, { start: at(0, 0), end: at(0, 0.2) })).toBeLessThanOrEqual(1.8);
  });

  it('for large areas: low, or low and high by turns, as the school has it', () => {
    const items = [field(20, 400), field(20, 399.9), field(20, 900, { column: true, rim: null })];
    const worth = (areaStart: 'low' | 'opposite', i: number, position: number, start: typeof top): number =>
      preferenceFor(items, on('pique', { areaStart })).preference!(i, position, { start, end: top });
    for (const position of [0, 1, 2]) {
      expect(worth('low', 0, position, low)).toBeCloseTo(0, 9);
      expect(worth('low', 0, position, top)).toBeCloseTo(3, 9);
    }
    expect(worth('opposite', 0, 0, top)).toBeCloseTo(3, 9);
    expect(worth('opposite', 0, 1, top)).toBeCloseTo(0, 9);
    expect(worth('opposite', 0, 1, low)).toBeCloseTo(3, 9);
    // Small areas and columns begin anywhere.
    expect(worth('low', 1, 0, top)).toBe(0);
    expect(worth('low', 2, 0, top)).toBe(0);
  });
});
