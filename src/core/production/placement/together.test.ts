import fc from 'fast-check';
import { shortestCommonRow } from './together';

const holds = (row: readonly string[], part: readonly string[]): boolean => {
  let k = 0;
  for (const token of row) if (token === part[k]) k++;
  return k === part.length;
};

/** The length of the shortest common row, by trying all rows from the shortest on. */
function leastLength(rows: readonly (readonly string[])[]): number {
  const tokens = [...new Set(rows.flat())];
  for (let length = 0; ; length++) {
    const all = (row: string[]): boolean =>
      row.length === length ? rows.every((r) => holds(row, r)) : tokens.some((t) => all([...row, t]));
    if (all([])) return length;
  }
}

const row = fc.array(fc.constantFrom('a', 'b', 'c'), { maxLength: 4 });

test('it is the shortest row that has each of them in its order', () => {
  fc.assert(
    fc.property(fc.array(row, { minLength: 1, maxLength: 3 }), (rows) => {
      const found = shortestCommonRow(rows);
      for (const r of rows) expect(holds(found, r)).toBe(true);
      expect(found.length).toBe(leastLength(rows));
    }),
    { numRuns: 80, seed: 11 },
  );
});

test('copies of one row are sewn by that row, however many they are', () => {
  const own = ['a', 'b', 'a', 'c'];
  expect(shortestCommonRow(Array.from({ length: 50 }, () => own))).toEqual(own);
});

test('of many different rows every one is still held', () => {
  const rows = Array.from({ length: 12 }, (_, i) => Array.from({ length: 6 }, (_, k) => 'abcde'[(i * 7 + k * (i + 2)) % 5]!));
  const found = shortestCommonRow(rows);
  for (const r of rows) expect(holds(found, r)).toBe(true);
  expect(found.length).toBeLessThan(30);
});
