import type { StoreApi } from 'zustand';
import type { Job } from '@/core/document/types';
import { dropDraft, draftOf, keepDraft } from '@/platform/storage/drafts';
import { DamagedJob, keptArtwork, keptJob, keptStamp, type KeptJob } from '@/platform/storage/records';
import { includes, sameStamp, type JobStamp } from '@/platform/storage/stamp';
import type { StorageError } from '@/platform/storage/storageError';
import { keepVersion } from '@/platform/storage/versions';
import { Keeper, type SavedState } from './keeper';
import { NOTHING_OPEN, type OpenDocument, type Watcher } from './openDocument';

/** Why what is open here cannot be written over what the store holds. */
export type Conflict = 'changed' | 'removed';
/** Whether this tab edits the job, only shows what another tab makes of it, or does not know yet. */
export type Role = 'waiting' | 'editor' | 'follower';

/** What is shown of how the open job stands to the store. */
export interface KeepingState {
  status: 'idle' | 'loading' | 'ready' | 'missing' | 'damaged';
  saved: SavedState;
  problem: string | null;
  conflict: Conflict | null;
  role: Role;
  /** A record that cannot be read. */
  damaged: DamagedJob | null;
  /** Something the person should know once; grows with every change that was refused because another tab edits. */
  notice: string | null;
  refusals: number;
}

const CLOSED = { ...NOTHING_OPEN, saved: 'saved', problem: null, conflict: null, damaged: null } as const;

type Api = Pick<StoreApi<OpenDocument & KeepingState>, 'getState' | 'setState'>;

/** Keeps the job that is open in `api` in the store, and brings others from there. */
export class Keeping implements Watcher {
  private keeper: Keeper | null = null;
  private loading = 0;
  /** The job that is on its way, so that asking twice is asking once. */
  private coming: { id: string; done: Promise<void> } | null = null;

  constructor(private readonly api: Api) {}

  /** The version of the open job that the store holds; null when none is open. */
  get kept(): JobStamp | null {
    return this.keeper?.kept ?? null;
  }

  /** Whether the open job stands in the store as it is. */
  get clean(): boolean {
    return this.keeper?.clean ?? true;
  }

  refuses(): boolean {
    const { role, conflict } = this.api.getState();
    if (role !== 'follower' && !conflict) return false;
    this.api.setState((s) => ({ refusals: s.refusals + 1 }));
    return true;
  }

  changed: Watcher['changed'] = (patches) => this.keeper?.changed(patches);
  artworkChanged = (): void => this.keeper?.replaced(true);

  load(id: string): Promise<void> {
    if (this.coming?.id === id) return this.coming.done;
    const mine = { id, done: this.bring(id).finally(() => this.coming === mine && (this.coming = null)) };
    this.coming = mine;
    return mine.done;
  }

  private async bring(id: string): Promise<void> {
    const { job, status, conflict } = this.api.getState();
    const open = job?.id === id && status === 'ready' ? this.keeper : null;
    if (open) {
      // Another page of this tab, the Library for one, may have changed the job meanwhile.
      if (conflict || !open.clean) return;
      const kept = await keptStamp(id).catch(() => open.kept);
      if (this.keeper !== open || !open.clean || (kept && sameStamp(kept, open.kept))) return;
      return this.take(id, open);
    }
    await this.putAside();
    this.api.setState({ ...CLOSED, status: 'loading' });
    await this.take(id);
  }

  /** Takes what the store holds, whatever is open here. */
  async takeKept(): Promise<void> {
    const { job } = this.api.getState();
    if (!job) return;
    dropDraft(job.id);
    await this.keeper?.stop();
    await this.take(job.id);
  }

  /** This tab edits from now on: it goes on with what a page that went away could not save. */
  async takeUp(): Promise<void> {
    const { job } = this.api.getState();
    if (job && this.keeper?.clean && draftOf(job.id)) await this.take(job.id, this.keeper);
  }

  /** Another tab edits from now on: nothing more is written here, and what was not saved is kept as a version. */
  async giveWay(): Promise<void> {
    const { job, conflict } = this.api.getState();
    if (!job || conflict) return;
    const mine = this.keeper;
    await mine?.stop();
    if (mine !== this.keeper) return;
    const lost = this.api.getState().job;
    const unsaved = lost && !this.clean ? lost : null;
    const put = unsaved ? await keepVersion(unsaved).catch(() => null) : null;
    // What cannot be put anywhere stays open, with the ways out of a conflict.
    if (unsaved && !put) return this.api.setState({ conflict: 'changed' });
    await this.take(job.id);
    if (put) this.api.setState({ notice: 'Another tab took this job over; what was not saved here is kept as a version: see Compare.' });
  }

  /** Writes everything that is not written yet. */
  flush = (): Promise<void> => this.keeper?.settle() ?? Promise.resolve();

  /** The page is going away: writes what is unsaved in the one way that cannot be interrupted. */
  leave(): void {
    const unsaved = this.keeper?.unsaved;
    if (!unsaved) return;
    keepDraft(unsaved);
    void this.keeper?.settle();
  }

  private report(by: Keeper, saved: SavedState, error: StorageError | null): void {
    if (by !== this.keeper) return;
    const conflict = error?.fault === 'changed' || error?.fault === 'removed' ? error.fault : null;
    if (saved === 'saved') dropDraft(this.api.getState().job!.id);
    this.api.setState({ saved, problem: error && !conflict ? error.message : null, ...(conflict ? { conflict } : {}) });
  }

  private show({ job, stamp }: KeptJob, artwork: Record<string, string>): void {
    void this.keeper?.stop();
    const { getState, setState } = this.api;
    const made: Keeper = new Keeper(
      stamp,
      () => ({ job: getState().job!, artwork: getState().artwork }),
      (saved, error) => this.report(made, saved, error),
      () => getState().role !== 'waiting',
    );
    this.keeper = made;
    setState({ ...CLOSED, status: 'ready', job, opened: job, artwork });
  }

  /** @param over what is open is only replaced while it has nothing that the store has not */
  private async take(id: string, over: Keeper | null = null): Promise<void> {
    const turn = ++this.loading;
    const late = (): boolean => turn !== this.loading || (over !== null && (this.keeper !== over || !over.clean));
    try {
      const found = await keptJob(id);
      const artwork = found ? await keptArtwork(id) : {};
      if (late()) return;
      if (!found) return this.close({ status: 'missing' });
      this.show(found, artwork);
      // What another tab has not saved yet is that tab's, as long as it edits.
      if (this.api.getState().role === 'editor') await this.takeUnsaved(found);
    } catch (error) {
      if (late()) return;
      this.close(
        error instanceof DamagedJob ? { status: 'damaged', damaged: error } : { status: 'missing', problem: (error as Error).message },
      );
    }
  }

  private close(why: Partial<KeepingState>): void {
    this.keeper = null;
    this.api.setState({ ...CLOSED, ...why });
  }

  /** What a page that went away could not save goes on here, unless the job was changed since: then it is kept beside it. */
  private async takeUnsaved({ job, stamp }: KeptJob): Promise<void> {
    const draft = draftOf(job.id);
    if (!draft) return;
    if (includes(stamp.mark, draft.mark)) return dropDraft(job.id);
    if (sameStamp(stamp, draft.from)) {
      this.api.setState({ job: draft.job });
      this.keeper!.replaced(false, draft.mark);
      return;
    }
    await keepVersion(draft.job);
    dropDraft(job.id);
    this.api.setState({ notice: 'Changes that were not saved before this job was changed elsewhere are kept as a version: see Compare.' });
  }

  /** What is open makes room for another job: saved, or where the store does not take it, kept where it cannot be lost. */
  private async putAside(): Promise<void> {
    const { job, conflict } = this.api.getState();
    if (job && !conflict) await this.flush();
    const left: { job: Job; from: JobStamp; mark: string } | null = job ? (this.keeper?.unsaved ?? null) : null;
    if (left) keepDraft(left);
    else if (job && conflict && !this.clean) await keepVersion(job).catch(() => undefined);
    void this.keeper?.stop();
    this.keeper = null;
  }
}
