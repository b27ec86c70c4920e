import { current } from 'immer';
import { create } from 'zustand';
import type { AcceptedFinding, Job } from '@/core/document/types';
import type { Finding, Fix } from '@/core/proof/finding';
import { samePieces } from '@/core/proof/prove';
import { withFix } from '@/core/proof/withFix';
import { prover } from '@/workers/client';
import { useJob } from '../job/jobStore';
import { IDLE, Task, type TaskState } from './task';

interface ProofState extends TaskState {
  open: boolean;
  findings: readonly Finding[];
  /** The finding that is being looked at: its place is marked on the cloth. */
  marked: Finding | null;
  /** Which of its places. */
  markedPlace: number;
  /** The job that the findings are of. */
  of: Job | null;
}

/** What the proof finds in the open job, followed a moment after every change. */
export const useProof = create<ProofState>(() => ({ open: false, findings: [], marked: null, markedPlace: 0, of: null, ...IDLE }));

/** Hands that rest so long are done for now; those that a proof had to be stopped for are at work, and are given longer. */
const WAIT_MS = 1200;
const WAIT_AT_WORK_MS = 3000;
let waitMs = WAIT_MS;
let timer: ReturnType<typeof setTimeout> | null = null;
const task = new Task((state) => useProof.setState(state));
const fixing = new Task(({ problem }) => problem && useProof.setState({ problem }));

/** Proves a planned job when the hands rest. A proof of an earlier state is no longer wanted: it is stopped at once. */
export function requestProof(job: Job): void {
  if (useProof.getState().of === job) return;
  if (task.isRunning) waitMs = WAIT_AT_WORK_MS;
  task.cancel();
  if (timer) clearTimeout(timer);
  timer = setTimeout(() => void work(job), waitMs);
}

async function work(job: Job): Promise<void> {
  const failed = await task.run(
    (options) => prover.call('prove', { job }, options),
    (findings) => {
      waitMs = WAIT_MS;
      const { marked, markedPlace } = useProof.getState();
      const again = findings.find((f) => sameFinding(f, marked)) ?? null;
      useProof.setState({ findings, of: job, marked: again, markedPlace: again?.places[markedPlace] ? markedPlace : 0 });
    },
  );
  // What fails is not tried again before something changes.
  if (failed) useProof.setState({ of: job });
}

/** Gives up the proof that runs; the next change starts another. */
export function cancelProof(): void {
  if (timer) clearTimeout(timer);
  task.cancel();
  useProof.setState({ of: useJob.getState().job, problem: 'Stopped: what is listed is of an earlier state.' });
}

const sameFinding = (a: Finding, b: Finding | null): boolean => b !== null && a.rule === b.rule && samePieces(a.pieces, b.pieces);

export function applyFix(fix: Fix): void {
  if (fix.correct) {
    void correctEdges(fix.label, fix.correct);
    return;
  }
  useJob.getState().change(fix.label, (job) => {
    const next = withFix(current(job), fix);
    job.pieces = next.pieces;
    job.brief = next.brief;
  });
}

/** Lives with a finding at all its places for a reason, or no longer when the reason is null. */
export function acceptFinding({ rule, places }: Finding, reason: string | null): void {
  useJob.getState().change(reason === null ? 'Take acceptance back' : 'Accept a finding', (job) => {
    const isOfIt = (a: AcceptedFinding): boolean =>
      a.rule === rule && (a.pieces.length === 0 || places.some((p) => samePieces(a.pieces, p.pieces)));
    const rest = (job.accepted ?? []).filter((a) => !isOfIt(a));
    const own = places.filter((p, i) => places.findIndex((q) => samePieces(p.pieces, q.pieces)) === i);
    job.accepted = reason === null ? rest : [...rest, ...own.map(({ pieces }) => ({ rule, pieces: [...pieces], reason }))];
    if (job.accepted.length === 0) delete job.accepted;
  });
}

/** Extends pieces until the forecast shows no gap at their edges, in one step; the proof says so when it cannot. */
async function correctEdges(label: string, only: string[]): Promise<void> {
  const job = useJob.getState().job;
  if (!job) return;
  await fixing.run(
    (options) => prover.call('correct', { job, only }, options),
    ({ pieces }) => {
      if (useJob.getState().job !== job) return;
      if (pieces.length === 0)
        useProof.setState({
          problem: 'This edge cannot be extended under what covers it: sew the outline sooner, or hold the cloth firmer.',
        });
      else
        useJob.getState().change(label, (draft) => void (draft.pieces = draft.pieces.map((p) => pieces.find((q) => q.id === p.id) ?? p)));
    },
  );
}
