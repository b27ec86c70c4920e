import fc from 'fast-check';
import { nearestOnLine } from '../geometry/line';
import { dataToRings } from '../geometry/path';
import type { Point } from '../geometry/point';
import type { Job, Piece, RoutePolicy } from '../document/types';
import { jobOf, piece } from '../pieces/fixtures';
import { objectiveOf } from '../route/objectives';
import { allows, constraintsOf } from '../route/constraints';
import { evaluate } from '../route/startsAndEnds';
import { optimalOrder } from '../route/exact';
import { CoverGrid } from '../route/coverGrid';
import { moveSome } from '../route/moves';
import { searchOrder } from '../route/search';
import { random as seeded } from '../units/random';
import { Planner } from './planner';
import { measurePlan } from './measure';
import { inOrder, proposeRoute } from './proposeRoute';
import { routeInput } from './links';
import { wordPieces } from './wordFixtures';

const rect = (x: number, y: number, w: number, h: number): string => `M${x},${y} h${w} v${h} h${-w} Z`;
const bar = (x: number, y: number, w: number, h: number, thread = 't1'): Piece =>
  piece('satin', {
    thread,
    ...(w > h ? { sides: [`M${x},${y} h${w}`, `M${x},${y + h} h${w}`] } : { sides: [`M${x},${y} v${h}`, `M${x + w},${y} v${h}`] }),
  });
const block = (x: number, y: number, w: number, h: number, thread = 't1'): Piece => piece('fill', { thread, area: rect(x, y, w, h) });
const figures = (job: Job) => measurePlan(job, new Planner().plan(job));
const named = (pieces: readonly Piece[]): Job => {
  const job = jobOf(pieces);
  return { ...job, pieces: job.pieces.map((p, i) => ({ ...p, name: `n${i}` })) };
};
const after = (job: Job, policy: RoutePolicy): { trims: number; changes: number; order: number[]; seconds: number } => {
  const found = proposeRoute(job, policy);
  const planned = figures(inOrder(job, found.order));
  return {
    trims: planned.trims,
    changes: planned.colourChanges,
    seconds: planned.runSeconds,
    order: found.order.map((id) => job.pieces.findIndex((p) => p.id === id)),
  };
};

/** A block letter as one outline: E, F, H, I or L, 10 mm high with 2.5 mm strokes, feet 0.9 mm apart from the next. */
const LETTERS: Record<string, string> = {
  E: 'h7 v2.5 h-4.5 v1.4 h4 v2.2 h-4 v1.4 h4.5 v2.5 h-7 Z',
  F: 'h7 v2.5 h-4.5 v1.4 h4 v2.2 h-4 v3.9 h-2.5 Z',
  H: 'h2.5 v3.7 h2 v-3.7 h2.5 v10 h-2.5 v-3.8 h-2 v3.8 h-2.5 Z',
  I: 'h2.5 v10 h-2.5 Z',
  L: 'h2.5 v7.5 h4.5 v2.5 h-7 Z',
};

test('a five-letter block word in one colour is one thread: it is cut once, at the end', () => {
  let x = 0;
  const pieces = [...'FILEH'].map((letter) => {
    const made = piece('satin', { area: `M${x},0 ${LETTERS[letter]}` });
    x += (letter === 'I' ? 2.5 : 7) + 0.9;
    return made;
  });
  const job = named(pieces);
  expect(after(job, 'registration').trims).toBe(1);
  expect(after(named([pieces[3]!, pieces[0]!, pieces[4]!, pieces[2]!, pieces[1]!]), 'stops').trims).toBe(1);
});

test('twelve pennants whose feet lie under one later dark band are cut once', () => {
  const pennants = Array.from({ length: 12 }, (_, i) => piece('fill', { area: `M${i * 8},0 h5 v12 h-5 Z`, thread: 't1' }));
  const band = block(-2, 10, 97, 5, 't2');
  const job = named([...pennants, band]);
  const found = after(job, 'stops');
  // One before the band's thread, one at the very end.
  expect(found.trims).toBe(2);
  expect(found.changes).toBe(1);
});

test('seven small discs, each crossed by a later bean line of their colour, have no cuts between them', () => {
  const at = (k: number, r: number): [number, number] => [r * Math.cos((2 * Math.PI * k) / 7), r * Math.sin((2 * Math.PI * k) / 7)];
  const discs = Array.from({ length: 7 }, (_, k) => {
    const [x, y] = at(k, 20);
    return piece('fill', { area: `M${x - 2},${y} a2,2 0 1 0 4,0 a2,2 0 1 0 -4,0 Z` });
  });
  const ring = Array.from({ length: 57 }, (_, k) => at(k / 8, 20)).map(([x, y]) => `${x},${y}`);
  const line = piece('run', { line: `M${ring.join(' L')}` }, { style: 'bean', passes: 3 });
  expect(figures(named([...discs, line])).trims).toBe(1);
  const job = named([3, 0, 5, 1, 6, 2, 4].map((k) => discs[k]!).concat(line));
  expect(after(job, 'stops').trims).toBe(1);
});

test('where registration costs one more stop, each policy gives its own optimum', () => {
  const fill = block(0, 0, 20, 20, 't1');
  const frame = piece('satin', { thread: 't2', line: 'M0,0 H20 V20 H0 Z', width: 2.5, join: 'miter', cap: 'butt' });
  // A second area of the first colour that overlaps the first fill, away from its frame.
  const inlay = block(7, 7, 6, 6, 't1');
  const job = named([fill, frame, inlay]);
  expect(after(job, 'stops')).toMatchObject({ changes: 1, order: [0, 2, 1] });
  const sewnLate = named([fill, inlay, frame]);
  expect(after(sewnLate, 'registration')).toMatchObject({ changes: 2, order: [0, 2, 1] });
});

describe('a crest of random pieces', () => {
  const POLICIES = ['registration', 'stops', 'cap', 'sections'] as const;
  const crest = (seed: number): Job => {
    const next = seeded(seed);
    const pieces = Array.from({ length: 6 + Math.floor(next() * 5) }, () => {
      const [x, y, w, h] = [-50 + next() * 90, -25 + next() * 45, 4 + next() * 14, 4 + next() * 10];
      const thread = `t${1 + Math.floor(next() * 4)}`;
      if (next() < 0.6) return block(x, y, w, h, thread);
      const closed = next() < 0.3 ? ` h${-w} Z` : '';
      return piece('satin', { thread, line: `M${x},${y} h${w} v${h}${closed}`, width: 2 + next(), join: 'miter' });
    });
    const job = named(pieces);
    return { ...job, brief: { ...job.brief, cloth: 'cap', hoop: { width: 200, height: 100, shape: 'rect' } } };
  };

  it.each(Array.from({ length: 3 }, (_, k) => 77 * (k + 1)))(
    '%i: nothing is called better that costs more cuts or stops and more time',
    (seed) => {
      const drawn = crest(seed);
      const fewest = inOrder(drawn, proposeRoute(drawn, 'stops').order);
      for (const job of [drawn, fewest]) {
        const found = POLICIES.map((policy) => proposeRoute(job, policy));
        for (const { better, trade, before, after } of found) {
          expect(better && trade).toBe(false);
          if (!better && !trade) expect(after).toEqual(before);
          if (after.runSeconds > before.runSeconds + 1e-6 && (after.trims > before.trims || after.colourChanges > before.colourChanges)) {
            expect(better).toBe(false);
          }
        }
        // The order that seeks nothing else has the fewest stops.
        const stops = found.map(({ after }) => after.colourChanges);
        expect(stops[POLICIES.indexOf('stops')]).toBe(Math.min(...stops));
      }
    },
  );
});

test('a registration that costs a stop is a trade, to be decided by a person', () => {
  const fill = block(0, 0, 20, 20, 't1');
  const frame = piece('satin', { thread: 't2', line: 'M0,0 H20 V20 H0 Z', width: 2.5, join: 'miter', cap: 'butt' });
  const found = proposeRoute(named([fill, block(7, 7, 6, 6, 't1'), frame]), 'registration');
  expect(found).toMatchObject({ better: false, trade: true });
  expect(found.after.colourChanges).toBeGreaterThan(found.before.colourChanges);
  expect(found.aim.after).toBeLessThan(found.aim.before);
});

test('a cap is sewn upward, and in each row from the middle out to one side and then to the other', () => {
  const rows = [0, 20, 40];
  const places = rows.flatMap((y) => [-30, -15, 0, 15, 30].map((x) => ({ x, y })));
  const mixed = [7, 2, 12, 0, 14, 5, 9, 3, 11, 1, 8, 13, 4, 10, 6].map((i) => places[i]!);
  const job = named(mixed.map(({ x, y }) => block(x - 4, y - 4, 8, 8)));
  const { order } = after({ ...job, brief: { ...job.brief, cloth: 'cap' } }, 'cap');
  const sewn = order.map((i) => mixed[i]!);
  for (let k = 1; k < sewn.length; k++) {
    expect(sewn[k]!.y).toBeLessThanOrEqual(sewn[k - 1]!.y);
    if (sewn[k]!.y !== sewn[k - 1]!.y) expect(sewn[k]!.x).toBe(0);
    else if (Math.sign(sewn[k]!.x) === Math.sign(sewn[k - 1]!.x)) expect(Math.abs(sewn[k]!.x)).toBeGreaterThan(Math.abs(sewn[k - 1]!.x));
  }
});

test('large work is finished section by section', () => {
  const corners = [
    [0, 0],
    [200, 0],
    [0, 200],
    [200, 200],
  ];
  const pieces = [0, 1, 2].flatMap((k) => corners.map(([x, y]) => block(x! + k * 12, y!, 8, 8)));
  const { order } = after(named(pieces), 'sections');
  const sections = order.map((i) => i % 4);
  expect(sections.filter((s, k) => k === 0 || s !== sections[k - 1])).toHaveLength(4);
});

test('pieces that a person wants one after the other stay so', () => {
  const pieces = [block(0, 0, 6, 6), block(40, 0, 6, 6), block(7, 0, 6, 6)];
  const job = named(pieces);
  const pinned = { ...job, pieces: job.pieces.map((p) => (p.id === 'p2' ? { ...p, sewAfter: 'p1' } : p)) };
  const { order } = after(pinned, 'stops');
  expect(order.indexOf(1)).toBe(order.indexOf(0) + 1);
});

/** All orders that the constraints allow. */
function* orders(n: number, allowed: (order: number[]) => boolean, so: number[] = []): Generator<number[]> {
  if (so.length === n) yield so;
  for (let i = 0; i < n; i++) if (!so.includes(i) && allowed([...so, i])) yield* orders(n, allowed, [...so, i]);
}

let seed = 7;
const random = (below: number): number => (seed = (seed * 48271) % 2147483647) % below;

/** A job of bars and blocks in two colours that lie about each other. */
function randomJob(n: number): Job {
  const pieces = Array.from({ length: n }, () => {
    const thread = `t${1 + random(2)}`;
    const [x, y] = [random(24), random(24)];
    return random(3) === 0 ? bar(x, y, 2, 6 + random(6), thread) : block(x, y, 4 + random(5), 4 + random(5), thread);
  });
  return named(pieces);
}

function routed(job: Job) {
  const { items, options } = routeInput(job, new Planner().shape(job));
  return { items, options: { ...options, fine: false }, constraints: constraintsOf(items) };
}

test('the exact order of a few pieces is the best of all orders judged one by one', () => {
  for (let round = 0; round < 20; round++) {
    const { items, options, constraints } = routed(randomJob(3 + random(4)));
    const ground = new CoverGrid(items);
    const partly = (so: number[]): boolean => constraints.before[so[so.length - 1]!]!.every((j) => so.includes(j));
    let best = Infinity;
    for (const order of orders(items.length, partly)) best = Math.min(best, evaluate(ground, items, order, options).seconds);
    const found = optimalOrder(items, constraints, options);
    expect(allows(constraints, found.order)).toBe(true);
    expect(found.seconds).toBeCloseTo(best, 6);
    expect(evaluate(ground, items, found.order, options).seconds).toBeCloseTo(best, 6);
  }
}, 60_000);

test('on 40 random jobs of up to 8 pieces the order found is within 2 % of the best of all orders, by machine time', () => {
  let worst = 0;
  for (let round = 0; round < 40; round++) {
    const job = randomJob(3 + random(6));
    const { items, options, constraints } = routed(job);
    const order = searchOrder(items, { evaluate: options, aim: objectiveOf('stops', items), constraints, progress: () => undefined });
    expect(allows(constraints, order)).toBe(true);
    const best = optimalOrder(items, constraints, options).seconds;
    const sewing = figures(job).stitches * options.pace.stitch;
    const own = evaluate(new CoverGrid(items), items, order, options).seconds;
    worst = Math.max(worst, (own + sewing) / (best + sewing) - 1);
  }
  expect(worst).toBeLessThan(0.02);
}, 120_000);

describe('words of block capitals', () => {
  const awayMm = (a: readonly Point[][], b: readonly Point[][]): number =>
    Math.min(
      ...a.flatMap((ring) => ring.flatMap((p) => b.map((other) => nearestOnLine([...other, other[0]!], p).distance))),
      ...b.flatMap((ring) => ring.flatMap((p) => a.map((other) => nearestOnLine([...other, other[0]!], p).distance))),
    );
  const letter = fc.constantFrom(...'ABCDEFGHIJKLMNOPQRSTUVWXYZ');
  const word = fc.record({
    letters: fc.array(letter, { minLength: 3, maxLength: 9 }),
    heightMm: fc.double({ min: 6, max: 20, noNaN: true }),
    bar: fc.double({ min: 0.14, max: 0.2, noNaN: true }),
    gapMm: fc.double({ min: 0.6, max: 2.2, noNaN: true }),
    shuffle: fc.infiniteStream(fc.nat()),
  });

  it('as outlines are cut once, whatever order they are drawn in', () => {
    fc.assert(
      fc.property(word, ({ letters, heightMm, bar, gapMm, shuffle }) => {
        const pieces = wordPieces({ text: letters.join(''), heightMm, barMm: bar * heightMm, gapMm }, 'outlines');
        // Neighbours that are farther apart at their nearest than a stitch may show are rightly cut between.
        const rings = pieces.map((p) => dataToRings(p.area!));
        const apart = rings.slice(1).filter((own, i) => awayMm(own, rings[i]!) > 2.5).length;
        const keys = pieces.map((p) => ({ p, key: shuffle.next().value as number }));
        expect(after(named(keys.sort((a, b) => a.key - b.key).map((k) => k.p)), 'stops').trims).toBeLessThanOrEqual(1 + apart);
      }),
      { seed: 7, numRuns: 25 },
    );
  });

  it('as bars are planned with the cuts that the search judged, and no random moves find fewer', () => {
    const next = seeded(31);
    let [planned, judged] = [0, 0];
    for (let k = 0; k < 3; k++) {
      const text = Array.from({ length: 3 + (k % 5) }, () => String.fromCharCode(65 + Math.floor(26 * next()))).join('');
      const heightMm = 6 + 12 * next();
      const bars = wordPieces({ text, heightMm, barMm: (0.14 + 0.06 * next()) * heightMm, gapMm: 0.6 + 1.6 * next() }, 'bars');
      const drawn = named(bars.map((p) => ({ p, key: next() })).sort((a, b) => a.key - b.key).map((s) => s.p)); // prettier-ignore
      const found = after(drawn, 'stops');
      planned += found.trims;
      const { items, options, constraints } = routed(drawn);
      const ground = new CoverGrid(items);
      const judge = (order: readonly number[]) => evaluate(ground, items, order, options);
      judged += judge(found.order).trims;
      let [order, least] = [found.order, judge(found.order).seconds];
      for (let t = 0; t < 60; t++) {
        const moved = moveSome(order, next, constraints);
        const seconds = moved ? judge(moved).seconds : Infinity;
        if (seconds < least) [order, least] = [moved!, seconds];
      }
      expect(judge(order).trims).toBe(judge(found.order).trims);
    }
    expect(Math.abs(planned - judged)).toBeLessThanOrEqual(1);
  });
});
