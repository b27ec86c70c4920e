import { blockOrders } from './order';

const boxAt = (x: number) => ({ minX: x, minY: 0, maxX: x + 2, maxY: 2 });

describe('an order in blocks of one thread', () => {
  it('has as few blocks as what must come before what allows, near pieces one after the other', () => {
    const threads = ['a', 'b', 'a', 'b', 'a'];
    const boxes = [0, 1, 40, 41, 20].map(boxAt);
    const [order] = blockOrders(threads, boxes, [[], [], [], [], []]);
    expect(order!.map((i) => threads[i]).join('')).toMatch(/^(aaabb|bbaaa)$/);
    expect(order!.filter((i) => threads[i] === 'a').join()).toMatch(/^(0,4,2|2,4,0)$/);
  });

  it('keeps what must come before', () => {
    // The second thread lies on the first and under its third piece: three blocks.
    const [order] = blockOrders(['a', 'b', 'a'], [0, 0, 0].map(boxAt), [[], [0], [1]]);
    expect(order).toEqual([0, 1, 2]);
  });

  it('is not tried where a piece must come after one with a greater number', () => {
    const boxes = [0, 10, 20].map(boxAt);
    const threads = ['a', 'b', 'a'];
    expect(blockOrders(threads, boxes, [[1], [], []])).toEqual([]);
    expect(blockOrders(threads, boxes, [[], [0, 2], []])).toEqual([]);
    expect(blockOrders(threads, boxes, [[], [0], [1, 0]])).toHaveLength(1);
  });
});
