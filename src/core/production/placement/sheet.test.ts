import type { StitchPlan } from '../../plan/plan';
import { measurePlan } from '../../plan/measure';
import { jobOf, piece } from '../../pieces/fixtures';
import { Command } from '../../stitches/roles';
import { patch, planned } from '../fixtures';
import { sewSheet, sheetOrders, type Sheet, type SheetCopy } from './sheet';

const HOOP = { width: 200, height: 200, shape: 'rect' } as const;
const counts = (plan: StitchPlan): Record<string, number> => {
  const of = (c: number): number => plan.command.reduce((n, v) => n + (v === c ? 1 : 0), 0);
  return { stitches: of(Command.stitch), trims: of(Command.trim), stops: of(Command.stop), ends: of(Command.end) };
};
/** Places of a copy's stitches in the order in which they are sewn. */
const sewn = ({ job, plan }: Pick<Sheet, 'job' | 'plan'>, copy: number, of: { x: number; y: number }): { x: number; y: number }[] => {
  const out: { x: number; y: number }[] = [];
  for (let i = 0; i < plan.x.length; i++) {
    const id = job.pieces[plan.piece[i]!]!.id;
    if (plan.command[i] !== Command.stitch || !new RegExp(`-${copy}(\\.\\d+)?$`).test(id)) continue;
    out.push({ x: plan.x[i]! - of.x, y: plan.y[i]! - of.y });
  }
  return out;
};

const one = patch();
const PLACES = [-45, 0, 45].flatMap((y) => [-25, 25].map((x) => ({ x, y, turn: 0 })));
const six: SheetCopy[] = PLACES.map((at) => ({ ...one, at }));

test('every copy is sewn stitch for stitch as the design is, in both orders', () => {
  const own = Array.from(one.plan.x, (x, i) => [x, one.plan.y[i]!] as const)
    .filter((_, i) => one.plan.command[i] === Command.stitch)
    .map(([x, y]) => ({ x, y }));
  for (const order of ['copy', 'thread'] as const) {
    const sheet = sewSheet(six, order, HOOP);
    PLACES.forEach((at, k) => {
      const copy = sewn(sheet, k + 1, at);
      expect(copy).toHaveLength(own.length);
      copy.forEach((p, i) => expect(Math.hypot(p.x - own[i]!.x, p.y - own[i]!.y)).toBeLessThan(0.002));
    });
    expect(counts(sheet.plan)['stitches']).toBe(6 * own.length);
    expect(counts(sheet.plan)['ends']).toBe(1);
  }
});

test('thread by thread six patches stop as often as one; each copy is cut once a thread and never more within', () => {
  const single = counts(one.plan);
  const { copy, thread, proposed } = sheetOrders(six, HOOP);
  expect(thread.figures.stops).toBe(single['stops']);
  expect(copy.figures.stops).toBe(6 * single['stops']! + 5 - (one.plan.thread[0] === one.plan.thread.at(-1) ? 5 : 0));
  const stretches = single['stops']! + 1;
  const within = single['trims']! - stretches;
  for (const sheet of [copy, thread]) expect(sheet.figures.trims).toBe(6 * (within + stretches));
  expect(proposed).toBe('thread');
  expect(thread.figures.minutes).toBeLessThan(copy.figures.minutes);
  expect(thread.figures.longestCopyMinutes).toBeGreaterThan(copy.figures.longestCopyMinutes);
});

test('no thread goes from one copy to another: between stitches of two copies there is a cut and a move', () => {
  for (const order of ['copy', 'thread'] as const) {
    const { job, plan } = sewSheet(six, order, HOOP);
    const copyAt = (i: number): string => job.pieces[plan.piece[i]!]!.id.split('-').at(-1)!.split('.')[0]!;
    for (let i = 1; i < plan.x.length; i++) {
      if (plan.command[i] !== Command.stitch || plan.command[i - 1] !== Command.stitch) continue;
      expect(copyAt(i)).toBe(copyAt(i - 1));
    }
  }
});

test('figures of a sheet are those that any plan is measured by', () => {
  for (const order of ['copy', 'thread'] as const) {
    const { job, plan, figures } = sewSheet(six, order, HOOP);
    const f = measurePlan(job, plan);
    expect({ trims: f.trims, stops: f.colourChanges + f.handStops }).toEqual({ trims: figures.trims, stops: figures.stops });
    expect(f.runSeconds / 60).toBeCloseTo(figures.minutes, 6);
    expect(f.stitches).toBe(plan.pieces.reduce((n, p) => n + p.stitches, 0));
  }
});

test('a copy turned by half lies point by point opposite, a mirrored one at the other side', () => {
  const turned = sewSheet([{ ...one, at: { x: 0, y: 0, turn: 180 } }], 'copy', HOOP);
  const mirrored = sewSheet([{ ...one, at: { x: 0, y: 0, turn: 0, mirror: true } }], 'copy', HOOP);
  const plain = sewSheet([{ ...one, at: { x: 0, y: 0, turn: 0 } }], 'copy', HOOP);
  for (let i = 0; i < plain.plan.x.length; i++) {
    expect([turned.plan.x[i]! + plain.plan.x[i]!, turned.plan.y[i]! + plain.plan.y[i]!].map((v) => Math.abs(v) < 1e-4)).toEqual([
      true,
      true,
    ]);
    expect(Math.abs(mirrored.plan.x[i]! + plain.plan.x[i]!) < 1e-4).toBe(true);
  }
});

test('different jobs share the threads that they have in common', () => {
  const other = planned({
    ...jobOf([piece('fill', { area: 'M0,0 h8 v8 h-8 Z' })]),
    threads: [{ id: 't1', code: 'Q1', name: 'Thread 1', hex: '#112233', weight: 40 }],
  });
  const sheet = sewSheet(
    [
      { ...one, at: { x: -30, y: 0, turn: 0 } },
      { ...other, at: { x: 30, y: 0, turn: 0 } },
    ],
    'thread',
    HOOP,
  );
  expect(sheet.job.threads.map((t) => t.code)).toEqual(['Q0', 'Q1']);
  expect(sheet.figures.stops).toBe(counts(one.plan)['stops']);
});

test('where the machine waits for cloth, it waits once for all copies', () => {
  const laid = planned(jobOf([piece('applique', { area: 'M0,0 h20 v20 h-20 Z', width: 3 })]));
  const stops = counts(laid.plan)['stops']!;
  expect(stops).toBeGreaterThan(0);
  const copies = [-40, 0, 40].map((x) => ({ ...laid, at: { x, y: 0, turn: 0 } }));
  expect(sewSheet(copies, 'thread', HOOP).figures.stops).toBe(stops);
  expect(sewSheet(copies, 'copy', HOOP).figures.stops).toBeGreaterThanOrEqual(3 * stops);
});
