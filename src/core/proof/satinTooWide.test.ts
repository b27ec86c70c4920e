import fc from 'fast-check';
import type { JobSettings, Piece } from '../document/types';
import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { Command, Role } from '../stitches/roles';
import type { Finding } from './finding';
import { prove } from './prove';
import { withFix } from './withFix';

const RULE = 'satin-too-wide';
const of = (pieces: readonly Piece[], settings: JobSettings = {}): Finding | undefined =>
  prove({ ...jobOf(pieces), settings }).find((f) => f.rule === RULE);
/** A column of a width, longer than it is wide. */
const bar = (widthMm: number, settings: Piece['settings'] = {}, deg = 0): Piece => {
  const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
  const at = (x: number, y: number): string => `${(x * c - y * s).toFixed(4)},${(x * s + y * c).toFixed(4)}`;
  const side = (y: number): string => `M${at(-20, y)} L${at(20, y)}`;
  return piece('satin', { sides: [side(-widthMm / 2), side(widthMm / 2)] }, settings);
};

test('every column over the limit is told, whether its rows are split or whole', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 5, max: 16, noNaN: true }),
      fc.constantFrom(undefined, 7, 10, 12),
      fc.constantFrom(undefined, 6, 9, 12),
      fc.double({ min: 0, max: 180, noNaN: true }),
      (mm, school, own, deg) => {
        const limit = school ?? 9;
        fc.pre(Math.abs(mm - limit) > 0.08);
        const found = of([bar(mm, own === undefined ? {} : { satinLimit: own }, deg)], school === undefined ? {} : { satinLimit: school });
        expect(found !== undefined).toBe(mm > limit);
        if (!found) return;
        expect(found.measured).toBeCloseTo(mm, 1);
        expect(found.limit).toBe(limit);
        // Half a millimetre over it is sewn whole.
        if (Math.abs(mm - (own ?? limit) - 0.5) > 0.05) expect(/split/.test(found.message)).toBe(mm > (own ?? limit) + 0.5);
      },
    ),
    { seed: 4, numRuns: 60 },
  );
});

test('a shape sewn as a fill where it is too wide is none', () => {
  expect(of([bar(11, { overLimit: 'fill' })])).toBeUndefined();
  expect(of([bar(11, { overLimit: 'fill', satinLimit: 12 })])?.message).toMatch(/snag/);
});

test('foam carries more', () => {
  expect(of([bar(11.9, { foam: 3 })])).toBeUndefined();
  expect(of([bar(12.2, { foam: 3 })])?.limit).toBe(12);
});

test('corners of columns that are not too wide themselves are no finding', () => {
  expect(of([piece('satin', { line: 'M-20,-20 h40 v40 h-40 Z', width: 8, join: 'miter' })])).toBeUndefined();
  expect(of([piece('satin', { line: 'M-20,-20 L20,0 L-20,20', width: 8, join: 'miter' })])).toBeUndefined();
});

describe('a bulb on a column', () => {
  /** A bar 6 mm wide with a lozenge on it that is so wide over so much of its length. */
  const bulb = (mm: number, alongMm: number, settings: object = {}): Piece => {
    const [h, a] = [mm / 2, alongMm / 2];
    const side = (y: number): string => `M-30,${3 * y} H${-a - 1} L${-a},${h * y} H${a} L${a + 1},${3 * y} H30`;
    return piece('satin', { sides: [side(-1), side(1)] }, settings);
  };

  it.each([
    [10.6, 3, 11, false],
    [10.6, 3, undefined, true],
    [11.4, 3, 11.5, true],
    [10.6, 20, 11, true],
    [9.3, 3, undefined, false],
  ])('%d mm wide over %d mm, whole up to %s: told is %s', (mm, alongMm, satinLimit, told) => {
    expect(of([bulb(mm, alongMm, satinLimit === undefined ? {} : { satinLimit })]) !== undefined).toBe(told);
  });
});

describe('the ways out', () => {
  const area = piece('satin', { area: 'M-20,-5.5 h40 v11 h-40 Z' });
  const waysOf = (p: Piece) => {
    const found = of([p])!;
    return [found.fix!, ...(found.others ?? [])].map((fix) => ({ fix, label: fix.label, job: withFix(jobOf([p]), fix) }));
  };

  it.each([
    ['drawn by its sides', bar(11)],
    ['drawn as an area', area],
  ])('of a split column %s: a fill, two columns, or whole rows', (_, p) => {
    expect(waysOf(p).map((w) => w.label)).toEqual(['Sew it as a fill there', 'Divide it lengthwise', 'Keep rows whole up to 11 mm']);
  });

  it('a fill and two columns end the finding', () => {
    for (const { label, job } of waysOf(area).slice(0, 2)) expect([label, of(job.pieces)]).toEqual([label, undefined]);
  });

  it('two columns cover what one did, lap by 1 mm, and are sewn across it', () => {
    const { job } = waysOf(bar(11, { pullComp: 0, pushComp: 0, underlay: [] }))[1]!;
    expect(job.pieces).toHaveLength(2);
    expect(new Set(job.pieces.map((p) => p.id)).size).toBe(2);
    const plan = new Planner().plan(job);
    const reach = plan.pieces.map(({ from, to }) => {
      const ys = Array.from(plan.y.slice(from, to)).filter(
        (_, i) => plan.role[from + i] === Role.cover && plan.command[from + i] === Command.stitch,
      );
      return [Math.min(...ys), Math.max(...ys)];
    });
    expect(reach[0]![0]).toBeCloseTo(-5.5, 1);
    expect(reach[0]![1]).toBeCloseTo(0.5, 1);
    expect(reach[1]![0]).toBeCloseTo(-0.5, 1);
    expect(reach[1]![1]).toBeCloseTo(5.5, 1);
  });

  it('rows kept whole are no longer split', () => {
    const kept = waysOf(area).find((w) => /whole/.test(w.label))!;
    expect(of(kept.job.pieces)?.message).toMatch(/snag/);
    expect(waysOf(bar(13.5)).some((w) => /whole/.test(w.label))).toBe(false);
  });

  it('a short wide piece is turned', () => {
    const turned = waysOf(piece('satin', { area: 'M-7,-3 h14 v6 h-14 Z', slants: ['M-7,-2 h14', 'M-7,2 h14'] })).find((w) =>
      /Turn/.test(w.label),
    )!;
    expect(of(turned.job.pieces)).toBeUndefined();
  });
});

describe('over foam', () => {
  const raised = (widthMm: number, settings: JobSettings) => {
    const job = { ...jobOf([bar(widthMm, { foam: 3 })]), settings };
    const plan = new Planner().plan(job);
    const longest = Math.max(...rowsOf(plan));
    return { rules: prove(job).map((f) => f.rule), longest };
  };
  function rowsOf(plan: ReturnType<Planner['plan']>): number[] {
    return [...plan.x.keys()].flatMap((i) =>
      i > 0 && plan.command[i] === Command.stitch && plan.command[i - 1] === Command.stitch && plan.role[i] === Role.cover
        ? [Math.hypot(plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!)]
        : [],
    );
  }

  it('rows are whole up to what the machine makes, whatever the limit for flat satin is', () => {
    const usual = raised(10.5, { satinLimit: 9 });
    expect(usual.rules).not.toContain('satin-too-wide');
    expect(usual.longest).toBeGreaterThan(10.5);
    const broad = raised(12.6, { satinLimit: 9, longestStitch: 15 });
    expect(broad.rules).not.toEqual(expect.arrayContaining(['satin-too-wide']));
    expect(broad.rules).not.toContain('stitch-too-long');
    expect(broad.longest).toBeGreaterThan(12.6);
  });

  it('what the machine does not make is told, and never sewn in one stitch', () => {
    const broad = raised(13.5, { satinLimit: 9 });
    expect(broad.rules).toContain('satin-too-wide');
    expect(broad.longest).toBeLessThanOrEqual(12);
    const broader = raised(16, { longestStitch: 15 });
    expect(broader.rules).toContain('satin-too-wide');
    expect(broader.longest).toBeLessThanOrEqual(15);
  });
});
