import { create } from 'zustand';
import type { ExplainedCut } from '@/core/plan/explain';
import type { RoutePolicy } from '@/core/document/types';
import { inOrder, type RouteProposal } from '@/core/plan/proposeRoute';
import { ringsToData } from '@/core/geometry/path';
import { policyOf } from '@/core/route/policy';
import { engine } from '@/workers/client';
import { freeId } from '../edit/commands';
import { setApproach } from '../edit/orderCommands';
import { useProof } from './proofStore';
import { useJob } from '../job/jobStore';
import { IDLE, Task, type TaskState } from './task';

interface RouteState extends TaskState {
  /** The panel about the path is open. */
  open: boolean;
  policy: RoutePolicy | null;
  proposal: RouteProposal | null;
}

/** The search for a better path; what it finds is only taken when the person says so. */
export const useRoute = create<RouteState>(() => ({ open: false, policy: null, proposal: null, ...IDLE }));

const task = new Task((state) => useRoute.setState(state));

export function openRoute(): void {
  const job = useJob.getState().job;
  useProof.setState({ open: false });
  if (job) useRoute.setState({ open: true, policy: useRoute.getState().policy ?? policyOf(job), proposal: null, problem: null });
}

export function closeRoute(): void {
  cancelSearch();
  useRoute.setState({ open: false, proposal: null, problem: null });
}

/** Another job may have another policy: nothing of the search stays. */
export function leaveRoute(): void {
  closeRoute();
  useRoute.setState({ policy: null });
}

export const cancelSearch = (): void => task.cancel();

export async function searchRoute(): Promise<void> {
  const job = useJob.getState().job;
  const { policy } = useRoute.getState();
  if (!job || !policy) return;
  useRoute.setState({ proposal: null });
  await task.run(
    (options) => engine.call('route', { job, policy }, options),
    (proposal) => useRoute.setState({ proposal }),
  );
}

/** Takes the proposed order, and the policy that it was found by, in one step. */
export function takeProposal(): void {
  const { proposal } = useRoute.getState();
  if (!proposal) return;
  useJob.getState().change('Take the proposed order', (job) => {
    job.pieces = inOrder(job, proposal.order).pieces;
    job.settings.policy = proposal.policy;
  });
  useRoute.setState({ proposal: null });
}

/** Sews across where it can be seen, instead of cutting. */
export function allowTravel(cut: ExplainedCut): void {
  const piece = useJob.getState().job?.pieces[cut.to ?? -1];
  if (piece) setApproach(piece.id, { how: 'travel' });
}

/** Gives pinned places and what was asked for back to the router. */
export function freeEnds(cut: ExplainedCut): void {
  useJob.getState().change('Let the ends go', (job) => {
    const [from, to] = [job.pieces[cut.from], cut.to === null ? undefined : job.pieces[cut.to]];
    if (from) delete from.end;
    if (!to) return;
    delete to.start;
    delete to.approach;
  });
}

/** Lays a run between the two pieces, as a piece of its own that can be shaped. */
export function addBridge(cut: ExplainedCut, leaves: { x: number; y: number }, arrives: { x: number; y: number }): void {
  useJob.getState().change('Add a bridge', (job) => {
    const from = job.pieces[cut.from];
    if (!from || cut.to === null) return;
    job.pieces.splice(cut.to, 0, {
      id: freeId(new Set(job.pieces.map((p) => p.id))),
      name: 'Bridge',
      kind: 'run',
      thread: from.thread,
      line: ringsToData([[leaves, arrives]], false),
      settings: { style: 'plain', foundation: true },
    });
  });
}
