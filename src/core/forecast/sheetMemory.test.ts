import type { Job } from '../document/types';
import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { forecast } from './forecast';
import { commonEvents, SheetMemory } from './sheetMemory';

const field = (x: number, spacing = 0.4) => piece('fill', { area: `M${x},-15 h9 v30 h-9 Z` }, { spacing });
const job = (...spacings: number[]): Job => {
  const made = jobOf(spacings.map((s, i) => field(-30 + 10 * i, s)));
  return { ...made, brief: { ...made.brief, hoop: { width: 100, height: 100, shape: 'rect' } } };
};
const of = (j: Job, memory?: SheetMemory) => {
  const { outlines, meetings, pucker, predicted } = forecast(j, memory ? { memory } : {});
  return { outlines, meetings, pucker, predicted };
};
const before = job(0.4, 0.4, 0.4, 0.4, 0.4, 0.4);

describe('a forecast that goes on from the one before', () => {
  it.each([
    ['the last piece changed', job(0.4, 0.4, 0.4, 0.4, 0.4, 0.5)],
    ['one in the middle changed', job(0.4, 0.4, 0.5, 0.4, 0.4, 0.4)],
    ['the first piece changed', job(0.5, 0.4, 0.4, 0.4, 0.4, 0.4)],
    ['a piece taken away', job(0.4, 0.4, 0.4, 0.4, 0.4)],
    ['a piece added', job(0.4, 0.4, 0.4, 0.4, 0.4, 0.4, 0.4)],
    ['nothing changed', before],
  ])('is the same to the last bit as one from the start: %s', (_, after) => {
    const memory = new SheetMemory();
    forecast(before, { memory });
    expect(of(after, memory)).toEqual(of(after));
  });

  it('does not take up what was sewn on other cloth or in another hoop', () => {
    const memory = new SheetMemory();
    forecast(before, { memory });
    for (const brief of [{ cloth: 'jersey' } as const, { hoop: { width: 120, height: 120, shape: 'rect' } } as const]) {
      const other = { ...before, brief: { ...before.brief, ...brief } };
      expect(of(other, memory)).toEqual(of(other));
    }
  });

  it('sews only what comes after the edit', () => {
    const memory = new SheetMemory();
    const looked = (j: Job): number => {
      let steps = 0;
      forecast(j, { memory, progress: () => steps++ });
      return steps;
    };
    const whole = looked(before);
    expect(looked(job(0.4, 0.4, 0.4, 0.4, 0.4, 0.5))).toBeLessThan(whole / 3);
    expect(looked(job(0.5, 0.4, 0.4, 0.4, 0.4, 0.5))).toBeGreaterThan(whole / 2);
  });

  it('a run that was given up does not mislead the next', () => {
    const memory = new SheetMemory();
    forecast(before, { memory });
    const after = job(0.4, 0.4, 0.5, 0.4, 0.4, 0.4);
    let steps = 0;
    const giveUp = (): void => {
      if (++steps > 20) throw new Error('given up');
    };
    expect(() => forecast(after, { memory, progress: giveUp })).toThrow('given up');
    expect(of(after, memory)).toEqual(of(after));
    expect(of(before, memory)).toEqual(of(before));
  });
});

test('plans have in common what they begin with', () => {
  const planner = new Planner();
  const [a, b] = [planner.plan(before), planner.plan(job(0.4, 0.4, 0.5, 0.4, 0.4, 0.4))];
  const common = commonEvents(a, b);
  expect(common).toBe(commonEvents(b, a));
  expect(common).toBeGreaterThanOrEqual(a.pieces[1]!.to - 5);
  expect(common).toBeLessThan(a.pieces[2]!.to);
  expect(commonEvents(a, a)).toBe(a.x.length);
});
