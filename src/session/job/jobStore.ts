import { create } from 'zustand';
import { keepNewJob } from '@/platform/storage/records';
import type { JobStamp } from '@/platform/storage/stamp';
import { showUnitsOf } from '../view/unitsStore';
import type { SavedState } from './keeper';
import { Keeping, type KeepingState } from './keeping';
import { documentCommands, NOTHING_OPEN, type OpenDocument } from './openDocument';

export type { SavedState };

type KeepingCommands = Pick<Keeping, 'load' | 'takeKept' | 'takeUp' | 'giveWay' | 'flush' | 'leave'>;

interface JobState extends OpenDocument, KeepingState, KeepingCommands {
  /** Keeps what is open as another job. @returns its id */
  keepAsNew(): Promise<string>;
}

let keeping: Keeping;

/** The version of the open job that the store holds; null when none is open. */
export const keptVersion = (): JobStamp | null => keeping.kept;
/** Whether the open job stands in the store as it is. */
export const allKept = (): boolean => keeping.clean;

/** The job that is open: its record, its history, and whether it is saved. */
export const useJob = create<JobState>((setState, getState) => {
  keeping = new Keeping({ getState, setState });
  return {
    ...NOTHING_OPEN,
    status: 'idle',
    saved: 'saved',
    problem: null,
    conflict: null,
    damaged: null,
    role: 'editor',
    notice: null,
    refusals: 0,
    ...documentCommands({ getState, setState }, keeping),
    load: (id) => keeping.load(id),
    takeKept: () => keeping.takeKept(),
    takeUp: () => keeping.takeUp(),
    giveWay: () => keeping.giveWay(),
    flush: keeping.flush,
    leave: () => keeping.leave(),
    async keepAsNew() {
      const { job, artwork } = getState();
      const copy = { ...job!, id: crypto.randomUUID().slice(0, 8), name: `${job!.name.slice(0, 180)} (kept)` };
      await keepNewJob(copy, artwork, Date.now());
      return copy.id;
    },
  };
});

// Lengths are shown as the open job says before anything of it is laid out.
useJob.subscribe(({ job }, before) => {
  if (job !== before.job) showUnitsOf(job);
});
