import { memberByKey } from './arrowKeys';

it('goes round a group both ways, and to its ends', () => {
  const walk = (key: string): (number | null)[] => [0, 1, 2].map((at) => memberByKey(key, at, 3));
  expect(walk('ArrowRight')).toEqual([1, 2, 0]);
  expect(walk('ArrowDown')).toEqual([1, 2, 0]);
  expect(walk('ArrowLeft')).toEqual([2, 0, 1]);
  expect(walk('ArrowUp')).toEqual([2, 0, 1]);
  expect(walk('Home')).toEqual([0, 0, 0]);
  expect(walk('End')).toEqual([2, 2, 2]);
});

it('leaves other keys and what is not a member alone', () => {
  expect(memberByKey('a', 1, 3)).toBeNull();
  expect(memberByKey('Tab', 1, 3)).toBeNull();
  expect(memberByKey('ArrowRight', -1, 3)).toBeNull();
  expect(memberByKey('ArrowRight', 0, 0)).toBeNull();
});
