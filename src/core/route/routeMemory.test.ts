import fc from 'fast-check';
import { emptyBounds } from '../geometry/point';
import { CoverGrid } from './coverGrid';
import type { RouteItem } from './item';
import { at, box, item } from './itemFixtures';
import { linkTo } from './link';
import { RouteMemory } from './routeMemory';
import { paceAt } from './seconds';
import { evaluate } from './startsAndEnds';

const pace = paceAt(750);
const options = { pace, clean: false, fine: false };
const block = (x: number, y: number, w: number, thread = 'a'): RouteItem => {
  const [left, right] = [at(x, y + 1), at(x + w, y + 1)];
  return item(box(x, y, w, 2), { thread, candidates: [{ start: left, end: right }, { start: right, end: left }] }); // prettier-ignore
};
const MADE = fc.record({
  x: fc.integer({ min: 0, max: 60 }),
  y: fc.integer({ min: 0, max: 8 }),
  w: fc.integer({ min: 1, max: 30 }),
  thread: fc.constantFrom('a', 'a', 'a', 'b'),
});
const EDIT = fc.record({ which: fc.nat(20), to: MADE, key: fc.constantFrom('k', 'k', 'k', 'other') });

test('what is remembered is what would be found out anew, whatever is changed', () => {
  fc.assert(
    fc.property(fc.array(MADE, { minLength: 3, maxLength: 8 }), fc.array(EDIT, { minLength: 1, maxLength: 8 }), (made, edits) => {
      const items = made.map((m) => block(m.x, m.y, m.w, m.thread));
      const order = items.map((_, i) => i);
      const memory = new RouteMemory();
      for (const { which, to, key } of [{ which: 0, to: made[0]!, key: 'k' }, ...edits]) {
        items[which % items.length] = block(to.x, to.y, to.w, to.thread);
        memory.follow(items.slice(), key);
        const ground = new CoverGrid(items);
        const remembered = evaluate(ground, items, order, options, memory);
        const anew = evaluate(new CoverGrid(items), items, order, options);
        expect(remembered).toEqual(anew);
        for (let k = 1; k < items.length; k++) {
          const [from, toPlace] = [anew.ends[k - 1]!.end!, anew.ends[k]!.start!];
          const make = (): ReturnType<Parameters<RouteMemory['link']>[3]> => {
            const looked = emptyBounds();
            return { link: linkTo(ground, items, k, from, toPlace, options, looked), looked };
          };
          expect(memory.link(k, from, toPlace, make)).toEqual(make().link);
        }
      }
    }),
    { seed: 41, numRuns: 30 },
  );
});

describe('what is remembered', () => {
  const row = (): RouteItem[] => [block(0, 0, 4), block(6, 0, 4), block(100, 0, 4), block(106, 0, 4)];
  const made = (memory: RouteMemory, k: number): boolean => {
    let anew = false;
    memory.link(k, at(k), at(k + 1), () => {
      anew = true;
      return { link: { how: 'trim', way: [], shownMm: 0, bareMm: 0 }, looked: emptyBounds() };
    });
    return anew;
  };

  it('is made once, and again only where the cloth near it was changed', () => {
    const [memory, items] = [new RouteMemory(), row()];
    memory.follow(items, 'k');
    expect([made(memory, 1), made(memory, 3)]).toEqual([true, true]);
    expect([made(memory, 1), made(memory, 3)]).toEqual([false, false]);
    memory.follow(items, 'k');
    expect([made(memory, 1), made(memory, 3)]).toEqual([false, false]);
    // The link to piece 1 lies about x = 1 to 2, whatever piece it leads to.
    const near = [...items];
    near[2] = block(3, 0, 4);
    memory.follow(near, 'k');
    expect(made(memory, 1)).toBe(true);
    const far = [...near];
    far[3] = block(200, 0, 4);
    memory.follow(far, 'k');
    expect(made(memory, 1)).toBe(false);
  });

  it('is forgotten with another key, another number of pieces, or too many changes', () => {
    const memory = new RouteMemory();
    const many = Array.from({ length: 30 }, (_, i) => block(100 * i, 0, 4));
    const fresh = (from: number): RouteItem[] => many.map((m, i) => (i >= from ? block(100 * i, 50, 4) : m));
    memory.follow(many, 'k');
    expect(made(memory, 1)).toBe(true);
    memory.follow(many, 'other');
    expect(made(memory, 1)).toBe(true);
    memory.follow(many.slice(0, 29), 'other');
    expect(made(memory, 1)).toBe(true);
    memory.follow(many, 'other');
    expect(made(memory, 1)).toBe(true);
    // 24 changes elsewhere are still followed, 25 are not.
    memory.follow(fresh(6), 'other');
    expect(made(memory, 1)).toBe(false);
    memory.follow(many, 'other');
    memory.follow(fresh(5), 'other');
    expect(made(memory, 1)).toBe(true);
  });

  it('seconds between two pieces are kept as long as both are the same, with the same places', () => {
    const [memory, items] = [new RouteMemory(), row()];
    const choices = (places: number) => ({ options: [], starts: [at(0), at(1)], ends: Array.from({ length: places }, (_, i) => at(i)), startOf: new Int32Array(), endOf: new Int32Array() }); // prettier-ignore
    const [from, to] = [choices(3), choices(1)];
    memory.follow(items, 'k');
    const first = memory.between(0, items[0]!, items[1]!, from, to);
    expect([first.seconds.length, first.seconds.every(Number.isNaN)]).toEqual([6, true]);
    expect(memory.between(0, items[0]!, items[1]!, from, to)).toBe(first);
    expect(memory.between(0, items[0]!, items[2]!, from, to)).not.toBe(first);
    expect(memory.between(0, items[0]!, items[1]!, choices(3), to)).not.toBe(first);
    const last = memory.between(0, items[0]!, items[1]!, from, to);
    memory.follow(items, 'k');
    expect(memory.between(0, items[0]!, items[1]!, from, to)).toBe(last);
    const near = [...items];
    near[3] = block(4, 2, 4);
    memory.follow(near, 'k');
    expect(memory.between(0, items[0]!, items[1]!, from, to)).not.toBe(last);
  });

  it('seconds are kept when the cloth is changed far away, and anew with other places to leave or reach', () => {
    const [memory, items] = [new RouteMemory(), row()];
    const choices = () => ({ options: [], starts: [at(0)], ends: [at(1)], startOf: new Int32Array(), endOf: new Int32Array() });
    const [from, to] = [choices(), choices()];
    const known = (): unknown => memory.between(0, items[0]!, items[1]!, from, to);
    memory.follow(items, 'k');
    const first = known();
    const far = [...items];
    far[3] = block(200, 0, 4);
    memory.follow(far, 'k');
    expect(known()).toBe(first);
    expect(memory.between(0, items[0]!, items[1]!, choices(), to)).not.toBe(first);
    const other = known();
    expect(memory.between(0, items[0]!, items[1]!, from, choices())).not.toBe(other);
  });

  it('a link is forgotten where the cloth changes within a millimetre of what was looked at, on every side', () => {
    const looked = { minX: 40, minY: 40, maxX: 60, maxY: 60 };
    const linked = (memory: RouteMemory): boolean => {
      let anew = false;
      memory.link(1, at(50, 50), at(51, 50), () => {
        anew = true;
        return { link: { how: 'trim', way: [], shownMm: 0, bareMm: 0 }, looked };
      });
      return anew;
    };
    const here = [block(0, 0, 4), block(6, 0, 4)];
    // Pieces 2 mm high, in cells of half a millimetre; each on one side of what was looked at.
    const places: [x: number, y: number, w: number, near: boolean][] = [
      [30, 50, 9.5, true],
      [30, 50, 8, false],
      [60.5, 50, 5, true],
      [62, 50, 5, false],
      [50, 37.5, 5, true],
      [50, 36, 5, false],
      [50, 60.5, 5, true],
      [50, 62, 5, false],
    ];
    for (const [x, y, w, near] of places) {
      const memory = new RouteMemory();
      memory.follow([...here, block(500, 0, 4)], 'k');
      expect(linked(memory)).toBe(true);
      memory.follow([...here, block(500, 100, 4)], 'k');
      expect(linked(memory)).toBe(false);
      memory.follow([...here, block(x, y, w)], 'k');
      expect([x, y, linked(memory)]).toEqual([x, y, near]);
    }
  });

  it('a link belongs to the pieces that it leaves and reaches', () => {
    for (const changed of [0, 1]) {
      const memory = new RouteMemory();
      const items = [block(900, 0, 4), block(950, 0, 4), block(0, 0, 4)];
      memory.follow(items, 'k');
      expect([made(memory, 1), made(memory, 1)]).toEqual([true, false]);
      const other = [...items];
      other[changed] = block(700, 0, 4);
      memory.follow(other, 'k');
      expect(made(memory, 1)).toBe(true);
    }
  });
});
