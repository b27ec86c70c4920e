import { create } from 'zustand';
import type { Job } from '@/core/document/types';
import type { Correction } from '@/core/forecast/correct';
import type { Forecast } from '@/core/forecast/forecast';
import type { LetterHeights } from '@/core/proof/letterForecast';
import { prover } from '@/workers/client';
import { useJob } from '../job/jobStore';
import { IDLE, Task, type TaskState } from './task';

interface PullState extends TaskState {
  forecast: (Forecast & { letters: LetterHeights[] }) | null;
  /** The job that `forecast` is of. */
  of: Job | null;
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
  ...IDLE,
  correction: null,
  enlarged: 1,
  overlaps: false,
}));

/** A forecast or a correction: one at a time. */
const task = new Task((state) => usePull.setState(state));

/** Forecasts a planned job, unless that is done already. */
export function requestForecast(job: Job): void {
  if (usePull.getState().of === job) return;
  usePull.setState({ of: job, correction: null });
  void task.run(
    (options) => prover.call('forecast', { job }, options),
    (forecast) => usePull.setState({ forecast }),
  );
}

export const cancelPull = (): void => task.cancel();

/** Works out how to make the forecast land on the drawing; nothing changes before it is taken. */
export function seekCorrection(only?: readonly string[]): void {
  const job = useJob.getState().job;
  if (!job) return;
  usePull.setState({ correction: null });
  void task.run(
    (options) => prover.call('correct', { job, ...(only ? { only: [...only] } : {}) }, options),
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
