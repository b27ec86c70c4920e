import { random } from './random';

test('a seed always gives the same numbers, another seed others', () => {
  // The first numbers of the generator as it is published (mulberry32), worked out apart from this code.
  expect(Array.from({ length: 3 }, random(1)).map((v) => v.toFixed(6))).toEqual(['0.627074', '0.002736', '0.527447']);
  expect(random(2)()).not.toBe(random(1)());
});

test('numbers fill the range evenly', () => {
  const roll = random(7);
  const tenths = Array<number>(10).fill(0);
  for (let i = 0; i < 20_000; i++) {
    const v = roll();
    expect(v >= 0 && v < 1).toBe(true);
    tenths[Math.floor(v * 10)]!++;
  }
  for (const n of tenths) expect(Math.abs(n - 2000)).toBeLessThan(200);
});
