import { apart, normalDirection } from './directions';

test('a direction and its opposite are one, to a tenth of a degree', () => {
  expect([0, 180, 360, -180].map(normalDirection)).toEqual([0, 0, 0, 0]);
  expect([30, 210, -150].map(normalDirection)).toEqual([30, 30, 30]);
  for (const [deg, tenth] of [
    [44.96, 45],
    [44.94, 44.9],
    [179.96, 0],
    [179.9, 179.9],
    [-0.1, 179.9],
  ] as const)
    expect(normalDirection(deg)).toBeCloseTo(tenth, 9);
});

test('directions lie at most a right angle apart, whichever way they are told', () => {
  expect([apart(10, 40), apart(40, 10), apart(10, 220), apart(-10, 10)]).toEqual([30, 30, 30, 20]);
  expect([apart(0, 90), apart(0, 91), apart(5, 175), apart(33, 213)]).toEqual([90, 89, 10, 0]);
});
