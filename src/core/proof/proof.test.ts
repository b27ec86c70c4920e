import type { Brief, Job, Piece, PieceSettings } from '../document/types';
import { jobOf, piece } from '../pieces/fixtures';
import { correct } from '../forecast/correct';
import { Planner } from '../plan/planner';
import type { Finding } from './finding';
import { prove } from './prove';
import { withFix } from './withFix';
import { CHECKS } from './registry';
import { laidOn } from '../pieces/prepare/laidOn';
import { histogramOf, weigh, layerPeak, holePeak } from '../stitches/weight';

const block = (x: number, y: number, w: number, h: number, settings: PieceSettings = {}, over: Partial<Piece> = {}): Piece =>
  piece('fill', { area: `M${x},${y} h${w} v${h} h${-w} Z`, ...over }, settings);
const bar = (w: number, settings: PieceSettings = {}, over: Partial<Piece> = {}): Piece =>
  piece('satin', { sides: [`M-15,${-w / 2} H15`, `M-15,${w / 2} H15`], ...over }, settings);
const job = (pieces: readonly Piece[], brief: Partial<Brief> = {}, more: Partial<Job> = {}): Job => {
  const made = jobOf(pieces);
  return { ...made, ...more, brief: { ...made.brief, hoop: { width: 200, height: 200, shape: 'rect' }, ...brief } };
};
const centred = (...settings: PieceSettings[]): Job => job(settings.map((s) => block(-10, -10, 20, 20, s)));

interface Pair {
  faulty: Job;
  good: Job;
  at?: { x: number; y: number };
  measured?: number;
  within?: number;
}

const cap = { cloth: 'cap', place: 'cap-front' } as const;
const tower = (order: readonly number[]): Piece[] => order.map((k) => block(-5, 30 - k * 20, 10, 10));
const noisy = Array.from({ length: 200 }, (_, i) => {
  const a = (2 * Math.PI * i) / 200;
  const r = 10 + 0.05 * (i % 2);
  return `${(r * Math.cos(a)).toFixed(2)},${(r * Math.sin(a)).toFixed(2)}`;
}).join(' L');
const frame = (x: number): Piece => piece('satin', { line: `M${x},-8 h16 v16 h-16 Z`, width: 2, join: 'miter', cap: 'butt', thread: 't2' });

const slab = (x: number, y: number, w: number, h: number, more: Piece['settings'] = {}): Piece => block(x, y, w, h, { angle: 0, ...more });
const inlays = Array.from({ length: 10 }, (_, k) => block(-24 + k * 5, -20, 4.4, 40, { pullComp: 0.4 }, { thread: 't2' }));
const edging = piece('satin', { line: 'M-30,-30 h60 v60 h-60 Z', width: 5, join: 'miter', thread: 't2' });
const says = (text: string, x: number): Piece => piece('lettering', { lettering: { text, face: 'treadle', height: 12, at: [x, 6] } });
const corners = [
  [-140, -140],
  [130, -140],
  [-140, 100],
  [130, 100],
] as const;
const large = (pieces: readonly Piece[]): Job => job(pieces, { hoop: { width: 360, height: 360, shape: 'rect' } });
/** Two flat letters with a round one between them. */
const word = (height: number, round = height): Piece[] => {
  const stem = (x: number): Piece => piece('fill', { area: `M${x},${-height / 2} h${height * 0.4} v${height} h${-height * 0.4} Z` });
  const [r, w] = [round / 2, 0.4 * height];
  const bowl = piece('fill', { area: `M${-w},0 a${w},${r} 0 1 0 ${2 * w},0 a${w},${r} 0 1 0 ${-2 * w},0 Z` });
  return [stem(-height), bowl, stem(0.6 * height)];
};
/** Three uprights, 3.4 mm apart, the middle one with settings of its own. */
const joined = (settings: PieceSettings): Job =>
  job(
    [0, 1, 2].map((k) => piece('satin', { area: `M${-4.9 + 6.4 * (k - 1) + 3.4},-5 h3 v10 h-3 Z` }, k === 1 ? settings : {})),
    {},
    { settings: { trimDistance: 5 } },
  );
const holed = (side: number): Piece =>
  piece('fill', { area: `M-15,-15 h30 v30 h-30 Z M${-side / 2},${-side / 2} v${side} h${side} v${-side} Z` });

/** Two small blocks far apart on a large one. */
const onBase = (over: Partial<Piece>): Piece[] => [
  block(-30, -10, 60, 20),
  block(-20, -5, 8, 10, {}, { thread: 't2' }),
  block(12, -5, 8, 10, {}, { thread: 't2', ...over }),
];
const rim = piece('border', { area: 'M-20,-20 h40 v40 h-40 Z', width: 4, thread: 't2' });
/** A broad star: its arms are columns, its middle is more than they reach. */
const STAR = 'M0,-20 L5,-6 L20,-6 L8,3 L12,18 L0,9 L-12,18 L-8,3 L-20,-6 L-5,-6 Z';

/** For each rule a job that breaks it, with where and by how much, and the same job mended. */
const PAIRS: Record<string, Pair> = {
  'outside-hoop': { faulty: job([block(92, -10, 12, 20, { pullComp: 0 })]), good: job([block(-6, -10, 12, 20)]), measured: 4, within: 0.3 },
  'satin-too-wide': { faulty: job([bar(11, { satinLimit: 12 })]), good: job([bar(8.9)]), measured: 11, within: 0.3 },
  'satin-too-narrow': { faulty: job([bar(0.4, { pullComp: 0.1 })]), good: job([bar(0.4, { pullComp: 0.4 })]), measured: 0.6, within: 0.02 },
  'line-too-thin': { faulty: job([block(-10, 0, 20, 0.5)]), good: job([block(-10, 0, 20, 2)]), measured: 0.49, within: 0.03 },
  'layers-stacked': {
    faulty: centred({ angle: 0 }, { angle: 45 }, { angle: 90 }, { angle: 135 }, { angle: 20 }, { angle: 70 }),
    good: centred({ angle: 0 }, { angle: 90 }),
  },
  'holes-crowded': {
    faulty: job(Array.from({ length: 6 }, () => block(-10, -10, 20, 20, { stitchLength: 1, underlay: [] }))),
    good: centred({}),
  },
  'direction-as-below': {
    faulty: centred({ angle: 20 }, { angle: 35 }),
    good: centred({ angle: 20 }, { angle: 65 }),
    at: { x: 0, y: 0 },
    measured: 15,
    within: 0.1,
  },
  'underlay-missing': { faulty: centred({ underlay: [] }), good: centred({}), at: { x: 0, y: 0 }, measured: 400, within: 1 },
  'underlay-along-cover': {
    faulty: centred({ angle: 30, underlay: [{ kind: 'lattice', angle: 10 }] }),
    good: centred({ angle: 30, underlay: [{ kind: 'lattice' }] }),
    measured: 10,
    within: 0.1,
  },
  'cover-too-open': { faulty: centred({ spacing: 0.56 }), good: centred({ spacing: 0.45 }), measured: 0.56, within: 0.001 },
  'cover-too-dense': { faulty: centred({ spacing: 0.25 }), good: centred({ spacing: 0.36 }), measured: 0.25, within: 0.001 },
  'foam-underlay': { faulty: job([bar(6, { foam: 3, underlay: [{ kind: 'edge-run' }] })]), good: job([bar(6, { foam: 3 })]) },
  'foam-open-end': { faulty: job([bar(6, { foam: 3, ends: 'open' })]), good: job([bar(6, { foam: 3 })]) },
  'foam-too-open': { faulty: job([bar(6, { foam: 3, spacing: 0.4 })]), good: job([bar(6, { foam: 3 })]), measured: 0.4, within: 0.001 },
  'travel-visible': {
    faulty: job(onBase({ approach: { how: 'travel' } })),
    good: job(onBase({})),
    at: { x: 0, y: 0 },
    measured: 24,
    within: 9,
  },
  'thread-crosses-cloth': {
    faulty: job([block(-20, -5, 8, 10), block(12, -5, 8, 10, {}, { approach: { how: 'travel' } })]),
    good: job([block(-20, -5, 8, 10), block(12, -5, 8, 10)]),
    at: { x: 0, y: 0 },
    measured: 24,
    within: 2,
  },
  'thread-unheld': {
    faulty: joined({ tieOff: false }),
    good: joined({}),
    at: { x: 3.2, y: 0 },
    measured: 3.4,
    within: 0.8,
  },
  'outline-nudged': {
    faulty: job([block(-8, -8, 16, 16), { ...frame(-8), line: 'M-7.4,-8.4 h16 v16 h-16 Z' }]),
    good: job([block(-8, -8, 16, 16), frame(-8)]),
    measured: 0.72,
    within: 0.07,
  },
  'compensation-low': {
    faulty: job([block(-10, -10, 20, 20, { pullComp: 0.1 })], { cloth: 'jersey' }),
    good: job([block(-10, -10, 20, 20, { pullComp: 0.6 })], { cloth: 'jersey' }),
    measured: 0.1,
    within: 0.001,
  },
  'border-early': {
    faulty: job([block(-20, -20, 40, 40), rim, block(-5, -5, 10, 10, {}, { thread: 't2' })]),
    good: job([block(-20, -20, 40, 40), block(-5, -5, 10, 10, {}, { thread: 't2' }), rim]),
    measured: 1,
    within: 0,
  },
  'cover-missing': { faulty: job([piece('satin', { area: STAR })]), good: job([piece('fill', { area: STAR })]), measured: 61, within: 6 },
  'size-differs': {
    faulty: job([block(-40, -10, 80, 20)], { size: { width: 150 } }),
    good: job([block(-40, -10, 80, 20)], { size: { width: 80 } }),
    measured: 80.5,
    within: 1,
  },
  'colour-returns': {
    faulty: job([block(-30, 0, 8, 8), block(-10, 0, 8, 8, {}, { thread: 't2' }), block(10, 0, 8, 8)]),
    good: job([block(-30, 0, 8, 8), block(10, 0, 8, 8), block(-10, 0, 8, 8, {}, { thread: 't2' })]),
    measured: 1,
    within: 0,
  },
  'opening-costs': {
    faulty: job([holed(5)]),
    good: job([block(-15, -15, 30, 30)]),
    at: { x: 0, y: 0 },
  },
  'cover-twice': {
    faulty: centred({ angle: 0 }, { angle: 60 }),
    good: job([block(-10, -10, 20, 20, { angle: 0, spacing: 1.2 }), block(-10, -10, 20, 20, { angle: 60 })]),
    at: { x: 0, y: 0 },
    measured: 400,
    within: 5,
  },
  'too-heavy': {
    faulty: job(
      [0, 45, 90, 135].map((angle) => block(-25, -25, 50, 50, { angle })),
      { cloth: 'jersey' },
    ),
    good: job([block(-25, -25, 50, 50)], { cloth: 'jersey' }),
  },
  'tie-missing': { faulty: job([block(-10, -10, 20, 20, { tieOff: false })]), good: centred({}) },
  'ties-piled': {
    faulty: job(
      Array.from({ length: 5 }, (_, k) => block(0, 0, 6, 6, { underlay: [] }, { start: [0, 0], end: [6, 6], thread: k % 2 ? 't2' : 't1' })),
    ),
    good: centred({}),
  },
  'cap-order': { faulty: job(tower([3, 2, 1, 0]), cap), good: job(tower([0, 1, 2, 3]), cap), measured: 3, within: 0 },
  'cap-too-tall': { faulty: job([block(-5, -35, 10, 70)], cap), good: job([block(-5, -25, 10, 50)], cap), measured: 70, within: 1.5 },
  'cap-brim': { faulty: job([block(-5, 7, 10, 22)], { ...cap, hoop: { width: 130, height: 60, shape: 'rect' } }), good: job([block(-5, -10, 10, 22)], { ...cap, hoop: { width: 130, height: 60, shape: 'rect' } }), measured: 1, within: 0.5 }, // prettier-ignore
  'cap-seam': { faulty: job([says('Hi', 5.5)], cap), good: job([says('Hi', -12)], cap) },
  'outline-late': {
    faulty: job([block(-28, -8, 16, 16), ...[0, 1, 2, 3, 4].map((k) => block(10 + k * 12, -40, 8, 8)), frame(-28)]),
    good: job([block(-28, -8, 16, 16), frame(-28), ...[0, 1, 2, 3, 4].map((k) => block(10 + k * 12, -40, 8, 8))]),
    measured: 5,
    within: 0,
  },
  'trim-avoidable': {
    faulty: job([block(-10, -4, 8, 8), block(-1.5, -4, 8, 8, {}, { approach: { how: 'trim' } })]),
    good: job([block(-10, -4, 8, 8), block(-1.5, -4, 8, 8)]),
  },
  'stops-exceed-colours': {
    faulty: job(Array.from({ length: 8 }, (_, k) => block(k * 10 - 40, 0, 8, 8, {}, { thread: k % 2 ? 't2' : 't1' }))),
    good: job(Array.from({ length: 8 }, (_, k) => block(k * 10 - 40, 0, 8, 8, {}, { thread: k > 3 ? 't2' : 't1' }))),
    measured: 7,
    within: 0,
  },
  'off-centre': { faulty: job([block(20, -10, 20, 20)]), good: centred({}), at: { x: 30, y: 0 }, measured: 30, within: 0.6 },
  'too-many-nodes': { faulty: job([piece('fill', { area: `M${noisy} Z` })]), good: centred({}), measured: 200, within: 1 },
  'gap-forecast': {
    faulty: job([slab(-30, -30, 60, 60, { pullComp: 0.4 }), ...inlays, edging], { cloth: 'jersey' }),
    good: job([slab(-30, -30, 60, 60), edging, ...inlays], { cloth: 'jersey' }),
    // What batches of five stitches with full cycles say on both grids.
    measured: 1.44,
    within: 0.05,
  },
  'overlap-too-small': {
    faulty: job([block(-20, -10, 20, 20, { pullComp: 0 }), block(0, -10, 20, 20, { pullComp: 0 })]),
    good: job([block(-20, -10, 21.4, 20, { pullComp: 0 }), block(0, -10, 20, 20, { pullComp: 0 })]),
    at: { x: 0, y: 0 },
    measured: 0,
    within: 0.25,
  },
  'unsewn-slot': {
    faulty: job([block(-20, -10, 20, 20, { pullComp: 0 }), block(0.5, -10, 20, 20, { pullComp: 0 })]),
    good: job([block(-20, -10, 21.4, 20, { pullComp: 0 }), block(0, -10, 20, 20, { pullComp: 0 })]),
    at: { x: 0, y: 0 },
    measured: 0.5,
    within: 0.1,
  },
  'section-hopping': {
    faulty: large(corners.flatMap((_, i) => corners.map((_c, k) => block(corners[k]![0], corners[k]![1] + 10 * i, 8, 8)))),
    good: large(corners.flatMap(([x, y]) => corners.map((_c, k) => block(x, y + 10 * k, 8, 8)))),
    measured: 11,
    within: 2,
  },
  'same-direction-sections': {
    faulty: large([0, 1, 2].map((k) => block(-90 + 60 * k, -30, 60, 60, { angle: 30 }))),
    good: large([0, 1, 2].map((k) => block(-90 + 60 * k, -30, 60, 60, { angle: k % 2 ? 120 : 30 }))),
    measured: 2,
    within: 0,
  },
  'tie-doubled': {
    faulty: job([block(-10, 0, 8, 8), block(-1.5, 0, 8, 8)], {}, { settings: { tieWhen: 'always' } }),
    good: job([block(-10, 0, 8, 8), block(-1.5, 0, 8, 8)], {}, { settings: { tieWhen: 'trims' } }),
  },
  'tie-shown': {
    faulty: job([piece('run', { line: 'M-10,0 H10' }, { tieShape: 'cross' })]),
    good: job([piece('run', { line: 'M-10,0 H10' }, { tieShape: 'cross' }), block(-14, -4, 28, 8, {}, { thread: 't2' })]),
    at: { x: -10, y: 0 },
  },
  'underlay-outside': {
    faulty: centred({ underlay: [{ kind: 'edge-run', inset: 0.1 }] }),
    good: centred({ underlay: [{ kind: 'edge-run', inset: 0.8 }] }),
    measured: 0.1,
    within: 0.05,
  },
  'underlay-too-heavy': {
    faulty: centred({ underlay: Array.from({ length: 4 }, () => ({ kind: 'lattice' as const, spacing: 1 })) }),
    good: centred({ underlay: [{ kind: 'lattice', spacing: 2.5 }] }),
    measured: 1.6,
    within: 0.4,
  },
  'light-cover-colour': {
    faulty: job([block(-10, -10, 20, 20, { spacing: 1.2 })], { clothHex: '#f4f4f0' }),
    good: job([block(-10, -10, 20, 20, { spacing: 0.4 })], { clothHex: '#f4f4f0' }),
  },
  'foam-travel': {
    faulty: job([bar(6, { foam: 3 }), block(-26, -4, 8, 8), block(18, -4, 8, 8, {}, { approach: { how: 'travel', way: 'M-15,0 L15,0' } })]),
    good: job([bar(6, { foam: 3 }), block(-26, -4, 8, 8), block(18, -4, 8, 8)]),
    at: { x: -10, y: 0 },
  },
  'small-letter': { faulty: job(word(3.2)), good: job(word(9)), measured: 3.2, within: 0.1 },
  'letter-heights': { faulty: job(word(10, 8)), good: job(word(10, 10.2)) },
  'opening-carved': {
    faulty: job([holed(3), block(-1.5, -1.5, 3, 3, {}, { thread: 't2' })]),
    good: job([holed(8), block(-4, -4, 8, 8, {}, { thread: 't2' })]),
    at: { x: 0, y: 0 },
    measured: 3,
    within: 0.05,
  },
  'cloth-mismatch': {
    faulty: job([block(-10, -10, 20, 20)], {
      cloth: 'fleece',
      recipe: { id: 'x', name: 'x', needle: '75/11 sharp', topping: 'none', speed: 1000 },
    }),
    good: job([block(-10, -10, 20, 20)], { cloth: 'fleece' }),
  },
};

const of = (rule: string, j: Job): Finding[] => prove(j).filter((f) => f.rule === rule);

test.each(Object.entries(PAIRS))('%s fires on the faulty job, at its place with its figure, and not on the mended one', (rule, pair) => {
  const [found] = of(rule, pair.faulty);
  expect(found).toBeDefined();
  expect(of(rule, pair.good)).toEqual([]);
  if (pair.at) expect(Math.hypot(found!.at.x - pair.at.x, found!.at.y - pair.at.y)).toBeLessThan(12);
  if (pair.measured !== undefined) expect(Math.abs(found!.measured - pair.measured)).toBeLessThanOrEqual(pair.within!);
  expect(found!.message.length).toBeGreaterThan(20);
});

test('rules that the engine itself keeps are not fired by anything it sews, and all names differ', () => {
  expect(new Set(CHECKS.map((c) => c.rule)).size).toBe(CHECKS.length);
  for (const { good } of Object.values(PAIRS)) {
    expect(prove(good).filter((f) => f.rule === 'stitch-too-long' || f.rule === 'jump-untrimmed')).toEqual([]);
  }
});

test('a plan from elsewhere with a long stitch, short ones, or a move that is not cut is found out', () => {
  const j = centred({});
  const plan = new Planner().plan(j);
  const at = plan.pieces[0]!.from + 40;
  const long = { ...plan, x: plan.x.map((x, i) => (i === at ? x + 15 : x)) };
  expect(prove(j, undefined, long).some((f) => f.rule === 'stitch-too-long' && f.measured > 12)).toBe(true);
  // Every tenth stitch is drawn to within 0.1 mm of the one before it.
  const short = {
    ...plan,
    x: plan.x.map((x, i) => (i > 50 && i % 10 === 0 ? plan.x[i - 1]! + 0.1 : x)),
    y: plan.y.map((y, i) => (i > 50 && i % 10 === 0 ? plan.y[i - 1]! : y)),
  };
  expect(prove(j, undefined, short).find((f) => f.rule === 'stitch-too-short')?.measured).toBeLessThan(0.3);
  expect(prove(j, undefined, plan).some((f) => f.rule === 'stitch-too-short')).toBe(false);
  const moved = { ...plan, command: plan.command.map((c, i) => (i === at ? 1 : c)), x: long.x };
  expect(prove(j, undefined, moved).some((f) => f.rule === 'jump-untrimmed')).toBe(true);
});

test.each(
  Object.entries(PAIRS).filter(([rule, { faulty }]) => of(rule, faulty)[0]?.fix?.correct === undefined && of(rule, faulty)[0]?.fix),
)('the fix of %s removes its finding', (rule, { faulty }) => {
  const [found] = of(rule, faulty);
  expect(of(rule, withFix(faulty, found!.fix!))).toEqual([]);
});

test('what is to be corrected for the pull is no finding any more once it is', () => {
  const { faulty } = PAIRS['gap-forecast']!;
  const [found] = of('gap-forecast', faulty);
  const made = correct(faulty, { only: found!.fix!.correct! });
  const mended = { ...faulty, pieces: faulty.pieces.map((p) => made.pieces.find((q) => q.id === p.id) ?? p) };
  expect(of('gap-forecast', mended).filter((f) => f.pieces[0] === found!.pieces[0])).toEqual([]);
});

test('every rule that people rely on is there', () => {
  expect(CHECKS).toHaveLength(55);
});

test('an accepted finding keeps the reason', () => {
  const j = centred({ spacing: 0.25 });
  const [found] = of('cover-too-dense', j);
  const accepted = { ...j, accepted: [{ rule: found!.rule, pieces: found!.pieces, reason: 'the customer wants it solid' }] };
  expect(of('cover-too-dense', accepted)[0]!.accepted).toBe('the customer wants it solid');
});

test('weight: a fill at 0.40 is one layer, a satin two, and holes are counted', () => {
  const peak = (p: Piece) => layerPeak(weigh(new Planner().plan(jobOf([p]))), 9).value;
  const fill = peak(block(-10, -10, 20, 20, { underlay: [] }));
  expect(fill).toBeGreaterThan(0.9);
  expect(fill).toBeLessThan(1.5);
  const satin = peak(bar(6, { underlay: [] }));
  expect(satin).toBeGreaterThan(1.8);
  expect(satin).toBeLessThan(2.6);
  const dots = { x: Float32Array.from([0, 0.1, 0.2, 0.3]), y: Float32Array.from([0, 0, 0, 0]), command: new Uint8Array(4) };
  expect(holePeak(weigh(dots), 9).value).toBe(4);
});

test('foam, appliqué cloth and topping make the work thicker where they lie', () => {
  const peak = (p: Piece, brief: Partial<Job['brief']> = {}): number => {
    const bare = jobOf([p]);
    const job = { ...bare, brief: { ...bare.brief, ...brief } };
    const planner = new Planner();
    return layerPeak(weigh(planner.plan(job), laidOn(job, planner.shape(job))), 9).value;
  };
  const bar = piece('satin', { sides: ['M0,0 V30', 'M6,0 V30'] }, { spacing: 0.4, underlay: [], ends: 'open' });
  const flat = peak(bar, { cloth: 'twill' });
  expect(peak({ ...bar, settings: { ...bar.settings, foam: 3 } }, { cloth: 'twill' })).toBeCloseTo(flat + 3, 0);
  expect(peak(bar, { cloth: 'terry' })).toBeGreaterThan(flat + 0.1);
  const patch = piece('applique', { area: 'M-20,-20 h40 v40 h-40 Z' });
  const planner = new Planner();
  const job = jobOf([patch]);
  const bareWeight = weigh(planner.plan(job));
  const laidWeight = weigh(planner.plan(job), laidOn(job, planner.shape(job)));
  const middle = Math.floor(bareWeight.rows / 2) * bareWeight.columns + Math.floor(bareWeight.columns / 2);
  expect(bareWeight.thread[middle]).toBe(0);
  expect(laidWeight.thread[middle]! * 0.4).toBeCloseTo(0.25 * 0.25, 6);
});

test('one sheet of foam counts once under two pieces that overlap', () => {
  const bar = (x: number) => piece('satin', { sides: [`M${x},0 V30`, `M${x + 6},0 V30`] }, { foam: 2 });
  const job = jobOf([bar(0), bar(4)]);
  const laid = laidOn(job, new Planner().shape(job));
  expect(laid.map((l) => l.layers)).toEqual([2]);
});

test('the histogram gives every cell of the work to the bar of its layers', () => {
  const { stepLayers, areasMm2 } = histogramOf(Float32Array.from([0, 0.2, 0.6, 0.9, 1.1, 2.6, 99]));
  const cell = 0.25 * 0.25;
  expect(stepLayers).toBe(0.5);
  expect(areasMm2.slice(0, 6)).toEqual([0, 2 * cell, cell, 0, 0, cell]);
  expect(areasMm2[areasMm2.length - 1]).toBe(cell);
});
