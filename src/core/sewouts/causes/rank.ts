import type { SeenMark } from '../../document/sewoutTypes';
import type { Cause, Evidence, Remedy } from './cause';
import { OF_EDGES } from './ofEdges';
import { OF_HOLDING } from './ofHolding';
import { OF_PLAN } from './ofPlan';
import { sceneOf, type SewnScene } from './scene';

/** All causes; which is likely for what is theirs to say. */
export const CAUSES: readonly Cause[] = [...OF_EDGES, ...OF_PLAN, ...OF_HOLDING];

export const causeOf = (id: string): Cause | undefined => CAUSES.find((c) => c.id === id);

/** A cause of a mark with how likely it is, 0 to 1. */
export interface RankedCause extends Pick<Cause, 'id' | 'name' | 'physical'> {
  probability: number;
  /** What speaks for it, and against it. */
  pro: string[];
  con: string[];
  /** What nobody noted. */
  open: string[];
  remedies: Remedy[];
}

/** How often a cause was confirmed for a fault in this shop. */
export type Confirmed = Readonly<Record<string, number>>;

export const confirmedKey = (kind: SeenMark['kind'], cause: string): string => `${kind} ${cause}`;

/** Confirmed causes of the shop's sew-outs, counted. */
export function confirmedIn(marks: readonly Pick<SeenMark, 'kind' | 'cause'>[]): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const { kind, cause } of marks) if (cause) counts[confirmedKey(kind, cause)] = (counts[confirmedKey(kind, cause)] ?? 0) + 1;
  return counts;
}

/** The usual table weighs as much as so many confirmed causes: a shop's own tests outrank it in time. */
const TABLE_COUNTS = 8;
/** Where nothing in the plan speaks for any of its causes, they are so much less likely: then it was the holding. */
const PLAN_SOUND = 0.5;

/** Causes of one mark, the likeliest first, by Bayes' rule over the table and the evidence (taken as independent). */
export function causesOf(sewn: SewnScene, mark: Omit<SeenMark, 'id'>, confirmed: Confirmed = {}): RankedCause[] {
  const scene = sceneOf(sewn, mark);
  const known = CAUSES.filter((c) => (c.faults[mark.kind] ?? 0) > 0);
  const table = known.reduce((sum, c) => sum + c.faults[mark.kind]!, 0);
  const weighed = known.map((cause) => {
    const evidence = cause.evidence(scene);
    const prior = (TABLE_COUNTS * cause.faults[mark.kind]!) / table + (confirmed[confirmedKey(mark.kind, cause.id)] ?? 0);
    return { cause, evidence, prior, ratio: evidence.reduce((r, e) => r * e.ratio, 1) };
  });
  const planSound = weighed.every(({ cause, ratio }) => cause.physical || ratio <= 1.5);
  const scored = weighed.map((w) => ({ ...w, score: w.prior * w.ratio * (planSound && !w.cause.physical ? PLAN_SOUND : 1) }));
  const all = scored.reduce((sum, s) => sum + s.score, 0);
  return scored
    .map(({ cause, evidence, score }): RankedCause => ({
      id: cause.id,
      name: cause.name,
      physical: cause.physical,
      probability: score / all,
      ...said(evidence),
      remedies: cause.remedies(scene),
    }))
    .sort((a, b) => b.probability - a.probability);
}

const said = (evidence: readonly Evidence[]): Pick<RankedCause, 'pro' | 'con' | 'open'> => ({
  pro: evidence.filter((e) => e.ratio > 1).map((e) => e.words),
  con: evidence.filter((e) => e.ratio < 1).map((e) => e.words),
  open: evidence.filter((e) => e.ratio === 1).map((e) => e.words),
});
