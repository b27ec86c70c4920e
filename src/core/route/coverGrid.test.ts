import fc from 'fast-check';
import type { Area, Point } from '../geometry/point';
import { CELL_MM, spansAlong, spansOf } from './cells';
import { CoverGrid, TOUCHING_MM } from './coverGrid';
import type { RouteItem } from './item';
import { at, box, item, NONE } from './itemFixtures';

interface Made {
  x: number;
  y: number;
  w: number;
  h: number;
  thread: string;
  kind: 'cover' | 'open' | 'barred' | 'line';
}

const MADE = fc.record({
  x: fc.integer({ min: -20, max: 20 }),
  y: fc.integer({ min: -20, max: 20 }),
  w: fc.integer({ min: 1, max: 24 }),
  h: fc.integer({ min: 1, max: 24 }),
  thread: fc.constantFrom('a', 'b'),
  kind: fc.constantFrom('cover' as const, 'cover' as const, 'cover' as const, 'open' as const, 'barred' as const, 'line' as const),
});
/** Made on quarters of a millimetre, so that every cell lies wholly inside a box or outside it. */
const areaOf = ({ x, y, w, h }: Made): Area => box(x * CELL_MM, y * CELL_MM, w * CELL_MM, h * CELL_MM);
const itemOf = (made: Made): RouteItem => {
  const area = areaOf(made);
  const { thread, kind } = made;
  if (kind === 'line') {
    const lines = [[at(made.x * CELL_MM, made.y * CELL_MM), at((made.x + made.w) * CELL_MM, (made.y + made.h) * CELL_MM)]];
    return item(area, { thread, hides: NONE, lines, tracks: spansAlong(lines) });
  }
  return item(area, { thread, barred: kind === 'barred', ...(kind === 'open' ? { hides: NONE } : {}) });
};

/** The same cloth, looked at cell by cell. */
class PlainCloth {
  private readonly latest = new Map<string, number>();
  private readonly barred = new Set<string>();

  constructor(items: readonly RouteItem[], order: readonly number[]) {
    const each = (spans: Int32Array, put: (key: string) => void): void => {
      for (let i = 0; i < spans.length; i += 3) for (let c = spans[i + 1]!; c <= spans[i + 2]!; c++) put(`${spans[i]} ${c}`);
    };
    order.forEach((index, position) => {
      for (const spans of [items[index]!.hides, items[index]!.tracks]) each(spans, (key) => this.latest.set(key, position));
    });
    for (const i of items) if (i.barred) each(i.painted, (key) => this.barred.add(key));
  }

  key = (p: Point): string => `${Math.floor(p.y / CELL_MM)} ${Math.floor(p.x / CELL_MM)}`;
  last = (key: string): number => this.latest.get(key) ?? -1;
  isBarred = (key: string): boolean => this.barred.has(key) && this.latest.size > 0;
  hidden = (key: string, k: number): boolean => this.last(key) >= k && !this.barred.has(key);

  /** All that hangs together with a hidden cell, corners too. */
  around(key: string, k: number): Set<string> {
    const out = new Set([key]);
    for (const here of out) {
      const [r, c] = here.split(' ').map(Number) as [number, number];
      for (const dr of [-1, 0, 1]) {
        for (const dc of [-1, 0, 1]) {
          const next = `${r + dr} ${c + dc}`;
          if (this.hidden(next, k)) out.add(next);
        }
      }
    }
    return out;
  }
}

const PLACE = fc.record({ x: fc.integer({ min: -26, max: 46 }), y: fc.integer({ min: -26, max: 46 }) });
const placed = ({ x, y }: Point): Point => ({ x: (x + 0.5) * CELL_MM, y: (y + 0.5) * CELL_MM });
const shuffled = (n: number, seed: number): number[] => {
  const out = Array.from({ length: n }, (_, i) => i);
  for (let i = n - 1, s = seed; i > 0; i--, s = (s * 7919 + 13) % 104729) {
    const j = s % (i + 1);
    [out[i], out[j]] = [out[j]!, out[i]!];
  }
  return out;
};
const SCENE = fc.record({
  made: fc.array(MADE, { minLength: 1, maxLength: 6 }),
  seed: fc.integer({ min: 1, max: 99999 }),
  k: fc.integer({ min: 0, max: 5 }),
  places: fc.array(PLACE, { minLength: 6, maxLength: 6 }),
});

describe('cloth as cells, held against looking at every cell', () => {
  const scene = (
    run: (of: { items: RouteItem[]; order: number[]; k: number; places: Point[]; ground: CoverGrid; plain: PlainCloth }) => void,
  ) =>
    fc.assert(
      fc.property(SCENE, ({ made, seed, k, places }) => {
        const items = made.map(itemOf);
        const order = shuffled(items.length, seed);
        const ground = new CoverGrid(items);
        // A grid is used for many orders; what an earlier one left must not matter.
        ground.lay(items.map((_, i) => i));
        ground.reveal(0);
        ground.lay(order);
        run({ items, order, k: k % items.length, places: places.map(placed), ground, plain: new PlainCloth(items, order) });
      }),
      { seed: 5, numRuns: 150 },
    );

  it('a place is hidden where something at its turn or later covers it, and nothing bars it', () => {
    scene(({ ground, plain, places, k }) => {
      for (const p of places) {
        expect(ground.hidden(ground.cellAt(p), k)).toBe(plain.hidden(plain.key(p), k));
        const cell = ground.cellAt(p);
        if (cell >= 0) expect(ground.placeOf(cell)).toEqual({ x: expect.closeTo(p.x, 9) as number, y: expect.closeTo(p.y, 9) as number });
      }
    });
  });

  it('hidden places share a way where they hang together, and it reaches as far as they do', () => {
    scene(({ ground, plain, places, k }) => {
      ground.reveal(k);
      const hidden = places.filter((p) => plain.hidden(plain.key(p), k));
      for (const p of hidden) {
        const near = ground.hiddenNear(p, k)!;
        expect(near.awayMm).toBe(0);
        const all = plain.around(plain.key(p), k);
        for (const q of hidden) expect(ground.hiddenNear(q, k)!.way === near.way).toBe(all.has(plain.key(q)));
        const [rows, columns] = [0, 1].map((n) => [...all].map((key) => Number(key.split(' ')[n])));
        const extent = ground.extentOf(near.way);
        expect(extent.minX).toBeCloseTo(Math.min(...columns!) * CELL_MM, 9);
        expect(extent.maxX).toBeCloseTo((Math.max(...columns!) + 1) * CELL_MM, 9);
        expect(extent.minY).toBeCloseTo(Math.min(...rows!) * CELL_MM, 9);
        expect(extent.maxY).toBeCloseTo((Math.max(...rows!) + 1) * CELL_MM, 9);
      }
    });
  });

  it('a place beside what is hidden belongs to the nearest cell of it, a few cells away at the most', () => {
    scene(({ ground, plain, places, k }) => {
      ground.reveal(k);
      for (const p of places) {
        if (plain.hidden(plain.key(p), k)) continue;
        let least = Infinity;
        for (let dr = -3; dr <= 3; dr++) {
          for (let dc = -3; dc <= 3; dc++) {
            if (plain.hidden(plain.key({ x: p.x + dc * CELL_MM, y: p.y + dr * CELL_MM }), k)) least = Math.min(least, Math.hypot(dr, dc));
          }
        }
        const near = ground.hiddenNear(p, k);
        if (least * CELL_MM > 1.4) expect(near).toBeNull();
        else expect(near!.awayMm).toBeCloseTo(least * CELL_MM, 9);
      }
    });
  });

  it('a straight stitch shows what it crosses: bare cloth, or rows of its own thread', () => {
    scene(({ items, order, ground, plain, places, k }) => {
      for (let n = 1; n < places.length; n++) {
        const [from, to] = [places[n - 1]!, places[n]!];
        const gap = Math.hypot(to.x - from.x, to.y - from.y);
        const steps = Math.max(1, Math.ceil(gap / 0.25));
        let [bare, over, barred] = [0, 0, false];
        for (let s = 0; s < steps; s++) {
          const t = (s + 0.5) / steps;
          const key = plain.key({ x: from.x + (to.x - from.x) * t, y: from.y + (to.y - from.y) * t });
          const last = plain.last(key);
          if (plain.isBarred(key)) barred = true;
          else if (last < 0 || (last < k && items[order[last]!]!.thread !== items[order[k]!]!.thread)) bare += gap / steps;
          else if (last < k) over += gap / steps;
        }
        const seen = ground.straight(from, to, k);
        // A probe may fall on the border of two cells.
        expect(Math.abs(seen.bareMm - bare)).toBeLessThan(0.51);
        expect(Math.abs(seen.overMm - over)).toBeLessThan(0.51);
        if (barred !== seen.barred) expect(gap).toBeGreaterThan(0);
        if (seen.over) expect(items[order[seen.over.piece]!]!.thread).toBe(items[order[k]!]!.thread);
      }
    });
  });

  it('memory of another grid changes nothing', () => {
    scene(({ items, order, ground, k, places }) => {
      ground.reveal(0);
      const again = new CoverGrid(items, ground);
      again.lay(order);
      again.reveal(k);
      const fresh = new CoverGrid(items);
      fresh.lay(order);
      fresh.reveal(k);
      for (const p of places) expect(again.hiddenNear(p, k)).toEqual(fresh.hiddenNear(p, k));
    });
  });
});

describe('what needs no cut', () => {
  const straight = (items: RouteItem[], from: Point, to: Point, clean = false, lead?: [RouteItem, RouteItem]): boolean => {
    const ground = new CoverGrid(items);
    ground.lay(items.map((_, i) => i));
    if (lead) ground.lead(...lead);
    return ground.goesStraight(from, to, items.length - 1, { clean });
  };
  const dot = (over: Partial<RouteItem> = {}): RouteItem => item([], { hides: NONE, ...over });

  it('a gap of a millimetre, and not more', () => {
    expect(straight([dot(), dot()], at(0), at(TOUCHING_MM))).toBe(true);
    expect(straight([dot(), dot()], at(0), at(1.01))).toBe(false);
    expect(straight([dot(), dot()], at(0), at(0.05))).toBe(true);
  });

  it('two millimetres between columns, both of them', () => {
    const [letter, plain] = [dot({ column: true }), dot()];
    expect(straight([letter, letter], at(0), at(2))).toBe(true);
    expect(straight([letter, letter], at(0), at(2.01))).toBe(false);
    expect(straight([letter, plain], at(0), at(1.5))).toBe(false);
    expect(straight([plain, letter], at(0), at(1.5))).toBe(false);
    expect(straight([letter, letter], at(0), at(1.5), true)).toBe(false);
  });

  it('who leads and follows may be others than the order says', () => {
    const [letter, plain] = [dot({ column: true }), dot()];
    expect(straight([plain, plain], at(0), at(1.5), false, [letter, letter])).toBe(true);
    expect(straight([letter, letter], at(0), at(1.5), false, [plain, letter])).toBe(false);
    expect(straight([letter, letter], at(0), at(1.5), false, [letter, plain])).toBe(false);
  });

  it('over own rows: a short way in any direction, five millimetres along them, never more', () => {
    const own = (x: number, y: number): RouteItem => item(box(0, 0, 20), { rowAt: () => at(x, y) });
    const go = (rows: RouteItem, mm: number, clean = false): boolean => straight([rows, dot()], at(5, 5), at(5 + mm, 5), clean);
    expect(go(own(0, 1), 2.2)).toBe(true);
    expect(go(own(0, 1), 2.3)).toBe(false);
    expect(go(own(1, 0), 5)).toBe(true);
    expect(go(own(-1, 0), 5)).toBe(true);
    expect(go(own(1, 0), 5.1)).toBe(false);
    expect(go(own(1, 0), 2.3, true)).toBe(false);
    // A tenth off the rows' direction is with them, a fifth is not.
    expect(go(own(0.91, Math.sqrt(1 - 0.91 ** 2)), 4)).toBe(true);
    expect(go(own(0.89, Math.sqrt(1 - 0.89 ** 2)), 4)).toBe(false);
    expect(go(item(box(0, 0, 20)), 4)).toBe(true);
  });

  it('rows of another thread are like bare cloth', () => {
    const other = item(box(0, 0, 20), { thread: 'u', rowAt: () => at(1, 0) });
    expect(straight([other, dot()], at(5, 5), at(6, 5))).toBe(true);
    expect(straight([other, dot()], at(5, 5), at(6.1, 5))).toBe(false);
  });

  it('never over foam', () => {
    const barred = item(box(0, 0, 20), { barred: true });
    expect(straight([barred, dot()], at(5, 5), at(5.5, 5))).toBe(false);
    expect(straight([barred, dot()], at(-2, 5), at(-1.2, 5))).toBe(true);
  });

  it('asks for the rows in the middle of what lies over them', () => {
    const asked: Point[] = [];
    const rows = item(box(0, 0, 20), { rowAt: (p) => (asked.push(p), at(1, 0)) });
    straight([rows, dot()], at(5, 5), at(9, 5));
    expect(asked).toHaveLength(1);
    expect(Math.abs(asked[0]!.x - 7)).toBeLessThanOrEqual(0.5);
  });
});

test('a job of nothing has cloth where nothing is hidden', () => {
  const ground = new CoverGrid([]);
  ground.lay([]);
  ground.reveal(0);
  expect(ground.hiddenNear(at(0), 0)).toBeNull();
  expect(spansOf([])).toHaveLength(0);
});
