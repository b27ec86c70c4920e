import type { Job } from '@/core/document/types';
import { jobOf, piece } from '@/core/pieces/fixtures';
import type { StitchPlan } from '@/core/plan/plan';
import { Planner } from '@/core/plan/planner';
import { PartSender, PlanReceiver, PlanSender, withoutPieces } from './planWire';
import type { PlanPart } from '@/core/plan/delta';
import { Role } from '@/core/stitches/roles';

const planner = new Planner();
const job = jobOf([0, 20, 40].map((x) => piece('fill', { area: `M${x},0 h10 v10 h-10 Z` })));
const wider = (mm: number): Job => ({
  ...job,
  pieces: job.pieces.with(1, { ...job.pieces[1]!, area: `M20,0 h${10 + mm} v10 h-${10 + mm} Z` }),
});
const plans = [0, 1, 2, 3].map((mm) => planner.plan(wider(mm)));

test('what is held goes on by differences, and stays what was sent', () => {
  const [sender, receiver] = [new PlanSender(), new PlanReceiver()];
  plans.forEach((plan, n) => {
    const { wired } = sender.wire(plan, receiver.version);
    expect(wired.base === null).toBe(n === 0);
    expect(receiver.take(structuredClone(wired))).toEqual(plan);
  });
});

test('who missed one gets all of the next', () => {
  const [sender, receiver] = [new PlanSender(), new PlanReceiver()];
  receiver.take(sender.wire(plans[0]!, null).wired);
  const { version } = receiver;
  const missed = sender.wire(plans[1]!, version).wired;
  const next = sender.wire(plans[2]!, version).wired;
  expect(next.base).toBeNull();
  expect(receiver.take(next)).toEqual(plans[2]);
  expect(receiver.take(missed)).toBeNull();
});

test('a sender that was started anew takes no version of the old one for its own', () => {
  const receiver = new PlanReceiver();
  receiver.take(new PlanSender().wire(plans[0]!, null).wired);
  const other = new PlanSender();
  other.wire(plans[1]!, null);
  expect(other.wire(plans[2]!, receiver.version).wired.base).toBeNull();
});

test('what is held can be handed on as a whole, and without what only the page needs', () => {
  const [sender, receiver, painter] = [new PlanSender(), new PlanReceiver(), new PlanReceiver()];
  expect(receiver.whole()).toBeNull();
  receiver.take(sender.wire(plans[0]!, null).wired);
  const seen = painter.take(withoutPieces(receiver.whole()!))!;
  expect(seen.pieces).toEqual([]);
  expect([seen.x, seen.y, seen.thread]).toEqual([plans[0]!.x, plans[0]!.y, plans[0]!.thread]);
  const next = sender.wire(plans[3]!, receiver.version).wired;
  expect(painter.take(withoutPieces(next))!.y).toEqual(plans[3]!.y);
});

describe('parts of a plan that is being made', () => {
  /** Parts that a planner sends when so many milliseconds go by with each piece. */
  function partsOf(planner: Planner, job: Job, ms: number): { parts: PlanPart[]; plan: StitchPlan } {
    const parts: PlanPart[] = [];
    const sender = new PartSender('v', (part) => parts.push(structuredClone(part)));
    let now = 0;
    const clock = jest.spyOn(performance, 'now').mockImplementation(() => now);
    const plan = planner.plan(job, undefined, (so, all) => {
      sender.grown(so, all);
      now += ms;
    });
    clock.mockRestore();
    return { parts, plan };
  }
  const long = jobOf(Array.from({ length: 12 }, (_, i) => piece('fill', { area: `M${i * 12},0 h10 v10 h-10 Z` })));

  test('together are the beginning of the plan, each with what the drawing of it looks back to', () => {
    const { parts, plan } = partsOf(new Planner(), long, 25);
    expect(parts.length).toBeGreaterThan(2);
    expect(parts.map((p) => p.first)).toEqual(parts.map((_, i) => i === 0));
    let so = 0;
    for (const { overlap, events } of parts) {
      expect(overlap).toBe(Math.min(2, so));
      for (const name of ['x', 'y', 'command', 'role', 'piece', 'thread'] as const)
        expect([...events[name]]).toEqual([...plan[name].subarray(so - overlap, so - overlap + events[name].length)]);
      so += events.x.length - overlap;
    }
    // What comes after the last piece: its end is tied and cut, and the plan ends.
    expect(plan.x.length - so).toBeLessThan(8);
    expect([...plan.role.subarray(so)].every((role) => role !== Role.cover)).toBe(true);
  });

  test('are not sent of what is soon done, nor where most is as it was', () => {
    const planner = new Planner();
    expect(partsOf(planner, long, 3).parts).toEqual([]);
    const edited = { ...long, pieces: long.pieces.with(2, { ...long.pieces[2]!, settings: { spacing: 0.5 } }) };
    expect(partsOf(planner, edited, 200).parts.length).toBeLessThan(2);
  });

  test('are told by a version that only their plan has', () => {
    const sender = new PlanSender();
    const given = sender.nextVersion();
    expect(sender.nextVersion()).not.toBe(given);
    expect(sender.wire(plans[0]!, null, given).wired.version).toBe(given);
  });
});
