import fc from 'fast-check';
import { boundsOf, type Line, type Point } from '../geometry/point';
import { spansAlong } from './cells';
import { allows, constraintsOf } from './constraints';
import { withMorePlaces } from './morePlaces';
import { CoverGrid } from './coverGrid';
import { at, box, item } from './itemFixtures';
import type { RouteItem } from './item';
import { firstOrder } from './order';
import { preferenceFor } from './policy';
import { paceAt } from './seconds';
import { hiddenWay } from './ways';
import { emptyJob } from '../document/job';

describe('a hidden way', () => {
  /** Cover sewn later in the shape of a U: from the top of one arm to the top of the other there is no straight way. */
  const arms = item([[at(0, 0), at(4, 0), at(4, 16), at(16, 16), at(16, 0), at(20, 0), at(20, 20), at(0, 20)]]);
  const ground = (items: readonly RouteItem[]): CoverGrid => {
    const g = new CoverGrid(items);
    g.lay(items.map((_, i) => i));
    g.reveal(1);
    return g;
  };
  const first = item(box(-1, -3, 2));

  it('leads round through what covers it, and never over bare cloth', () => {
    const g = ground([first, arms]);
    const way = hiddenWay(g, at(2, 1), at(18, 1), 1, () => [])!;
    expect(way[0]).toEqual(at(2, 1));
    expect(way[way.length - 1]).toEqual(at(18, 1));
    let length = 0;
    for (let i = 1; i < way.length; i++) {
      const [a, b] = [way[i - 1]!, way[i]!];
      length += Math.hypot(b.x - a.x, b.y - a.y);
      for (let t = 0; t <= 1; t += 0.05) expect(g.hidden(g.cellAt(at(a.x + t * (b.x - a.x), a.y + t * (b.y - a.y))), 1)).toBe(true);
    }
    // The shortest way round the inner corners is 2 down to (4, 16), 12 across and up again.
    const shortest = 2 * Math.hypot(2, 15) + 12;
    expect(length).toBeGreaterThan(shortest - 0.5);
    expect(length).toBeLessThan(shortest * 1.15);
  });

  it('is straight where it can be', () => {
    expect(hiddenWay(ground([first, arms]), at(2, 18), at(18, 18), 1, () => [])).toEqual([at(2, 18), at(18, 18)]);
  });

  it('there is none to cover that does not hang together, and none over foam', () => {
    const apart = ground([first, item(box(0, 0, 5)), item(box(20, 0, 5))]);
    expect(hiddenWay(apart, at(2, 2), at(22, 2), 1, () => [])).toBeNull();
    expect(hiddenWay(ground([first, { ...arms, barred: true }]), at(2, 1), at(18, 1), 1, () => [])).toBeNull();
  });

  it('exists just where cover hangs together, and is hardly longer than the shortest along cells', () => {
    const BLOCK = fc.record({
      x: fc.integer({ min: 0, max: 8 }),
      y: fc.integer({ min: 0, max: 5 }),
      w: fc.integer({ min: 1, max: 5 }),
      h: fc.integer({ min: 1, max: 4 }),
    });
    fc.assert(
      fc.property(fc.array(BLOCK, { minLength: 2, maxLength: 9 }), (blocks) => {
        const g = ground([first, ...blocks.map(({ x, y, w, h }) => item(box(3 * x, 3 * y, 3 * w - 0.9, 3 * h - 0.9)))]);
        const [a, b] = [blocks[0]!, blocks[blocks.length - 1]!];
        const [from, to] = [at(3 * a.x + 1.25, 3 * a.y + 1.25), at(3 * b.x + 1.25, 3 * b.y + 1.25)];
        const way = hiddenWay(g, from, to, 1, () => []);
        const least = leastAlongCells(g, g.cellAt(from), g.cellAt(to));
        expect(way === null).toBe(least === Infinity);
        if (!way) return;
        let length = 0;
        way.slice(1).forEach((p, i) => {
          const before = way[i]!;
          const gap = Math.hypot(p.x - before.x, p.y - before.y);
          length += gap;
          for (let d = 0.5; d < gap - 0.5; d += 0.1) {
            const cell = g.cellAt(at(before.x + ((p.x - before.x) * d) / gap, before.y + ((p.y - before.y) * d) / gap));
            expect([0, 1, -1, g.columns, -g.columns].some((step) => g.hidden(cell + step, 1))).toBe(true);
          }
        });
        expect([way[0], way[way.length - 1]]).toEqual([from, to]);
        // Away from rims it may go round a little; pulled straight it is shorter than along cells.
        expect(length).toBeLessThan(1.25 * least + 2);
      }),
      { seed: 81, numRuns: 120 },
    );
  });

  it('keeps away from the rim of its cover', () => {
    // A ring 6 mm wide: the way round its corner could hug the opening.
    const ring = item([[at(0, 0), at(30, 0), at(30, 30), at(24, 30), at(24, 6), at(0, 6)]]);
    const way = hiddenWay(ground([first, ring]), at(1, 3), at(27, 29), 1, () => [])!;
    for (const p of way.slice(1, -1)) expect(Math.min(24 - p.x, p.y - 6, 1e9)).toBeLessThanOrEqual(0);
    expect(way.length).toBeLessThanOrEqual(5);
  });

  it('keeps exactly to a line where only that hides it', () => {
    const line: Line = [at(0, 0), at(7, 5), at(15, 5.3), at(24, 0)];
    const lines = [line];
    const run = item([], { tracks: spansAlong(lines), lines, painted: spansAlong(lines), box: boundsOf(lines) });
    const g = ground([item(box(-2, -2, 2)), run]);
    const way = hiddenWay(g, at(0, 0), at(24, 0), 1, () => lines)!;
    for (const p of way) {
      const off = Math.min(
        ...line.slice(1).map((b, i) => {
          const a = line[i]!;
          const t = Math.max(
            0,
            Math.min(1, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / ((b.x - a.x) ** 2 + (b.y - a.y) ** 2)),
          );
          return Math.hypot(p.x - a.x - t * (b.x - a.x), p.y - a.y - t * (b.y - a.y));
        }),
      );
      expect(off).toBeLessThan(1e-6);
    }
  });
});

/** Length of the shortest way over hidden cells, mm (Dijkstra over all of them, without a queue). */
function leastAlongCells(g: CoverGrid, from: number, to: number): number {
  const done = new Set<number>();
  const cost = new Map([[from, 0]]);
  for (;;) {
    let [here, least] = [-1, Infinity];
    for (const [cell, c] of cost) if (!done.has(cell) && c < least) [here, least] = [cell, c];
    if (here < 0 || here === to) return here < 0 ? Infinity : least / 2;
    done.add(here);
    for (const dr of [-1, 0, 1])
      for (const dc of [-1, 0, 1]) {
        const next = here + dr * g.columns + dc;
        if (next !== here && g.hidden(next, 1)) cost.set(next, Math.min(cost.get(next) ?? Infinity, least + Math.hypot(dr, dc)));
      }
  }
}

describe('what must come before what', () => {
  it('is what overlaps, and what was wished, but never in a circle', () => {
    const items = [item(box(0, 0, 10)), item(box(5, 5, 10)), item(box(40, 0, 5))];
    const c = constraintsOf(items, [
      [2, 0],
      [1, 0],
    ]);
    expect(c.before).toEqual([[2], [0], []]);
    expect(c.forces(0, 1)).toBe(true);
    expect(allows(c, [2, 0, 1])).toBe(true);
    expect(allows(c, [0, 1, 2])).toBe(false);
  });

  it('the first order keeps what lies on what and sews each thread together where it may', () => {
    const corner = fc.integer({ min: 0, max: 30 });
    const pieces = fc.array(fc.tuple(corner, corner, fc.integer({ min: 3, max: 12 }), fc.constantFrom('a', 'b', 'c')), {
      minLength: 1,
      maxLength: 9,
    });
    fc.assert(
      fc.property(pieces, (list) => {
        const items = list.map(([x, y, w, thread]) => ({ thread, painted: box(x, y, w) }));
        const order = firstOrder(items);
        expect(order.slice().sort((a, b) => a - b)).toEqual(items.map((_, i) => i));
        const overlap = (i: number, j: number): boolean => {
          const [a, b] = [list[i]!, list[j]!];
          return Math.min(a[0] + a[2], b[0] + b[2]) > Math.max(a[0], b[0]) && Math.min(a[1] + a[2], b[1] + b[2]) > Math.max(a[1], b[1]);
        };
        for (let i = 0; i < items.length; i++) {
          for (let j = i + 1; j < items.length; j++) {
            if (items[i]!.thread !== items[j]!.thread && overlap(i, j)) expect(order.indexOf(i)).toBeLessThan(order.indexOf(j));
          }
        }
      }),
      { seed: 5, numRuns: 150 },
    );
  });
});

test('an area offers places where later lines cross its rim', () => {
  const lines = [[at(-5, 5), at(15, 5)]];
  const line = item([], { thread: 'of the line', lines, box: boundsOf(lines) });
  const area = item(box(0, 0, 10), { rim: box(0, 0, 10), candidates: [{ start: at(0, 0), end: at(10, 10) }] });
  const starts = withMorePlaces([area, line])[0]!.candidates.map((c) => c.start);
  for (const crossing of [at(0, 5), at(10, 5)]) expect(starts).toContainEqual(crossing);
  expect(starts).toContainEqual(at(0, 0));
  // A line that is sewn before hides nothing that comes after it.
  expect(withMorePlaces([line, area])[1]).toBe(area);
});

test('a trim costs its seven seconds and the ties about it', () => {
  const pace = paceAt(600);
  expect(pace.stitch).toBeCloseTo(0.1);
  expect(pace.trim).toBeCloseTo(7 + 6 * 0.1);
  expect(pace.mm * 3).toBeCloseTo(pace.stitch);
});

describe('where areas begin', () => {
  const tall = item(box(0, 0, 20, 40), { rim: box(0, 0, 20, 40), areaMm2: 800 });
  const job = emptyJob('j', 'J', { cloth: 'twill' });
  const ends = (start: Point, end: Point) => ({ start, end });

  it('nobody minds, unless the school or a cap does', () => {
    expect(preferenceFor([tall], job).preference).toBeUndefined();
  });

  it('low costs less than high where the school begins low; small ones are free', () => {
    const { preference } = preferenceFor([tall, { ...tall, areaMm2: 50 }], { ...job, settings: { ...job.settings, areaStart: 'low' } });
    expect(preference!(0, 0, ends(at(10, 40), at(10, 0)))).toBeLessThan(preference!(0, 0, ends(at(10, 0), at(10, 40))));
    expect(preference!(1, 0, ends(at(10, 0), at(10, 40)))).toBe(0);
  });

  it('on a cap pieces are sewn from low to high', () => {
    const { preference } = preferenceFor([tall], { ...job, settings: { ...job.settings, policy: 'cap' } });
    expect(preference!(0, 0, ends(at(10, 40), at(10, 0)))).toBeLessThan(preference!(0, 0, ends(at(10, 0), at(10, 40))));
  });
});
