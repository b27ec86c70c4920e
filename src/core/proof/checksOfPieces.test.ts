import { threadWidth } from '../cloth/threadWidth';
import type { Check } from './check';
import { coverTooDense } from './checks/coverTooDense';
import { coverTooOpen } from './checks/coverTooOpen';
import { directionAsBelow } from './checks/directionAsBelow';
import { foamOpenEnd } from './checks/foamOpenEnd';
import { foamTooOpen } from './checks/foamTooOpen';
import { foamUnderlay } from './checks/foamUnderlay';
import { lightCoverColour } from './checks/lightCoverColour';
import { lineTooThin } from './checks/lineTooThin';
import { openingCarved } from './checks/openingCarved';
import { sameDirectionSections } from './checks/sameDirectionSections';
import { satinTooNarrow } from './checks/satinTooNarrow';
import { tooManyNodes } from './checks/tooManyNodes';
import { underlayAlongCover } from './checks/underlayAlongCover';
import { underlayMissing } from './checks/underlayMissing';
import { contextOf, type MadeContext, type MadePiece } from './contextFixtures';

/* Each check on its limit and a hair beyond, on made-up pieces: nothing is sewn. */

const found = (check: Check, made: MadePiece | readonly MadePiece[], of: MadeContext = {}) =>
  check.find(contextOf(Array.isArray(made) ? (made as readonly MadePiece[]) : [made as MadePiece], of));
const fires = (check: Check, ...args: [MadePiece | readonly MadePiece[], MadeContext?]): boolean => found(check, ...args).length > 0;
const box = (x: number, y: number, w: number, h: number): string => `M${x},${y} h${w} v${h} h${-w} Z`;

test('a finding about one piece names it and lies at its middle; what cannot be sewn has none', () => {
  const made = { area: box(10, 20, 4, 6), settings: { spacing: 0.1 } };
  expect(found(coverTooDense, [{ unsewn: true }, made])).toMatchObject([{ pieces: ['p1'], at: { x: 12, y: 23 } }]);
  expect(fires(coverTooDense, { ...made, unsewn: true })).toBe(false);
});

describe('rows and their thread', () => {
  it('are too dense under four fifths of its width, in fills and columns without foam', () => {
    for (const weight of [40, 60]) {
      const threads = [{ id: 't1', code: 'Q', name: 'Q', hex: '#000000', weight }];
      const dense = (spacing: number, over: MadePiece = {}) =>
        fires(coverTooDense, { settings: { spacing }, ...over }, { job: { threads } });
      const limit = 0.8 * threadWidth(weight);
      expect([dense(limit - 0.0051), dense(limit - 0.0049), dense(limit + 0.1)]).toEqual([true, false, false]);
      expect(dense(0.1, { kind: 'satin', sides: ['M0,0 h9', 'M0,3 h9'] })).toBe(true);
      expect(dense(0.1, { kind: 'run', line: 'M0,0 h9' })).toBe(false);
      expect(dense(0.1, { settings: { spacing: 0.1, foam: 3 } })).toBe(false);
    }
    expect(fires(coverTooDense, {})).toBe(false);
    expect(found(coverTooDense, { settings: { spacing: 0.2 } })).toMatchObject([
      { measured: 0.2, limit: 0.8 * 0.4, unit: 'mm', fix: { pieces: [{ id: 'p0', settings: { spacing: undefined } }] } },
    ]);
    expect(Object.keys(found(coverTooDense, { settings: { spacing: 0.2 } })[0]!.fix!.pieces![0]!.settings!)).toEqual(['spacing']);
  });

  it('are too open over 1.3 of it and under what a light fill has, when a hand set them', () => {
    const open = (spacing: number, over: MadePiece = {}) => fires(coverTooOpen, { byHand: { spacing }, ...over });
    expect([open(0.52), open(0.521), open(0.59)]).toEqual([false, true, true]);
    expect(open(0.6)).toBe(false);
    expect(open(0.55, { byHand: {}, settings: { spacing: 0.55 } })).toBe(false);
    expect(open(0.55, { kind: 'run', line: 'M0,0 h9' })).toBe(false);
    expect(fires(coverTooOpen, {})).toBe(false);
    expect(found(coverTooOpen, { byHand: { spacing: 0.55 } })).toMatchObject([
      { measured: 0.55, limit: 0.52, unit: 'mm', fix: { pieces: [{ id: 'p0', settings: {} }] } },
    ]);
  });

  it('light ones are for thread near the cloth’s colour', () => {
    const of = (clothHex: string): MadeContext => ({ brief: { clothHex } });
    const light = (spacing: number, hex = '#f4f4f0', over: MadePiece = {}) =>
      found(lightCoverColour, { byHand: { spacing }, ...over }, of(hex));
    expect([light(0.8).length, light(0.79).length, light(1.2).length]).toEqual([1, 0, 1]);
    expect(light(1.2, '#0b5563')).toEqual([]);
    expect(light(1.2, '#0d6070')).toEqual([]);
    expect(light(1.2)[0]).toMatchObject({ limit: 20, fix: { pieces: [{ id: 'p0', settings: {} }] } });
    expect(light(1.2)[0]!.measured).toBeGreaterThan(40);
    expect(light(1.2, '#f4f4f0', { byHand: {}, settings: { spacing: 1.2 } })[0]).not.toHaveProperty('fix');
    expect(light(1.2, '#f4f4f0', { byHand: { spacing: 1.2, spacingTo: 3 } })).toEqual([]);
    expect(light(1.2, '#f4f4f0', { kind: 'run', line: 'M0,0 h9' })).toEqual([]);
    expect(fires(lightCoverColour, { byHand: { spacing: 1.2 }, thread: 'none' }, { ...of('#f4f4f0'), job: { threads: [] } })).toBe(false);
    // The cloth's own colour where the brief names none.
    const { hex } = contextOf([{}]).recipe;
    const sewnIn = (thread: string): MadeContext => ({ job: { threads: [{ id: 't1', code: 'Q', name: 'Q', hex: thread, weight: 40 }] } });
    expect(fires(lightCoverColour, { byHand: { spacing: 1.2 } }, sewnIn(hex))).toBe(false);
    expect(fires(lightCoverColour, { byHand: { spacing: 1.2 } }, sewnIn(hex === '#ffee00' ? '#000000' : '#ffee00'))).toBe(true);
  });

  it('two light fills on one another blend', () => {
    const of: MadeContext = { brief: { clothHex: '#f4f4f0' } };
    const one = { area: box(0, 0, 10, 10), byHand: { spacing: 1.2 } };
    const other = (x: number, spacing: number): MadePiece => ({ area: box(x, 0, 10, 10), settings: { spacing } });
    expect(found(lightCoverColour, [one, other(5, 0.8)], of)).toEqual([]);
    expect(found(lightCoverColour, [one, other(5, 0.79)], of)).toHaveLength(1);
    expect(found(lightCoverColour, [one, other(20, 1)], of)).toHaveLength(2);
    expect(found(lightCoverColour, [one, other(9.5, 1)], of)).toHaveLength(2);
    expect(found(lightCoverColour, [one, { ...other(5, 1), unsewn: true }], of)).toHaveLength(1);
  });
});

describe('rows on rows', () => {
  const fill = (angle: number, area = box(0, 0, 20, 20), over: MadePiece = {}): MadePiece => ({
    area,
    settings: { angle, spacing: 0.4 },
    ...over,
  });
  const along = (...made: MadePiece[]) => found(directionAsBelow, made);

  it('need thirty degrees between them', () => {
    expect(along(fill(20), fill(49.9))).toHaveLength(1);
    expect(along(fill(20), fill(50))).toEqual([]);
    expect(along(fill(175), fill(10))).toMatchObject([
      {
        pieces: ['p1', 'p0'],
        measured: 15,
        limit: 30,
        unit: '°',
        fix: { pieces: [{ id: 'p1', settings: { angle: 55 }, without: ['slants'] }] },
      },
    ]);
  });

  it('matter where half of a piece or more lies on a dense fill', () => {
    expect(along(fill(20), fill(20, box(10, 0, 20, 20)))).toHaveLength(1);
    expect(along(fill(20), fill(20, box(10.5, 0, 20, 20)))).toEqual([]);
    expect(along(fill(20), fill(20, box(50, 0, 20, 20)))).toEqual([]);
    expect(along({ ...fill(20), settings: { angle: 20, spacing: 0.8 } }, fill(20))).toHaveLength(1);
    expect(along({ ...fill(20), settings: { angle: 20, spacing: 0.81 } }, fill(20))).toEqual([]);
    expect(along({ ...fill(20), settings: { angle: 20 } }, fill(20))).toEqual([]);
    expect(along({ ...fill(20), unsewn: true }, fill(20))).toEqual([]);
  });

  it('only fills with a direction', () => {
    expect(along({ kind: 'run', line: 'M0,0 h9', settings: { angle: 20, spacing: 0.4 } }, fill(20))).toEqual([]);
    expect(along(fill(20), { kind: 'run', line: 'M0,0 h9', settings: { angle: 20, spacing: 0.4 } })).toEqual([]);
    expect(along(fill(20), { area: box(0, 0, 20, 20), settings: { spacing: 0.4 } })).toEqual([]);
    expect(along({ area: box(0, 0, 20, 20), settings: { spacing: 0.4 } }, fill(20))).toEqual([]);
  });

  it('the last one beneath counts', () => {
    expect(along(fill(20), fill(80), fill(20))).toEqual([]);
    expect(along(fill(80), fill(20), fill(20)).map((f) => f.pieces)).toEqual([['p2', 'p1']]);
    expect(along(fill(20), fill(80, box(60, 60, 5, 5)), fill(20)).map((f) => f.pieces)).toEqual([['p2', 'p0']]);
  });
});

describe('foam', () => {
  const bar = (settings: Record<string, unknown>): MadePiece => ({
    kind: 'satin',
    sides: ['M0,0 h9', 'M0,3 h9'],
    settings: { foam: 3, ...settings },
  });

  it('wants capped ends, dense rows, and no underlay', () => {
    expect(found(foamOpenEnd, bar({ ends: 'open' }))).toMatchObject([
      { measured: 0, limit: 1, fix: { pieces: [{ id: 'p0', settings: { ends: 'capped' } }] } },
    ]);
    expect(fires(foamOpenEnd, bar({ ends: 'capped' }))).toBe(false);
    expect(fires(foamOpenEnd, bar({}))).toBe(false);
    expect([0.22, 0.221].map((spacing) => fires(foamTooOpen, bar({ spacing })))).toEqual([false, true]);
    expect(found(foamTooOpen, bar({ spacing: 0.4 }))).toMatchObject([
      { measured: 0.4, limit: 0.2, unit: 'mm', fix: { pieces: [{ id: 'p0', settings: { spacing: 0.2 } }] } },
    ]);
    expect(fires(foamTooOpen, bar({}))).toBe(false);
    expect(found(foamUnderlay, bar({ underlay: [{ kind: 'edge-run' }, { kind: 'zigzag' }] }))).toMatchObject([
      { measured: 2, limit: 0, fix: { pieces: [{ id: 'p0', settings: { underlay: [] } }] } },
    ]);
    expect(fires(foamUnderlay, bar({ underlay: [] }))).toBe(false);
    expect(fires(foamUnderlay, bar({}))).toBe(false);
  });

  it('minds nothing where there is none', () => {
    for (const foam of [0, undefined]) {
      const none = bar({ foam, ends: 'open', spacing: 0.4, underlay: [{ kind: 'edge-run' }] });
      for (const check of [foamOpenEnd, foamTooOpen, foamUnderlay]) expect(fires(check, none)).toBe(false);
    }
  });
});

describe('too thin, too narrow', () => {
  it('a fill under two threads', () => {
    const thin = (widthMm: number, over: MadePiece = {}) => found(lineTooThin, { widthMm, ...over });
    expect([thin(0.8).length, thin(0.79).length]).toEqual([0, 1]);
    expect(thin(0.5)[0]).toMatchObject({ measured: 0.5, limit: 0.8, unit: 'mm' });
    expect(thin(0.5, { kind: 'run', line: 'M0,0 h9' })).toEqual([]);
  });

  it('a satin under a millimetre as sewn', () => {
    const narrow = (widthMm: number, pullComp?: number, over: MadePiece = {}) =>
      found(satinTooNarrow, {
        kind: 'satin',
        sides: ['M0,0 h9', 'M0,1 h9'],
        widthMm,
        settings: pullComp === undefined ? {} : { pullComp },
        ...over,
      });
    expect([narrow(0.59, 0.2).length, narrow(0.57, 0.2).length, narrow(0.97).length, narrow(0.99).length]).toEqual([0, 1, 1, 0]);
    expect(narrow(0.333, 0.1)[0]).toMatchObject({ limit: 1, unit: 'mm', fix: { pieces: [{ id: 'p0', settings: { pullComp: 0.34 } }] } });
    expect(narrow(0.333, 0.1)[0]!.measured).toBeCloseTo(0.533, 9);
    expect(narrow(0.333, 0.1)[0]!.fix!.label).toContain('0.34');
    expect(narrow(0.3, 0.1, { kind: 'fill', area: box(0, 0, 9, 9) })).toEqual([]);
  });
});

describe('underlay', () => {
  it('is missing under a wide satin or a large fill that covers', () => {
    const satin = (widthMm: number, settings: Record<string, unknown> = { underlay: [], spacing: 0.4 }) =>
      found(underlayMissing, { kind: 'satin', sides: ['M0,0 h9', 'M0,3 h9'], widthMm, settings });
    const fill = (areaMm2: number, settings: Record<string, unknown> = { underlay: [], spacing: 0.4 }) =>
      found(underlayMissing, { areaMm2, settings });
    expect([satin(2.99).length, satin(3).length, fill(59.9).length, fill(60).length]).toEqual([0, 1, 0, 1]);
    expect(satin(4)[0]).toMatchObject({
      measured: 4,
      limit: 3,
      unit: 'mm',
      fix: { pieces: [{ id: 'p0', settings: { underlay: [{ kind: 'edge-run' }] } }] },
    });
    expect(fill(99)[0]).toMatchObject({
      measured: 99,
      limit: 60,
      unit: 'mm²',
      fix: { pieces: [{ id: 'p0', settings: { underlay: [{ kind: 'lattice' }] } }] },
    });
    expect(fill(99, { underlay: [{ kind: 'lattice' }], spacing: 0.4 })).toEqual([]);
    expect(fill(99, { spacing: 0.4 })).toEqual([]);
    expect([
      fill(99, { underlay: [], spacing: 0.59 }).length,
      fill(99, { underlay: [], spacing: 0.6 }).length,
      fill(99, { underlay: [] }).length,
    ]).toEqual([1, 0, 0]);
    expect(satin(9, { underlay: [], spacing: 0.2, foam: 3 })).toEqual([]);
    expect(
      found(underlayMissing, { kind: 'run', line: 'M0,0 h9', areaMm2: 99, widthMm: 9, settings: { underlay: [], spacing: 0.4 } }),
    ).toEqual([]);
  });

  it('holds across the cover', () => {
    const laid = (...layers: object[]) => found(underlayAlongCover, { settings: { underlay: layers } });
    const lattice = (angle?: number): object => ({ kind: 'lattice', ...(angle === undefined ? {} : { angle }) });
    expect(laid(lattice())).toEqual([]);
    expect([laid(lattice(30)).length, laid(lattice(29.9)).length, laid(lattice(150)).length, laid(lattice(150.1)).length]).toEqual([
      0, 1, 0, 1,
    ]);
    expect(laid(lattice(0), lattice())).toEqual([]);
    expect(laid({ kind: 'edge-run', angle: 0 })).toEqual([]);
    expect(laid()).toEqual([]);
    expect(found(underlayAlongCover, {})).toEqual([]);
    expect(found(underlayAlongCover, { kind: 'satin', sides: ['M0,0 h9', 'M0,3 h9'], settings: { underlay: [lattice(0)] } })).toEqual([]);
    const [one] = laid({ ...lattice(10), spacing: 2 }, { kind: 'edge-run', inset: 0.5 });
    expect(one).toMatchObject({ limit: 30, unit: '°' });
    expect(one!.measured).toBeCloseTo(10, 9);
    expect(one!.fix!.pieces).toEqual([
      {
        id: 'p0',
        settings: {
          underlay: [
            { kind: 'lattice', spacing: 2 },
            { kind: 'edge-run', inset: 0.5 },
          ],
        },
      },
    ]);
  });
});

describe('large areas sewn one way', () => {
  const large = { figures: { widthMm: 150, heightMm: 60 } };
  const field = (x: number, angle: number, over: MadePiece = {}): MadePiece => ({ area: box(x, 0, 50, 50), settings: { angle }, ...over });
  const row = (...angles: number[]): MadePiece[] => angles.map((angle, k) => field(50 * k, angle));
  const creeping = (made: readonly MadePiece[], of: MadeContext = large) => found(sameDirectionSections, made, of);

  it('are told from two pairs on; every second one is turned', () => {
    expect(creeping(row(30, 30))).toEqual([]);
    expect(creeping(row(30, 30, 30))).toMatchObject([
      {
        pieces: ['p0', 'p1', 'p2'],
        at: { x: 75, y: 25 },
        measured: 2,
        limit: 1,
        fix: { pieces: [{ id: 'p1', settings: { angle: 120 } }] },
      },
    ]);
    expect(creeping(row(120, 120, 120, 120))[0]!.fix!.pieces).toEqual([
      { id: 'p1', settings: { angle: 30 } },
      { id: 'p3', settings: { angle: 30 } },
    ]);
  });

  it('count when alike within fifteen degrees, near each other, and large', () => {
    expect(creeping(row(30, 45, 30))).toHaveLength(1);
    expect(creeping(row(30, 45.1, 30))).toEqual([]);
    expect(creeping([field(0, 30), field(51.9, 30), field(103.8, 30)])).toHaveLength(1);
    expect(creeping([field(0, 30), field(52.5, 30), field(105, 30)])).toEqual([]);
    const sized = (areaMm2: number) => row(30, 30, 30).map((m) => ({ ...m, areaMm2 }));
    expect([creeping(sized(1500)).length, creeping(sized(1499)).length]).toEqual([1, 0]);
    expect(creeping(row(30, 30, 30), { figures: { widthMm: 149, heightMm: 149 } })).toEqual([]);
    expect(creeping(row(30, 30, 30), { figures: { widthMm: 10, heightMm: 150 } })).toHaveLength(1);
    expect(creeping(row(30, 30, 30).map((m) => ({ ...m, settings: {} })))).toEqual([]);
    expect(creeping(row(30, 30, 30).map((m) => ({ ...m, unsewn: true })))).toEqual([]);
    expect(creeping(row(30, 30, 30).map((m) => ({ ...m, kind: 'satin' as const })))).toEqual([]);
  });
});

describe('outlines and openings', () => {
  const ring = (n: number, r: number): string =>
    `M${Array.from({ length: n }, (_, i) => `${(r * Math.cos((2 * Math.PI * i) / n)).toFixed(3)},${(r * Math.sin((2 * Math.PI * i) / n)).toFixed(3)}`).join(' L')} Z`;

  it('more nodes than sixty, or than 1.2 to the millimetre, are too many', () => {
    const many = (n: number, r: number) => found(tooManyNodes, { area: ring(n, r) });
    expect([many(61, 3).length, many(62, 3).length]).toEqual([0, 1]);
    // A ring of n corners has n - 1 nodes beside the one that closes it; 62.8 mm round bear 75.
    expect([many(76, 10).length, many(77, 10).length]).toEqual([0, 1]);
    expect(many(99, 10)[0]).toMatchObject({ measured: 98, limit: 75 });
    expect(found(tooManyNodes, { kind: 'satin', line: 'M0,0 h9' })).toEqual([]);
  });

  const holed = (side: number): string => `M0,0 h30 v30 h-30 Z M10,10 v${side} h${side} v${-side} Z`;
  const over = (x: number, y: number): MadePiece => ({ area: box(x, y, 4, 4) });

  it('a small opening under later cover is told; larger ones, bare ones and those sewn over are not', () => {
    const told = (side: number, ...later: MadePiece[]) => found(openingCarved, [{ area: holed(side) }, ...later]);
    const [one] = told(3, over(9.5, 9.5));
    expect(one).toMatchObject({
      pieces: ['p0'],
      unit: 'mm',
      fix: { pieces: [{ id: 'p0', patch: { sewnOver: expect.anything() as unknown } }] },
    });
    expect(one!.measured).toBeCloseTo(3, 1);
    expect(Math.hypot(one!.at.x - 11.5, one!.at.y - 11.5)).toBeLessThan(1.5);
    expect(told(3)).toEqual([]);
    expect(told(3, over(20, 20))).toEqual([]);
    expect(told(3, { ...over(9.5, 9.5), unsewn: true })).toEqual([]);
    expect(told(8, { area: box(9, 9, 12, 12) })).toEqual([]);
    expect(found(openingCarved, [over(9.5, 9.5), { area: holed(3) }])).toEqual([]);
    expect(found(openingCarved, [{ kind: 'satin', line: 'M0,0 h9', width: 2 }, over(9.5, 9.5)])).toEqual([]);
    const patched = { area: holed(3), ...(one!.fix!.pieces![0]!.patch as MadePiece) };
    expect(found(openingCarved, [patched, over(9.5, 9.5)])).toEqual([]);
  });
});
