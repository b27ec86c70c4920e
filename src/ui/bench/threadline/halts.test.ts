import { jobOf, piece } from '@/core/pieces/fixtures';
import { Planner } from '@/core/plan/planner';
import { Command } from '@/core/stitches/roles';
import { eventOfFinding, nextHalt } from './halts';

const job = jobOf([
  piece('fill', { area: 'M-20,-5 h10 v10 h-10 Z' }),
  piece('fill', { area: 'M10,-5 h10 v10 h-10 Z' }),
  piece('fill', { area: 'M-5,20 h10 v10 h-10 Z', thread: 't2' }),
]);
const plan = new Planner().plan(job);
const none = { trims: false, stops: false, findings: [] };
const eventsOf = (command: number): number[] => [...plan.command.keys()].filter((i) => plan.command[i] === command);

describe('where a finding is sewn', () => {
  it('is the stitch of its piece nearest to it', () => {
    const at = { x: 15, y: 0 };
    const event = eventOfFinding(plan, { at, pieces: [job.pieces[1]!.id] })!;
    expect(event).toBeGreaterThanOrEqual(plan.pieces[1]!.from);
    expect(event).toBeLessThan(plan.pieces[1]!.to);
    expect(Math.hypot(plan.x[event]! - at.x, plan.y[event]! - at.y)).toBeLessThan(2);
  });

  it('is anywhere in the job when it names no piece', () => {
    expect(plan.piece[eventOfFinding(plan, { at: { x: 0, y: 25 }, pieces: [] })!]).toBe(2);
  });

  it('is nowhere far from its pieces', () => {
    expect(eventOfFinding(plan, { at: { x: 15, y: 0 }, pieces: [job.pieces[0]!.id] })).toBeNull();
    expect(eventOfFinding(plan, { at: { x: 90, y: 90 }, pieces: [] })).toBeNull();
  });
});

describe('where the replay waits', () => {
  const last = plan.command.length;

  it('goes through when nothing is asked for', () => {
    expect(nextHalt(plan, 0, last, none)).toBeNull();
  });

  it('is right after the first trim, and after the next one when it goes on from there', () => {
    const [first, second] = eventsOf(Command.trim);
    const halt = nextHalt(plan, 0, last, { ...none, trims: true })!;
    expect(halt).toBe(first! + 1);
    expect(nextHalt(plan, halt, last, { ...none, trims: true })).toBe(second! + 1);
  });

  it('is at stops only when they are asked for', () => {
    expect(nextHalt(plan, 0, last, { ...none, stops: true })).toBe(eventsOf(Command.stop)[0]! + 1);
  });

  it('is at the nearest finding, or at a trim before it', () => {
    const [trim] = eventsOf(Command.trim);
    expect(nextHalt(plan, 0, last, { ...none, findings: [trim! + 20, trim! - 5] })).toBe(trim! - 4);
    expect(nextHalt(plan, 0, last, { trims: true, stops: false, findings: [trim! + 20] })).toBe(trim! + 1);
  });

  it('does not look beyond what is being passed over', () => {
    const [trim] = eventsOf(Command.trim);
    expect(nextHalt(plan, 0, trim!, { ...none, trims: true, findings: [trim! + 1] })).toBeNull();
  });
});
