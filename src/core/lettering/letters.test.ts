import fc from 'fast-check';
import type { Lettering } from '../document/types';
import { dataToRings } from '../geometry/path';
import { distance, type Point } from '../geometry/point';
import { roomBetween } from './base';
import { FACES } from './faces';
import { layOut } from './layout';
import { footOf, heightDragged, keptOwn, likeTheOthers, movedLetter, radiusDragged, spacingDragged, withOwn } from './moveLetter';
import { specimenOf } from './specimen';

const text = (over: Partial<Lettering> = {}): Lettering => ({ text: 'Harbour', face: 'treadle', height: 10, ...over });
const feet = (t: Lettering): Point[] => layOut(t).letters.map(footOf);
const mm = fc.double({ min: -6, max: 6, noNaN: true });

describe('a text on lines', () => {
  it('round a circle has the circle’s middle where it is placed', () => {
    for (const p of feet(text({ text: 'ROUND AND ROUND', line: 'circle', at: [7, -4] }))) {
      const radius = distance(p, { x: 7, y: -4 });
      expect(radius).toBeGreaterThan(10);
      expect(radius).toBeCloseTo(distance(feet(text({ text: 'ROUND AND ROUND', line: 'circle', at: [7, -4] }))[0]!, { x: 7, y: -4 }), 6);
    }
  });

  it('stands on a drawn line, letters square to it, its middle at the line’s middle', () => {
    // A quarter circle of radius 100 about the origin, through its top.
    const arc = `M${-100 * Math.SQRT1_2},${-100 * Math.SQRT1_2} A100,100 0 0 1 ${100 * Math.SQRT1_2},${-100 * Math.SQRT1_2}`;
    const { letters, lengthMm } = layOut(text({ line: 'path', path: arc }));
    for (const l of letters) {
      const [foot, head] = [l.place({ x: l.glyph.width / 2, y: 0 }), l.place({ x: l.glyph.width / 2, y: 1 })];
      expect(Math.hypot(foot.x, foot.y)).toBeCloseTo(100, 1);
      expect(Math.hypot(head.x, head.y)).toBeCloseTo(110, 1);
    }
    const ends = [letters[0]!.aside, letters[letters.length - 1]!.aside];
    expect(Math.abs(ends[0]!)).toBeLessThan(lengthMm / 2);
    expect(ends[0]! * ends[1]!).toBeLessThan(0);
  });

  it('between two lines fills them, feet on one and heads on the other', () => {
    const shape = { line: 'between', path: 'M-40,10 L40,20', upper: 'M-40,-10 L40,-20' } as const;
    expect(roomBetween(shape.path, shape.upper)).toBeCloseTo(30, 6);
    const { letters } = layOut(text({ text: 'HUH', ...shape }));
    for (const l of letters) {
      for (const [x, y] of [
        [0, 0],
        [0.3, 0],
        [0, 1],
        [0.3, 1],
      ] as const) {
        const p = l.place({ x, y });
        const line = (20 * 0.5 + 5) * (y === 0 ? 1 : -1) + (y === 0 ? 1 : -1) * (p.x / 8);
        expect(p.y).toBeCloseTo(line, 6);
      }
    }
    const [first, last] = [letters[0]!, letters[2]!];
    expect(first.place({ x: 0, y: 0 }).x).toBeLessThan(-38);
    expect(last.place({ x: last.glyph.width, y: 0 }).x).toBeGreaterThan(38);
  });
});

describe('single letters', () => {
  it('have their own height, strokes as wide as the others’ while that is a correction, and shift', () => {
    const plain = layOut(text());
    const { letters } = layOut(text({ letters: { 2: { height: 10.4, shift: [0, 1.5] }, 4: { height: 20 } } }));
    expect(letters[2]!.strokeMm).toBeCloseTo(plain.strokeMm, 9);
    expect(letters[4]!.strokeMm).toBeCloseTo(2 * plain.strokeMm, 9);
    const [foot, head] = [0, 1].map((y) => letters[2]!.place({ x: 0, y }).y);
    expect([foot, head]).toEqual([expect.closeTo(-1.5, 9), expect.closeTo(-11.9, 9)]);
    expect(letters[0]!.place({ x: 0, y: 1 }).y).toBeCloseTo(-10, 9);
  });

  it('land where they are dragged, and take those after them along', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6 }), mm, mm, fc.constantFrom('straight' as const, 'arc-up' as const), (i, dx, dy, line) => {
        const t = text({ line, radius: 60, turn: 20 });
        const before = feet(t);
        const to = { x: before[i]!.x + dx, y: before[i]!.y + dy };
        const after = feet(movedLetter(t, i, to));
        if (line === 'straight') {
          expect(distance(after[i]!, to)).toBeLessThan(0.01);
          for (let k = 0; k < i; k++) expect(distance(after[k]!, before[k]!)).toBeLessThan(0.01);
          for (let k = i + 1; k < 7; k++) expect(distance(after[k]!, after[i]!)).toBeGreaterThan(0);
        } else {
          // On an arc a letter keeps to its line: it comes near.
          expect(distance(after[i]!, to)).toBeLessThan(0.35 * Math.hypot(dx, dy) + 0.05);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('the first one moves alone', () => {
    const t = text();
    const [before, after] = [feet(t), feet(movedLetter(t, 0, { x: feet(t)[0]!.x - 3, y: 1 }))];
    expect(after[0]!.x - before[0]!.x).toBeCloseTo(-3, 2);
    expect(after[0]!.y).toBeCloseTo(1, 2);
    expect(distance(after[1]!, before[1]!)).toBeLessThan(0.01);
  });

  it('are as the others again when nothing is left of their own', () => {
    const t = withOwn(text(), 3, { thread: 't2', shift: [0, 0], cut: false });
    expect(t.letters).toEqual({ 3: { thread: 't2' } });
    expect('letters' in withOwn(t, 3, {})).toBe(false);
  });

  it('put back, lose what was theirs and stand as far from the one before as the face says', () => {
    const t = text();
    const to = { x: feet(t)[3]!.x + 4, y: -2 };
    const moved = movedLetter(withOwn(t, 5, { cut: true }), 3, to);
    const back = likeTheOthers(moved, 3);
    expect('pairs' in back).toBe(false);
    expect(back.letters).toEqual({ 5: { cut: true } });
    const [a, b] = [feet(back), feet(t)];
    a.forEach((p, i) => expect(distance(p, { x: b[i]!.x + a[0]!.x - b[0]!.x, y: b[i]!.y })).toBeLessThan(0.01));
  });

  it('keep what is theirs when the text is written on, before and after the change', () => {
    const t = text({ letters: { 0: { thread: 'a' }, 3: { thread: 'b' }, 6: { thread: 'c' } }, pairs: { 5: 2 } });
    expect(keptOwn(t, 'Harxbour')).toEqual({ letters: { 0: { thread: 'a' }, 4: { thread: 'b' }, 7: { thread: 'c' } }, pairs: { 6: 2 } });
    expect(keptOwn(t, 'Harbours')).toEqual({ letters: t.letters, pairs: t.pairs });
    expect(keptOwn(t, 'Hart')).toEqual({ letters: { 0: { thread: 'a' } } });
    expect(keptOwn(t, 'xyz')).toEqual({});
  });
});

test('the corner and the bend follow the pointer', () => {
  expect(heightDragged(text(), { x: 20, y: 0 }, { x: 30, y: 0 })).toBe(15);
  expect(heightDragged(text(), { x: 20, y: 0 }, { x: 0.01, y: 0 })).toBe(2);
  // A chord of 60 that rises by 10 belongs to a radius of 50.
  expect(radiusDragged(30, 10)).toBe(50);
  expect(radiusDragged(30, -10)).toBe(50);
  expect(radiusDragged(30, 0)).toBe(2000);
});

test('the end of a straight text goes where it is dragged to, letters spread to both sides', () => {
  const end = (t: Lettering): number => Math.max(...layOut(t).letters.map((l) => l.place({ x: l.glyph.width, y: 0 }).x));
  for (const by of [6, -1.2])
    for (const align of ['left', 'centre', 'right'] as const) {
      const before = text({ text: 'Hill', align });
      const after = { ...before, spacing: spacingDragged(before, by) };
      expect(end(after) - end(before)).toBeCloseTo(by, 1);
    }
  expect(spacingDragged(text(), 1e6)).toBe(300);
  expect(spacingDragged(text(), -1e6)).toBe(-20);
});

test('a specimen shows every letter within its box', () => {
  for (const { key } of FACES) {
    const drawn = specimenOf(text({ face: key, text: 'Quay 7' }))!;
    expect(drawn.parts.length).toBeGreaterThanOrEqual(6);
    expect(drawn.box.maxX - drawn.box.minX).toBeGreaterThan(20);
    expect(drawn.box.maxY - drawn.box.minY).toBeGreaterThan(9);
  }
  expect(specimenOf(text({ text: '漢' }))).toBeNull();
});

test('slanting strokes of a turned specimen are cut level with its lines, wherever they lie', () => {
  const { parts } = specimenOf(text({ text: 'V', turn: 90, at: [30, 0] }))!;
  for (const { within } of parts) {
    // Turned a quarter, the base line stands upright at 30 and the tops reach to the left of it.
    const xs = dataToRings(within!)[0]!.map((p) => p.x);
    expect([Math.min(...xs), Math.max(...xs)]).toEqual([expect.closeTo(20, 3), expect.closeTo(30, 3)]);
  }
});
