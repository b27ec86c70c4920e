import fc from 'fast-check';
import { spansAlong, spansOf, sharedCells } from './cells';
import { allows, constraintsOf } from './constraints';
import { evaluate } from './startsAndEnds';
import { CoverGrid } from './coverGrid';
import { at, box, item, NONE } from './itemFixtures';
import type { RouteItem } from './item';
import { linkTo } from './link';
import { firstOrder } from './order';
import { paceAt } from './seconds';

const pace = paceAt(750);
const options = { pace, clean: false, fine: false };

/** A bare dot: hides nothing, so only distance counts. */
const dot = (...pairs: [ReturnType<typeof at>, ReturnType<typeof at>][]): RouteItem =>
  item([], {
    hides: NONE,
    painted: NONE,
    box: { minX: 0, minY: 0, maxX: 5, maxY: 5 },
    candidates: pairs.map(([start, end]) => ({ start, end })),
  });

test('cells of an area are those whose centre lies in it, and two areas share what they share', () => {
  const a = spansOf(box(0, 0, 10));
  let cells = 0;
  for (let i = 0; i < a.length; i += 3) cells += a[i + 2]! - a[i + 1]! + 1;
  expect(cells).toBe(400);
  expect(sharedCells(a, spansOf(box(5, 5, 10)))).toBe(100);
  expect(sharedCells(a, spansOf(box(12, 0, 4)))).toBe(0);
});

test('cells along a line leave no gap', () => {
  const s = spansAlong([[at(0, 0), at(7.3, 4.1)]]);
  for (let i = 3; i < s.length; i += 3) {
    expect(Math.abs(s[i]! - s[i - 3]!) + Math.abs(s[i + 1]! - s[i - 2]!)).toBeLessThanOrEqual(2);
  }
});

test('chosen ends are as cheap as the best of all combinations', () => {
  const point = fc.record({ x: fc.integer({ min: 0, max: 5 }), y: fc.integer({ min: 0, max: 5 }) });
  const pairs = fc.array(fc.tuple(point, point), { minLength: 1, maxLength: 3 });
  const cost = (a: { x: number; y: number }, b: { x: number; y: number }): number => {
    const d = Math.hypot(a.x - b.x, a.y - b.y);
    return d <= 1 ? d * (pace.mm + 0.4) : pace.trim;
  };
  fc.assert(
    fc.property(fc.array(pairs, { minLength: 2, maxLength: 4 }), (lists) => {
      const items = lists.map((l) => dot(...l));
      const { ends, seconds } = evaluate(
        new CoverGrid(items),
        items,
        lists.map((_, i) => i),
        options,
      );
      const chosen = ends.slice(1).reduce((s, e, i) => s + cost(ends[i]!.end!, e.start!), 0);
      const all = lists.reduce<[{ x: number; y: number }, { x: number; y: number }][][]>(
        (sets, l) => sets.flatMap((s) => l.map((c) => [...s, c])),
        [[]],
      );
      const best = Math.min(...all.map((set) => set.slice(1).reduce((s, c, i) => s + cost(set[i]![1], c[0]), 0)));
      expect(chosen).toBeCloseTo(best, 6);
      expect(seconds).toBeCloseTo(best + pace.trim, 6);
    }),
    { seed: 9, numRuns: 60 },
  );
});

test('pinned places stay', () => {
  const items = [item(box(0, 0, 5), { pinnedStart: at(3, 3), candidates: [{ start: at(0), end: at(5) }] })];
  expect(evaluate(new CoverGrid(items), items, [0], options).ends[0]!.start).toEqual(at(3, 3));
});

describe('links', () => {
  const link = (items: RouteItem[], k: number, from: ReturnType<typeof at>, to: ReturnType<typeof at>, clean = false) => {
    const ground = new CoverGrid(items);
    ground.lay(items.map((_, i) => i));
    return linkTo(ground, items, k, from, to, { pace, clean });
  };
  const dots = [item([], { hides: NONE }), item([], { hides: NONE })];

  test('touching parts go on, open ones are cut', () => {
    expect(link(dots, 1, at(0), at(0.8)).how).toBe('stitch');
    expect(link(dots, 1, at(0), at(3))).toMatchObject({ how: 'trim', reason: 'open' });
  });

  test('a way goes round inside what is sewn later and never over open cloth', () => {
    // An L of later cover joins the two ends; the straight way would cross open cloth.
    const items = [...dots, item([...box(-2, -2, 6, 30), ...box(4, 22, 26, 6)])];
    const { how, way } = link(items, 1, at(0, 0), at(28, 25));
    expect(how).toBe('travel');
    const inside = (p: { x: number; y: number }): boolean =>
      (p.x >= -2 && p.x <= 4 && p.y >= -2 && p.y <= 28) || (p.x >= 4 && p.x <= 30 && p.y >= 22 && p.y <= 28);
    const full = [at(0, 0), ...way, at(28, 25)];
    for (let i = 1; i < full.length; i++) {
      expect(Math.hypot(full[i]!.x - full[i - 1]!.x, full[i]!.y - full[i - 1]!.y)).toBeLessThanOrEqual(3.01);
      for (let s = 0; s <= 10; s++) {
        const t = s / 10;
        expect(
          inside({ x: full[i - 1]!.x + (full[i]!.x - full[i - 1]!.x) * t, y: full[i - 1]!.y + (full[i]!.y - full[i - 1]!.y) * t }),
        ).toBe(true);
      }
    }
  });

  test('cover sewn earlier hides nothing, open cover hides nothing, and foam is not crossed', () => {
    const cover = box(-5, -5, 40);
    const other = { thread: 'u' };
    expect(link([item(cover, other), ...dots], 2, at(0), at(20)).how).toBe('trim');
    expect(link([...dots, item(cover, { ...other, hides: NONE })], 1, at(0), at(20)).how).toBe('trim');
    expect(link([...dots, item(cover, other)], 1, at(0), at(20)).how).toBe('travel');
    expect(link([...dots, item(cover, { ...other, barred: true })], 1, at(0), at(20))).toMatchObject({ how: 'trim', reason: 'barred' });
  });

  test('a line sewn later hides a run exactly beneath it', () => {
    const line = [at(0, 0), at(10, 10), at(20, 0)];
    const later = item([], { hides: NONE, tracks: spansAlong([line]), lines: [line] });
    const { how, way } = link([...dots, later], 1, at(0, 0), at(20, 0));
    expect(how).toBe('travel');
    for (const p of way) expect(Math.min(Math.abs(p.y - p.x), Math.abs(p.y - (20 - p.x))) / Math.SQRT2).toBeLessThan(0.4);
    expect(Math.max(...way.map((p) => p.y))).toBeGreaterThan(8);
  });

  test('over rows of its own colour the thread lies only for a short way, and with them', () => {
    const own = (rowAt: RouteItem['rowAt']) => [item(box(0, 0, 20), { rowAt }), item(box(20, 0, 4), { hides: NONE })];
    const across = at(1, 0);
    expect(
      link(
        own(() => across),
        1,
        at(16, 2),
        at(20.2, 2),
      ).how,
    ).not.toBe('trim');
    expect(
      link(
        own(() => ({ x: 0, y: 1 })),
        1,
        at(16, 2),
        at(20.2, 2),
      ).how,
    ).toBe('trim');
    expect(
      link(
        own(() => across),
        1,
        at(4, 2),
        at(20.2, 2),
      ).how,
    ).toBe('trim');
  });

  test('between letters a stitch may show up to 2 mm, unless the cleanest gaps are wanted', () => {
    const letters = [item([], { hides: NONE, column: true }), item([], { hides: NONE, column: true })];
    expect(link(letters, 1, at(0), at(1.8)).how).toBe('stitch');
    expect(link(letters, 1, at(0), at(1.8), true).how).toBe('trim');
    expect(link(letters, 1, at(0), at(2.3)).how).toBe('trim');
  });

  test('what a person wants comes first', () => {
    const asked = (approach: RouteItem['approach']) => [item([], { hides: NONE }), item([], { hides: NONE, approach })];
    expect(link(asked({ how: 'trim' }), 1, at(0), at(0.5))).toMatchObject({ how: 'trim', reason: 'asked' });
    const { how, way } = link(asked({ how: 'travel', way: [at(5, 5)] }), 1, at(0), at(10, 0));
    expect(how).toBe('travel');
    expect(way).toContainEqual(at(5, 5));
  });
});

test('a piece never comes before one that it lies on, and the given order is always allowed', () => {
  const items = fc.array(
    fc.record({ x: fc.integer({ min: 0, max: 30 }), y: fc.integer({ min: 0, max: 30 }), thread: fc.constantFrom('a', 'b', 'c') }),
    { minLength: 1, maxLength: 9 },
  );
  fc.assert(
    fc.property(items, (list) => {
      const order = firstOrder(list.map((i) => ({ thread: i.thread, painted: box(i.x, i.y, 8) })));
      expect(order.slice().sort((a, b) => a - b)).toEqual(list.map((_, i) => i));
      const made = list.map((i) => item(box(i.x, i.y, 8), { thread: i.thread }));
      const constraints = constraintsOf(made);
      expect(
        allows(
          constraints,
          list.map((_, i) => i),
        ),
      ).toBe(true);
      list.forEach((b, j) =>
        list.slice(0, j).forEach((a, i) => {
          const overlap = Math.max(0, 8 - Math.abs(a.x - b.x)) * Math.max(0, 8 - Math.abs(a.y - b.y));
          if (overlap > 1) expect(constraints.forces(i, j)).toBe(true);
          if (overlap === 0) expect(constraints.forces(i, j)).toBe(false);
        }),
      );
    }),
    { seed: 21, numRuns: 60 },
  );
});
