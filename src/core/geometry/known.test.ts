import { ofEach, ofPair } from './known';

test('each key is worked out once', () => {
  let times = 0;
  const size = ofEach((ring: readonly number[]) => {
    times++;
    return ring.length;
  });
  const [a, b] = [
    [1, 2],
    [1, 2],
  ];
  expect([size(a), size(a), size(b)]).toEqual([2, 2, 2]);
  expect(times).toBe(2);
});

test('a pair is worked out once, and its order counts', () => {
  const asked: string[] = [];
  const both = ofPair((a: { name: string }, b: { name: string }) => {
    asked.push(a.name + b.name);
    return undefined;
  });
  const [p, q] = [{ name: 'p' }, { name: 'q' }];
  both(p, q);
  both(p, q);
  both(q, p);
  expect(asked).toEqual(['pq', 'qp']);
});
