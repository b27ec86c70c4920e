import type { Job } from '@/core/document/types';
import { jobOf, piece } from '@/core/pieces/fixtures';
import { Planner } from '@/core/plan/planner';
import { PlanReceiver, PlanSender, withoutPieces } from './planWire';

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
