import { spotsOf } from './spots';

const of = (rows: readonly string[]): number[][] => {
  const cells = rows.join('');
  return spotsOf(cells.length, rows[0]!.length, (i) => cells[i] === '#').map((s) => s.sort((a, b) => a - b));
};

test('cells that share sides are one spot, those that touch at a corner are two', () => {
  expect(of(['##.', '#..', '..#'])).toEqual([[0, 1, 3], [8]]);
  expect(of(['#.', '.#'])).toEqual([[0], [3]]);
  expect(of(['...', '...'])).toEqual([]);
});

test('the end of one row is not beside the beginning of the next', () => {
  expect(of(['..#', '#..'])).toEqual([[2], [3]]);
});
