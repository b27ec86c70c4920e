import fc from 'fast-check';
import { coverageOf } from '../../stitches/coverage';
import { Command, Role } from '../../stitches/roles';
import { clean, contains, offset } from '../../geometry/area';
import { dataToRings } from '../../geometry/path';
import { bareTravels } from '../../stitches/hidden';
import type { StitchColumns } from '../../stitches/buffer';
import { piece, stitchesOf } from '../fixtures';

const SQUARE = 'M-20,-15 H20 V15 H-20 Z';
const RING = 'M20,0 A20,20 0 1 1 -20,0 A20,20 0 1 1 20,0 Z M9,0 A9,9 0 1 0 -9,0 A9,9 0 1 0 9,0 Z';
/** Two squares that hang together by a short neck, thinner than a row, and by a hairline. */
const NECK = 'M-20,-10 H-0.6 V-0.2 H0.6 V-10 H20 V10 H0.6 V0.2 H-0.6 V10 H-20 Z';
const DUMBBELL = 'M-20,-10 H-3 V-0.02 H3 V-10 H20 V10 H3 V0.02 H-3 V10 H-20 Z';
const COMB = 'M-20,-10 H20 V10 H16 V-4 H10 V10 H6 V-4 H0 V10 H-4 V-4 H-10 V10 H-14 V-4 H-20 Z';

const covers = (s: StitchColumns) => Array.from(s.x, (x, i) => ({ x, y: s.y[i]!, role: s.role[i]!, command: s.command[i]! }));
const lengths = (s: StitchColumns) =>
  covers(s).flatMap((p, i, all) =>
    i > 0 && p.command === 0 && all[i - 1]!.command === 0 ? [Math.hypot(p.x - all[i - 1]!.x, p.y - all[i - 1]!.y)] : [],
  );

test('level rows lie the spacing apart and end pull compensation outside the edge', () => {
  const s = stitchesOf(piece('fill', { area: SQUARE }, { angle: 0, pullComp: 0.3, underlay: [] }));
  const rows = [
    ...new Set(
      covers(s)
        .filter((p) => p.role === Role.cover)
        .map((p) => p.y.toFixed(2)),
    ),
  ]
    .map(Number)
    .sort((a, b) => a - b);
  rows.slice(1).forEach((y, i) => expect(y - rows[i]!).toBeCloseTo(0.4, 2));
  expect(rows.length).toBe(75);
  const xs = covers(s)
    .filter((p) => p.role === Role.cover)
    .map((p) => Math.abs(p.x));
  const ends = xs.filter((x) => x > 19.5);
  expect(Math.min(...ends)).toBeGreaterThan(20.28);
  expect(Math.max(...ends)).toBeLessThan(20.33);
});

test('penetrations of neighbouring rows do not stand in line', () => {
  const s = stitchesOf(piece('fill', { area: SQUARE }, { angle: 0, underlay: [] }));
  const inner = covers(s).filter((p) => Math.abs(p.x) < 18);
  const rowOf = (y: number) => Math.round(y / 0.4);
  const byRow = new Map<number, number[]>();
  for (const p of inner) byRow.set(rowOf(p.y), [...(byRow.get(rowOf(p.y)) ?? []), p.x]);
  for (const [row, xs] of byRow) {
    for (const x of xs) for (const other of byRow.get(row + 1) ?? []) expect(Math.abs(x - other)).toBeGreaterThan(0.5);
  }
});

test.each([
  ['a ring', RING, 0.32],
  ['a comb', COMB, 0.32],
  ['two squares on a neck', NECK, 0.6],
])('%s is covered without a trim and without crossing what is open', (_, area, beyond) => {
  const p = piece('fill', { area }, { angle: 20, pullComp: 0.2 });
  const s = stitchesOf(p);
  expect(Array.from(s.command)).not.toContain(Command.trim);
  const shape = clean(dataToRings(area), 'evenodd');
  const allowed = offset(shape, beyond, 'miter');
  const points = covers(s);
  points.slice(1).forEach((b, i) => {
    const a = points[i]!;
    for (const t of [0, 0.25, 0.5, 0.75]) expect(contains(allowed, { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t })).toBe(true);
  });
  expect(coverageOf(shape, s).covered).toBeGreaterThan(0.995);
});

test('a hairline is no way: nothing is sewn along it, and the thread is cut once', () => {
  const s = stitchesOf(piece('fill', { area: DUMBBELL }, { angle: 20, pullComp: 0.2 }));
  expect(Array.from(s.command).filter((c) => c === Command.trim)).toHaveLength(1);
  covers(s).forEach((p, i, all) => {
    if (i > 0 && p.command === Command.stitch && all[i - 1]!.command === Command.stitch) expect(p.x < 0).toBe(all[i - 1]!.x < 0);
  });
});

test.each([
  ['a ring', RING],
  ['a comb', COMB],
])('travels in %s lie under rows sewn later, at any angle', (_, area) => {
  for (let angle = 3; angle < 180; angle += 22) {
    const s = stitchesOf(piece('fill', { area }, { angle }));
    const bare = bareTravels({ ...s, piece: new Uint16Array(s.x.length) });
    expect(bare.reduce((sum, b) => sum + b.lengthMm, 0)).toBeLessThan(3);
  }
});

test('no travel shows: nothing but cover is sewn once the rows over it are done', () => {
  const s = covers(stitchesOf(piece('fill', { area: RING }, { angle: 0, underlay: [] })));
  s.forEach((p, i) => {
    if (p.role !== Role.travel) return;
    const later = s.slice(i).some((q) => q.role === Role.cover && Math.abs(q.y - p.y) < 0.5);
    expect(later).toBe(true);
  });
});

test('stitches are neither too short nor too long, at any angle and spacing', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 179 }), fc.integer({ min: 35, max: 60 }), (angle, hundredths) => {
      const all = lengths(stitchesOf(piece('fill', { area: COMB }, { angle, spacing: hundredths / 100 })));
      expect(Math.max(...all)).toBeLessThanOrEqual(12);
      expect(all.filter((l) => l < 0.3995).length / all.length).toBeLessThan(0.005);
    }),
    { seed: 5, numRuns: 25 },
  );
});

test('a shape that is moved by whole repeats of its rows is sewn alike', () => {
  const at = (dy: number) => stitchesOf(piece('fill', { area: `M-10,${-8 + dy} H10 V${8 + dy} H-10 Z` }, { angle: 0, underlay: [] }));
  const [a, b] = [at(0), at(4.8)];
  expect(b.x.length).toBe(a.x.length);
  b.x.forEach((x, i) => {
    expect(x).toBeCloseTo(a.x[i]!, 2);
    expect(b.y[i]! - 4.8).toBeCloseTo(a.y[i]!, 2);
  });
});

test.each([
  ['an arm beside a trunk', 'M-5,-30 H5 V-4 H13 V-18 H21 V4 H5 V30 H-5 Z'],
  ['two arms', 'M-5,-30 H5 V-8 H12 V-20 H19 V0 H5 V30 H-5 V10 H-19 V-12 H-12 V2 H-5 Z'],
  ['a star', 'M0,-25 L5,-6 L24,-8 L8,3 L15,21 L0,10 L-15,21 L-8,3 L-24,-8 L-5,-6 Z'],
  ['a comb', COMB],
])('underlay cuts no corner of %s', (_, area) => {
  // Cover reaches beyond the edge by its compensation and half a thread.
  const within = offset(dataToRings(area), 0.3);
  for (const angle of [0, 30, 45, 90]) {
    const all = covers(stitchesOf(piece('fill', { area }, { angle, underlay: [{ kind: 'lattice' }] })));
    const begins = all.findIndex((p) => p.role === Role.underlay);
    const ends = all.findIndex((p) => p.role === Role.cover);
    expect(ends - begins).toBeGreaterThan(15);
    for (let i = begins + 1; i < ends; i++) {
      if (all[i]!.command !== 0 || all[i - 1]!.command !== 0) continue;
      for (const t of [0.2, 0.4, 0.6, 0.8]) {
        const [a, b] = [all[i - 1]!, all[i]!];
        expect(contains(within, { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) })).toBe(true);
      }
    }
  }
});

test('lattice underlay stays inside the cover', () => {
  const s = stitchesOf(piece('fill', { area: SQUARE }, { angle: 45 }), 'pique');
  const under = covers(s).filter((p) => p.role === Role.underlay);
  expect(under.length).toBeGreaterThan(20);
  for (const p of under) {
    expect(Math.abs(p.x)).toBeLessThanOrEqual(19.6);
    expect(Math.abs(p.y)).toBeLessThanOrEqual(14.6);
  }
});
