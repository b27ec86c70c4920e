import { Role } from '../stitches/roles';
import type { MeetingEdge } from '../forecast/edgeMeetings';
import { at, box as area, item } from '../route/itemFixtures';
import type { RouteItem } from '../route/item';
import type { Check } from './check';
import { clothMismatch } from './checks/clothMismatch';
import { foamTravel } from './checks/foamTravel';
import { gapForecast } from './checks/gapForecast';
import { outlineLate } from './checks/outlineLate';
import { overlapTooSmall } from './checks/overlapTooSmall';
import { sectionHopping } from './checks/sectionHopping';
import { underlayOutside } from './checks/underlayOutside';
import { unsewnSlot } from './checks/unsewnSlot';
import { contextOf, type MadeContext, type MadeEvent, type MadePiece } from './contextFixtures';

/* Each check on its limit and a hair beyond, on made-up needle events. */

const found = (check: Check, made: readonly MadePiece[], of: MadeContext = {}) => check.find(contextOf(made, of));
const of = (check: Check, events: readonly MadeEvent[], made: readonly MadePiece[] = [{}], more: MadeContext = {}) => found(check, made, { ...more, events }); // prettier-ignore
const { cover, travel, underlay } = Role;
const box = (x: number, y: number, w: number, h: number): string => `M${x},${y} h${w} v${h} h${-w} Z`;

describe('where pieces meet', () => {
  const place = (mm: number, drawn = 0, x = 0, backed = false): MeetingEdge['places'][number] => ({ at: at(x, 0), out: at(1, 0), gapMm: mm, drawnGapMm: drawn, backed }); // prettier-ignore
  const edge = (places: MeetingEdge['places']): MeetingEdge[] => [{ first: 0, later: 1, line: false, places }];
  const two: MadePiece[] = [{ area: box(-20, -10, 20, 20) }, { area: box(0, -10, 20, 20) }];
  const many = (n: number, of: MeetingEdge['places'][number]): MeetingEdge['places'] => Array.from({ length: n }, () => of);

  it('gaps are told with both pieces, and the lower one can be extended unless it is locked', () => {
    const gap = (made: readonly MadePiece[], mm: number, backed = false) =>
      found(gapForecast, made, { meetings: edge([...many(30, place(mm, 0, 1, backed)), place(mm + 0.2, 0, 7, backed)]) });
    const [one] = gap(two, 0.4);
    expect(one).toMatchObject({ pieces: ['p0', 'p1'], at: { x: 7, y: 0 }, limit: 0.15, unit: 'mm', fix: { correct: ['p0'] } });
    expect(one!.measured).toBeCloseTo(0.6, 9);
    expect(one!.message).toMatch(/^Cloth will show between ‘Piece 0’ and ‘Piece 1’/);
    expect(gap(two, 0.4, true)[0]!.message).toMatch(/^What lies beneath/);
    expect(gap([{ ...two[0]!, locked: true }, two[1]!], 0.4)[0]).not.toHaveProperty('fix');
    expect(gap(two, -0.1)).toEqual([]);
  });

  it('neighbours overlap a millimetre along five', () => {
    const overlap = (mm: number, n = 30, made = two) => found(overlapTooSmall, made, { meetings: edge(many(n, place(0, -mm))) });
    expect([overlap(0.76).length, overlap(0.74).length, overlap(-0.2).length]).toEqual([0, 1, 1]);
    expect(overlap(0.3)[0]).toMatchObject({ pieces: ['p0', 'p1'], at: { x: 0, y: 0 }, measured: 0.3, limit: 1, unit: 'mm' });
    expect(overlap(0.3, 2)).toEqual([]);
    const locked = [{ ...two[0]!, locked: true }, two[1]!];
    expect(overlap(0.3, 30, locked)[0]).not.toHaveProperty('fix');
    const along = Array.from({ length: 41 }, (_, k) => ({ ...place(0, -0.3), at: at(0, -10 + k / 2) }));
    const [wide] = found(overlapTooSmall, [two[0]!, { area: box(-0.3, -10, 20, 20) }], { meetings: edge(along) });
    expect(wide!.fix!.pieces![0]).toMatchObject({ id: 'p0', patch: { area: expect.any(String) as string } });
  });

  it('slots of cloth between areas are told', () => {
    const slot = (mm: number, more: readonly MadePiece[] = [], over: MadePiece = {}) => found(unsewnSlot, [{ ...two[0]!, ...over }, { area: box(mm, -10, 20, 20) }, ...more]); // prettier-ignore
    expect([slot(0.04).length, slot(0.3).length, slot(0.7).length, slot(1).length, slot(-1).length]).toEqual([0, 1, 1, 0, 0]);
    const [one] = slot(0.5);
    expect(one).toMatchObject({
      pieces: ['p0', 'p1'],
      limit: 0,
      unit: 'mm',
      fix: { pieces: [{ id: 'p0', patch: { area: expect.any(String) as string } }] },
    });
    expect(Math.abs(one!.measured - 0.5)).toBeLessThanOrEqual(0.1);
    expect([Math.abs(one!.at.x) < 0.1, Math.abs(one!.at.y) < 11]).toEqual([true, true]);
    expect(slot(0.5, [{ area: box(-2, -12, 4, 24) }])).toEqual([]);
    expect(slot(0.5, [], { locked: true })[0]).not.toHaveProperty('fix');
    expect(slot(0.5, [], { areaMm2: 19 })).toEqual([]);
    expect(slot(0.5, [], { areaMm2: 20 })).toHaveLength(1);
    expect(slot(0.5, [], { unsewn: true })).toEqual([]);
    expect(slot(0.5, [], { kind: 'run', line: 'M0,0 h9' })).toEqual([]);
    // Four millimetres of slot at the least.
    const low = (h: number) => found(unsewnSlot, [{ area: box(-20, -10, 20, 20) }, { area: box(0.5, -10, 20, h), areaMm2: 99 }]);
    expect([low(3).length, low(6).length]).toEqual([0, 1]);
  });

  it('letters stand apart on purpose', () => {
    const letters = [0, 1, 2].map((k) => ({ area: box(k * 4.5, 0, 4, 10) }));
    expect(found(unsewnSlot, letters)).toEqual([]);
    expect(found(unsewnSlot, letters.slice(0, 2))).toHaveLength(1);
  });
});

describe('the way', () => {
  const field: RouteItem = item(area(0, 0, 20), { rim: area(0, 0, 20) });
  const outline = item([...area(-1, -1, 22), ...area(1, 1, 18)], { widthMm: 2 });
  const other = (x: number): RouteItem => item(area(x, 0, 4));

  it('from a field to its outline: more than three pieces between are told', () => {
    const late = (n: number) => {
      const items = [field, ...Array.from({ length: n }, (_, k) => other(100 + 9 * k)), outline];
      return found(outlineLate, items.map(() => ({})), { route: { items, pieces: items.map((_, i) => i) } }); // prettier-ignore
    };
    expect([late(3).length, late(4).length]).toEqual([0, 1]);
    expect(late(5)[0]).toMatchObject({ pieces: ['p6', 'p0'], measured: 5, limit: 3 });
  });

  it('another outline of the same field between them does not count', () => {
    const items = [field, ...[0, 1, 2].map((k) => other(100 + 9 * k)), outline, { ...outline }];
    expect(found(outlineLate, items.map(() => ({})), { route: { items, pieces: items.map((_, i) => i) } })).toEqual([]); // prettier-ignore
  });

  it('large work that comes back to finished sections more than twice is told', () => {
    const hop = (sections: readonly number[], widthMm = 250, heightMm = 10) => {
      const items = sections.map((s) => item(area(200 * s, 0, 4)));
      return found(sectionHopping, items.map(() => ({ area: box(3, 4, 2, 2) })), { figures: { widthMm, heightMm }, route: { items, pieces: items.map((_, i) => i) } }); // prettier-ignore
    };
    expect([hop([0, 1, 0, 1]).length, hop([0, 1, 0, 1, 0]).length]).toEqual([0, 1]);
    expect(hop([0, 1, 0, 1, 0])[0]).toMatchObject({ pieces: ['p2', 'p3', 'p4'], at: { x: 4, y: 5 }, measured: 3, limit: 2 });
    expect([hop([0, 1, 0, 1, 0], 249).length, hop([0, 1, 0, 1, 0], 10, 250).length]).toEqual([0, 1]);
  });

  it('over foam is borne for a run along the column, not beyond', () => {
    const bar = { kind: 'satin' as const, area: box(0, 0, 30, 5), widthMm: 5, settings: { foam: 3 } };
    // The column is 30 mm long: 10 mm more are borne.
    const over = (mm: number, made: MadePiece = bar, y = 2) => of(foamTravel, [[0, y, cover], [0.1, y, travel], [mm / 2, y, travel], [0.1, y, travel]], [made]); // prettier-ignore
    expect([over(40).length, over(40.6).length]).toEqual([0, 1]);
    expect(over(50)[0]).toMatchObject({ pieces: ['p0'], limit: 40, unit: 'mm', at: { y: 2 } });
    expect(over(50)[0]!.measured).toBeCloseTo(49.9, 1);
    expect(over(50, bar, 9)).toEqual([]);
    expect(over(50, { ...bar, settings: {} })).toEqual([]);
    const covered = [[0, 2, cover], [25, 2, cover], [0, 2, cover], [25, 2, cover]] as const; // prettier-ignore
    expect(of(foamTravel, covered, [bar])).toEqual([]);
  });
});

describe('underlay beside its cover', () => {
  const at1 = (inset: number, x: number, from: 'settings' | 'byHand', over: MadePiece = {}, later: readonly MadePiece[] = []) =>
    of(underlayOutside, [[5, 5, underlay], [x, 5, underlay], [5, 5, cover]], [{ area: box(0, 0, 10, 10), [from]: { underlay: [{ kind: 'edge-run', inset }] }, ...over }, ...later]); // prettier-ignore

  it('by hand: nearer than a quarter millimetre to the edge', () => {
    expect([at1(0.3, 0.26, 'byHand').length, at1(0.3, 0.24, 'byHand').length, at1(0.3, -0.5, 'byHand').length]).toEqual([0, 1, 1]);
    const [one] = at1(0.1, 0.1, 'byHand');
    expect(one).toMatchObject({
      pieces: ['p0'],
      limit: 0.4,
      unit: 'mm',
      fix: { pieces: [{ id: 'p0', settings: { underlay: [{ kind: 'edge-run', inset: 0.8 }] } }] },
    });
    expect(one!.measured).toBeCloseTo(0.1, 3);
    expect(one!.at.x).toBeCloseTo(0.1, 3);
    expect(one!.message).toContain('peep out');
    expect(at1(0.1, -0.5, 'byHand')[0]!.message).toContain('outside');
    expect(at1(0.6, -0.5, 'byHand')[0]!.fix!.pieces![0]!.settings!.underlay).toEqual([{ kind: 'edge-run', inset: 0.6 }]);
  });

  it('by the rules: outside the cover as it is sewn', () => {
    expect([at1(0.3, -0.1, 'settings').length, at1(0.3, -0.2, 'settings').length]).toEqual([0, 1]);
    const wider = { settings: { underlay: [{ kind: 'edge-run', inset: 0.3 }], pullComp: 0.3 } };
    expect([at1(0.3, -0.4, 'settings', wider).length, at1(0.3, -0.5, 'settings', wider).length]).toEqual([0, 1]);
  });

  it('not in narrow columns, not without an inset, not under later cover', () => {
    expect([at1(0.1, 0.1, 'byHand', { widthMm: 1.9 }).length, at1(0.1, 0.1, 'byHand', { widthMm: 2 }).length]).toEqual([0, 1]);
    expect(at1(0.1, 0.1, 'byHand', { byHand: { underlay: [{ kind: 'lattice' }] } })).toEqual([]);
    expect(at1(0.1, 0.1, 'byHand', { byHand: { underlay: [] } })).toEqual([]);
    const later = (spacing: number, over: MadePiece = {}): MadePiece[] => [{ area: box(-5, -5, 10, 20), settings: { spacing }, ...over }];
    expect([at1(0.1, 0.1, 'byHand', {}, later(0.6)).length, at1(0.1, 0.1, 'byHand', {}, later(0.61)).length]).toEqual([0, 1]);
    expect(at1(0.1, 0.1, 'byHand', {}, later(0.4, { unsewn: true }))).toHaveLength(1);
    expect(at1(0.1, 0.1, 'byHand', {}, later(0.4, { area: box(50, 50, 4, 4) }))).toHaveLength(1);
  });

  it('holes count as edges', () => {
    const holed = of(underlayOutside, [[5, 5, underlay], [3.9, 5, underlay]], [{ area: `${box(0, 0, 10, 10)} M4,4 v2 h2 v-2 Z`, byHand: { underlay: [{ kind: 'edge-run', inset: 0.3 }] } }]); // prettier-ignore
    expect(holed[0]!.measured).toBeCloseTo(-1, 3);
  });
});

describe('the cloth’s recipe', () => {
  const suits = (cloth: string, recipe?: Record<string, unknown>) => found(clothMismatch, [{}], { brief: { cloth: cloth as never, ...(recipe ? { recipe: { id: 'x', name: 'x', ...recipe } } : {}) } }); // prettier-ignore

  it('suits the cloth as it is', () => {
    for (const cloth of ['twill', 'fleece', 'pique', 'terry']) expect(suits(cloth)).toEqual([]);
  });

  it('speed: a fifth more is borne', () => {
    const { speed } = contextOf([{}]).recipe;
    expect([
      suits('twill', { speed: Math.floor(1.2 * speed) }).length,
      suits('twill', { speed: Math.ceil(1.2 * speed) + 1 }).length,
    ]).toEqual([0, 1]);
    const [one] = suits('twill', { speed: 1400 });
    expect(one).toMatchObject({
      pieces: [],
      at: { x: 0, y: 0 },
      measured: 1400,
      limit: speed,
      fix: { brief: { recipe: { id: 'x', name: 'x' } } },
    });
    expect(Object.keys(one!.fix!.brief!.recipe!)).toEqual(['id', 'name']);
  });

  it('needle, topping and stabilizer each have their word', () => {
    expect(suits('fleece', { topping: 'none' })[0]!.message).toMatch(/topping/);
    expect(suits('fleece', { topping: '' })).toHaveLength(1);
    expect(suits('twill', { topping: 'none' })).toEqual([]);
    expect(suits('fleece', { needle: '75/11 sharp' })[0]!.message).toMatch(/sharp needle/);
    expect(suits('fleece', { needle: 'the usual one' })).toEqual([]);
    expect(suits('pique', { stabilizer: 'tear-away, 1 light' })[0]!.message).toMatch(/too light/);
    const all = suits('fleece', { topping: 'none', needle: '75/11 sharp', speed: 1400 })[0]!;
    expect(all.message.split(';')).toHaveLength(3);
    expect(all.message).toMatch(/^[A-Z].*\.$/);
    expect(Object.keys(all.fix!.brief!.recipe!)).toEqual(['id', 'name']);
  });
});
