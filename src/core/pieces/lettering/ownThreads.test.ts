import fc from 'fast-check';
import type { Job, Lettering } from '../../document/types';
import { jobOfText } from '../../lettering/textJob';
import { Planner } from '../../plan/planner';
import type { StitchPlan } from '../../plan/plan';
import { Command } from '../../stitches/roles';

const job = (letters: Lettering['letters'], text = 'HARBOUR'): Job => {
  const made = jobOfText({ id: 'x', name: 'x', text: { text, face: 'treadle', height: 10, ...(letters ? { letters } : {}) } });
  const more = ['t2', 't3'].map((id) => ({ ...made.threads[0]!, id }));
  return { ...made, threads: [...made.threads, ...more] };
};
const planOf = (of: Job): StitchPlan => new Planner().plan(of);
const count = (plan: StitchPlan, command: number): number => plan.command.filter((c) => c === command).length;

test('each other thread is one stop, and only its letters are sewn in it', () => {
  const plan = planOf(job({ 0: { thread: 't2' }, 3: { thread: 't3' }, 5: { thread: 't2' } }));
  expect(count(plan, Command.stop)).toBe(2);
  const boxOf = (thread: number): [number, number] => {
    const xs = Array.from(plan.x).filter((_, i) => plan.thread[i] === thread && plan.command[i] === Command.stitch);
    return [Math.min(...xs), Math.max(...xs)];
  };
  const [all, h, b] = [0, 1, 2].map(boxOf) as [[number, number], [number, number], [number, number]];
  expect(h[0]).toBeLessThan(all[0]);
  expect(b[0]).toBeGreaterThan(all[0]);
  expect(b[1]).toBeLessThan(all[1]);
  // Thread changes never lie within a stitch.
  for (let i = 1; i < plan.x.length; i++)
    if (plan.thread[i] !== plan.thread[i - 1]) expect([Command.jump, Command.stop]).toContain(plan.command[i]);
});

test('a cut before a letter is one trim more', () => {
  expect(count(planOf(job({ 3: { cut: true } })), Command.trim)).toBe(count(planOf(job(undefined)), Command.trim) + 1);
});

test('a text all in another thread never uses its own', () => {
  const plan = planOf(job(Object.fromEntries([0, 1].map((i) => [i, { thread: 't2' }])), 'HI'));
  expect(new Set(plan.thread)).toEqual(new Set([1]));
  expect(count(plan, Command.stop)).toBe(0);
});

test('planned again after an edit it is as planned anew', () => {
  const own = fc.dictionary(
    fc.constantFrom('0', '2', '3', '6'),
    fc.record({ thread: fc.constantFrom('t1', 't2', 't3'), cut: fc.boolean() }, { requiredKeys: [] }),
  );
  const planner = new Planner();
  fc.assert(
    fc.property(own, (letters) => {
      const of = job(letters);
      const [again, anew] = [planner.plan(of), planOf(of)];
      for (const key of ['x', 'y', 'command', 'role', 'thread', 'piece'] as const)
        expect(Array.from(again[key])).toEqual(Array.from(anew[key]));
    }),
    { numRuns: 12 },
  );
});
