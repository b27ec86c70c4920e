import { applyPatches, enablePatches, type Patch } from 'immer';
import { parseJob } from '@/core/document/schema';
import type { Job } from '@/core/document/types';
import type { PlanFigures } from '@/core/plan/measure';
import { headOf, readHead, type Head } from './heads';
import { dropPlan } from './plans';
import { StorageError } from './storageError';
import { alone } from './locks';
import { freshMark, sameStamp, type JobStamp } from './stamp';
import { tableOf } from './table';

/*
 * A job is kept as a record (the whole job, written when the hands rest) and a journal (the changes since, written several times a
 * second while they do not). Both are single values, so neither can be half there. The journal names the record it goes on
 * from; one that names an older record is included in the newer and is ignored. Artwork lies apart under a key that the record
 * names, so that a change of stitches does not write megabytes of drawing again; pictures lie apart and name the state they show.
 * The journal also says what the Shelf shows of the job: it is the index of the store.
 */

enablePatches();

interface StoredRecord {
  job: unknown;
  revision: number;
  mark: string;
  /** Milliseconds since 1970. */
  updated: number;
  artworkKey: string;
}

/** As earlier versions kept a job: with its artwork and its picture. */
interface EarlierRecord {
  job: unknown;
  artwork: Record<string, string>;
  updated: number;
  picture?: Blob;
  figures?: PlanFigures;
}

interface Journal {
  revision: number;
  entries: number;
  mark: string;
  updated: number;
  patches: Patch[];
  /** Of the job with its patches; earlier versions kept none. */
  head?: Head;
}

/** A job's sewn picture and figures, and the mark of the state that they show. */
export interface Shown {
  mark: string;
  picture: Blob;
  figures: PlanFigures;
}

const records = tableOf<StoredRecord | EarlierRecord>('cobble', 'jobs');
const journals = tableOf<Journal>('cobble-journal', 'journal');
const artworks = tableOf<Record<string, string>>('cobble-artwork', 'artwork');
const pictures = tableOf<Shown>('cobble-pictures', 'pictures');

/** A job as the store holds it. */
export interface KeptJob {
  job: Job;
  stamp: JobStamp;
  /** Milliseconds since 1970. */
  updated: number;
}

/** A record that cannot be read as a job; its text is kept and can be taken away. */
export class DamagedJob extends Error {
  constructor(
    readonly id: string,
    readonly raw: string,
    reason: string,
  ) {
    super(reason);
    this.name = 'DamagedJob';
  }
}

const isEarlier = (r: StoredRecord | EarlierRecord): r is EarlierRecord => !('revision' in r);

function stampOf(record: StoredRecord | EarlierRecord, journal: Journal | null): JobStamp {
  const [revision, mark] = isEarlier(record) ? [0, `earlier:${record.updated}`] : [record.revision, record.mark];
  return journal?.revision === revision ? { revision, entries: journal.entries, mark: journal.mark } : { revision, entries: 0, mark };
}

function read(id: string, record: StoredRecord | EarlierRecord, journal: Journal | null): KeptJob {
  const stamp = stampOf(record, journal);
  try {
    const base = parseJob(record.job);
    if (stamp.entries === 0) return { job: base, stamp, updated: record.updated };
    const job = parseJob(applyPatches(base, journal!.patches));
    return { job, stamp, updated: Math.max(record.updated, journal!.updated) };
  } catch (error) {
    throw new DamagedJob(id, JSON.stringify({ record, journal }, null, 1), (error as Error).message);
  }
}

/** @throws DamagedJob, StorageError */
export async function keptJob(id: string): Promise<KeptJob | null> {
  const record = await records.get(id);
  return record ? read(id, record, await journals.get(id)) : null;
}

/** Which version of a job the store holds; null when it has none. */
export async function keptStamp(id: string): Promise<JobStamp | null> {
  const record = await records.get(id);
  return record ? stampOf(record, await journals.get(id)) : null;
}

/** File name to SVG text. */
export async function keptArtwork(id: string): Promise<Record<string, string>> {
  const record = await records.get(id);
  if (!record) return {};
  return isEarlier(record) ? record.artwork : ((await artworks.get(record.artworkKey)) ?? {});
}

export type Kept = { id: string; kept: KeptJob } | { id: string; damaged: DamagedJob };

/** All jobs, the latest changed first; damaged ones last. One that cannot be read does not keep the others away. */
export async function keptJobs(): Promise<Kept[]> {
  const all = await Promise.all(
    (await records.keys()).map(async (id): Promise<Kept | null> => {
      try {
        const kept = await keptJob(id);
        return kept && { id, kept };
      } catch (error) {
        const damaged = error instanceof DamagedJob ? error : new DamagedJob(id, '', (error as Error).message);
        return { id, damaged };
      }
    }),
  );
  const when = (k: Kept): number => ('kept' in k ? k.kept.updated : -1);
  return all.filter((k) => k !== null).sort((a, b) => when(b) - when(a));
}

/** What lies on the shelf under an id: what is shown of the job, or the record that cannot be read. */
export type ShelfEntry = { id: string; head: Head; stamp: JobStamp; updated: number } | { id: string; damaged: DamagedJob };

async function entryOf(id: string): Promise<ShelfEntry | null> {
  const journal = await journals.get(id);
  const head = journal && readHead(journal.head);
  if (head)
    return { id, head, stamp: { revision: journal.revision, entries: journal.entries, mark: journal.mark }, updated: journal.updated };
  try {
    const kept = await keptJob(id);
    return kept && { id, head: headOf(kept.job), stamp: kept.stamp, updated: kept.updated };
  } catch (error) {
    return { id, damaged: error instanceof DamagedJob ? error : new DamagedJob(id, '', (error as Error).message) };
  }
}

/** What lies on the shelf, as `keptJobs` orders it, without reading the jobs where the index knows them. */
export async function shelfEntries(): Promise<ShelfEntry[]> {
  const all = await Promise.all((await records.keys()).map(entryOf));
  const when = (e: ShelfEntry): number => ('head' in e ? e.updated : -1);
  return all.filter((e) => e !== null).sort((a, b) => when(b) - when(a));
}

async function write(job: Job, artworkKey: string, next: { revision: number; mark: string; updated: number }): Promise<JobStamp> {
  await records.set(job.id, { job, artworkKey, ...next });
  const stamp = { revision: next.revision, entries: 0, mark: next.mark };
  await journals.set(job.id, { ...stamp, updated: next.updated, patches: [], head: headOf(job) });
  return stamp;
}

async function putArtwork(id: string, artwork: Record<string, string>, mark: string): Promise<string> {
  const key = `${id} ${mark}`;
  await artworks.set(key, artwork);
  return key;
}

/** Keeps a job that the store does not hold yet. @throws StorageError 'changed' when it holds one of that id */
export function keepNewJob(job: Job, artwork: Record<string, string>, updated: number): Promise<JobStamp> {
  return alone(async () => {
    const there = await records.get(job.id);
    if (there) throw new StorageError('changed', stampOf(there, null));
    const mark = freshMark();
    return write(job, await putArtwork(job.id, artwork, mark), { revision: 1, mark, updated });
  });
}

/** The record, when the store still holds the version that `from` names. */
async function unchanged(id: string, from: JobStamp): Promise<StoredRecord | EarlierRecord> {
  const record = await records.get(id);
  if (!record) throw new StorageError('removed');
  const found = stampOf(record, await journals.get(id));
  if (!sameStamp(found, from)) throw new StorageError('changed', found);
  return record;
}

export interface SaveRequest {
  job: Job;
  /** The version that `job` was made from. */
  from: JobStamp;
  mark: string;
  updated: number;
  /** Only when it differs from what is kept. */
  artwork?: Record<string, string>;
}

/** Writes the whole job. @throws StorageError 'changed' or 'removed' when the store does not hold `from` any more */
export function saveJob({ job, from, mark, updated, artwork }: SaveRequest): Promise<JobStamp> {
  return alone(async () => {
    const record = await unchanged(job.id, from);
    const before = isEarlier(record) ? null : record.artworkKey;
    const moved = artwork ?? (isEarlier(record) ? record.artwork : null);
    const key = moved ? await putArtwork(job.id, moved, mark) : before!;
    if (isEarlier(record) && record.picture && record.figures)
      await pictures.set(job.id, { mark: from.mark, picture: record.picture, figures: record.figures });
    const stamp = await write(job, key, { revision: from.revision + 1, mark, updated });
    if (before !== null && before !== key) await artworks.remove(before);
    return stamp;
  });
}

export interface JournalEntry {
  patches: readonly Patch[];
  mark: string;
  updated: number;
  /** Of the job with these patches; null when it is not known, and the job has to be read to show it. */
  head: Head | null;
}

/** Writes what was changed since `from` into the journal. @throws StorageError as `saveJob` */
export function journal(id: string, from: JobStamp, { patches, mark, updated, head }: JournalEntry): Promise<JobStamp> {
  return alone(async () => {
    const kept = await journals.get(id);
    if (!kept || kept.revision !== from.revision || kept.entries !== from.entries) await unchanged(id, from);
    const before = kept?.revision === from.revision ? kept.patches : [];
    const next = { revision: from.revision, entries: from.entries + 1, mark };
    await journals.set(id, { ...next, updated, patches: [...before, ...patches], ...(head ? { head } : {}) });
    return next;
  });
}

/** Changes a job in the store, whatever version it is. @returns its new version; null when there is no such job */
export function changeKept(id: string, change: (job: Job) => Job): Promise<JobStamp | null> {
  return alone(async () => {
    const record = await records.get(id);
    if (!record) return null;
    const { job, stamp } = read(id, record, await journals.get(id));
    const mark = freshMark();
    const key = isEarlier(record) ? await putArtwork(id, record.artwork, mark) : record.artworkKey;
    return write(change(job), key, { revision: stamp.revision + 1, mark, updated: Date.now() });
  });
}

export function removeKept(id: string): Promise<void> {
  return alone(async () => {
    const record = await records.get(id);
    await records.remove(id);
    await journals.remove(id);
    await pictures.remove(id);
    await dropPlan(id);
    if (record && !isEarlier(record)) await artworks.remove(record.artworkKey);
  });
}

/** The picture of a job as it stands; null when there is none of that state. */
export async function keptPicture(id: string, mark: string): Promise<Shown | null> {
  const shown = await pictures.get(id);
  if (shown?.mark === mark) return shown;
  const record = await records.get(id);
  if (!record || !isEarlier(record) || !record.picture || !record.figures || stampOf(record, null).mark !== mark) return null;
  return { mark, picture: record.picture, figures: record.figures };
}

export const keepPicture = (id: string, shown: Shown): Promise<void> => pictures.set(id, shown);
