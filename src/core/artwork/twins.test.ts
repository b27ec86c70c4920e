import fc from 'fast-check';
import { ringsToData } from '../geometry/path';
import type { Area } from '../geometry/point';
import type { Region } from './artRegions';
import type { Proposal } from './proposeKind';
import { decidedOnce } from './twins';

const region = (area: Area, seen?: Area): Region =>
  ({ hex: '#aa0000', area, data: ringsToData(area), ...(seen ? { seen } : {}) }) as Region;
/** A lopsided arrow head, mirrored, moved and shaken. */
const arrow = (mirrored: boolean, x: number, y: number, off = 0): Area => [
  [
    { x: -9, y: -4 },
    { x: 12 + off, y: 0 },
    { x: -7, y: 6 },
    { x: -3, y: 1 },
  ].map((p) => ({ x: x + (mirrored ? -p.x : p.x), y: y + p.y })),
];

describe('regions of one shape', () => {
  const asked: Region[] = [];
  const propose = (r: Region): Proposal => {
    asked.push(r);
    return { kind: 'satin', why: `the ${asked.length}`, shape: { area: r.data, settings: { corners: 'mitre' } } };
  };
  beforeEach(() => (asked.length = 0));

  it('are decided once, wherever they lie and mirrored, each with its own outline', () => {
    fc.assert(
      fc.property(
        fc.boolean(),
        fc.integer({ min: -40, max: 40 }),
        fc.double({ min: -0.05, max: 0.05, noNaN: true }),
        (mirrored, x, off) => {
          asked.length = 0;
          const decide = decidedOnce(propose);
          const first = decide(region(arrow(false, 0, 0)));
          const twin = region(arrow(mirrored, x, 7, off));
          expect(decide(twin)).toEqual({ ...first, shape: { ...first.shape, area: twin.data } });
          expect(asked).toHaveLength(1);
        },
      ),
    );
  });

  it('but not others: of another size, turned, with a hole, or of which other parts are seen', () => {
    const decide = decidedOnce(propose);
    const tail: Area = [[{ x: -9, y: -4 }, { x: 0, y: -3 }, { x: 0, y: 4 }, { x: -7, y: 6 }]]; // prettier-ignore
    const turned: Area = [arrow(false, 0, 0)[0]!.map((p) => ({ x: -p.y, y: p.x }))];
    const holed: Area = [...arrow(false, 0, 0), [{ x: 0, y: 0 }, { x: 0, y: 1 }, { x: 1, y: 0 }]]; // prettier-ignore
    const others = [
      region(arrow(false, 0, 0)),
      region(arrow(false, 0, 0, 1)),
      region(turned),
      region(holed),
      region(arrow(false, 0, 0), tail),
    ];
    others.forEach((r) => decide(r));
    expect(asked).toEqual(others);
    decide(region(arrow(false, 3, 3), [tail[0]!.map((p) => ({ x: p.x + 3, y: p.y + 3 }))]));
    expect(asked).toHaveLength(5);
  });

  it('nor what was left out, or is sewn as a line', () => {
    const decide = decidedOnce((r) => ({ ...propose(r), shape: null }));
    decide(region(arrow(false, 0, 0)));
    decide(region(arrow(false, 9, 0)));
    expect(asked).toHaveLength(2);
  });
});
