import { create } from 'zustand';
import type { Job } from '@/core/document/types';
import { dropDraft, keepDraft, loadJob, saveJob, takeDraft, type SavedJob } from '@/platform/storage';
import { announceSaved } from '@/platform/tabs';
import { EMPTY_HISTORY, record, redoStep, rollBack, undoStep, type History } from './history';

export type SavedState = 'saved' | 'waiting' | 'saving' | 'failed';

interface JobState {
  status: 'idle' | 'loading' | 'ready' | 'missing';
  job: Job | null;
  /** The job as it was when it was opened. */
  opened: Job | null;
  artwork: Record<string, string>;
  history: History;
  saved: SavedState;
  problem: string | null;
  /** Another tab has saved this job since it was loaded here. */
  changedElsewhere: boolean;
  /** What the shelf shows; written along with the job. */
  shown: Pick<SavedJob, 'picture' | 'figures'>;
  load(id: string): Promise<void>;
  /** @param mark changes with one mark, one after the other, are one undoable step */
  change(label: string, recipe: (job: Job) => void, mark?: string): void;
  /** Takes back a gesture that was given up. */
  rollBack(mark: string): void;
  undo(): void;
  redo(): void;
  setShown(shown: Pick<SavedJob, 'picture' | 'figures'>): void;
  flush(): Promise<void>;
  /** The page is going away: writes what is unsaved in the one way that cannot be interrupted. */
  leave(): void;
}

const SAVE_AFTER_MS = 350;
let timer: ReturnType<typeof setTimeout> | null = null;

/** The job that is open: its record, its history, and whether it is saved. */
export const useJob = create<JobState>((set, get) => {
  const later = (): void => {
    if (timer) clearTimeout(timer);
    timer = setTimeout(() => void get().flush(), SAVE_AFTER_MS);
  };
  const move = (step: typeof undoStep): void => {
    const { job, history } = get();
    if (!job) return;
    const next = step(job, history);
    if (next.history === history) return;
    set({ job: next.state, history: next.history, saved: 'waiting' });
    later();
  };
  return {
    status: 'idle',
    job: null,
    opened: null,
    artwork: {},
    history: EMPTY_HISTORY,
    saved: 'saved',
    problem: null,
    changedElsewhere: false,
    shown: {},

    async load(id) {
      if (get().job?.id === id && get().status === 'ready' && !get().changedElsewhere) return;
      await get().flush();
      set({ status: 'loading', job: null, history: EMPTY_HISTORY, changedElsewhere: false, shown: {} });
      const found = await loadJob(id).catch(() => null);
      if (!found) return set({ status: 'missing' });
      const { artwork, picture, figures } = found;
      const draft = takeDraft(id);
      set({
        status: 'ready',
        job: draft ?? found.job,
        opened: found.job,
        artwork,
        saved: draft ? 'waiting' : 'saved',
        problem: null,
        shown: { ...(picture ? { picture } : {}), ...(figures ? { figures } : {}) },
      });
      if (draft) later();
    },

    change(label, recipe, mark) {
      const { job, history } = get();
      if (!job) return;
      const next = record(job, history, label, recipe, mark);
      if (next.history === history) return;
      set({ job: next.state, history: next.history, saved: 'waiting' });
      later();
    },

    undo: () => move(undoStep),
    rollBack: (mark) => move((job, history) => rollBack(job, history, mark)),
    redo: () => move(redoStep),

    setShown(shown) {
      set({ shown, saved: 'waiting' });
      later();
    },

    async flush() {
      if (timer) clearTimeout(timer);
      timer = null;
      const { job, artwork, saved, shown } = get();
      if (!job || saved === 'saved') return;
      set({ saved: 'saving' });
      try {
        await saveJob({ job, artwork, updated: Date.now(), ...shown });
        dropDraft();
        announceSaved(job.id);
        if (get().job === job && get().shown === shown) set({ saved: 'saved', problem: null });
        else later();
      } catch (error) {
        set({ saved: 'failed', problem: (error as Error).message });
      }
    },

    leave() {
      const { job, saved } = get();
      if (!job || saved === 'saved') return;
      keepDraft(job);
      void get().flush();
    },
  };
});
