import fc from 'fast-check';
import type { Line } from '../../geometry/point';
import { graphOf, outAndBack, wayOf } from './graph';

const at = (x: number, y: number) => ({ x, y });
const key = (a: { x: number; y: number }, b: { x: number; y: number }) => [`${a.x} ${a.y}`, `${b.x} ${b.y}`].sort().join(' to ');

/** Lines between places of a grid of 2 mm, so that many of them meet. */
const someLines = fc
  .array(
    fc.tuple(
      fc.integer({ min: 0, max: 4 }),
      fc.integer({ min: 0, max: 4 }),
      fc.integer({ min: 0, max: 4 }),
      fc.integer({ min: 0, max: 4 }),
    ),
    {
      minLength: 1,
      maxLength: 12,
    },
  )
  .map((all): Line[] => [
    ...new Map(
      all
        .filter(([a, b, c, d]) => a !== c || b !== d)
        .map(([a, b, c, d]) => [key(at(a, b), at(c, d)), [at(2 * a, 2 * b), at(2 * c, 2 * d)]]),
    ).values(),
  ]);

test('every line is gone along twice, once each way, without a leap', () => {
  fc.assert(
    fc.property(someLines, (lines) => {
      const tours = outAndBack(graphOf(lines), null);
      const sewn = new Map<string, number>();
      for (const legs of tours) {
        const way = wayOf(legs);
        legs.slice(1).forEach((leg, i) => expect(leg.line[0]).toEqual(legs[i]!.line[legs[i]!.line.length - 1]));
        expect(way[0]).toEqual(way[way.length - 1]);
        for (const leg of legs)
          sewn.set(key(leg.line[0]!, leg.line[1]!), (sewn.get(key(leg.line[0]!, leg.line[1]!)) ?? 0) + (leg.back ? 100 : 1));
      }
      expect([...sewn.keys()].sort()).toEqual(lines.map((l) => key(l[0]!, l[1]!)).sort());
      expect(new Set(sewn.values())).toEqual(lines.length > 0 ? new Set([101]) : new Set());
    }),
    { seed: 41, numRuns: 200 },
  );
});

test('a tour begins at the node nearest to where the needle is, and ends nearby count as one', () => {
  const cross: Line[] = [
    [at(0, 0), at(10, 0)],
    [at(10.2, 0.1), at(20, 0)],
    [at(10, 0), at(10, 9)],
  ];
  const graph = graphOf(cross);
  expect(graph.nodes).toHaveLength(4);
  const [legs, ...more] = outAndBack(graph, at(21, 1));
  expect(more).toEqual([]);
  expect(legs![0]!.line[0]).toEqual(at(20, 0));
});

test('parts that do not hang together are tours of their own', () => {
  const apart: Line[] = [
    [at(0, 0), at(5, 0)],
    [at(50, 0), at(55, 0)],
  ];
  expect(outAndBack(graphOf(apart), null)).toHaveLength(2);
  expect(outAndBack(graphOf([]), null)).toEqual([]);
});
