import { distance } from '../geometry/point';
import { recipeOf } from '../cloth/recipes';
import { tiesFor } from '../pieces/rules/tieSettings';
import { isTied, tieIn, tieOff, type Tie } from './ties';

const at = { x: 10, y: 5 };
const usual: Tie = { shape: 'line', lengthMm: 0.7, count: 3 };

test('a tie-in lies between its penetration and the next, three stitches long', () => {
  const points = tieIn(at, { x: 20, y: 5 }, usual);
  expect(points).toHaveLength(3);
  for (const p of points) {
    expect(p.y).toBe(5);
    expect(p.x).toBeGreaterThanOrEqual(10);
    expect(p.x).toBeLessThanOrEqual(10.7 + 1e-9);
  }
});

test('beside a short stitch the tie comes back, so that the stitch after it is not shorter still', () => {
  const points = tieIn(at, { x: 10.8, y: 5 }, usual);
  expect(points[points.length - 1]).toEqual(at);
});

test('a tie-off goes back over what was sewn', () => {
  for (const p of tieOff(at, { x: 10, y: 1 }, usual)) {
    expect(p.x).toBe(10);
    expect(p.y).toBeLessThanOrEqual(5);
    expect(distance(p, at)).toBeLessThanOrEqual(0.7 + 1e-9);
  }
});

test('two penetrations in one place are still locked', () => {
  expect(tieOff(at, at, usual).some((p) => distance(p, at) > 0.2)).toBe(true);
});

test('a cross has strokes on both diagonals and comes back to go on', () => {
  const points = tieIn(at, { x: 20, y: 5 }, { shape: 'cross', lengthMm: 0.8, count: 4 });
  const tips = points.slice(0, 4);
  expect(new Set(tips.map((p) => `${Math.sign(p.x - at.x)}${Math.sign(p.y - at.y)}`)).size).toBe(4);
  expect(points[points.length - 1]).toEqual(at);
  for (let i = 1; i < points.length; i++) expect(distance(points[i]!, points[i - 1]!)).toBeGreaterThanOrEqual(0.3);
});

test('a tie goes there and back, there first', () => {
  const [there, back] = [{ x: 10.7, y: 5 }, at];
  expect(tieIn(at, { x: 20, y: 5 }, usual)).toEqual([there, back, there]);
  expect(tieOff(at, { x: 20, y: 5 }, { ...usual, count: 2 })).toEqual([there, back]);
});

test('it comes back once more exactly where the next stitch would be under half a millimetre, and only when it ends inside', () => {
  const ends = (x: number, count = 3) => tieIn(at, { x, y: 5 }, { ...usual, count }).length;
  expect([ends(11.19), ends(11.21)]).toEqual([4, 3]);
  expect([ends(10.9, 2), ends(10.9, 1)]).toEqual([2, 2]);
});

test('beside a penetration nearer than a tie is long, it goes no farther than that; on the very spot it goes along the row', () => {
  expect(tieOff(at, { x: 10.5, y: 5 }, usual)[0]).toEqual({ x: 10.5, y: 5 });
  expect(tieOff(at, { x: 10.3, y: 5 }, usual)[0]!.x).toBeCloseTo(10.3);
  expect(tieOff(at, { x: 10.29, y: 5 }, usual)[0]).toEqual({ x: 10.35, y: 5 });
});

test('the tips of a cross lie square about its penetration, as long as asked but never shorter than a stitch may be', () => {
  const tips = (lengthMm: number, along = { x: 10, y: 9 }) => tieOff(at, along, { shape: 'cross', lengthMm, count: 4 });
  for (const [length, half] of [
    [1, 0.5],
    [0.4, 0.3],
  ] as const) {
    const all = tips(length);
    expect(all).toHaveLength(4);
    for (const p of all) expect([Math.abs(p.x - at.x), Math.abs(p.y - at.y)]).toEqual([expect.closeTo(half), expect.closeTo(half)]);
    // Each stroke leads right through the penetration.
    for (const k of [0, 2])
      expect([all[k]!.x + all[k + 1]!.x, all[k]!.y + all[k + 1]!.y]).toEqual([expect.closeTo(20), expect.closeTo(10)]);
  }
  const aslant = tips(1, { x: 13, y: 9 })[0]!;
  expect(distance(aslant, { x: 10 + 0.3 - 0.4, y: 5 + 0.4 + 0.3 })).toBeLessThan(1e-9);
  expect(tieOff(at, at, { shape: 'cross', lengthMm: 1, count: 4 }).every((p) => Number.isFinite(p.x + p.y))).toBe(true);
});

test('a cross has at least its two strokes, and repeats them when more are asked', () => {
  const of = (count: number) => tieOff(at, { x: 20, y: 5 }, { shape: 'cross', lengthMm: 1, count });
  expect([of(2).length, of(4).length, of(6).length]).toEqual([4, 4, 6]);
  expect(of(6)[4]).toEqual(of(6)[0]);
});

test('count and length are as asked', () => {
  const points = tieOff(at, { x: 0, y: 5 }, { shape: 'line', lengthMm: 1, count: 5 });
  expect(points).toHaveLength(5);
  expect(Math.max(...points.map((p) => distance(p, at)))).toBeCloseTo(1, 9);
});

test('thin columns get fewer tie stitches, broad ones more, and a hand outranks both', () => {
  const pique = recipeOf('pique');
  const thin = tiesFor({}, 1.1, pique);
  const broad = tiesFor({}, 7, pique);
  expect(thin.tieCount.value).toBeLessThan(broad.tieCount.value);
  expect(thin.tieLength.value).toBeLessThan(broad.tieLength.value);
  expect(tiesFor({ tieCount: 6 }, 7, pique).tieCount).toMatchObject({ value: 6, from: 'hand' });
});

test('ties that are there are seen; a zigzag and a bean are none', () => {
  const x = (...values: number[]) => values.map((v) => ({ x: v, y: 0 }));
  expect(isTied(x(0, 0.7, 0, 0.7))).toBe(true);
  expect(isTied(x(0, 2.5, 0, 2.5))).toBe(false);
  expect(
    isTied([
      { x: 0, y: 0 },
      { x: 1, y: 0.2 },
      { x: 0, y: 0.4 },
      { x: 1, y: 0.6 },
    ]),
  ).toBe(false);
});

test('what is tiny and comes back is a tie: up to 1.2 mm, within a tenth, of three stitches or of the two there are', () => {
  const x = (...values: number[]) => values.map((v) => ({ x: v, y: 0 }));
  expect([isTied(x(0, 1.2, 0, 1.2)), isTied(x(0, 1.21, 0, 1.21))]).toEqual([true, false]);
  expect([isTied(x(0, 0.7, 0.1, 0.7)), isTied(x(0, 0.7, 0.11, 0.7))]).toEqual([true, false]);
  expect([isTied(x(0, 0.7, 0)), isTied(x(0, 1.3, 0)), isTied(x(0, 0.7, 0.5)), isTied(x(0, 0.7)), isTied([])]).toEqual([
    ...[true, false, false],
    ...[false, false],
  ]);
  expect([isTied(x(0, 0.7, 0, 1.4)), isTied(x(0, 0.7, 1.4, 0.7)), isTied(x(0, 2, 0, 0.7)), isTied(x(1.5, 0, 0, 0))]).toEqual([
    ...[false, false],
    ...[false, false],
  ]);
});

describe('shapes of ties', () => {
  const along = { x: 16, y: 5 };
  const of = (shape: Tie['shape'], over: Partial<Tie> = {}): Tie => ({ ...usual, shape, ...over });
  const xs = (points: readonly { x: number }[]): number[] => points.map((p) => Math.round(p.x * 1000) / 1000);

  test('half back: a stitch on, half of it back, a stitch on; each farther along the line and none in an old hole', () => {
    expect(xs(tieIn(at, along, of('half-back')))).toEqual([10.7, 10.35, 11.05]);
    expect(xs(tieOff(at, along, of('half-back', { count: 5 })))).toEqual([10.7, 10.35, 11.05, 10.7, 11.4]);
  });

  test('half back never passes the next penetration, and where there is no room for halves it goes forth and back', () => {
    for (let d = 0.4; d < 6; d += 0.1)
      for (const count of [1, 2, 3, 4, 5, 6]) {
        const points = tieIn(at, { x: 10 + d, y: 5 }, of('half-back', { count }));
        expect(points.length).toBeGreaterThanOrEqual(1);
        const last = points[points.length - 1]!;
        // What is sewn next is no short stitch, unless the row itself begins with one.
        if (d >= 0.8) expect(10 + d - last.x).toBeGreaterThanOrEqual(0.4);
        points.forEach((p, i) => expect(distance(p, points[i - 1] ?? at)).toBeGreaterThanOrEqual(0.3 - 1e-9));
      }
  });

  test('one stitch back is the least there is: out and back before, back once after', () => {
    expect(xs(tieIn(at, along, of('back-stitch')))).toEqual([10.7, 10]);
    expect(xs(tieOff(at, along, of('back-stitch')))).toEqual([10.7]);
  });

  test('from outside in: its stitches lie beyond the end, and sewing goes on from it', () => {
    const points = tieIn(at, along, of('outside'));
    expect(xs(points)).toEqual([9.3, 10, 9.3, 10]);
    expect(xs(tieOff(at, along, of('outside')))).toEqual([9.3, 10, 9.3]);
  });

  test('a tie that goes half back is seen as one, whichever way it is read; a row of even small stitches is none', () => {
    const points = [at, ...tieIn(at, along, of('half-back'))];
    expect([isTied(points), isTied(points.slice().reverse())]).toEqual([true, true]);
    expect(isTied([0, 0.4, 0.8, 1.2].map((x) => ({ x, y: 0 })))).toBe(false);
  });
});
