import { Role } from '../stitches/roles';
import { at, box as area, item } from '../route/itemFixtures';
import type { RouteItem } from '../route/item';
import { capOrder } from './checks/capOrder';
import { outlineLate } from './checks/outlineLate';
import { contextOf, type MadeContext, type MadeEvent, type MadePiece } from './contextFixtures';

const box = (x: number, y: number, w: number, h = w): string => `M${x},${y} h${w} v${h} h${-w} Z`;
const { cover, underlay } = Role;

describe('a cap, from low to high', () => {
  const cap = { cloth: 'cap', place: 'cap-front' } as const;
  const tower = (threads: string, ...ys: number[]): MadePiece[] =>
    ys.map((y, i) => ({ area: box(-2, y - 2, 4), thread: `t${threads[i]}` }));
  const down = (threads: string, ...ys: number[]) => capOrder.find(contextOf(tower(threads, ...ys), { brief: cap }));

  it('several small steps down are one', () => {
    expect(down('aaaa', 0, 5, 10, 12)).toEqual([]);
    expect(down('aaaa', 0, 5, 10, 15)).toMatchObject([{ pieces: ['p3'], measured: 1 }]);
    // What goes up between takes them back.
    expect(down('aaaa', 0, 8, 2, 10)).toEqual([]);
    // After a step down it counts anew.
    expect(down('aaa', 0, 13, 20)).toMatchObject([{ pieces: ['p1'] }]);
    expect(down('aaaa', 0, 13, 20, 27)).toMatchObject([{ pieces: ['p1', 'p3'] }]);
  });

  it('a new thread begins low again; it goes down when all of it lies below all of the last', () => {
    expect(down('aab', 20, 0, 18)).toEqual([]);
    expect(down('aabb', 20, 0, 40, 18)).toEqual([]);
    expect(down('aabb', 20, 0, 45, 33)).toMatchObject([{ pieces: ['p2'] }]);
    expect(down('aabb', 20, 0, 45, 31)).toEqual([]);
    expect(down('abb', 0, 13, 1)).toEqual([]);
  });

  const sewn = (ys: readonly number[], more: MadePiece = {}, role: number = cover) => {
    const events = ys.map((y, i): MadeEvent => [i % 2 ? 5 : -5, y, role, 0, 0]);
    return capOrder.find(contextOf([{ area: box(-5, 0, 10, 40), ...more }], { brief: cap, events }));
  };
  const rising = Array.from({ length: 41 }, (_, k) => 40 - k);
  const falling = rising.slice().reverse();

  it('each piece as well', () => {
    expect(sewn(rising)).toEqual([]);
    const [one] = sewn(falling);
    expect(one).toMatchObject({ pieces: ['p0'], at: { x: 0, y: 20 }, limit: 12, unit: 'mm' });
    // A tenth of it at either end says where it begins and ends.
    expect(one!.measured).toBeCloseTo(36, 6);
    expect(sewn(falling, { unsewn: true })).toEqual([]);
    expect(sewn(falling, {}, underlay)).toEqual([]);
    expect(capOrder.find(contextOf([{ area: box(-5, 0, 10, 40) }], { events: falling.map((y): MadeEvent => [0, y, cover]) }))).toEqual([]);
  });

  it('one that falls by little, for its height, does not', () => {
    const by = (mm: number): number[] => [...Array.from({ length: 10 }, () => 10), ...Array.from({ length: 10 }, () => 10 + mm)];
    expect([sewn(by(15)).length, sewn(by(17)).length]).toEqual([0, 1]);
    const low = { area: box(-5, 0, 10, 25) };
    expect([sewn(by(11.9), low).length, sewn(by(12.1), low).length]).toEqual([0, 1]);
  });

  it('ends that a person put the wrong way round can be let go', () => {
    expect(sewn(falling)[0]).not.toHaveProperty('fix');
    for (const pinned of [{ start: [0, 0] }, { end: [0, 40] }] as MadePiece[])
      expect(sewn(falling, pinned)[0]!.fix!.pieces).toEqual([{ id: 'p0', without: ['start', 'end'] }]);
  });
});

describe('an outline long after its fill', () => {
  const field: RouteItem = item(area(0, 0, 20), { rim: area(0, 0, 20), areaMm2: 400 });
  const outline = item([...area(-1, -1, 22), ...area(1, 1, 18)], { widthMm: 2 });
  const other = (x: number, y = 0): RouteItem => item(area(x, y, 4));
  const late = (...between: RouteItem[]) => {
    const items = [field, ...between, outline];
    return outlineLate.find(contextOf(items.map((_, i) => ({ area: box(10 * i, 0, 4) })), { route: { items, pieces: items.map((_, i) => i) } })); // prettier-ignore
  };
  const far = Array.from({ length: 4 }, (_, k) => other(100 + 9 * k));

  it('can be sewn right after it', () => {
    const [one] = late(...far);
    expect(one).toMatchObject({
      pieces: ['p5', 'p0'],
      at: at(52, 2),
      measured: 4,
      limit: 3,
      fix: { label: 'Sew ‘Piece 5’ right after ‘Piece 0’', sewRightAfter: [{ piece: 'p5', after: 'p0' }] },
    });
    expect(one!.message).toContain('4 pieces are sewn between');
  });

  it('unless something that must lie beneath it is sewn between', () => {
    // One lies under the outline's edge.
    expect(late(...far.slice(1), other(-3, 6))[0]).not.toHaveProperty('fix');
    expect(late(...far.slice(1), other(8, 8))[0]).toHaveProperty('fix');
  });

  it('what is sewn before the fill or after the outline has no say', () => {
    const items = [other(-3, 6), field, ...far, outline, other(-3, 12)];
    const context: MadeContext = { route: { items, pieces: items.map((_, i) => i) } };
    const [one] = outlineLate.find(contextOf(items.map(() => ({})), context)); // prettier-ignore
    expect(one).toMatchObject({ pieces: ['p6', 'p1'], measured: 4 });
    expect(one).toHaveProperty('fix');
  });
});
