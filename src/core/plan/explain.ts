import type { Job } from '../document/types';
import type { Point } from '../geometry/point';
import type { PlannedCut, PlannedLink, StitchPlan } from './plan';
import { Command } from '../stitches/roles';

/** What could save a cut. */
export type CutRemedy = 'free-ends' | 'allow-travel' | 'bridge' | 'reorder';

/** A cut that a plan has, why, and what would save it. */
export interface ExplainedCut {
  /** Event of the cut in the plan. */
  event: number;
  at: Point;
  /** Piece index before the cut, and the one it leads to; the last cut leads to none. */
  from: number;
  to: number | null;
  reason: PlannedCut | 'parts' | 'end';
  words: string;
  /** How much of a straight travel would be visible, mm. */
  shownMm: number;
  remedies: CutRemedy[];
}

const name = (job: Job, i: number): string => `‘${job.pieces[i]?.name ?? '?'}’`;

function words(job: Job, from: number, to: number, reason: PlannedCut): string {
  switch (reason) {
    case 'thread':
      return `the thread changes after ${name(job, from)}`;
    case 'stop':
      return `the machine waits before ${name(job, to)}`;
    case 'asked':
      return `you want a cut before ${name(job, to)}`;
    case 'barred':
      return `foam lies between ${name(job, from)} and ${name(job, to)}: a run would flatten it`;
    case 'far':
      return `the hidden way from ${name(job, from)} to ${name(job, to)} takes longer than a cut`;
    case 'open':
      return `no later cover between ${name(job, from)} and ${name(job, to)}`;
  }
}

function remediesOf(job: Job, from: number, to: number, { reason }: PlannedLink): CutRemedy[] {
  if (reason === 'thread') return ['reorder'];
  if (reason === 'asked') return ['free-ends'];
  if (reason !== 'open' && reason !== 'far') return [];
  const pinned = job.pieces[from]?.end !== undefined || job.pieces[to]?.start !== undefined;
  return [...(pinned ? (['free-ends'] as const) : []), 'allow-travel', 'bridge'];
}

/** Every cut of a plan with its reason, in sewing order. */
export function explainCuts(job: Job, plan: StitchPlan): ExplainedCut[] {
  const out: ExplainedCut[] = [];
  for (let i = 0; i < plan.command.length; i++) {
    if (plan.command[i] !== Command.trim) continue;
    const at = { x: plan.x[i]!, y: plan.y[i]! };
    const from = plan.piece[i]!;
    const inside = i >= plan.pieces[from]!.from && i < plan.pieces[from]!.to;
    const to = inside ? from : nextSewn(plan, from);
    const link = to === null || inside ? null : plan.pieces[to]!.link;
    const common = { event: i, at, from, to, shownMm: link?.shownMm ?? 0 };
    if (inside) out.push({ ...common, reason: 'parts', words: `parts of ${name(job, from)} do not touch`, remedies: [] });
    else if (!link?.reason || to === null) out.push({ ...common, to: null, reason: 'end', words: 'the job ends', remedies: [] });
    else out.push({ ...common, reason: link.reason, words: words(job, from, to, link.reason), remedies: remediesOf(job, from, to, link) });
  }
  return out;
}

function nextSewn(plan: StitchPlan, after: number): number | null {
  for (let i = after + 1; i < plan.pieces.length; i++) if (plan.pieces[i]!.to > plan.pieces[i]!.from) return i;
  return null;
}
