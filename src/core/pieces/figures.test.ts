import { areaOf, clean, contains, offset } from '../geometry/area';
import { nearestOnLine } from '../geometry/line';
import { dataToRings } from '../geometry/path';
import type { Area, Line, Point } from '../geometry/point';
import type { StitchColumns } from '../stitches/buffer';
import { coverageOf } from '../stitches/coverage';
import { Command, Role } from '../stitches/roles';
import { piece, stitchesOf } from './fixtures';
import { turningRows } from './rows/turning/rows';

/** Figures that the engine promises, on shapes whose answers are known. */

interface Event extends Point {
  role: number;
  command: number;
}
const events = (s: StitchColumns): Event[] => Array.from(s.x, (x, i) => ({ x, y: s.y[i]!, role: s.role[i]!, command: s.command[i]! }));
const covers = (s: StitchColumns): Event[] => events(s).filter((e) => e.role === Role.cover && e.command === Command.stitch);
const area = (d: string): Area => clean(dataToRings(d), 'evenodd');
const away = (p: Point, q: Point): number => Math.hypot(p.x - q.x, p.y - q.y);
const spun = (p: Point, deg: number): Point => {
  const a = (deg * Math.PI) / 180;
  return { x: p.x * Math.cos(a) - p.y * Math.sin(a), y: p.x * Math.sin(a) + p.y * Math.cos(a) };
};
const pathOf = (points: readonly Point[]): string => `M${points.map((p) => `${p.x},${p.y}`).join(' L')} Z`;

const PLATE = 'M-24,-15 H24 V15 H-24 Z';
const LENS = 'M-22,0 C-10,-16 10,-16 22,0 C10,16 -10,16 -22,0 Z';

describe('straight rows', () => {
  test.each([0, 17, 45, 90, 133])('at %i degrees rows lie the spacing apart within 3 %%', (angle) => {
    const s = covers(stitchesOf(piece('fill', { area: PLATE }, { angle, spacing: 0.4, pullComp: 0, underlay: [] })));
    const heights = s.map((p) => spun(p, angle).y).sort((a, b) => a - b);
    const rows = heights.filter((v, i) => i === 0 || v - heights[i - 1]! > 0.1);
    for (let i = 1; i < rows.length; i++) expect(Math.abs(rows[i]! - rows[i - 1]! - 0.4)).toBeLessThanOrEqual(0.012);
  });

  test.each([0.15, 0.35, 0.5])('compensation of %f mm is exact to 0.02 mm at both ends of level rows', (pullComp) => {
    const s = covers(stitchesOf(piece('fill', { area: PLATE }, { angle: 0, pullComp, underlay: [] })));
    const byRow = new Map<number, number[]>();
    for (const p of s) byRow.set(Math.round(p.y / 0.4), [...(byRow.get(Math.round(p.y / 0.4)) ?? []), p.x]);
    // A row's first end may be drawn out a little so that the step to it is no shorter than machines sew; its last end is exact.
    let exact = 0;
    for (const xs of byRow.values()) {
      for (const end of [24 + pullComp - Math.max(...xs), 24 + pullComp + Math.min(...xs)]) {
        expect(Math.abs(end)).toBeLessThanOrEqual(0.03);
        if (Math.abs(end) <= 0.02) exact++;
      }
    }
    expect(exact).toBeGreaterThanOrEqual(byRow.size);
  });

  test('no cover lies outside the area, its compensation and a tenth of a millimetre', () => {
    for (const angle of [0, 30, 71]) {
      const allowed = offset(area(LENS), 0.35 + 0.1, 'miter');
      for (const p of covers(stitchesOf(piece('fill', { area: LENS }, { angle, pullComp: 0.35, underlay: [] }))))
        expect(contains(allowed, p)).toBe(true);
    }
  });

  test('stitches stay between 0.4 and 12 mm', () => {
    const all = events(stitchesOf(piece('fill', { area: LENS }, { angle: 40 }), 'pique'));
    for (let i = 1; i < all.length; i++) {
      if (all[i]!.command !== Command.stitch || all[i - 1]!.command !== Command.stitch) continue;
      expect(away(all[i]!, all[i - 1]!)).toBeLessThanOrEqual(12);
      expect(away(all[i]!, all[i - 1]!)).toBeGreaterThanOrEqual(0.39);
    }
  });
});

describe('turning rows', () => {
  /** Area per length of row, in windows of 4 mm that lie wholly inside. */
  function spacings(d: string, slants: string[]): number[] {
    const shape = area(d);
    const rows = turningRows(
      shape,
      slants.flatMap((s) => dataToRings(s)),
      0.4,
      true,
    );
    const window = 4;
    const lengths = new Map<string, number>();
    const key = (p: Point): string => `${Math.floor(p.x / window)},${Math.floor(p.y / window)}`;
    for (const { points } of rows.stretches) {
      for (let i = 1; i < points.length; i++) {
        const parts = Math.ceil(away(points[i]!, points[i - 1]!) / 0.05);
        for (let k = 0; k < parts; k++) {
          const t = (k + 0.5) / parts;
          const at = {
            x: points[i - 1]!.x + (points[i]!.x - points[i - 1]!.x) * t,
            y: points[i - 1]!.y + (points[i]!.y - points[i - 1]!.y) * t,
          };
          lengths.set(key(at), (lengths.get(key(at)) ?? 0) + away(points[i]!, points[i - 1]!) / parts);
        }
      }
    }
    const corners = (k: string): Point[] => {
      const [x, y] = k.split(',').map(Number) as [number, number];
      return [0, 1].flatMap((a) => [0, 1].map((b) => ({ x: (x + a) * window, y: (y + b) * window })));
    };
    return [...lengths].filter(([k]) => corners(k).every((c) => contains(shape, c))).map(([, length]) => (window * window) / length);
  }

  const RING = 'M30,0 A30,30 0 1 1 -30,0 A30,30 0 1 1 30,0 Z M10,0 A10,10 0 1 0 -10,0 A10,10 0 1 0 10,0 Z';
  const BOW = 'M-30,0 A30,30 0 0 1 30,0 H12 A12,12 0 0 0 -12,0 Z';
  test.each([
    ['a bow', BOW, ['M-32,0 H-10', 'M0,-32 V-10', 'M10,0 H32']],
    ['a ring, all round', RING, ['M10,0 H30', 'M0,10 V30', 'M-10,0 H-30', 'M0,-10 V-30']],
  ])('%s: spacing within 15 %% of what was asked, though its rows crowd up to three times', (_, d, slants) => {
    const found = spacings(d, slants).sort((a, b) => a - b);
    expect(found.length).toBeGreaterThan(20);
    const within = found.filter((v) => Math.abs(v - 0.4) <= 0.06);
    expect(within.length / found.length).toBeGreaterThan(0.9);
    const mean = found.reduce((a, b) => a + b, 0) / found.length;
    expect(Math.abs(mean - 0.4)).toBeLessThan(0.06);
    expect(found[0]).toBeGreaterThan(0.4 * 0.75);
    expect(found[found.length - 1]).toBeLessThan(0.4 * 1.2);
  });

  test('between two slants of one direction rows are straight and exactly the spacing apart', () => {
    const rows = turningRows(area(PLATE), [...dataToRings('M-24,-20 V20'), ...dataToRings('M24,-20 V20')], 0.4, true);
    const xs = rows.stretches.map((s) => s.points[0]!.x).sort((a, b) => a - b);
    for (let i = 1; i < xs.length; i++) expect(xs[i]! - xs[i - 1]!).toBeCloseTo(0.4, 3);
  });

  test('rows lie along the slants and at right angles to a ring all the way round', () => {
    const rows = turningRows(
      area(RING),
      ['M10,0 H30', 'M0,10 V30', 'M-10,0 H-30', 'M0,-10 V-30'].flatMap((s) => dataToRings(s)),
      0.4,
      true,
    );
    let worst = 0;
    for (const { points } of rows.stretches) {
      const [a, b] = [points[0]!, points[points.length - 1]!];
      if (away(a, b) < 12) continue;
      const along = Math.atan2(b.y - a.y, b.x - a.x);
      const radial = Math.atan2(a.y + b.y, a.x + b.x);
      worst = Math.max(worst, Math.abs(Math.sin(along - radial)));
    }
    expect(worst).toBeLessThan(0.12);
  });

  test('a turning fill is one path without trims and keeps to its area', () => {
    const s = stitchesOf(piece('fill', { area: BOW, slants: ['M-32,0 H-10', 'M0,-32 V-10', 'M10,0 H32'] }, { pullComp: 0.3 }));
    expect(Array.from(s.command)).not.toContain(Command.trim);
    const allowed = offset(area(BOW), 0.45, 'miter');
    expect(covers(s).filter((p) => !contains(allowed, p))).toEqual([]);
  });
});

describe('satin', () => {
  const sideA: Line = dataToRings('M-20,-3 C-8,-9 8,-9 20,-3')[0]!;
  const sideB: Line = dataToRings('M-20,2 C-8,1 8,1 20,2')[0]!;
  const SIDES: [string, string] = ['M-20,-3 C-8,-9 8,-9 20,-3', 'M-20,2 C-8,1 8,1 20,2'];

  test('every penetration lies on its side plus compensation, to 0.05 mm', () => {
    const s = covers(stitchesOf(piece('satin', { sides: SIDES }, { pullComp: 0.3, pushComp: 0, satinLimit: 12, underlay: [] })));
    for (const p of s) {
      const [a, b] = [nearestOnLine(sideA, p).distance, nearestOnLine(sideB, p).distance];
      // Rows meet these sides at up to 25 degrees, so the distance to the side is the compensation times the cosine.
      const off = Math.min(a, b);
      expect(off).toBeLessThanOrEqual(0.35);
      expect(off).toBeGreaterThanOrEqual(0.3 * 0.88 - 0.05);
    }
  });

  test('compensation may differ from side to side', () => {
    const s = covers(stitchesOf(piece('satin', { sides: ['M0,-2 H20', 'M0,2 H20'] }, { pullCompSides: [0.1, 0.6], underlay: [] })));
    const upper = s.filter((p) => p.y < 0).map((p) => p.y);
    const lower = s.filter((p) => p.y > 0).map((p) => p.y);
    for (const y of upper) expect(y).toBeCloseTo(-2.1, 2);
    for (const y of lower) expect(y).toBeCloseTo(2.6, 2);
  });

  test('open ends are shortened by the push compensation, covered ends run on', () => {
    const reach = (settings: object): [number, number] => {
      const xs = covers(stitchesOf(piece('satin', { sides: ['M0,-2 H20', 'M0,2 H20'] }, { underlay: [], ...settings }))).map((p) => p.x);
      return [Math.min(...xs), Math.max(...xs)];
    };
    const [drawnFrom, drawnTo] = reach({ pushComp: 0 });
    const [from, to] = reach({ pushComp: 0.4 });
    expect(from - drawnFrom).toBeCloseTo(0.4, 0);
    expect(from).toBeGreaterThanOrEqual(0.4 - 1e-6);
    expect(to).toBeLessThanOrEqual(19.6 + 1e-6);
    expect(drawnTo).toBeGreaterThan(19.7);
    const [under, beyond] = reach({ ends: 'covered' });
    expect(under).toBeLessThan(-0.35);
    expect(beyond).toBeGreaterThan(20.35);
  });

  test('underlay keeps its inset from the drawn sides', () => {
    const inset = 0.7;
    const s = events(stitchesOf(piece('satin', { sides: SIDES }, { satinLimit: 12, underlay: [{ kind: 'edge-run', inset }] })));
    for (const p of s.filter((e) => e.role === Role.underlay)) {
      expect(nearestOnLine(sideA, p).distance).toBeGreaterThanOrEqual(inset * 0.88 - 0.1);
      expect(nearestOnLine(sideB, p).distance).toBeGreaterThanOrEqual(inset * 0.88 - 0.1);
    }
  });

  test('a fill keeps its lattice and edge run inside by their insets', () => {
    const s = events(
      stitchesOf(
        piece(
          'fill',
          { area: LENS },
          {
            angle: 10,
            underlay: [
              { kind: 'edge-run', inset: 0.8 },
              { kind: 'lattice', inset: 1 },
            ],
          },
        ),
      ),
    );
    const allowed = offset(area(LENS), -0.75);
    for (const p of s.filter((e) => e.role === Role.underlay)) expect(contains(allowed, p)).toBe(true);
  });

  test('slants placed on an outline turn its rows', () => {
    const s = covers(
      stitchesOf(
        piece('satin', { area: 'M-20,-3 H20 V3 H-20 Z', slants: ['M-18,-4 L-14,4', 'M14,-4 L18,4'] }, { underlay: [], pullComp: 0 }),
      ),
    );
    const rows = s
      .slice(1)
      .map((p, i) => ({ dx: p.x - s[i]!.x, dy: p.y - s[i]!.y }))
      .filter((r) => Math.abs(r.dy) > 5);
    expect(rows.length).toBeGreaterThan(80);
    const lean = rows.reduce((sum, r) => sum + r.dx / r.dy, 0) / rows.length;
    expect(lean).toBeCloseTo(0.5, 1);
  });

  test('over the limit a column is split, or becomes a fill by choice', () => {
    const wide = 'M-20,-7 H20 V7 H-20 Z';
    const longest = (overLimit: 'split' | 'fill'): number => {
      const s = covers(stitchesOf(piece('satin', { area: wide }, { overLimit, satinLimit: 9, pullComp: 0 })));
      return Math.max(...s.slice(1).map((p, i) => away(p, s[i]!)));
    };
    expect(longest('split')).toBeGreaterThan(5);
    expect(longest('fill')).toBeLessThan(5);
  });
});

describe('corners of a satin along a line', () => {
  const ELBOW = 'M-12,-6 H10 V12';
  test.each(['turn', 'butt', 'mitre', 'cap'] as const)('%s: covered to the outer corner, nothing beyond it, one path', (corners) => {
    const s = stitchesOf(piece('satin', { line: ELBOW, width: 4 }, { corners, pullComp: 0.2 }));
    expect(Array.from(s.command)).not.toContain(Command.trim);
    const points = covers(s);
    const corner = { x: 12, y: -8 };
    expect(Math.min(...points.map((p) => away(p, corner)))).toBeLessThan(1.1);
    const allowed = offset(area('M-12,-8 H12 V12 H8 V-4 H-12 Z'), 0.5, 'miter');
    const outside = points.filter((p) => !contains(allowed, p));
    expect(outside).toEqual([]);
  });

  test.each(['turn', 'butt', 'mitre', 'cap'] as const)('%s, of an outline: covered, kept to, one path', (corners) => {
    for (const d of ['M-13,7 L-1,-9 L13,5 L10,9 L-1,-3 L-9,10 Z', 'M-10,-10 H-5 V6 H11 V11 H-10 Z']) {
      const s = stitchesOf(piece('satin', { area: d }, { corners, pullComp: 0.2, pushComp: 0 }));
      expect(Array.from(s.command)).not.toContain(Command.trim);
      const { covered, spilled } = coverageOf(area(d), s);
      expect(covered).toBeGreaterThan(0.985);
      expect(spilled).toBeLessThan(0.005);
    }
  });

  test('a mitre divides the corner along its diagonal', () => {
    const s = covers(stitchesOf(piece('satin', { line: ELBOW, width: 4 }, { corners: 'mitre', pullComp: 0, underlay: [] })));
    const upright = s.slice(1).filter((p, i) => Math.abs(p.x - s[i]!.x) < 0.5 && p.x < 12 && p.x > 8.6 && p.y < -4);
    for (const p of upright) expect(p.x - 10 + (p.y + 6)).toBeLessThan(1.2);
  });
});

describe('moving and turning a shape', () => {
  const BEAN: Point[] = dataToRings('M-9,-2 C-9,-8 9,-8 9,-1 C9,5 3,2 0,3 C-4,5 -9,4 -9,-2 Z')[0]!.slice();

  test('a satin moved gives the same stitches moved', () => {
    const bar: Point[] = [
      { x: 0, y: 0 },
      { x: 15, y: 2 },
      { x: 15, y: 6 },
      { x: 0, y: 4 },
    ];
    const here = stitchesOf(piece('satin', { area: pathOf(bar) }, { underlay: [] }));
    const there = stitchesOf(piece('satin', { area: pathOf(bar.map((p) => ({ x: p.x + 31.7, y: p.y - 12.3 }))) }, { underlay: [] }));
    expect(there.x.length).toBe(here.x.length);
    events(here).forEach((p, i) => expect(away({ x: p.x + 31.7, y: p.y - 12.3 }, events(there)[i]!)).toBeLessThan(0.02));
  });

  test('a fill moved by whole steps of its lattice gives the same stitches moved', () => {
    const shift = { x: 3.5 * 4, y: 0.4 * 40 };
    const set = { angle: 0, underlay: [] };
    const here = events(stitchesOf(piece('fill', { area: pathOf(BEAN) }, set)));
    const there = events(stitchesOf(piece('fill', { area: pathOf(BEAN.map((p) => ({ x: p.x + shift.x, y: p.y + shift.y }))) }, set)));
    expect(there.length).toBe(here.length);
    here.forEach((p, i) => expect(away({ x: p.x + shift.x, y: p.y + shift.y }, there[i]!)).toBeLessThan(0.01));
  });

  test.each([30, 90, 217])('a fill and its direction turned by %i degrees give the same stitches turned', (deg) => {
    const here = events(stitchesOf(piece('fill', { area: pathOf(BEAN) }, { angle: 0, underlay: [] })));
    const there = events(stitchesOf(piece('fill', { area: pathOf(BEAN.map((p) => spun(p, deg))) }, { angle: -deg % 360, underlay: [] })));
    // Where the needle begins is wished for in the hoop, not in the shape, so the first few may differ.
    expect(Math.abs(there.length - here.length)).toBeLessThanOrEqual(4);
    const lost = here.filter((p) => !there.some((q) => away(spun(p, deg), q) < 0.05));
    expect(lost.length).toBeLessThanOrEqual(here.length * 0.02);
  });
});

describe('special work', () => {
  test('foam: dense, no underlay, every open end capped by stitches along the column', () => {
    const s = stitchesOf(piece('satin', { line: 'M-12,0 H12', width: 6 }, { foam: 3 }));
    expect(Array.from(s.role)).not.toContain(Role.underlay);
    const points = covers(s);
    const along = (from: number, to: number): number =>
      points.slice(1).filter((p, i) => Math.abs(p.x - points[i]!.x) > 1 && Math.abs(p.y - points[i]!.y) < 0.6 && p.x > from && p.x < to)
        .length;
    expect(along(-13, -9)).toBeGreaterThan(15);
    expect(along(9, 13)).toBeGreaterThan(15);
    expect(along(-8, 8)).toBe(0);
    const top = points
      .filter((p) => p.y < -2.9 && Math.abs(p.x) < 8)
      .map((p) => p.x)
      .sort((a, b) => a - b);
    expect((top[top.length - 1]! - top[0]!) / (top.length - 1)).toBeCloseTo(0.2, 2);
  });

  test('appliqué: placement, stop, tack-down, stop, cover, each where it belongs', () => {
    const edge = 'M-20,-15 H20 V15 H-20 Z';
    const s = events(stitchesOf(piece('applique', { area: edge, width: 4 }, { pullComp: 0 })));
    const stops = s.flatMap((e, i) => (e.command === Command.stop ? [i] : []));
    expect(stops).toHaveLength(2);
    const placement = s.slice(0, stops[0]);
    for (const p of placement) expect(Math.max(Math.abs(p.x) - 18, Math.abs(p.y) - 13)).toBeCloseTo(0, 1);
    const tack = s.slice(stops[0]! + 1, stops[1]).filter((e) => e.command === Command.stitch);
    for (const p of tack) expect(contains(area('M-18.6,-13.6 H18.6 V13.6 H-18.6 Z'), p)).toBe(true);
    const cover = s.slice(stops[1]! + 1).filter((e) => e.role === Role.cover);
    for (const p of cover) {
      expect(contains(offset(area(edge), 0.1, 'miter'), p)).toBe(true);
      expect(contains(area('M-15.7,-10.7 H15.7 V10.7 H-15.7 Z'), p)).toBe(false);
    }
  });

  test('a patch border lies inside the edge, 0.30 apart, over an edge run and a zigzag', () => {
    const s = events(
      stitchesOf(piece('border', { area: 'M30,0 A30,30 0 1 1 -30,0 A30,30 0 1 1 30,0 Z', width: 4 }, { pullComp: 0 }), 'patch'),
    );
    const outer = s.filter((e) => e.role === Role.cover && Math.hypot(e.x, e.y) > 28);
    const circle = 2 * Math.PI * 30;
    expect(circle / outer.length).toBeCloseTo(0.3, 1);
    expect(s.some((e) => e.role === Role.underlay)).toBe(true);
    for (const e of s) {
      expect(Math.hypot(e.x, e.y)).toBeLessThan(30.1);
      expect(Math.hypot(e.x, e.y)).toBeGreaterThan(25.7);
    }
  });

  test('a carved line gets its penetrations, and only it', () => {
    const s = covers(stitchesOf(piece('fill', { area: PLATE, carve: 'M-20,0 L20,1' }, { angle: 90, underlay: [], pullComp: 0 })));
    const rows = new Map<number, Point[]>();
    for (const p of s) rows.set(Math.round(p.x / 0.4), [...(rows.get(Math.round(p.x / 0.4)) ?? []), p]);
    const crossed = [...rows.values()].filter((r) => Math.abs(r[0]!.x) < 19.5);
    for (const r of crossed) {
      const line = (r[0]!.x + 20) / 40;
      expect(r.some((p) => Math.abs(p.y - line) < 0.02)).toBe(true);
      expect(r.filter((p) => Math.abs(p.y - line) < 1)).toHaveLength(1);
    }
  });

  test('a fill that opens goes evenly from one spacing to the other', () => {
    const s = covers(stitchesOf(piece('fill', { area: PLATE }, { angle: 0, spacing: 0.4, spacingTo: 1.6, pullComp: 0 })));
    const heights = [...new Set(s.map((p) => p.y.toFixed(2)))].map(Number).sort((a, b) => a - b);
    const gaps = heights
      .slice(1)
      .map((v, i) => v - heights[i]!)
      .filter((g) => g > 0.1);
    expect(gaps[0]).toBeCloseTo(0.42, 1);
    expect(gaps[gaps.length - 1]).toBeGreaterThan(1.4);
    for (let i = 1; i < gaps.length; i++) expect(gaps[i]!).toBeGreaterThanOrEqual(gaps[i - 1]! - 0.02);
    expect(areaOf(area(PLATE))).toBeCloseTo(48 * 30, 6);
  });
});
