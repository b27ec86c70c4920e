import { create } from 'zustand';
import type { Job } from '@/core/document/types';
import type { Correction } from '@/core/forecast/correct';
import type { Forecast } from '@/core/forecast/forecast';
import type { LetterHeights } from '@/core/proof/letterForecast';
import { prover } from '@/workers/client';
import { useJob } from '../job/jobStore';

interface PullState {
  forecast: (Forecast & { letters: LetterHeights[] }) | null;
  /** The job that `forecast` is of. */
  of: Job | null;
  /** Share done of what is being worked out, 0 to 1; null when nothing is. */
  progress: number | null;
  problem: string | null;
  /** A correction that waits for a yes. */
  correction: Correction | null;
  /** How many times larger than life movements are shown. */
  enlarged: 1 | 4;
  /** Whether edges that will overlap are told too, not only those that gape. */
  overlaps: boolean;
}

/** How the open job will come out of the machine, while the Pull look is on. */
export const usePull = create<PullState>(() => ({
  forecast: null,
  of: null,
  progress: null,
  problem: null,
  correction: null,
  enlarged: 4,
  overlaps: false,
}));

let control: AbortController | null = null;

const progress = (share: number): void => usePull.setState({ progress: share });

/** Runs one calculation; the one before it is given up. */
async function work<T>(call: (signal: AbortSignal) => Promise<T>, done: (result: T) => void): Promise<void> {
  control?.abort();
  const own = new AbortController();
  control = own;
  usePull.setState({ progress: 0, problem: null });
  try {
    const result = await call(own.signal);
    if (control === own) {
      usePull.setState({ progress: null });
      done(result);
    }
  } catch (error) {
    if (control === own) usePull.setState({ progress: null, problem: (error as Error).message });
  }
}

/** Forecasts a planned job, unless that is done already. */
export function requestForecast(job: Job): void {
  if (usePull.getState().of === job) return;
  usePull.setState({ of: job, correction: null });
  void work(
    (signal) => prover.call('forecast', { job }, { signal, progress }),
    (forecast) => usePull.setState({ forecast }),
  );
}

export function cancelPull(): void {
  control?.abort();
  control = null;
  usePull.setState({ progress: null });
}

/** Works out how to make the forecast land on the drawing; nothing changes before it is taken. */
export function seekCorrection(only?: readonly string[]): void {
  const job = useJob.getState().job;
  if (!job) return;
  usePull.setState({ correction: null });
  void work(
    (signal) => prover.call('correct', { job, ...(only ? { only: [...only] } : {}) }, { signal, progress }),
    (correction) => usePull.setState({ correction }),
  );
}

/** Takes the correction in one step. */
export function takeCorrection(): void {
  const { correction } = usePull.getState();
  if (!correction) return;
  usePull.setState({ correction: null });
  useJob.getState().change('Correct edges for the pull', (job) => {
    const changed = new Map(correction.pieces.map((p) => [p.id, p]));
    job.pieces = job.pieces.map((p) => changed.get(p.id) ?? p);
  });
}
