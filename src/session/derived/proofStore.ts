import { current } from 'immer';
import { create } from 'zustand';
import type { Job } from '@/core/document/types';
import type { Finding, Fix } from '@/core/proof/finding';
import { withFix, samePieces } from '@/core/proof/prove';
import { prover } from '@/workers/client';
import { useJob } from '../job/jobStore';

interface ProofState {
  open: boolean;
  findings: readonly Finding[];
  /** The finding that is being looked at: its place is marked on the cloth. */
  marked: Finding | null;
  /** The job that the findings are of. */
  of: Job | null;
  /** Share done of a proof that runs; null when none does. */
  progress: number | null;
  problem: string | null;
}

/** What the proof finds in the open job, followed a moment after every change. */
export const useProof = create<ProofState>(() => ({ open: false, findings: [], marked: null, of: null, progress: null, problem: null }));

const WAIT_MS = 1200;
let timer: ReturnType<typeof setTimeout> | null = null;
let running: AbortController | null = null;
let wanted: Job | null = null;

/** Proves a planned job when the hands rest; of several requests while one runs only the last is served. */
export function requestProof(job: Job): void {
  if (useProof.getState().of === job) return;
  wanted = job;
  if (timer) clearTimeout(timer);
  timer = setTimeout(() => void (running === null && work()), WAIT_MS);
}

async function work(): Promise<void> {
  while (wanted) {
    const job: Job = wanted;
    wanted = null;
    running = new AbortController();
    useProof.setState({ progress: 0 });
    try {
      const options = { signal: running.signal, progress: (progress: number): void => useProof.setState({ progress }) };
      const findings = await prover.call('prove', { job }, options);
      useProof.setState(({ marked }) => ({
        findings,
        of: job,
        problem: null,
        marked: findings.find((f) => sameFinding(f, marked)) ?? null,
      }));
    } catch (error) {
      const stopped = (error as Error).name === 'AbortError';
      useProof.setState({ of: job, problem: stopped ? 'Stopped: what is listed is of an earlier state.' : (error as Error).message });
    }
    running = null;
    useProof.setState({ progress: null });
  }
}

/** Gives up the proof that runs; the next change starts another. */
export function cancelProof(): void {
  wanted = null;
  running?.abort();
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

/** Lives with a finding for a reason, or no longer when the reason is null. */
export function acceptFinding({ rule, pieces }: Finding, reason: string | null): void {
  useJob.getState().change(reason === null ? 'Take acceptance back' : 'Accept a finding', (job) => {
    const rest = (job.accepted ?? []).filter((a) => a.rule !== rule || !samePieces(a.pieces, pieces));
    job.accepted = reason === null ? rest : [...rest, { rule, pieces: [...pieces], reason }];
    if (job.accepted.length === 0) delete job.accepted;
  });
}

/** Extends pieces until the forecast shows no gap at their edges, in one step; the proof says so when it cannot. */
async function correctEdges(label: string, only: string[]): Promise<void> {
  const job = useJob.getState().job;
  if (!job) return;
  try {
    const { pieces } = await prover.call('correct', { job, only });
    if (useJob.getState().job !== job) return;
    if (pieces.length === 0)
      useProof.setState({
        problem: 'This edge cannot be extended under what covers it: sew the outline sooner, or hold the cloth firmer.',
      });
    else useJob.getState().change(label, (draft) => void (draft.pieces = draft.pieces.map((p) => pieces.find((q) => q.id === p.id) ?? p)));
  } catch (error) {
    useProof.setState({ problem: (error as Error).message });
  }
}
