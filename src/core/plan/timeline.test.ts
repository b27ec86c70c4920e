import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { measurePlan } from '../plan/measure';
import { dropPosition, eventAt, peaks, timelineOf } from './timeline';

const job = jobOf([piece('satin', { line: 'M0,0 L20,0', width: 4 }), piece('satin', { line: 'M0,20 L20,20', width: 4, thread: 't2' })]);
const plan = new Planner().plan(job);
const timeline = timelineOf(plan, 850);

test('the strip is as long as the machine time', () => {
  expect(timeline.seconds).toBeCloseTo(measurePlan(job, plan).runSeconds, 1);
});

test('time and event find each other', () => {
  for (const event of [1, 10, 100, plan.x.length]) expect(timeline.at[eventAt(timeline, timeline.at[event]!)]).toBe(timeline.at[event]);
  expect(eventAt(timeline, 0)).toBe(0);
  expect(eventAt(timeline, 1e9)).toBe(plan.x.length);
});

test('peaks tell cover from what lies beneath', () => {
  const { cover, underlay } = peaks(plan, timeline, 0, plan.x.length);
  expect(cover).toBeGreaterThan(4.3);
  expect(cover).toBeLessThan(4.6);
  expect(underlay).toBeGreaterThan(2);
});

test('a piece lands after those whose middle it was dropped behind', () => {
  const stretches = [
    { id: 'a', from: 0, to: 10 },
    { id: 'b', from: 10, to: 20 },
    { id: 'c', from: 20, to: 30 },
  ];
  expect(dropPosition(stretches, 'c', 3)).toBe(0);
  expect(dropPosition(stretches, 'c', 12)).toBe(1);
  expect(dropPosition(stretches, 'a', 29)).toBe(2);
});
