import fc from 'fast-check';
import { at, box } from '../../route/itemFixtures';
import type { Area } from '../../geometry/point';
import { apart } from '../../units/directions';
import { decideDirections, type Column, type Field } from './decide';
import { FieldShape } from './fieldShape';
import { mirrorImages } from './mirror';
import { neighbourhoodOf } from './neighbourhood';

/** Decides fields of made-up colours, each region one of them. */
function decide(areas: readonly Area[], { hexes, columns = [] }: { hexes?: readonly string[]; columns?: readonly Column[] } = {}) {
  const around = neighbourhoodOf(areas);
  const hexOf = (i: number): string => hexes?.[i] ?? `#${i}`;
  const mirrored = mirrorImages(
    areas.map((painted, i) => ({ hex: hexOf(i), painted })),
    around.picture,
  );
  const fields: Field[] = areas.flatMap((area, region) =>
    columns.some((c) => c.region === region) ? [] : [{ region, hex: hexOf(region), area, narrow: [] }],
  );
  return decideDirections(fields, { columns, around, mirrored, twins: areas.map(() => null), unstable: false });
}
const angles = (...args: Parameters<typeof decide>): number[] => decide(...args).map((d) => d.angle);
/** A rectangle about a middle, turned by so many degrees on screen. */
function turned(x: number, y: number, w: number, h: number, deg: number): Area {
  const a = (-deg * Math.PI) / 180;
  return [
    [
      [-w, -h],
      [w, -h],
      [w, h],
      [-w, h],
    ].map(([u, v]) => at(x + (u! * Math.cos(a) - v! * Math.sin(a)) / 2, y + (u! * Math.sin(a) + v! * Math.cos(a)) / 2)),
  ];
}

describe('the direction of a single field', () => {
  it('runs the shorter way of a long shape, however it is turned, and ends at no edge in steps', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 179 }), fc.integer({ min: 10, max: 16 }), fc.integer({ min: 35, max: 70 }), (deg, h, w) => {
        const [found] = angles([turned(12, 5, w, h, deg)]);
        // Its long sides lie at `deg`: rows cross them.
        expect(apart(found!, deg)).toBeGreaterThan(60);
        for (const side of [deg, deg + 90]) expect(apart(found!, side) <= 3.5 || apart(found!, side) >= 19.5).toBe(true);
      }),
      { seed: 101, numRuns: 60 },
    );
  });

  it('of a disc or anything else without sides comes from no noise of its outline', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 4, max: 40 }),
        fc.integer({ min: 8, max: 90 }),
        fc.double({ min: 0, max: 6, noNaN: true }),
        (r, facets, turn) => {
          const disc = Array.from({ length: Math.max(facets, 20) }, (_, i) => {
            const a = turn + (2 * Math.PI * i) / Math.max(facets, 20);
            return at(100 + r * Math.cos(a), 7 + r * Math.sin(a));
          });
          // Something far away keeps the drawing from being symmetric about its middle.
          expect(angles([[disc], box(0, 0, 3)])[0]).toBe(45);
        },
      ),
      { seed: 103, numRuns: 60 },
    );
  });

  it('says why', () => {
    expect(decide([box(30, 0, 60, 12)])).toEqual([{ angle: 90, why: 'rows run the shorter way of the shape' }]);
  });
});

describe('directions of fields together', () => {
  it('differ by thirty degrees where fields of two colours lie side by side', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 5 }), fc.integer({ min: 14, max: 30 }), (n, w) => {
        const found = angles(Array.from({ length: n }, (_, i) => box(10 + i * w, 3, w, 24)));
        for (let i = 1; i < n; i++) expect(apart(found[i]!, found[i - 1]!)).toBeGreaterThanOrEqual(30);
      }),
      { seed: 102, numRuns: 20 },
    );
  });

  it('cross what they lie on, and so do columns on them, for which the ground turns', () => {
    const [ground, detail] = angles([box(5, 0, 60, 50), box(25, 15, 14, 12)]);
    expect(apart(ground!, detail!)).toBeGreaterThanOrEqual(30);
    for (const deg of [0, 30, 45, 75, 90, 120]) {
      const column: Column = { region: 1, rows: () => [{ deg, mm: 60 }] };
      const [under] = angles([box(5, 0, 40, 40), box(20, 10, 4, 22)], { columns: [column] });
      expect(apart(under!, deg)).toBeGreaterThanOrEqual(20);
    }
  });

  it('cross small details of whatever direction, in a symmetric drawing too', () => {
    const next = [7, 1, 5, 3, 8, 2, 6, 4];
    for (const wide of [30, 45, 60]) {
      const face = box(-wide / 2, -wide / 2, wide);
      // Eyes with level rows, a mouth with upright ones: neither of the two symmetric directions is free.
      const eyes = [-1, 1].map((side) => box(side * (wide / 5) - 1, -4, 2, next[wide % 8]! / 2 + 2));
      const columns: Column[] = [
        { region: 1, rows: () => [{ deg: 0, mm: 5 }] },
        { region: 2, rows: () => [{ deg: 0, mm: 5 }] },
        { region: 3, rows: () => [{ deg: 90, mm: wide / 4 }] },
      ];
      const [ground] = angles([face, ...eyes, box(-wide / 6, wide / 5, wide / 3, 2.5)], { columns });
      expect(Math.min(apart(ground!, 0), apart(ground!, 90))).toBeGreaterThanOrEqual(20);
    }
  });

  it('are symmetric where the drawing is', () => {
    const pair = [turned(-22, 0, 30, 22, 20), turned(22, 0, 30, 22, -20)];
    const body = box(-6, -30, 12, 60);
    const [left, right, middle] = angles([...pair, body], { hexes: ['#a', '#a', '#b'] });
    expect(apart(left!, 180 - right!)).toBeLessThanOrEqual(8);
    expect([0, 90]).toContain(middle);
    // Compact and in the middle it would lie askew by itself.
    expect([0, 90]).toContain(angles([box(-20, -20, 40, 40)])[0]);
    expect(angles([box(3, -20, 40, 40)])[0]).toBe(45);
  });

  it('are decided again the same', () => {
    const areas = [box(0, 0, 30), box(30, 0, 25), box(12, 28, 40, 20), box(40, 5, 8)];
    expect(decide(areas)).toEqual(decide(areas));
    expect(decide([])).toEqual([]);
  });
});

describe('a field by itself', () => {
  it('ends in steps where rows run nearly along an edge, not where they run along it or cross it', () => {
    const shape = new FieldShape(box(0, 0, 40, 20));
    expect(shape.perimeter).toBeCloseTo(120, 6);
    expect(shape.stepsMm(0)).toBe(0);
    expect(shape.stepsMm(45)).toBe(0);
    expect(shape.stepsMm(10)).toBeCloseTo(80, 6);
    expect(shape.stepsMm(80)).toBeCloseTo(40, 6);
    expect(shape.longRows(90)).toBeLessThan(shape.longRows(0));
  });
});

describe('what lies around', () => {
  it('is measured where it is seen', () => {
    const around = neighbourhoodOf([box(0, 0, 20), box(20, 0, 10, 20), box(5, 5, 6), []]);
    expect(around.besideMm(0, 1)).toBeCloseTo(20, 0);
    expect(around.besideMm(1, 0)).toBe(around.besideMm(0, 1));
    expect(around.besideMm(0, 2)).toBeCloseTo(24, 0);
    expect(around.besideMm(1, 2)).toBe(0);
    expect(around.onShare(2, 0)).toBeCloseTo(1, 6);
    expect(around.onShare(0, 2)).toBe(0);
    expect([around.onShare(3, 0), around.besideMm(3, 0)]).toEqual([0, 0]);
  });

  it('has mirror images where the silhouette is symmetric and colours agree', () => {
    const images = (regions: [string, Area][]) => {
      const list = regions.map(([hex, painted]) => ({ hex, painted }));
      return mirrorImages(list, neighbourhoodOf(list.map((r) => r.painted)).picture);
    };
    const [left, right, body]: Area[] = [box(-30, 0, 10), box(20, 0, 10), box(-8, 0, 16, 30)] as Area[] & [Area, Area, Area];
    expect(images([['#a', left], ['#a', right], ['#b', body]])).toEqual([1, 0, 2]); // prettier-ignore
    expect(images([['#a', left], ['#c', right], ['#b', body]])).toEqual([null, null, 2]); // prettier-ignore
    expect(images([['#a', left], ['#b', body]])).toEqual([null, null]); // prettier-ignore
  });
});
