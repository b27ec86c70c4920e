import type { Job, RoutePolicy } from '../document/types';
import { objectiveOf } from '../route/objectives';
import { constraintsOf } from '../route/constraints';
import { searchOrder } from '../route/search';
import { Planner } from './planner';
import { measurePlan, type PlanFigures } from './measure';
import { routeInput } from './links';

/** A proposed sewing order with what it changes. */
export interface RouteProposal {
  policy: RoutePolicy;
  /** Ids of all pieces in the order proposed. */
  order: string[];
  before: PlanFigures;
  after: PlanFigures;
  /** What the policy minds beyond machine time (late outlines, steps against the cap, hops), as seconds, before and after. */
  aim: { before: number; after: number };
  /** Whether the order is another than the job's, and costs no more cuts or stops for more minutes. */
  better: boolean;
  /** Whether it is another that does cost more, for what the policy minds: a person decides. */
  trade: boolean;
}

/** The job with its pieces in another order. */
export function inOrder(job: Job, ids: readonly string[]): Job {
  const place = new Map(ids.map((id, k) => [id, k]));
  return { ...job, pieces: job.pieces.slice().sort((a, b) => (place.get(a.id) ?? 0) - (place.get(b.id) ?? 0)) };
}

/**
 * Seeks a better sewing order by a policy. What lies over what stays, so do pieces that are to follow one another.
 * The proposal is planned and measured; it is never worse than the job's own order by machine time and the policy's aim.
 */
export function proposeRoute(
  job: Job,
  policy: RoutePolicy,
  planner = new Planner(),
  progress: (done: number) => void = () => undefined,
): RouteProposal {
  const routed = { ...job, settings: { ...job.settings, policy } };
  const shaped = planner.shape(routed);
  progress(0.1);
  const { items, pieces, options } = routeInput(routed, shaped);
  const place = new Map(pieces.map((p, k) => [job.pieces[p]!.id, k]));
  const wished = pieces.flatMap((p, k): [number, number][] => {
    const first = place.get(job.pieces[p]!.sewAfter ?? '');
    return first === undefined ? [] : [[first, k]];
  });
  const aim = objectiveOf(policy, items);
  const apart = (order: readonly number[]): number => wished.filter(([a, b]) => order.indexOf(b) !== order.indexOf(a) + 1).length;
  const order = searchOrder(items, {
    evaluate: options,
    aim: { ...aim, penalty: (o) => aim.penalty(o) + FOLLOW_S * apart(o) },
    constraints: constraintsOf(items, wished),
    progress: (done) => progress(0.1 + 0.7 * done),
  });
  const unsewn = job.pieces.filter((_, i) => !pieces.includes(i)).map((p) => p.id);
  const ids = [...order.map((k) => job.pieces[pieces[k]!]!.id), ...unsewn];
  const before = measurePlan(job, planner.plan(job));
  progress(0.9);
  const after = measurePlan(job, planner.plan(inOrder(job, ids)));
  const minded = { before: aim.penalty(items.map((_, i) => i)), after: aim.penalty(order) };
  const worse = after.runSeconds + minded.after > before.runSeconds + minded.before + 1e-6;
  const same = ids.every((id, i) => job.pieces[i]!.id === id);
  if (worse || same)
    return {
      policy,
      order: job.pieces.map((p) => p.id),
      before,
      after: before,
      aim: { before: minded.before, after: minded.before },
      better: false,
      trade: false,
    };
  const trade = costsMore(before, after);
  return { policy, order: ids, before, after, aim: minded, better: !trade, trade };
}

/** More cuts or stops, and more minutes: nobody calls that better, whatever it is good for. */
const costsMore = (before: PlanFigures, after: PlanFigures): boolean =>
  after.runSeconds > before.runSeconds + 1e-6 && (after.trims > before.trims || after.colourChanges > before.colourChanges);

/** A piece that a person wants right after another and that is not, seconds. */
const FOLLOW_S = 120;
