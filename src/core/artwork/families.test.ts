import fc from 'fast-check';
import { areaOf, intersect } from '../geometry/area';
import { lineLength } from '../geometry/line';
import { dataToRings } from '../geometry/path';
import { LEAST_CROSSING_DEG } from '../units/craft';
import { apart, normalDirection } from '../units/directions';
import { digitize, type Digitized } from './digitize';
import { readSvg } from './readSvg';

/** Drawings made at random whose right decisions are known. */

const SIZE = 100;
const art = (body: string): Digitized =>
  digitize(
    readSvg(`<svg xmlns="http://www.w3.org/2000/svg" width="${SIZE}mm" height="${SIZE}mm" viewBox="0 0 ${SIZE} ${SIZE}">${body}</svg>`),
    {
      cloth: 'pique',
      settings: {},
    },
  );
const blocksOf = ({ pieces }: Digitized): number => pieces.filter((p, i) => p.thread !== pieces[i - 1]?.thread).length;
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const runs = { seed: 7, numRuns: 6 };

const RED = '#c8102e';
const BLUE = '#0047bb';
const BLACK = '#08090a';

test('checkers: all squares alike, two threads in two blocks, neighbours plainly apart', () => {
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 4 }), between(12, 20), (n, side) => {
      const cells = Array.from({ length: n * n }, (_, k) => ({ x: k % n, y: Math.floor(k / n) }));
      const made = art(
        cells
          .map(
            ({ x, y }) =>
              `<rect x="${5 + x * side}" y="${5 + y * side}" width="${side}" height="${side}" fill="${(x + y) % 2 ? RED : BLUE}"/>`,
          )
          .join(''),
      );
      expect(blocksOf(made)).toBe(2);
      expect(new Set(made.pieces.map((p) => p.kind))).toEqual(new Set(['fill']));
      const angles = new Map<string, Set<number>>();
      for (const p of made.pieces) angles.set(p.thread, (angles.get(p.thread) ?? new Set()).add(p.rows!.angle));
      const [a, b] = [...angles.values()].map((set) => [...set]);
      expect([a!.length, b!.length]).toEqual([1, 1]);
      expect(apart(a![0]!, b![0]!)).toBeGreaterThanOrEqual(LEAST_CROSSING_DEG);
    }),
    runs,
  );
}, 60_000);

test('rings of petals: one kind, one set, rows lying on each petal alike', () => {
  fc.assert(
    fc.property(fc.integer({ min: 5, max: 9 }), between(3, 13), fc.integer({ min: 0, max: 40 }), (n, wide, first) => {
      // Petals stand clear of each other.
      const at = Math.max(26, (wide + 3) / (2 * Math.sin(Math.PI / n)) + 12);
      const petals = Array.from({ length: n }, (_, k) => first + (360 * k) / n);
      const made = art(
        petals
          .map((deg) => `<ellipse cx="50" cy="${50 - at}" rx="${wide / 2}" ry="11" transform="rotate(${deg} 50 50)" fill="${RED}"/>`)
          .join(''),
      );
      expect(made.pieces).toHaveLength(n);
      expect(new Set(made.pieces.map((p) => p.kind)).size).toBe(1);
      expect(new Set(made.pieces.map((p) => p.alike)).size).toBe(1);
      if (made.pieces[0]!.kind !== 'fill') return;
      const own = made.pieces.map((p) => {
        const ring = dataToRings(p.area!)[0]!;
        const x = ring.reduce((s, q) => s + q.x, 0) / ring.length;
        const y = ring.reduce((s, q) => s + q.y, 0) / ring.length;
        return { axis: (-Math.atan2(y - centre(made).y, x - centre(made).x) * 180) / Math.PI, angle: p.rows!.angle };
      });
      const on = own.map((o) => normalDirection(o.angle - o.axis));
      const mirrored = (a: number, b: number): number => Math.min(apart(a, b), apart(a, 180 - b));
      for (const deg of on) expect(mirrored(deg, on[0]!)).toBeLessThan(5);
    }),
    runs,
  );
}, 60_000);

/** Middle of all petals. */
function centre({ pieces }: Digitized): { x: number; y: number } {
  const all = pieces.flatMap((p) => dataToRings(p.area!)[0]!);
  return { x: all.reduce((s, q) => s + q.x, 0) / all.length, y: all.reduce((s, q) => s + q.y, 0) / all.length };
}

test('concentric rings in two colours: each thread is threaded once', () => {
  fc.assert(
    fc.property(fc.integer({ min: 3, max: 5 }), between(4, 8.5), (n, wide) => {
      const radii = Array.from({ length: n }, (_, k) => 6 + (n - 1 - k) * wide);
      const made = art(radii.map((r, k) => `<circle cx="50" cy="50" r="${r}" fill="${k % 2 ? RED : BLUE}"/>`).join(''));
      expect(blocksOf(made)).toBe(2);
      // Neighbours still run on under one another.
      const areas = made.pieces.map((p) => dataToRings(p.area!));
      const laps = areas.map((a, i) => areas.reduce((sum, b, j) => sum + (i === j ? 0 : areaOf(intersect(a, b))), 0));
      for (const lap of laps) expect(lap).toBeGreaterThan(10);
    }),
    runs,
  );
}, 60_000);

test('crossing bands with outlines: bands first, the outlines last, each thread once', () => {
  fc.assert(
    fc.property(between(10, 22), fc.integer({ min: 45, max: 90 }), between(1.2, 2.5), (wide, deg, line) => {
      const band = (fill: string, turn: number): string =>
        `<rect x="8" y="${50 - wide / 2}" width="84" height="${wide}" transform="rotate(${turn} 50 50)" fill="${fill}"/>`;
      const outline = (turn: number): string => band('none', turn).replace('/>', ` stroke="${BLACK}" stroke-width="${line}"/>`);
      const made = art(`${band(RED, 0)}${band(BLUE, deg)}${outline(0)}${outline(deg)}`);
      expect(blocksOf(made)).toBe(3);
      const last = made.pieces.at(-1)!.thread;
      const kinds = made.pieces.filter((p) => p.thread === last).map((p) => p.kind);
      expect(new Set(kinds)).toEqual(new Set(['satin']));
    }),
    runs,
  );
}, 60_000);

test('trees of bars are columns through and through', () => {
  fc.assert(
    fc.property(between(2.5, 5), fc.array(fc.integer({ min: 35, max: 70 }), { minLength: 1, maxLength: 3 }), (wide, slants) => {
      const bar = (x: number, y: number, length: number, turn: number): string =>
        `<rect x="${x - wide / 2}" y="${y - length}" width="${wide}" height="${length}" transform="rotate(${turn} ${x} ${y})"/>`;
      const branches = slants.map((turn, k) => bar(50, 35 + 18 * k, 24, k % 2 ? turn : -turn)).join('');
      const made = art(`<g fill="${RED}">${bar(50, 92, 84, 0)}${branches}</g>`);
      expect(new Set(made.pieces.map((p) => p.kind))).toEqual(new Set(['satin']));
    }),
    runs,
  );
}, 60_000);

test('lines that run on each other are sewn once, lines that cross are left alone', () => {
  fc.assert(
    fc.property(between(14, 40), between(14, 40), between(1, 3), (a, b, wide) => {
      const frame = (x: number, w: number): string => `<rect x="${x}" y="20" width="${w}" height="30"/>`;
      const made = art(
        `<g fill="none" stroke="${BLACK}" stroke-width="${wide}">${frame(5, a)}${frame(5 + a, b)}<path d="M2,35 H${a + b + 8}"/></g>`,
      );
      const sewn = made.pieces.reduce(
        (sum, p) => sum + dataToRings(p.line!).reduce((s, l) => s + lineLength(/Z/i.test(p.line!) ? [...l, l[0]!] : l), 0),
        0,
      );
      const wanted = 2 * (a + b) + 3 * 30 + (a + b + 6);
      expect(Math.abs(sewn - wanted)).toBeLessThan(4 * wide);
    }),
    runs,
  );
}, 60_000);

test('areas of one colour that lap are one, unless something lies between them', () => {
  fc.assert(
    fc.property(between(27, 32), between(3, 8), (side, lap) => {
      const square = (x: number, fill: string): string => `<rect x="${x}" y="20" width="${side}" height="${side}" fill="${fill}"/>`;
      expect(art(square(10, RED) + square(10 + side - lap, RED)).pieces).toHaveLength(1);
      const over = `<rect x="${10 + side - lap - 12}" y="14" width="24" height="${side + 12}" fill="${BLUE}"/>`;
      const made = art(square(10, RED) + over + square(10 + side - lap, RED));
      const red = made.threads.find((t) => t.name === 'Signal red')!.id;
      expect(made.pieces.filter((p) => p.thread === red)).toHaveLength(2);
    }),
    runs,
  );
}, 60_000);

test('broad bent bars: rows turn with the bend, straight ones have straight rows', () => {
  fc.assert(
    fc.property(
      between(26, 34),
      between(11, 14),
      fc.integer({ min: 95, max: 150 }),
      fc.integer({ min: 0, max: 359 }),
      (r, wide, sweep, first) => {
        const at = (radius: number, deg: number): string => {
          const a = ((first + deg) * Math.PI) / 180;
          return `${(50 + radius * Math.cos(a)).toFixed(3)},${(50 + radius * Math.sin(a)).toFixed(3)}`;
        };
        const [inner, outer] = [r - wide / 2, r + wide / 2];
        const d = `M${at(outer, 0)} A${outer} ${outer} 0 0 1 ${at(outer, sweep)} L${at(inner, sweep)} A${inner} ${inner} 0 0 0 ${at(inner, 0)} Z`;
        const made = art(`<path d="${d}" fill="${RED}"/>`);
        const [piece] = made.pieces;
        expect(piece!.kind).toBe('fill');
        const { x, y } = middleOfBend(made);
        for (const slant of piece!.slants!) {
          const [a, b] = dataToRings(slant)[0]! as [{ x: number; y: number }, { x: number; y: number }];
          const off = Math.abs((b.x - a.x) * (y - a.y) - (b.y - a.y) * (x - a.x)) / Math.hypot(b.x - a.x, b.y - a.y);
          // Across the bend: a row there points at its middle.
          expect(off).toBeLessThan(0.22 * r);
        }
      },
    ),
    runs,
  );
  const straight = art(`<rect x="8" y="40" width="80" height="13" fill="${RED}"/>`);
  expect(straight.pieces[0]!.slants).toBeUndefined();
}, 60_000);

/** Where the middle of the drawing's circle came to lie. */
function middleOfBend({ art: { matrix } }: Digitized): { x: number; y: number } {
  return { x: matrix[0] * 50 + matrix[4], y: matrix[3] * 50 + matrix[5] };
}
