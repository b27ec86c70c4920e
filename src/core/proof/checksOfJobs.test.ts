import { Role } from '../stitches/roles';
import fc from 'fast-check';
import { areaOf } from '../geometry/area';
import { dataToRings } from '../geometry/path';
import { item, box as area } from '../route/itemFixtures';
import type { RouteItem } from '../route/item';
import type { Check } from './check';
import { borderEarly } from './checks/borderEarly';
import { colourReturns } from './checks/colourReturns';
import { compensationLow } from './checks/compensationLow';
import { coverMissing } from './checks/coverMissing';
import { coverTwice } from './checks/coverTwice';
import { openingCosts } from './checks/openingCosts';
import { outlineNudged } from './checks/outlineNudged';
import { sizeDiffers } from './checks/sizeDiffers';
import { tooHeavy } from './checks/tooHeavy';
import { contextOf, coverRows, type MadeContext, type MadePiece } from './contextFixtures';

/* Each check on its limit and a hair beyond, on made-up pieces and needle events. */

const found = (check: Check, made: readonly MadePiece[], of: MadeContext = {}) => check.find(contextOf(made, of));
const { cover } = Role;
const box = (x: number, y: number, w: number, h = w): string => `M${x},${y} h${w} v${h} h${-w} Z`;
const routed = (items: readonly RouteItem[]): MadeContext => ({ route: { items: [...items], pieces: items.map((_, i) => i) } });

describe('the border of a patch', () => {
  const border = (x = 0): MadePiece => ({ kind: 'border', area: box(x, 0, 30) });
  const detail = (more: MadePiece = {}): MadePiece => ({ area: box(4, 4, 9), ...more });

  it('is last; how many come after it is told, and after which it is to be sewn', () => {
    expect(found(borderEarly, [detail(), border()])).toEqual([]);
    expect(found(borderEarly, [border(), detail(), detail()])).toMatchObject([
      { pieces: ['p0'], at: { x: 15, y: 15 }, measured: 2, limit: 0, fix: { sewRightAfter: [{ piece: 'p0', after: 'p2' }] } },
    ]);
    expect(found(borderEarly, [detail(), border(), detail()])[0]!.message).toMatch(/^1 piece is sewn/);
    expect(found(borderEarly, [border(), detail(), detail()])[0]!.message).toMatch(/^2 pieces are sewn/);
  });

  it('is so beside the borders of other patches, and before what cannot be sewn', () => {
    expect(found(borderEarly, [detail(), border(), border(50)])).toEqual([]);
    expect(found(borderEarly, [border(), detail({ unsewn: true })])).toEqual([]);
    expect(found(borderEarly, [border(), border(50), detail()]).map((f) => [f.pieces[0], f.measured])).toEqual([
      ['p0', 1],
      ['p1', 1],
    ]);
  });
});

describe('a thread that comes back', () => {
  const of = (...items: RouteItem[]) => found(colourReturns, items.map(() => ({})), routed(items)); // prettier-ignore
  const spot = (x: number, thread: string, y = 0): RouteItem => item(area(x, y, 6), { thread });

  it('though it could have been sewn while it was threaded', () => {
    expect(of(spot(0, 'a'), spot(20, 'b'), spot(40, 'a'), spot(60, 'a'))).toMatchObject([
      { pieces: ['p2', 'p3'], measured: 1, fix: { sewRightAfter: [{ piece: 'p2', after: 'p0' }, { piece: 'p3', after: 'p2' }] } }, // prettier-ignore
    ]);
    expect(of(spot(0, 'a'), spot(20, 'a'), spot(40, 'b'))).toEqual([]);
  });

  it('not when what it lies on is sewn between', () => {
    expect(of(spot(0, 'a'), spot(20, 'b'), spot(21, 'a', 1))).toEqual([]);
    // It stays where it is, so that a third block has only that one to go to.
    expect(of(spot(0, 'a'), spot(20, 'b'), spot(21, 'a', 1), spot(60, 'c'), spot(80, 'a'))[0]!.fix!.sewRightAfter).toEqual([{ piece: 'p4', after: 'p2' }]); // prettier-ignore
  });

  it('what lies on it moves there with it, as a block does as a whole or not at all', () => {
    // The last lies on the one before it, of the same thread: both go.
    const both = of(spot(0, 'a'), spot(20, 'b'), spot(40, 'a'), spot(41, 'a', 1));
    expect(both[0]!.fix!.sewRightAfter).toEqual([{ piece: 'p2', after: 'p0' }, { piece: 'p3', after: 'p2' }]); // prettier-ignore
    expect(both[0]!.fix!.label).toBe('Sew the 2 of them right after ‘Piece 0’');
    expect(of(spot(0, 'a'), spot(20, 'b'), spot(40, 'a'))[0]!.fix!.label).toBe('Sew it right after ‘Piece 0’');
    // One of the block lies on what was sewn between.
    expect(of(spot(0, 'a'), spot(20, 'b'), spot(40, 'a'), spot(21, 'a', 1))).toEqual([]);
    // What lies on the first of its thread is free all the same.
    expect(of(spot(0, 'a'), spot(20, 'b'), spot(1, 'a', 1))).toHaveLength(1);
  });

  it('not when it outlines the field before it', () => {
    const field = item(area(0, 0, 20), { thread: 'b', rim: area(0, 0, 20), areaMm2: 400 });
    const outline = item([...area(-1, -1, 22), ...area(1, 1, 18)], { thread: 'a', widthMm: 2 });
    expect(of(spot(60, 'a'), field, outline)).toEqual([]);
    expect(of(spot(60, 'a'), field, { ...outline, widthMm: 7, painted: area(80, 0, 4).length ? spot(80, 'a').painted : outline.painted, box: spot(80, 'a').box })).toHaveLength(1); // prettier-ignore
  });
});

describe('compensation by hand', () => {
  const own = (mm: number, over: MadePiece = {}, from: 'byHand' | 'settings' = 'byHand') =>
    found(compensationLow, [{ kind: 'fill', area: box(0, 0, 20), [from]: { pullComp: mm }, ...over }], { brief: { cloth: 'soft-cap' } });
  const usual = own(0)[0]!.limit;

  it('under three quarters of what the recipe has for rows so long is told', () => {
    expect(usual).toBeGreaterThan(0.33);
    expect([own(0.74 * usual).length, own(0.76 * usual).length, own(usual + 1).length]).toEqual([1, 0, 0]);
    expect(own(0.1)[0]).toMatchObject({
      pieces: ['p0'],
      measured: 0.1,
      unit: 'mm',
      fix: { pieces: [{ id: 'p0', settings: { pullComp: undefined, pullCompPercent: undefined } }] },
    });
  });

  it('what the rules have is right, and lines have none', () => {
    expect(own(0.05, {}, 'settings')).toEqual([]);
    expect(own(0.05, { kind: 'run', line: 'M0,0 h9' })).toEqual([]);
  });

  it('a difference of under 0.08 mm is not seen', () => {
    const film = (mm: number) => found(compensationLow, [{ kind: 'fill', area: box(0, 0, 20), byHand: { pullComp: mm } }], { brief: { cloth: 'soluble-film' } }); // prettier-ignore
    expect(film(0)).toEqual([]);
  });
});

describe('cover that is missing', () => {
  const sewn = (bare: [number, number], over: MadePiece = {}) =>
    found(coverMissing, [{ area: box(0, 0, 10), settings: { spacing: 0.4 }, ...over }], { events: coverRows(0, 0, 10, 10, 0.4, bare) });

  it('is told from a spot of a square millimetre on, with its size', () => {
    expect(sewn([Infinity, Infinity])).toEqual([]);
    expect(sewn([4.05, 4.35])).toEqual([]);
    const [one] = sewn([4.1, 5.9]);
    expect(one).toMatchObject({ pieces: ['p0'], limit: 1, unit: 'mm²' });
    // Four rows are missing: 1.6 mm of them are bare, along the 9.5 mm that are looked at.
    expect(Math.abs(one!.measured - 1.6 * 9.5)).toBeLessThan(2);
    expect(one!.spoilsMm2).toBe(one!.measured);
  });

  it('columns of an area can be sewn as a fill; what has no area cannot', () => {
    expect(sewn([4.1, 5.9], { kind: 'satin' })[0]!.fix).toMatchObject({
      pieces: [{ id: 'p0', patch: { kind: 'fill' }, without: ['slants'] }],
    });
    expect(sewn([4.1, 5.9])[0]).not.toHaveProperty('fix');
  });

  it('light cover is meant to be open, a line is no cover, and what is not sewn is told elsewhere', () => {
    expect([sewn([4, 6], { settings: { spacing: 0.6 } }).length, sewn([4, 6], { settings: { spacing: 0.59 } }).length]).toEqual([0, 1]);
    expect(sewn([4, 6], { settings: {} })).toEqual([]);
    expect(sewn([4, 6], { kind: 'run', line: 'M0,0 h9' })).toEqual([]);
    expect(found(coverMissing, [{ area: box(0, 0, 10), settings: { spacing: 0.4 } }], { events: [[0, 0, cover]] })).toEqual([]);
  });

  it('cloth that is laid on covers by itself', () => {
    expect(sewn([4, 6], { kind: 'applique' })).toEqual([]);
  });

  it('large pieces are looked at as well', () => {
    const large = found(coverMissing, [{ area: box(0, 0, 30), settings: { spacing: 0.4 } }], {
      events: coverRows(0, 0, 30, 30, 0.4, [10, 14]),
    });
    expect(Math.abs(large[0]!.measured - 4.4 * 29.5)).toBeLessThan(6);
  });
});

describe('full cover on full cover', () => {
  const full = (x: number, w: number, more: MadePiece = {}): MadePiece => ({ area: box(x, 0, w, 20), settings: { spacing: 0.4 }, ...more });
  const twice = (...made: MadePiece[]) => found(coverTwice, made);

  it('is told with its area, for every two pieces', () => {
    const [one] = twice(full(0, 40), full(10, 12));
    expect(one).toMatchObject({ pieces: ['p0', 'p1'], limit: 150, unit: 'mm²' });
    expect(Math.abs(one!.measured - 240)).toBeLessThan(1);
    expect(Math.abs(one!.at.x - 16) + Math.abs(one!.at.y - 10)).toBeLessThan(0.5);
    expect(twice(full(0, 40), full(0, 40), full(0, 40)).map((f) => f.pieces)).toEqual([['p0', 'p1'], ['p0', 'p2'], ['p1', 'p2']]); // prettier-ignore
  });

  it('from 150 mm² on that are broader than 8 mm and an overlap all round', () => {
    expect([twice(full(0, 40), full(10, 10.2)).length, twice(full(0, 40), full(10, 9.8)).length]).toEqual([1, 0]);
    const low = (h: number): MadePiece => ({ area: box(10, 0, 12, h), settings: { spacing: 0.4 } });
    expect([twice(full(0, 40), low(14.1)).length, twice(full(0, 40), low(14.5)).length]).toEqual([0, 1]);
    expect(twice(full(0, 40), full(45, 20))).toEqual([]);
  });

  it('of the lower one an overlap stays', () => {
    const { patch } = twice(full(0, 40), full(10, 12))[0]!.fix!.pieces![0]!;
    const carved = twice({ ...full(0, 40), area: patch!.area! }, full(10, 12));
    expect(carved).toEqual([]);
    expect(patch!.area).toBeDefined();
    // Forty by twenty less ten by eighteen with round corners: the rest of twelve by twenty is the overlap.
    const left = Math.abs(areaOf(dataToRings(patch!.area!)));
    expect(Math.abs(left - (800 - 10 * 18))).toBeLessThan(16);
    expect(twice(full(0, 40, { locked: true }), full(10, 12))[0]).not.toHaveProperty('fix');
  });

  it('columns count as fills do, and the place is where it is broadest', () => {
    expect(twice(full(0, 40, { kind: 'satin' }), full(10, 12))).toHaveLength(1);
    const dumbbell: MadePiece = { area: `${box(2, 0, 11, 20)} ${box(20, 0, 18, 20)}`, settings: { spacing: 0.4 } };
    expect(Math.abs(twice(full(0, 40), dumbbell)[0]!.at.x - 29)).toBeLessThan(0.5);
    expect(Math.abs(twice(full(0, 40), { ...dumbbell, area: `${box(20, 0, 18, 20)} ${box(2, 0, 11, 20)}` })[0]!.at.x - 29)).toBeLessThan(
      0.5,
    );
  });

  it('light cover, lines and what is not sewn do not count', () => {
    const pairs = (more: MadePiece) => [twice(full(0, 40, more), full(10, 12)).length, twice(full(0, 40), full(10, 12, more)).length];
    expect(pairs({ settings: { spacing: 0.6 } })).toEqual([0, 0]);
    expect(pairs({ settings: { spacing: 0.59 } })).toEqual([1, 1]);
    expect(pairs({ kind: 'run', line: 'M0,0 h9' })).toEqual([0, 0]);
    expect(pairs({ unsewn: true })).toEqual([0, 0]);
    expect(pairs({ settings: {} })).toEqual([0, 0]);
  });
});

describe('openings that cost stitches', () => {
  const frame = (side: number): string => `${box(-15, -15, 30)} M${-side / 2},${-side / 2} v${side} h${side} v${-side} Z`;
  const opened = (side: number, over: MadePiece = {}, later: MadePiece[] = []) =>
    found(openingCosts, [{ area: frame(side), ...over }, ...later]);

  it('are told with what they cost, and sewn over', () => {
    const [one] = opened(3);
    expect(one).toMatchObject({ pieces: ['p0'], at: { x: 0, y: 0 }, unit: '', limit: 0, spoilsMm2: 0 });
    expect(one!.measured).toBeGreaterThanOrEqual(5);
    expect(one!.message).toContain('9 mm²');
    expect(opened(3, one!.fix!.pieces![0]!.patch as MadePiece)).toEqual([]);
  });

  it('not when they save stitches, nor in columns or lines', () => {
    expect(opened(12.2)).toEqual([]);
    expect(opened(3, { kind: 'satin' })).toEqual([]);
    expect(opened(3, { unsewn: true })).toEqual([]);
    expect(found(openingCosts, [{ area: box(0, 0, 20) }])).toEqual([]);
  });

  it('not when they are so large that they are left open whatever they cost', () => {
    const slot = (high: number) => found(openingCosts, [{ area: `${box(-15, -15, 30)} M-12,${-high / 2} v${high} h24 v${-high} Z` }]);
    expect([3, 3.5, 3.8].map((high) => slot(high).length)).toEqual([1, 1, 0]);
  });

  it('small ones under later cover are told by another rule, larger ones here', () => {
    expect(opened(3, {}, [{ area: box(-3, -3, 6) }])).toEqual([]);
    expect(opened(3, {}, [{ area: box(20, 20, 6) }])).toHaveLength(1);
    const under = opened(5, {}, [{ area: box(-4, -4, 8) }]);
    under.forEach((f) => expect(f.message).toContain('sewn over it anyway'));
    opened(5).forEach((f) => expect(f.message).toContain('cloth is to show'));
    expect(under.length).toBe(opened(5).length);
    const before = found(openingCosts, [{ area: box(-4, -4, 8) }, { area: frame(5) }]);
    before.forEach((f) => expect(f.message).toContain('cloth is to show'));
    expect(before.length + opened(5).length).toBe(2 * under.length);
  });
});

describe('an outline beside its edge', () => {
  const ring = (dx: number, dy: number, wide = 1): string =>
    `${box(-wide + dx, -wide + dy, 20 + 2 * wide)} M${wide + dx},${wide + dy} v${20 - 2 * wide} h${20 - 2 * wide} v${-20 + 2 * wide} Z`;
  const field = item(area(0, 0, 20), { rim: area(0, 0, 20), areaMm2: 400 });
  const outline = item([...area(-1, -1, 22), ...area(1, 1, 18)], { widthMm: 2 });
  const nudged = (dx: number, dy = 0, over: MadePiece = {}) =>
    found(outlineNudged, [{ area: box(0, 0, 20) }, { kind: 'satin', area: ring(dx, dy), ...over }], routed([field, outline]));

  it('is told from 0.3 mm on, with how far and where it is most', () => {
    expect([nudged(0.27).length, nudged(0.33).length, nudged(-0.2, 0.2).length, nudged(-0.25, 0.25).length]).toEqual([0, 1, 0, 1]);
    const [one] = nudged(0.6);
    expect(one).toMatchObject({ pieces: ['p1', 'p0'], limit: 0.3, unit: 'mm' });
    expect(Math.abs(one!.measured - 0.6)).toBeLessThan(0.03);
    expect(Math.abs(one!.at.x - 20)).toBeLessThan(0.5);
    expect(Math.abs(nudged(0, -0.6)[0]!.at.y)).toBeLessThan(0.5);
  });

  it('goes back by so much unless it is locked', () => {
    const { patch } = nudged(0.5, -0.4)[0]!.fix!.pieces![0]!;
    expect(Object.keys(patch!)).toEqual(['area']);
    expect(nudged(0, 0, { area: patch!.area! })).toEqual([]);
    expect(nudged(0.6, 0, { locked: true })[0]).not.toHaveProperty('fix');
  });

  it('one that is as far outside all round was drawn so', () => {
    expect(found(outlineNudged, [{ area: box(0, 0, 20) }, { kind: 'satin', area: `${box(-1.6, -1.6, 23.2)} M0.4,0.4 v19.2 h19.2 v-19.2 Z` }], routed([field, outline]))).toEqual([]); // prettier-ignore
  });

  it('one of which only a side was moved is another shape', () => {
    const uneven = `${box(-1, -1, 23.2, 22)} M1,1 v18 h19.2 v-18 Z`;
    expect(found(outlineNudged, [{ area: box(0, 0, 20) }, { kind: 'satin', area: uneven }], routed([field, outline]))).toEqual([]);
  });

  it('is told of any shape, moved in any direction, once', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.4, max: 1.2, noNaN: true }), fc.double({ min: 0, max: 6.28, noNaN: true }), (mm, a) => {
        const [dx, dy] = [mm * Math.cos(a), mm * Math.sin(a)];
        // A triangle: there are more places on one side of it than on the others.
        const edge = (by: number, x = 0, y = 0): string =>
          `M${x - 2 * by},${y - by} L${x + 24 + 3 * by},${y - by} L${x - 2 * by},${y + 14 + 2 * by} Z`;
        const shapes: MadePiece[] = [{ area: edge(0) }, { kind: 'satin', area: `${edge(0.8, dx, dy)} ${edge(-0.8, dx, dy)}` }];
        const told = found(outlineNudged, [shapes[0]!, shapes[1]!, shapes[0]!], {
          route: { items: [field, outline, { ...field }, { ...outline }], pieces: [0, 1, 2, 1] },
        });
        expect(told).toHaveLength(1);
        expect(Math.abs(told[0]!.measured - mm)).toBeLessThan(0.12);
        expect(told[0]!.spoilsMm2).toBeGreaterThan(20 * mm);
      }),
      { numRuns: 25, seed: 8 },
    );
  });

  it('nothing is told of what outlines nothing', () => {
    expect(found(outlineNudged, [{ area: box(0, 0, 20) }, { area: box(50, 0, 9) }], routed([field, item(area(50, 0, 9))]))).toEqual([]);
  });
});

describe('the size ordered', () => {
  const sized = (asked: { width?: number; height?: number }, widthMm: number, heightMm = 50, job: MadeContext['job'] = {}) =>
    found(sizeDiffers, [{}], { brief: { size: asked }, figures: { widthMm, heightMm }, job });

  it('of drawn work may differ by compensation: 2 mm and a twentieth', () => {
    expect([sized({ width: 100 }, 106.9).length, sized({ width: 100 }, 107.1).length, sized({ width: 100 }, 92.9).length]).toEqual([
      0, 1, 1,
    ]);
    expect(sized({ width: 100 }, 92.9)[0]).toMatchObject({
      severity: 'warn',
      pieces: [],
      measured: 92.9,
      limit: 100,
      unit: 'mm',
      fix: { brief: { size: { width: 92.9 } } },
    });
    expect(sized({ width: 100 }, 92.9)[0]!.message).toContain('100 mm wide');
    expect(sized({ height: 80 }, 10, 60)[0]!.message).toContain('80 mm high');
    expect(sized({ width: 100 }, 92.9)[0]!.at).toEqual({ x: 0, y: 0 });
    expect(sized({ height: 80 }, 10, 60)[0]).toMatchObject({ measured: 60, fix: { brief: { size: { height: 60 } } } });
  });

  it('is severe where it is off by more than two fifths', () => {
    expect([sized({ width: 100 }, 59)[0], sized({ width: 100 }, 61)[0]].map((f) => f!.severity)).toEqual([undefined, 'warn']);
  });

  it('is not asked of work that has no size, or none that was ordered', () => {
    expect(sized({}, 50)).toEqual([]);
    expect(sized({ width: 100 }, 0)).toEqual([]);
    expect(found(sizeDiffers, [], { brief: { size: { width: 100 } }, figures: { widthMm: 50, heightMm: 50 } })).toEqual([]);
  });

  it('of a drawing is what its pieces were made at', () => {
    const art = (width: number, madeWith?: string) => ({ artwork: [{ id: 'a', file: 'a.svg', transform: [1, 0, 0, 1, 0, 0], locked: true, madeAt: { width, height: 40 }, ...(madeWith ? { madeWith } : {}) }] }) as MadeContext['job']; // prettier-ignore
    expect(sized({ width: 100 }, 140, 50, art(100))).toEqual([]);
    expect(sized({ width: 100 }, 100, 50, art(99))[0]).toMatchObject({ measured: 99, limit: 100 });
    expect(sized({ width: 100 }, 100, 50, art(99))[0]).not.toHaveProperty('severity');
    expect(sized({ width: 100 }, 100, 50, art(99, 'another drawing'))).toEqual([]);
    expect(sized({ width: 100 }, 80, 50, art(99, 'another drawing'))[0]).toMatchObject({ severity: 'warn', measured: 80 });
  });
});

describe('the weight of the work', () => {
  // Twill over one medium tear-away: 10 N/mm, which bear 1.75 times its root.
  const limit = 1.75 * Math.sqrt(10);
  const heavy = (layers: number, side = 42) =>
    found(tooHeavy, [{}], { events: coverRows(0, 0, side, side, 0.4 / layers), figures: { stitches: 12345 } });

  it('is told with its layers where it is more than the cloth bears', () => {
    expect([heavy(0.95 * limit).length, heavy(1.06 * limit).length]).toEqual([0, 1]);
    const [one] = heavy(7);
    expect(one).toMatchObject({ pieces: [], unit: 'layers' });
    expect(one!.limit).toBeCloseTo(limit, 2);
    expect(Math.abs(one!.measured - 7)).toBeLessThan(0.5);
    expect(Math.hypot(one!.at.x - 21, one!.at.y - 21)).toBeLessThan(1);
    expect(one!.message).toContain('12,345');
    expect(one!.message).toContain('18 cm²');
    expect(one!.limitFrom).toContain('twill');
  });

  it('not of small work', () => {
    expect([heavy(7, 37).length, heavy(7, 40).length]).toEqual([0, 1]);
  });
});
