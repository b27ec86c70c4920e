import fc from 'fast-check';
import { strokeArea, unite } from '../../geometry/area';
import { distance, type Point } from '../../geometry/point';
import { ringsToData } from '../../geometry/path';
import { makeMask, paintThread } from '../../geometry/mask';
import type { Piece } from '../../document/types';
import { Planner } from '../../plan/planner';
import { Command, Role } from '../../stitches/roles';
import { jobOf, piece, stitchesOf } from '../fixtures';

const at = (x: number, y: number): Point => ({ x, y });
const bar = (...lines: Point[][]): string =>
  ringsToData(unite(...lines.map((l) => strokeArea([l], false, { widthMm: 3, cap: 'butt', join: 'miter', miterLimit: 4 }))));

/** Columns of every making, each with places along it where something may begin or end. */
const SHAPES: Record<string, { made: Piece; places: Point[] }> = {
  'from two sides': {
    made: piece('satin', { sides: ['M0,-1.5 L40,-1.5', 'M0,1.5 L40,1.5'] }),
    places: Array.from({ length: 39 }, (_, i) => at(1 + i, i % 2 === 0 ? 0 : 1.4)),
  },
  'from a line': {
    made: piece('satin', { line: 'M0,0 L40,0', width: 3 }),
    places: Array.from({ length: 39 }, (_, i) => at(1 + i, 0)),
  },
  'a bend': {
    made: piece('satin', { line: 'M20,0 A20,20 0 0 1 0,20', width: 3 }),
    places: Array.from({ length: 17 }, (_, i) => at(20 * Math.cos((i + 1) * 0.085), 20 * Math.sin((i + 1) * 0.085))),
  },
  'a T': {
    made: piece('satin', { area: bar([at(0, 0), at(30, 0)], [at(15, 0), at(15, 20)]) }),
    places: [...Array.from({ length: 29 }, (_, i) => at(1 + i, 0)), ...Array.from({ length: 15 }, (_, i) => at(15, 4 + i))],
  },
  'an H': {
    made: piece('satin', { area: bar([at(0, 0), at(0, 24)], [at(14, 0), at(14, 24)], [at(0, 12), at(14, 12)]) }),
    places: Array.from({ length: 23 }, (_, i) => [at(0, 1 + i), at(14, 1 + i)]).flat(),
  },
};

interface Stitch extends Point {
  role: number;
}
const sewn = (made: Piece, start: Point | null, end: Point | null): Stitch[] => {
  const s = stitchesOf(made, 'twill', { start, end });
  return Array.from(s.x, (x, i) => ({ x, y: s.y[i]!, role: s.role[i]! }));
};

/** How much of what runs beneath lies under no cover that comes later, and not along the row that was sewn last, mm. */
function shownMm(stitches: readonly Stitch[]): number {
  const box = { minX: -5, minY: -5, maxX: 45, maxY: 45 };
  const mask = makeMask(box, 0.1, 1);
  let shown = 0;
  const alongRow = (i: number): boolean => {
    const [a, b, c] = [stitches[i - 2], stitches[i - 1]!, stitches[i]!];
    if (!a || b.role !== Role.cover) return false;
    const [row, way] = [at(b.x - a.x, b.y - a.y), at(c.x - b.x, c.y - b.y)];
    return Math.abs(row.x * way.x + row.y * way.y) > 0.9 * Math.hypot(row.x, row.y) * Math.hypot(way.x, way.y);
  };
  for (let i = stitches.length - 1; i > 0; i--) {
    const [a, b] = [stitches[i - 1]!, stitches[i]!];
    if (b.role === Role.cover && a.role === Role.cover) paintThread(mask, a, b, 0.3, 1);
    if (b.role === Role.cover || alongRow(i)) continue;
    const steps = Math.ceil(distance(a, b) / 0.05);
    for (let k = 0; k < steps; k++) {
      const [x, y] = [a.x + ((b.x - a.x) * (k + 0.5)) / steps, a.y + ((b.y - a.y) * (k + 0.5)) / steps];
      const cell = Math.floor((y - mask.minY) / mask.cellMm) * mask.columns + Math.floor((x - mask.minX) / mask.cellMm);
      if (mask.data[cell] === 0) shown += distance(a, b) / steps;
    }
  }
  return shown;
}

describe.each(Object.entries(SHAPES))('a column %s', (_, { made, places }) => {
  const place = fc.constantFrom(...places);
  const run = (check: (start: Point, end: Point) => void): void => fc.assert(fc.property(place, place, check), { seed: 11, numRuns: 40 });

  it('begins and ends where it is asked to, to 0.3 mm', () => {
    run((start, end) => {
      const s = sewn(made, start, end);
      expect(distance(s[0]!, start)).toBeLessThanOrEqual(0.3);
      expect(distance(s[s.length - 1]!, end)).toBeLessThanOrEqual(0.3);
    });
  });

  it('shows nothing of the way between', () => {
    // From a bar's far side to what hangs at it the needle may go along a row of the bar.
    const most = made.area ? 2.2 : 0.6;
    run((start, end) => expect(shownMm(sewn(made, start, end))).toBeLessThan(most));
  });
});

test('the halves of a divided column meet row beside row', () => {
  const straight = SHAPES['from two sides']!;
  fc.assert(
    fc.property(fc.double({ min: 0.5, max: 39.5, noNaN: true }), fc.double({ min: 0.5, max: 39.5, noNaN: true }), (from, to) => {
      const tips = sewn(straight.made, at(from, 0), at(to, 0)).filter(
        (p) => p.role === Role.cover && Math.abs(Math.abs(p.y) - 1.64) < 0.14,
      );
      const xs = tips
        .filter((p) => p.y > 0)
        .map((p) => p.x)
        .sort((a, b) => a - b);
      xs.slice(1).forEach((x, i) => expect(Math.abs(x - xs[i]! - 0.4)).toBeLessThan(0.02));
      expect(xs.length).toBeGreaterThan(96);
    }),
    { seed: 3, numRuns: 200 },
  );
});

test('a start and an end that a person pinned are where the plan begins and ends, ties aside', () => {
  const x = fc.integer({ min: 2, max: 38 });
  fc.assert(
    fc.property(x, x, (from, to) => {
      const made = { ...piece('satin', { line: 'M0,0 L40,0', width: 4 }), start: [from, 0.5], end: [to, -1] } as Piece;
      const plan = new Planner().plan(jobOf([made]));
      const sewn = Array.from(plan.x, (px, i) => ({ x: px, y: plan.y[i]!, role: plan.role[i]! })).filter(
        (p, i) => plan.command[i] === Command.stitch && p.role !== Role.tie,
      );
      expect(distance(sewn[0]!, at(from, 0.5))).toBeLessThanOrEqual(0.3);
      expect(distance(sewn[sewn.length - 1]!, at(to, -1))).toBeLessThanOrEqual(0.3);
    }),
    { seed: 2, numRuns: 40 },
  );
});
