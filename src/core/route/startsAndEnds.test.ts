import fc from 'fast-check';
import { distance, type Point } from '../geometry/point';
import { allows, constraintsOf } from './constraints';
import { CoverGrid } from './coverGrid';
import type { RouteItem } from './item';
import { at, box, item, NONE } from './itemFixtures';
import { linkTo } from './link';
import { withMorePlaces } from './morePlaces';
import { paceAt } from './seconds';
import { evaluate, type EvaluateOptions } from './startsAndEnds';
import { hiddenWay } from './ways';

const pace = paceAt(750);
const PLACE = fc.record({ x: fc.integer({ min: 0, max: 24 }), y: fc.integer({ min: 0, max: 6 }) });
const MADE = fc.record({
  x: fc.integer({ min: 0, max: 20 }),
  w: fc.integer({ min: 1, max: 16 }),
  thread: fc.constantFrom('a', 'a', 'a', 'b'),
  pairs: fc.array(fc.tuple(PLACE, PLACE), { minLength: 1, maxLength: 3 }),
  approach: fc.constantFrom(null, null, null, { how: 'trim' as const }, { how: 'travel' as const }),
  column: fc.boolean(),
});

describe('starts and ends', () => {
  it('cost what the best of all combinations costs, hidden ways, threads and wishes among them', () => {
    fc.assert(
      fc.property(fc.array(MADE, { minLength: 1, maxLength: 4 }), fc.boolean(), fc.integer({ min: 0, max: 3 }), (made, clean, wish) => {
        const items = made.map(({ x, w, pairs, ...over }) =>
          item(box(x, 0, w, 6), { ...over, candidates: pairs.map(([start, end]) => ({ start, end })) }),
        );
        const order = items.map((_, i) => i);
        const preference: EvaluateOptions['preference'] = (i, position, { start, end }) =>
          wish === 0 ? 0 : ((start.x + 2 * end.y + i + position) % 5) * 0.3 * wish;
        const options = { pace, clean, fine: false, preference };
        const ground = new CoverGrid(items);
        ground.lay(order);
        const price = (from: Point, to: Point, k: number): { cost: number; cut: boolean } => {
          const [here, target] = [items[k - 1]!, items[k]!];
          if (here.thread !== target.thread) return { cost: pace.trim + pace.change, cut: true };
          if (target.approach?.how === 'trim') return { cost: pace.trim, cut: true };
          const gap = distance(from, to);
          let cost = Infinity;
          if (target.approach?.how === 'travel') cost = gap * pace.mm;
          else {
            ground.lay(order);
            ground.reveal(k);
            const [a, b] = [ground.hiddenNear(from, k), ground.hiddenNear(to, k)];
            if (a && b && a.way === b.way) cost = gap * 1.15 * pace.mm + (a.awayMm + b.awayMm) * 0.4;
            else if (gap <= 9 && ground.goesStraight(from, to, k, { clean, slackMm: 0.4 })) cost = gap * (pace.mm + 0.4);
          }
          return cost < pace.trim ? { cost, cut: false } : { cost: pace.trim, cut: true };
        };
        let best = Infinity;
        const walk = (k: number, so: number, end: Point | null): void => {
          if (k === items.length) return void (best = Math.min(best, so + pace.trim));
          for (const o of items[k]!.candidates) walk(k + 1, so + preference(k, k, o) + (end ? price(end, o.start, k).cost : 0), o.end);
        };
        walk(0, 0, null);
        const found = evaluate(new CoverGrid(items), items, order, options);
        expect(found.seconds).toBeCloseTo(best, 6);
        // What was chosen is what was promised.
        let [sum, trims, changes] = [pace.trim, 1, 0];
        found.ends.forEach((e, k) => {
          sum += preference(k, k, { start: e.start!, end: e.end! });
          expect(e.goesOn).toBe(k + 1 < items.length && !price(e.end!, found.ends[k + 1]!.start!, k + 1).cut);
          if (k === 0) return;
          const step = price(found.ends[k - 1]!.end!, e.start!, k);
          sum += step.cost;
          if (step.cut) trims++;
          if (items[k - 1]!.thread !== items[k]!.thread) changes++;
        });
        expect(sum).toBeCloseTo(found.seconds, 6);
        expect([found.trims, found.changes]).toEqual([trims, changes]);
      }),
      { seed: 51, numRuns: 150 },
    );
  });

  it('of nothing cost nothing', () => {
    expect(evaluate(new CoverGrid([]), [], [], { pace, clean: false, fine: false })).toEqual({
      order: [],
      ends: [],
      seconds: 0,
      trims: 0,
      changes: 0,
    });
  });
});

const SCENE = fc.record({
  boxes: fc.array(fc.record({ x: fc.integer({ min: 0, max: 12 }), y: fc.integer({ min: 0, max: 12 }), w: fc.integer({ min: 1, max: 10 }), h: fc.integer({ min: 1, max: 10 }) }), { minLength: 1, maxLength: 6 }),
  from: fc.record({ x: fc.integer({ min: 0, max: 22 }), y: fc.integer({ min: 0, max: 22 }) }),
  to: fc.record({ x: fc.integer({ min: 0, max: 22 }), y: fc.integer({ min: 0, max: 22 }) }),
}); // prettier-ignore
const inside = (boxes: readonly { x: number; y: number; w: number; h: number }[], p: Point, rim = 0): boolean =>
  boxes.some((b) => p.x > b.x - rim && p.x < b.x + b.w + rim && p.y > b.y - rim && p.y < b.y + b.h + rim);

describe('hidden ways', () => {
  it('are there where cover hangs together, lie under it, and are hardly longer than they must be', () => {
    fc.assert(
      fc.property(SCENE, ({ boxes, from, to }) => {
        const [a, b] = [from, to].map((p) => ({ x: p.x + 0.25, y: p.y + 0.25 })) as [Point, Point];
        if (!inside(boxes, a) || !inside(boxes, b)) return;
        const later = item(
          boxes.flatMap((o) => box(o.x, o.y, o.w, o.h)),
          { hides: NONE },
        );
        const parts = boxes.map((o) => item(box(o.x, o.y, o.w, o.h)));
        const items = [later, ...parts];
        const ground = new CoverGrid(items);
        ground.lay(items.map((_, i) => i));
        const way = hiddenWay(ground, a, b, 1, () => []);
        // By whole cells of half a millimetre, corner to corner.
        const length = new Map<string, number>([[`${a.x} ${a.y}`, 0]]);
        const open: Point[] = [a];
        while (open.length > 0) {
          open.sort((p, q) => length.get(`${p.x} ${p.y}`)! - length.get(`${q.x} ${q.y}`)!);
          const p = open.shift()!;
          for (const dx of [-0.5, 0, 0.5]) {
            for (const dy of [-0.5, 0, 0.5]) {
              const q = { x: p.x + dx, y: p.y + dy };
              const sum = length.get(`${p.x} ${p.y}`)! + Math.hypot(dx, dy);
              if (!inside(boxes, q) || sum >= (length.get(`${q.x} ${q.y}`) ?? Infinity) - 1e-9) continue;
              length.set(`${q.x} ${q.y}`, sum);
              open.push(q);
            }
          }
        }
        const shortest = length.get(`${b.x} ${b.y}`);
        expect(way === null).toBe(shortest === undefined);
        if (!way) return;
        expect([way[0], way[way.length - 1]]).toEqual([a, b]);
        const walked = way.slice(1).reduce((sum, p, i) => sum + distance(p, way[i]!), 0);
        expect(walked).toBeLessThanOrEqual(1.35 * shortest! + 1);
        for (let i = 1; i < way.length; i++) {
          for (let t = 0; t <= 1; t += 0.02) {
            const p = { x: way[i - 1]!.x + (way[i]!.x - way[i - 1]!.x) * t, y: way[i - 1]!.y + (way[i]!.y - way[i - 1]!.y) * t };
            expect(inside(boxes, p, 0.36)).toBe(true);
          }
        }
      }),
      { seed: 52, numRuns: 600 },
    );
  });
});

describe('links', () => {
  const dots = [item([], { hides: NONE }), item([], { hides: NONE })];
  const link = (items: RouteItem[], from: Point, to: Point, clean = false) => {
    const ground = new CoverGrid(items);
    ground.lay(items.map((_, i) => i));
    return linkTo(ground, items, 1, from, to, { pace, clean });
  };

  it('a hidden way that takes longer than a cut is cut, unless a straight one needs none', () => {
    const far = pace.trim / pace.mm;
    const long = item(box(-2, -2, far + 40, 6));
    expect(link([...dots, long], at(0), at(far - 1, 0)).how).toBe('travel');
    expect(link([...dots, long], at(0), at(far + 5, 0))).toMatchObject({ how: 'travel' });
    const loop = item([...box(-2, -2, 4, far), ...box(2, far - 6, 40, 4), ...box(42, -2, 4, far)]);
    expect(link([...dots, loop], at(0), at(44, 0))).toMatchObject({ how: 'trim', reason: 'far', way: [] });
  });

  it('travel goes in stitches of three millimetres at the most and half a one at the least', () => {
    for (const mm of [3.2, 6, 7.4, 20, 20.3]) {
      const { how, way } = link([...dots, item(box(-5, -5, 60, 10))], at(0), at(mm, 0));
      expect(how).toBe('travel');
      const all = [at(0), ...way, at(mm, 0)];
      const steps = all.slice(1).map((p, i) => distance(p, all[i]!));
      expect(Math.max(...steps)).toBeLessThanOrEqual(3.01);
      expect(Math.min(...steps)).toBeGreaterThanOrEqual(0.5);
      expect(steps.reduce((a, b) => a + b, 0)).toBeCloseTo(mm, 6);
    }
  });

  it('a way that a person drew keeps its corners, but those that would make stitches too short', () => {
    const drawn = (way: Point[]) => link([dots[0]!, { ...dots[1]!, approach: { how: 'travel', way } }], at(0), at(10, 0)).way;
    expect(drawn([at(0, 5), at(10, 5)])).toEqual(expect.arrayContaining([at(0, 5), at(10, 5)]));
    expect(drawn([at(0.3, 0), at(5, 5)])).not.toContainEqual(at(0.3, 0));
    expect(drawn([at(5, 5), at(9.8, 0)])).not.toContainEqual(at(9.8, 0));
    expect(drawn([at(5, 5), at(5.3, 5)])).not.toContainEqual(at(5.3, 5));
  });

  it('touching parts across what bars the way are cut', () => {
    const barred = item(box(-2, -2, 10), { barred: true });
    expect(link([barred, dots[1]!], at(0), at(0.8))).toMatchObject({ how: 'trim', reason: 'barred', way: [] });
    expect(link(dots, at(0), at(0.8))).toEqual({
      how: 'stitch',
      way: [],
      shownMm: expect.closeTo(0.8, 6) as number,
      bareMm: expect.closeTo(0.8, 6) as number,
    });
  });

  it('a straight one of three millimetres is one stitch', () => {
    const own = item(box(-5, -5, 30, 10), { rowAt: () => at(1, 0) });
    expect(link([own, dots[1]!], at(0), at(3, 0))).toMatchObject({ how: 'stitch', way: [] });
    expect(link([own, dots[1]!], at(0), at(3.2, 0)).how).toBe('travel');
  });
});

describe('places where later lines cross a rim', () => {
  const square = box(0, 0, 20);
  const field = item(square, { rim: square, candidates: [{ start: at(0, 0), end: at(20, 20) }] });
  const lineAt = (y: number): RouteItem =>
    item([], { thread: 'of lines', hides: NONE, lines: [[at(-5, y), at(25, y)]], box: { minX: -5, minY: y, maxX: 25, maxY: y } });

  it('are added as starts and ends, six at the most, and no pair goes nowhere', () => {
    const [made] = withMorePlaces([field, lineAt(5)]);
    const starts = [...new Set(made!.candidates.map((c) => c.start))];
    expect(starts).toEqual(expect.arrayContaining([at(0, 0), at(20, 5), at(0, 5)]));
    expect(made!.candidates.every((c) => c.start !== c.end)).toBe(true);
    expect(made!.candidates).toHaveLength(starts.length * (starts.length - 1));
    const [many] = withMorePlaces([field, ...[2, 4, 6, 8, 10].map(lineAt)]);
    expect(new Set(many!.candidates.map((c) => c.start)).size).toBe(7);
  });

  it('are the same objects as long as nothing changed', () => {
    const line = lineAt(7);
    const [first] = withMorePlaces([field, line]);
    expect(withMorePlaces([field, line])[0]).toBe(first);
    expect(withMorePlaces([field, lineAt(9)])[0]).not.toBe(first);
  });

  it('earlier lines, lines elsewhere and pieces without a rim add none', () => {
    expect(withMorePlaces([lineAt(5), field])[1]).toBe(field);
    expect(withMorePlaces([field, lineAt(50)])[0]).toBe(field);
    const plain = item(square);
    expect(withMorePlaces([plain, lineAt(5)])[0]).toBe(plain);
  });
});

describe('places that face the nearest pieces of a thread', () => {
  const column = (x: number, thread = 't'): RouteItem =>
    item(box(x, 0, 4, 20), { thread, column: true, rim: box(x, 0, 4, 20), candidates: [{ start: at(x + 2, 0), end: at(x + 2, 20) }] });
  const startsOf = (i: RouteItem) => [...new Set(i.candidates.map((c) => c.start))];

  it('lie where two come nearest, at both ends of the stretch, and any goes with any', () => {
    const [made] = withMorePlaces([column(0), column(6)]);
    expect(startsOf(made!)).toEqual(expect.arrayContaining([at(4, 0), at(4, 20)]));
    expect(made!.candidates).toHaveLength(startsOf(made!).length ** 2);
  });

  it('none face other threads, or pieces too far for a stitch', () => {
    const lone = column(0);
    expect(withMorePlaces([lone, column(6, 'u')])[0]).toBe(lone);
    expect(withMorePlaces([lone, column(30)])[0]).toBe(lone);
  });

  it('only the nearest few are faced', () => {
    const round = Array.from({ length: 12 }, (_, k) =>
      item(box(6 + k / 4, 0, 1), { rim: box(6 + k / 4, 0, 1), candidates: [{ start: at(7, 0), end: at(7, 1) }] }),
    );
    expect(startsOf(withMorePlaces([column(0), ...round])[0]!).length).toBeLessThanOrEqual(1 + 2 * 6);
  });
});

describe('wishes', () => {
  const apart = [0, 10, 20, 30].map((x) => item(box(x, 0, 4)));

  it('hold, through others too, and never in a circle', () => {
    const { before, forces } = constraintsOf(apart, [[2, 0], [0, 1], [1, 2]]); // prettier-ignore
    expect(before).toEqual([[2], [0], [], []]);
    expect([forces(2, 0), forces(0, 2), forces(2, 1)]).toEqual([true, false, false]);
    expect(allows({ before, forces }, [2, 0, 1, 3])).toBe(true);
    expect(allows({ before, forces }, [0, 2, 1, 3])).toBe(false);
    expect(constraintsOf(apart, [[3, 2], [2, 1], [3, 1], [1, 0], [0, 3]]).before).toEqual([[1], [2, 3], [3], []]); // prettier-ignore
  });

  it('half a square millimetre on one another is enough to keep the order', () => {
    const on = (mm: number) => constraintsOf([item(box(0, 0, 4)), item(box(4 - mm, 0, 4))]).forces(0, 1);
    expect([on(0.5), on(0.2)]).toEqual([true, false]);
    const corner = (mm: number) => constraintsOf([item(box(0, 0, 4)), item(box(4 - mm, 4 - mm, 4))]).forces(0, 1);
    expect([corner(0.5), corner(1)]).toEqual([false, true]);
  });
});
