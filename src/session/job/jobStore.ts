import { create } from 'zustand';
import type { Job } from '@/core/document/types';
import { dropDraft, draftOf, keepDraft } from '@/platform/storage/drafts';
import type { StorageError } from '@/platform/storage/storageError';
import { DamagedJob, keepNewJob, keptArtwork, keptJob, keptStamp, type KeptJob } from '@/platform/storage/records';
import { includes, sameStamp, type JobStamp } from '@/platform/storage/stamp';
import { keepVersion } from '@/platform/storage/versions';
import { EMPTY_HISTORY, record, redoStep, rollBack, undoStep, type History, type Moved } from './history';
import { Keeper, type SavedState } from './keeper';

export type { SavedState };

/** Why what is open here cannot be written over what the store holds. */
export type Conflict = 'changed' | 'removed';
/** Whether this tab edits the job, only shows what another tab makes of it, or does not know yet. */
export type Role = 'waiting' | 'editor' | 'follower';

interface JobState {
  status: 'idle' | 'loading' | 'ready' | 'missing' | 'damaged';
  job: Job | null;
  /** The job as it was when it was opened. */
  opened: Job | null;
  artwork: Record<string, string>;
  history: History;
  saved: SavedState;
  problem: string | null;
  conflict: Conflict | null;
  role: Role;
  /** A record that cannot be read. */
  damaged: DamagedJob | null;
  /** Something the person should know once; grows with every change that was refused because another tab edits. */
  notice: string | null;
  refusals: number;
  load(id: string): Promise<void>;
  /** Takes what the store holds, whatever is open here. */
  takeKept(): Promise<void>;
  /** This tab edits from now on: it goes on with what a page that went away could not save. */
  takeUp(): Promise<void>;
  /** Another tab edits from now on: nothing more is written here, and what was not saved is kept as a version. */
  giveWay(): Promise<void>;
  /** @param mark changes with one mark, one after the other, are one undoable step */
  change(label: string, recipe: (job: Job) => void, mark?: string): void;
  /** Takes back a gesture that was given up. */
  rollBack(mark: string): void;
  undo(): void;
  redo(): void;
  addArtwork(name: string, svg: string): void;
  /** Writes everything that is not written yet. */
  flush(): Promise<void>;
  /** The page is going away: writes what is unsaved in the one way that cannot be interrupted. */
  leave(): void;
  /** Keeps what is open as another job. @returns its id */
  keepAsNew(): Promise<string>;
}

const CLOSED = {
  job: null,
  opened: null,
  artwork: {},
  history: EMPTY_HISTORY,
  saved: 'saved',
  problem: null,
  conflict: null,
  damaged: null,
} as const;

let keeper: Keeper | null = null;
let loading = 0;

/** The version of the open job that the store holds; null when none is open. */
export const keptVersion = (): JobStamp | null => keeper?.kept ?? null;
/** Whether the open job stands in the store as it is. */
export const allKept = (): boolean => keeper?.clean ?? true;

/** The job that is open: its record, its history, and whether it is saved. */
export const useJob = create<JobState>((set, get) => {
  const report = (mine: Keeper) => (saved: SavedState, error: StorageError | null) => {
    if (mine !== keeper) return;
    const conflict = error?.fault === 'changed' || error?.fault === 'removed' ? error.fault : null;
    if (saved === 'saved') dropDraft(get().job!.id);
    set({ saved, problem: error && !conflict ? error.message : null, ...(conflict ? { conflict } : {}) });
  };
  const keep = (stamp: KeptJob['stamp']): void => {
    void keeper?.stop();
    const made: Keeper = new Keeper(
      stamp,
      () => ({ job: get().job!, artwork: get().artwork }),
      (saved, error) => report(made)(saved, error),
      () => get().role !== 'waiting',
    );
    keeper = made;
  };
  const show = (found: KeptJob, artwork: Record<string, string>): void => {
    keep(found.stamp);
    set({ ...CLOSED, status: 'ready', job: found.job, opened: found.job, artwork });
  };
  /** @param over what is open is only replaced while it has nothing that the store has not */
  const take = async (id: string, over: Keeper | null = null): Promise<void> => {
    const turn = ++loading;
    const late = (): boolean => turn !== loading || (over !== null && (keeper !== over || !over.clean));
    try {
      const found = await keptJob(id);
      const artwork = found ? await keptArtwork(id) : {};
      if (late()) return;
      if (!found) {
        keeper = null;
        return set({ ...CLOSED, status: 'missing' });
      }
      show(found, artwork);
      // What another tab has not saved yet is that tab's, as long as it edits.
      if (get().role === 'editor') await unsavedOf(found);
    } catch (error) {
      if (late()) return;
      keeper = null;
      if (error instanceof DamagedJob) set({ ...CLOSED, status: 'damaged', damaged: error });
      else set({ ...CLOSED, status: 'missing', problem: (error as Error).message });
    }
  };
  /** What a page that went away could not save goes on here, unless the job was changed since: then it is kept beside it. */
  const unsavedOf = async ({ job, stamp }: KeptJob): Promise<void> => {
    const draft = draftOf(job.id);
    if (!draft) return;
    if (includes(stamp.mark, draft.mark)) return dropDraft(job.id);
    if (sameStamp(stamp, draft.from)) {
      set({ job: draft.job });
      keeper!.replaced(false, draft.mark);
      return;
    }
    await keepVersion(draft.job);
    dropDraft(job.id);
    set({ notice: 'Changes that were not saved before this job was changed elsewhere are kept as a version: see Compare.' });
  };
  /** What is open makes room for another job: saved, or where the store does not take it, kept where it cannot be lost. */
  const putAside = async (): Promise<void> => {
    const { job, conflict } = get();
    if (job && !conflict) await get().flush();
    const left = job ? keeper?.unsaved : null;
    if (left) keepDraft(left);
    else if (job && conflict && !allKept()) await keepVersion(job).catch(() => undefined);
    void keeper?.stop();
    keeper = null;
  };
  const refused = (): boolean => {
    if (get().role !== 'follower' && !get().conflict) return false;
    set((s) => ({ refusals: s.refusals + 1 }));
    return true;
  };
  const advance = (next: Moved<Job>): void => {
    if (next.history === get().history || refused()) return;
    set({ job: next.state, history: next.history });
    if (next.patches.length > 0) keeper?.changed(next.patches);
  };
  const move = (step: (job: Job, history: History) => Moved<Job>): void => {
    const { job, history } = get();
    if (job) advance(step(job, history));
  };
  return {
    ...CLOSED,
    status: 'idle',
    role: 'editor',
    notice: null,
    refusals: 0,

    async load(id) {
      const open = get().job?.id === id && get().status === 'ready' ? keeper : null;
      if (open) {
        // Another page of this tab, the Library for one, may have changed the job meanwhile.
        if (get().conflict || !open.clean) return;
        const kept = await keptStamp(id).catch(() => open.kept);
        if (keeper !== open || !open.clean || (kept && sameStamp(kept, open.kept))) return;
        return take(id, open);
      }
      await putAside();
      set({ ...CLOSED, status: 'loading' });
      await take(id);
    },

    async takeKept() {
      const { job } = get();
      if (!job) return;
      dropDraft(job.id);
      await keeper?.stop();
      await take(job.id);
    },

    async takeUp() {
      const { job } = get();
      if (job && keeper?.clean && draftOf(job.id)) await take(job.id, keeper);
    },

    async giveWay() {
      const { job, conflict } = get();
      if (!job || conflict) return;
      const mine = keeper;
      await mine?.stop();
      if (mine !== keeper) return;
      const lost = get().job;
      const unsaved = lost && !allKept() ? lost : null;
      const put = unsaved ? await keepVersion(unsaved).catch(() => null) : null;
      // What cannot be put anywhere stays open, with the ways out of a conflict.
      if (unsaved && !put) return set({ conflict: 'changed' });
      await take(job.id);
      if (put) set({ notice: 'Another tab took this job over; what was not saved here is kept as a version: see Compare.' });
    },

    change: (label, recipe, mark) => move((job, history) => record(job, history, label, recipe, mark)),
    undo: () => move(undoStep),
    rollBack: (mark) => move((job, history) => rollBack(job, history, mark)),
    redo: () => move(redoStep),

    addArtwork(name, svg) {
      if (refused()) return;
      set({ artwork: { ...get().artwork, [name]: svg } });
      keeper?.replaced(true);
    },

    flush: () => keeper?.settle() ?? Promise.resolve(),

    leave() {
      const unsaved = keeper?.unsaved;
      if (!unsaved) return;
      keepDraft(unsaved);
      void keeper?.settle();
    },

    async keepAsNew() {
      const { job, artwork } = get();
      const copy = { ...job!, id: crypto.randomUUID().slice(0, 8), name: `${job!.name.slice(0, 180)} (kept)` };
      await keepNewJob(copy, artwork, Date.now());
      return copy.id;
    },
  };
});
