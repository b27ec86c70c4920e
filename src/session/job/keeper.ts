import type { Patch } from 'immer';
import type { Job } from '@/core/document/types';
import { asStorageError, type StorageError } from '@/platform/storage/storageError';
import { headOf } from '@/platform/storage/heads';
import { journal, saveJob } from '@/platform/storage/records';
import { includes, lineOfMarks, type JobStamp } from '@/platform/storage/stamp';
import { tellTabs } from '@/platform/tabs';

export type SavedState = 'saved' | 'waiting' | 'saving' | 'failed';

export interface Keepable {
  job: Job;
  artwork: Record<string, string>;
}

/** Longest time for which a change stands nowhere but in the page. */
const JOURNAL_AFTER_MS = 250;
/** The whole job is written when the hands have rested so long, or when the journal has grown long or old. */
const WHOLE_AFTER_MS = 1500;
const LONGEST_JOURNAL = 2000;
const OLDEST_JOURNAL_MS = 10_000;
const RETRY_AFTER_MS = 5000;

/**
 * Keeps one open job in the store. Changes go into its journal a quarter of a second after the first of them, however fast
 * others follow; the whole job is written when the hands rest. Every write names the version it goes on from: where the store
 * holds another, nothing is written, and nothing more is until the keeper is replaced.
 */
export class Keeper {
  private pending: Patch[] = [];
  private mark: string;
  private readonly nextMark = lineOfMarks();
  /** The next write has to be of the whole job. */
  private whole = false;
  private artworkChanged = false;
  private writing = 0;
  private refused = false;
  private journaled = 0;
  private journalSince = 0;
  private soon: ReturnType<typeof setTimeout> | null = null;
  private rest: ReturnType<typeof setTimeout> | null = null;
  private chain: Promise<void> = Promise.resolve();
  /** Marks of states that this one was made from: where the store holds one of those, there is nothing in it to lose. */
  private readonly madeFrom: string[];

  constructor(
    private stamp: JobStamp,
    private readonly now: () => Keepable,
    private readonly report: (saved: SavedState, error: StorageError | null) => void,
    /** While it is not known who may write, nothing is. */
    private readonly mayWrite: () => boolean = () => true,
  ) {
    this.mark = stamp.mark;
    this.madeFrom = [stamp.mark];
  }

  /** The version that the store holds, as far as this keeper knows. */
  get kept(): JobStamp {
    return this.stamp;
  }

  /** Whether everything stands in the store. */
  get clean(): boolean {
    return this.pending.length === 0 && this.writing === 0 && !this.whole && !this.artworkChanged;
  }

  /** The state that is not in the store yet, for a page that goes away; null when all is. */
  get unsaved(): { job: Job; from: JobStamp; mark: string } | null {
    return this.clean || this.refused ? null : { job: this.now().job, from: this.stamp, mark: this.mark };
  }

  changed(patches: readonly Patch[]): void {
    for (const p of patches) this.pending.push(p);
    this.touch();
  }

  /**
   * Artwork has changed, or the job as a whole: the journal cannot hold that.
   * @param from mark of the state that it was replaced by, when it is one that a tab tried to save
   */
  replaced(artwork: boolean, from?: string): void {
    if (from !== undefined) this.madeFrom.push(from);
    this.whole = true;
    this.artworkChanged ||= artwork;
    this.touch();
  }

  private touch(): void {
    this.mark = this.nextMark();
    if (this.refused) return;
    this.report('waiting', null);
    this.soon ??= setTimeout(() => void this.run(() => this.writeSoon()), JOURNAL_AFTER_MS);
    if (this.rest) clearTimeout(this.rest);
    this.rest = setTimeout(() => void this.settle(), WHOLE_AFTER_MS);
  }

  /** Writes the whole job, if anything of it is not in its record yet. */
  settle(): Promise<void> {
    return this.run(async () => {
      if (!this.mayWrite()) return;
      if (!this.clean || this.journaled > 0) await this.writeWhole();
    });
  }

  /** Writes nothing more. What was under way is awaited. */
  stop(): Promise<void> {
    this.refused = true;
    this.forgetTimers();
    return this.chain;
  }

  private forgetTimers(): void {
    if (this.soon) clearTimeout(this.soon);
    if (this.rest) clearTimeout(this.rest);
    this.soon = this.rest = null;
  }

  private run(step: () => Promise<void>): Promise<void> {
    this.chain = this.chain.then(async () => {
      if (!this.refused) await step();
    });
    return this.chain;
  }

  private async writeSoon(): Promise<void> {
    this.soon = null;
    if (!this.mayWrite()) return;
    const old = this.journaled > 0 && Date.now() - this.journalSince > OLDEST_JOURNAL_MS;
    if (this.whole || this.artworkChanged || old || this.journaled + this.pending.length > LONGEST_JOURNAL) return this.writeWhole();
    if (this.pending.length === 0) return;
    const patches = this.pending;
    this.pending = [];
    const { job } = this.now();
    const { mark } = this;
    await this.attempt(async () => {
      const next = await journal(job.id, this.stamp, { patches, mark, updated: Date.now(), head: headOf(job) });
      if (this.journaled === 0) this.journalSince = Date.now();
      this.journaled += patches.length;
      return next;
    });
  }

  private async writeWhole(): Promise<void> {
    this.forgetTimers();
    const { job, artwork } = this.now();
    const { mark, artworkChanged } = this;
    this.pending = [];
    this.whole = this.artworkChanged = false;
    await this.attempt(async () => {
      const next = await saveJob({ job, from: this.stamp, mark, updated: Date.now(), ...(artworkChanged ? { artwork } : {}) });
      this.journaled = 0;
      return next;
    }, artworkChanged);
  }

  private async attempt(write: () => Promise<JobStamp>, artwork = false): Promise<void> {
    this.writing++;
    this.report('saving', null);
    try {
      this.stamp = await write();
      this.writing--;
      tellTabs('saved', this.now().job.id);
      this.report(this.clean ? 'saved' : 'waiting', null);
    } catch (thrown) {
      this.writing--;
      this.whole = true;
      this.artworkChanged ||= artwork;
      this.failed(asStorageError(thrown));
    }
  }

  private failed(error: StorageError): void {
    if (error.found && [this.mark, ...this.madeFrom].some((mark) => includes(mark, error.found!.mark))) {
      // A tab that gave the job up late wrote what is known here: this goes on from that.
      this.stamp = error.found;
      this.soon ??= setTimeout(() => void this.run(() => this.writeSoon()), 0);
      this.report('waiting', null);
      return;
    }
    if (error.fault === 'changed' || error.fault === 'removed') {
      this.refused = true;
      this.forgetTimers();
    } else if (!this.rest) this.rest = setTimeout(() => void this.settle(), RETRY_AFTER_MS);
    this.report('failed', error);
  }
}
