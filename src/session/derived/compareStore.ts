import { create } from 'zustand';
import type { Job } from '@/core/document/types';
import { keptJobs } from '@/platform/storage/records';
import { keepVersion, listVersions } from '@/platform/storage/versions';
import { prover } from '@/workers/client';
import type { Compared } from '@/workers/protocol/engine';
import { useJob } from '../job/jobStore';
import { IDLE, Task, type TaskState } from './task';

/** Something that can be put on one side of a comparison. */
export interface Choosable {
  key: string;
  name: string;
  job: Job;
}

interface CompareState extends TaskState {
  /** Null until the shelf was looked through. */
  choices: readonly Choosable[] | null;
  result: Compared | null;
  /** Keys that `result` is of. */
  of: string;
}

/** Two jobs, or two versions of one, side by side. */
export const useCompare = create<CompareState>(() => ({ choices: null, result: null, of: '', ...IDLE }));

const clock = (time: number): string =>
  new Date(time).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit', second: '2-digit' });

/** Looks through the shelf: every job as it is now, as it was when it was opened, and the versions that were kept. */
export async function findChoices(): Promise<void> {
  await useJob.getState().flush();
  const { job: open, opened } = useJob.getState();
  const [jobs, versions] = await Promise.all([keptJobs(), listVersions()]);
  const choices = jobs.flatMap((entry): Choosable[] => {
    if (!('kept' in entry)) return [];
    const saved = entry.kept.job;
    const job = saved.id === open?.id ? open : saved;
    return [
      { key: `now ${job.id}`, name: job.name, job },
      ...(opened?.id === job.id && opened !== job ? [{ key: `opened ${job.id}`, name: `${job.name}, as it was opened`, job: opened }] : []),
      ...versions
        .filter((v) => v.job.id === job.id)
        .map((v) => ({ key: `kept ${v.id}`, name: v.name ? `${job.name}: ${v.name}` : `${job.name}, kept ${clock(v.kept)}`, job: v.job })),
    ];
  });
  useCompare.setState({ choices });
}

/** Keeps a job as it stands, so that later work can be compared with it. */
export async function keep(job: Job): Promise<void> {
  try {
    await keepVersion(job);
    await findChoices();
  } catch (error) {
    useCompare.setState({ problem: (error as Error).message });
  }
}

const task = new Task((state) => useCompare.setState(state));
const PICTURE_PX = 680;

export function cancelCompare(): void {
  task.cancel();
  useCompare.setState({ of: '' });
}

/** Works out the comparison; one that is still running is given up. */
export async function compare(a: Choosable, b: Choosable): Promise<void> {
  const of = `${a.key} | ${b.key}`;
  if (useCompare.getState().of === of) return;
  useCompare.setState({ of, result: null });
  const failed = await task.run(
    (options) => prover.call('compare', { a: a.job, b: b.job, side: PICTURE_PX }, options),
    (result) => useCompare.setState({ result }),
  );
  // What failed can be asked for again.
  if (failed) useCompare.setState({ of: '' });
}
