import fc from 'fast-check';
import { StitchBuffer, onLattice } from './buffer';
import { Command, Role } from './roles';

const events = (b: StitchBuffer): [number, number, number, number][] => {
  const { x, y, command, role } = b.columns();
  return Array.from(x, (v, i) => [Number(v.toFixed(3)), Number(y[i]!.toFixed(3)), role[i]!, command[i]!]);
};
const { tie, underlay, cover } = Role;

test('events come out as they were put in, however many', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1500 }), (n) => {
      const b = new StitchBuffer();
      for (let i = 0; i < n; i++) b.push(i, i / 2, i % 4, i % 3);
      expect(b.length).toBe(n);
      expect(events(b)).toEqual(Array.from({ length: n }, (_, i) => [i, i / 2, i % 4, i % 3]));
    }),
    { seed: 1, numRuns: 12 },
  );
});

test('coordinates lie on the lattice, half a step away at the most', () => {
  fc.assert(
    fc.property(fc.double({ min: -200, max: 200, noNaN: true }), (v) => {
      const { x, y } = onLattice({ x: v, y: -v });
      expect(Math.abs(x - v)).toBeLessThanOrEqual(0.00052);
      expect(x).toBeCloseTo(-y, 3);
      const b = new StitchBuffer();
      b.push(v, -v, cover);
      expect([b.lastX(), b.lastY()]).toEqual([x, y]);
      expect(b.last()).toEqual({ x, y });
    }),
    { seed: 2 },
  );
});

describe('a stitch onto the hole before it', () => {
  it('is left out', () => {
    const b = new StitchBuffer();
    b.push(1, 2, cover);
    b.push(1.0001, 2, cover);
    b.push(1, 2, tie);
    expect(events(b)).toEqual([[1, 2, cover, 0]]);
  });

  it('stays where it differs in one coordinate, or where either is no stitch', () => {
    const b = new StitchBuffer();
    b.push(1, 2, cover);
    b.push(1, 2.1, cover);
    b.push(1.1, 2.1, cover);
    b.push(1.1, 2.1, cover, Command.trim);
    b.push(1.1, 2.1, cover, Command.trim);
    b.push(1.1, 2.1, cover);
    expect(events(b).map((e) => e[3])).toEqual([0, 0, 0, Command.trim, Command.trim, 0]);
  });
});

describe('the first stitch of something new', () => {
  const after = (role: number, x: number, ...before: [number, number, number, number?][]): [number, number, number, number][] => {
    const b = new StitchBuffer();
    for (const [px, py, r, c = 0] of before) b.push(px, py, r, c);
    b.pushClear(x, 0, role, 0.5);
    return events(b);
  };

  it('takes the place of a run penetration that it would nearly hit', () => {
    expect(after(cover, 5.4, [0, 0, underlay], [5, 0, underlay])).toEqual([[0, 0, underlay, 0], [5.4, 0, cover, 0]]); // prettier-ignore
  });

  it('is left out beside one of cover', () => {
    expect(after(underlay, 5.4, [0, 0, cover], [5, 0, cover])).toEqual([[0, 0, cover, 0], [5, 0, cover, 0]]); // prettier-ignore
  });

  it('stands at exactly the least length, and beyond', () => {
    expect(after(cover, 5.5, [0, 0, underlay], [5, 0, underlay])).toHaveLength(3);
    const b = new StitchBuffer();
    b.push(0, 0, underlay);
    b.push(5, 0, underlay);
    b.pushClear(5.3, 0.41, cover, 0.5);
    expect(b.length).toBe(3);
    b.pushClear(5.2, 0.5, cover, 0.5);
    expect(b.length).toBe(3);
  });

  it('never takes away a start, or what follows a jump', () => {
    expect(after(cover, 0.2, [0, 0, underlay])).toHaveLength(2);
    expect(after(cover, 5.2, [0, 0, underlay], [5, 0, underlay, Command.jump])).toHaveLength(3);
    expect(after(cover, 5.2, [0, 0, underlay, Command.jump], [5, 0, underlay])).toHaveLength(3);
  });
});

describe('looking back', () => {
  it('counts from the end, and says where there is nothing', () => {
    const b = new StitchBuffer();
    expect([b.last(), b.pointAt(-1), b.commandAt(-1)]).toEqual([null, null, -1]);
    b.push(1, 2, cover, Command.jump);
    b.push(3, 4, cover);
    expect([b.commandAt(-1), b.commandAt(-2), b.commandAt(-3)]).toEqual([0, Command.jump, -1]);
    expect([b.pointAt(-2), b.pointAt(-1), b.pointAt(-3)]).toEqual([{ x: 1, y: 2 }, { x: 3, y: 4 }, null]); // prettier-ignore
  });

  it('copies what came since an event', () => {
    const b = new StitchBuffer();
    for (let i = 0; i < 5; i++) b.push(i, 10 + i, i % 4, i);
    const { x, y, command, role } = b.since(3);
    expect([[...x], [...y], [...command], [...role]]).toEqual([[3, 4], [13, 14], [3, 4], [3, 0]]); // prettier-ignore
    x[0] = 99;
    expect(b.columns().x[3]).toBe(3);
  });
});

describe('columns put together', () => {
  const of = (n: number, first = 0): StitchBuffer => {
    const b = new StitchBuffer();
    for (let i = 0; i < n; i++) b.push(first + i, i, i % 4, i % 2);
    return b;
  };

  it('append a range of another, growing as they must', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 700 }), fc.nat(700), fc.nat(700), (have, a, b) => {
        const [from, to] = [Math.min(a, b), Math.max(a, b)];
        const [into, more] = [of(have), of(700, 1000)];
        into.append(more.columns(), from, to);
        expect(events(into)).toEqual([...events(of(have)), ...events(more).slice(from, to)]);
      }),
      { seed: 3, numRuns: 30 },
    );
  });

  it('are given whole, in their own memory only where little of it is empty', () => {
    for (const n of [10, 204, 205, 250, 256]) {
      const b = of(n);
      const given = b.given();
      expect(given.x).toHaveLength(n);
      expect([...given.x, ...given.y, ...given.command, ...given.role]).toEqual(
        [b.columns()].flatMap((c) => [...c.x, ...c.y, ...c.command, ...c.role]),
      );
      // 205 of 256 are the first to fill four fifths.
      expect(given.x.buffer.byteLength).toBe(n < 205 ? 4 * n : 4 * 256);
    }
  });

  it('room made beforehand changes nothing', () => {
    const b = of(100);
    b.reserve(5000);
    b.reserve(10);
    expect(events(b)).toEqual(events(of(100)));
    expect(b.given().x).toHaveLength(100);
  });
});

test('what runs away ends with a sentence', () => {
  const b = new StitchBuffer(1000);
  expect(() => {
    for (let i = 0; i < 5000; i++) b.push(i, 0, cover);
  }).toThrow(/more stitches than any machine holds/);
  expect(b.length).toBe(1024);
});
