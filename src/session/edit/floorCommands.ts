import type { CopyPlace, Job, JobFloor, JobStage } from '@/core/document/types';
import { useJob } from '../job/jobStore';

/** Changes what was chosen on the Floor; what is given as undefined is left to the rules again. */
export function changeFloor(label: string, patch: { [K in keyof JobFloor]?: JobFloor[K] | undefined }, mark?: string): void {
  useJob.getState().change(
    label,
    (job) => {
      const next = Object.fromEntries(Object.entries({ ...job.floor, ...patch }).filter(([, v]) => v !== undefined)) as JobFloor;
      if (Object.keys(next).length === 0) delete job.floor;
      else job.floor = next;
    },
    mark,
  );
}

export const placeCopies = (copies: readonly CopyPlace[]): void =>
  changeFloor(copies.length === 1 ? 'Sew one' : `Place ${copies.length} copies`, { copies: copies.map((c) => ({ ...c })) });

/** Moves one copy; the moves of one drag share a mark. */
export function moveCopy(index: number, to: { x: number; y: number }, mark: string): void {
  useJob.getState().change(
    'Move a copy',
    (job: Job) => {
      const copy = job.floor?.copies?.[index];
      if (copy) Object.assign(copy, to);
    },
    mark,
  );
}

export function changeCopy(index: number, label: string, patch: Partial<CopyPlace>): void {
  useJob.getState().change(label, (job) => {
    const copy = job.floor?.copies?.[index];
    if (copy) Object.assign(copy, patch);
  });
}

export function removeCopy(index: number): void {
  useJob.getState().change('Take out a copy', (job) => {
    if ((job.floor?.copies?.length ?? 0) > 1) job.floor!.copies!.splice(index, 1);
  });
}

export const setStage = (stage: JobStage): void => useJob.getState().change('Where the job stands', (job) => void (job.stage = stage));
