import { areaOf, clean, subtract, unite } from '../../geometry/area';
import { box, disc, turned } from '../../geometry/fixtures';
import { dataToRings, ringsToData } from '../../geometry/path';
import { coverageOf } from '../../stitches/coverage';
import { turnsToAndFro } from '../../stitches/fans';
import { Command, Role } from '../../stitches/roles';
import type { StitchColumns } from '../../stitches/buffer';
import { piece, stitchesOf } from '../fixtures';

const rowsOf = (s: StitchColumns) => Array.from(s.x, (x, i) => ({ x, y: s.y[i]!, role: s.role[i]! })).filter((p) => p.role === Role.cover);

test('a straight column: penetrations on one side lie the spacing apart, at half the width plus compensation', () => {
  const s = stitchesOf(piece('satin', { sides: ['M0,-2 L30,-2', 'M0,2 L30,2'] }, { spacing: 0.4, pullComp: 0.2, underlay: [] }));
  const top = rowsOf(s).filter((p) => p.y < 0);
  for (const p of top) expect(p.y).toBeCloseTo(-2.2, 2);
  for (const p of rowsOf(s).filter((q) => q.y > 0)) expect(p.y).toBeCloseTo(2.2, 2);
  top.slice(1).forEach((p, i) => expect(Math.abs(p.x - top[i]!.x)).toBeCloseTo(0.4, 2));
  expect(Math.abs(top.length - 75)).toBeLessThanOrEqual(1);
});

test('in a turn the spacing holds on the outer side', () => {
  const s = stitchesOf(
    piece('satin', { sides: ['M10,0 A10,10 0 0 1 0,10', 'M6,0 A6,6 0 0 1 0,6'] }, { spacing: 0.4, pullComp: 0, underlay: [] }),
  );
  const outer = rowsOf(s).filter((p) => Math.hypot(p.x, p.y) > 9);
  outer.slice(1).forEach((p, i) => {
    const gap = Math.hypot(p.x - outer[i]!.x, p.y - outer[i]!.y);
    expect(gap).toBeGreaterThan(0.34);
    expect(gap).toBeLessThan(0.46);
  });
});

test('inside a tight turn stitches are shortened so that the needle does not chew one line', () => {
  const s = stitchesOf(piece('satin', { sides: ['M8,0 A8,8 0 0 1 0,8', 'M2,0 A2,2 0 0 1 0,2'] }, { pullComp: 0, underlay: [] }));
  const inner = rowsOf(s).filter((p) => Math.hypot(p.x, p.y) < 5.5);
  const onEdge = inner.filter((p) => Math.hypot(p.x, p.y) < 2.1);
  expect(onEdge.length).toBeLessThan(inner.length * 0.6);
  expect(onEdge.length).toBeGreaterThan(inner.length * 0.2);
});

test('rows over the limit are split with staggered penetrations', () => {
  const s = stitchesOf(piece('satin', { sides: ['M0,-7 L20,-7', 'M0,7 L20,7'] }, { pullComp: 0, satinLimit: 9, underlay: [] }));
  const points = rowsOf(s);
  points.slice(1).forEach((p, i) => expect(Math.hypot(p.x - points[i]!.x, p.y - points[i]!.y)).toBeLessThanOrEqual(9.6));
  const inner = points.filter((p) => Math.abs(p.y) < 5).map((p) => p.y.toFixed(1));
  expect(new Set(inner).size).toBeGreaterThan(3);
});

const OUTLINES: [string, string][] = [
  ['a bar with square ends', 'M-15,-2 H15 V2 H-15 Z'],
  ['an L', 'M-10,-10 H-6 V6 H10 V10 H-10 Z'],
  ['a T', 'M-15,-2 H15 V2 H2 V20 H-2 V2 H-15 Z'],
  ['a cross', 'M-2,-15 H2 V-2 H15 V2 H2 V15 H-2 V2 H-15 V-2 H-2 Z'],
  ['a ring', 'M10,0 A10,10 0 1 1 -10,0 A10,10 0 1 1 10,0 Z M6,0 A6,6 0 1 0 -6,0 A6,6 0 1 0 6,0 Z'],
  ['a dot', 'M2.5,0 A2.5,2.5 0 1 1 -2.5,0 A2.5,2.5 0 1 1 2.5,0 Z'],
  ['a leaf', 'M0,-14 C6,-6 6,6 0,14 C-6,6 -6,-6 0,-14 Z'],
];

test.each(OUTLINES)('%s is covered by columns, in one unbroken path', (_, area) => {
  const s = stitchesOf(piece('satin', { area }, { pullComp: 0.2 }));
  const shape = clean(dataToRings(area), 'evenodd');
  const { covered, spilled } = coverageOf(shape, s);
  expect(covered).toBeGreaterThan(0.985);
  expect(spilled).toBeLessThan(0.01);
  expect(Array.from(s.command)).not.toContain(Command.trim);
  expect(areaOf(shape)).toBeGreaterThan(0);
});

test('a stroke with sharp corners fills its mitres', () => {
  const line = 'M-15,8 L0,-8 L15,8';
  const s = stitchesOf(piece('satin', { line, width: 4, cap: 'butt', join: 'miter' }, { pullComp: 0.2 }));
  const shape = clean(dataToRings('M-13.540,9.368 L0,-5.074 L13.540,9.368 L16.459,6.632 L0,-10.925 L-16.459,6.632 Z'), 'nonzero');
  expect(coverageOf(shape, s).covered).toBeGreaterThan(0.985);
});

test('underlay of a column stays 0.4 mm and more inside its sides', () => {
  const s = stitchesOf(
    piece(
      'satin',
      { sides: ['M0,-3 L30,-3', 'M0,3 L30,3'] },
      {
        pullComp: 0.2,
        underlay: [
          { kind: 'edge-run', inset: 0.6 },
          { kind: 'zigzag', inset: 0.6, spacing: 2 },
        ],
      },
    ),
  );
  const under = Array.from(s.x, (x, i) => ({ x, y: s.y[i]!, role: s.role[i]! })).filter((p) => p.role === Role.underlay);
  expect(under.length).toBeGreaterThan(30);
  for (const p of under) {
    expect(Math.abs(p.y)).toBeLessThanOrEqual(2.601);
    expect(p.x).toBeGreaterThan(-0.01);
    expect(p.x).toBeLessThan(30.01);
  }
});

test.each([0, 30, 45, 77])('a ring with a bar across it at %s° is covered at both junctions', (deg) => {
  const bar = turned(box(-20, -2, 40, 4), deg);
  const area = unite(subtract([disc(22)], [disc(18)]), clean([bar], 'nonzero'));
  const sewn = stitchesOf(piece('satin', { area: ringsToData(area) }, { underlay: [], pushComp: 0 }));
  expect(coverageOf(area, sewn).covered).toBeGreaterThan(0.985);
});

test.each([
  [6, 3],
  [5, 5],
  [12, 4],
])('a bar of %s x %s mm is covered from end to end but for what push takes, with straight rows', (long, wide) => {
  const s = stitchesOf(piece('satin', { area: `M0,0 H${long} V${wide} H0 Z` }, { spacing: 0.4, pullComp: 0, pushComp: 0, underlay: [] }));
  const rows = rowsOf(s);
  const extent = (values: number[]): number => Math.max(...values) - Math.min(...values);
  const [x, y] = [extent(rows.map((p) => p.x)), extent(rows.map((p) => p.y))];
  expect(Math.abs(x - long)).toBeLessThan(0.06);
  expect(Math.abs(y - wide)).toBeLessThan(0.06);
  expect(turnsToAndFro(s)).toBeLessThan(5);
});
