import { create } from 'zustand';
import { recipeFor } from '@/core/cloth/house';
import type { SewnChange } from '@/core/compare/sewn';
import type { Job } from '@/core/document/types';
import { engine } from '@/workers/client';
import { useJob } from '../job/jobStore';
import { IDLE, Task, type TaskState } from './task';

/** What another cloth did to the pieces. */
export interface ClothChange {
  /** The job that it is told of. */
  id: string;
  from: string;
  to: string;
  stitches: readonly [before: number, after: number];
  changes: readonly SewnChange[];
}

interface ClothChangeState extends TaskState {
  change: ClothChange | null;
}

export const useClothChange = create<ClothChangeState>(() => ({ change: null, ...IDLE }));

const task = new Task((state) => useClothChange.setState(state));

function tell(before: Job, after: Job): void {
  useClothChange.setState({ change: null });
  if (after.pieces.length === 0) return;
  void task.run(
    (options) => engine.call('sewnOtherwise', { before, after }, options),
    (told) =>
      useClothChange.setState({ change: { id: after.id, from: recipeFor(before.brief).name, to: recipeFor(after.brief).name, ...told } }),
  );
}

/** Tells of every change of cloth while it is watched, undoing too. @returns how to stop */
export function watchCloth(): () => void {
  const stop = useJob.subscribe(({ job }, { job: before }) => {
    if (job && before && job.id === before.id && job.brief.cloth !== before.brief.cloth) tell(before, job);
  });
  return () => {
    stop();
    task.cancel();
    useClothChange.setState({ change: null, ...IDLE });
  };
}
