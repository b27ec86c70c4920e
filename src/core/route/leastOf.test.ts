import { leastOf, NO_GAIN } from './leastOf';

const ORDERS = [
  [0, 1, 2],
  [1, 0, 2],
  [2, 1, 0],
  [0, 2, 1],
];
const costs =
  (...list: number[]) =>
  (order: readonly number[]): number =>
    list[ORDERS.findIndex((o) => o.join() === order.join())]!;

describe('the least of orders', () => {
  it('is the cheapest one, wherever it stands', () => {
    expect(leastOf(ORDERS, costs(4, 3, 2, 3))).toEqual([2, 1, 0]);
    expect(leastOf(ORDERS, costs(1, 3, 2, 3))).toEqual([0, 1, 2]);
    expect(leastOf(ORDERS, costs(4, 3, 2, 1))).toEqual([0, 2, 1]);
    expect(leastOf(ORDERS.slice(3), costs(4, 3, 2, 1))).toEqual([0, 2, 1]);
  });

  it('is the first among equals, and what is better by rounding only is equal', () => {
    expect(leastOf(ORDERS, costs(3, 2, 2, 2))).toEqual([1, 0, 2]);
    expect(leastOf(ORDERS, costs(2, 2 - NO_GAIN / 2, 2, 2))).toEqual([0, 1, 2]);
    expect(leastOf(ORDERS, costs(2, 2 - NO_GAIN, 2, 2))).toEqual([0, 1, 2]);
    expect(leastOf(ORDERS, costs(2, 2, 2 - 3 * NO_GAIN, 2))).toEqual([2, 1, 0]);
  });

  it('judges each order once, and hands out a copy', () => {
    let judged = 0;
    const found = leastOf(ORDERS, (order) => (judged++, order[0]!));
    expect(judged).toBe(4);
    found[0] = 9;
    expect(ORDERS[0]).toEqual([0, 1, 2]);
  });
});
