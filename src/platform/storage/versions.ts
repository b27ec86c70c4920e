import { parseJob } from '@/core/document/schema';
import type { Job } from '@/core/document/types';
import { SILENT_AFTER_MS } from './health';
import { keepPreference, preference } from './shop';
import { tableOf } from './table';

/** A job as it stood at some time, kept to compare with. */
export interface Version {
  id: string;
  job: Job;
  /** Milliseconds since 1970. */
  kept: number;
  /** What a person called it, and what was changed and why. */
  name?: string;
  note?: string;
}

/** A database of its own: a table that is added to an open database waits for all that use it to let go. */
const table = tableOf<Version>('cobble-versions', 'versions');
let moved: Promise<unknown> | null = null;

/** The table, once versions of earlier Cobbles lie in it, which kept them beside the jobs. */
async function opened(): Promise<typeof table> {
  await (moved ??= takeOver().catch(() => undefined));
  return table;
}

const MOVED = 'versions-moved';

async function takeOver(): Promise<void> {
  if (await preference<boolean>(MOVED)) return;
  const here = new Set(await table.keys());
  for (const version of await earlierVersions()) if (!here.has(version.id)) await table.set(version.id, version);
  await keepPreference(MOVED, true);
}

/** Reads what lies in the older place without changing that database in any way. */
function earlierVersions(): Promise<Version[]> {
  if (typeof indexedDB === 'undefined') return Promise.resolve([]);
  return new Promise((resolve, reject) => {
    // A database that does not answer is asked again when the page is opened the next time.
    setTimeout(() => reject(new Error('the database does not answer')), SILENT_AFTER_MS);
    const open = indexedDB.open('cobble');
    // There is no such database: it is not made for looking into it.
    open.onupgradeneeded = () => open.transaction?.abort();
    open.onerror = () => resolve([]);
    open.onblocked = () => resolve([]);
    open.onsuccess = () => {
      const database = open.result;
      database.onversionchange = () => database.close();
      if (!database.objectStoreNames.contains('versions')) {
        database.close();
        return resolve([]);
      }
      const all = database.transaction('versions').objectStore('versions').getAll() as IDBRequest<Version[]>;
      all.onerror = () => reject(new Error('versions of an earlier Cobble cannot be read'));
      all.onsuccess = () => {
        database.close();
        resolve(all.result);
      };
    };
  });
}

/** Keeps a job as it stands, under a name where it is given one. @throws StorageError with a sentence for people */
export async function keepVersion(job: Job, called: Pick<Version, 'name' | 'note'> = {}): Promise<Version> {
  const kept = Date.now();
  const version = { id: `${job.id} ${kept}`, job, kept, ...called };
  await (await opened()).set(version.id, version);
  return version;
}

/** Versions that were kept, of one job or of all, the latest first; damaged ones are passed over. */
export async function listVersions(jobId?: string): Promise<Version[]> {
  const keys = (await (await opened()).keys()).filter((k) => jobId === undefined || k.startsWith(`${jobId} `));
  const all = await Promise.all(keys.map((k) => table.get(k).then(readable, () => null)));
  return all.filter((v): v is Version => v !== null && (jobId === undefined || v.job.id === jobId)).sort((a, b) => b.kept - a.kept);
}

function readable(version: Version | null): Version | null {
  try {
    return version && { ...version, job: parseJob(version.job) };
  } catch {
    return null;
  }
}

/** Gives a kept version another name or note. */
export async function renameVersion(id: string, called: Required<Pick<Version, 'name' | 'note'>>): Promise<void> {
  const version = await (await opened()).get(id);
  if (version) await (await opened()).set(id, { ...version, ...called });
}

/** Puts back versions that a file holds; those that are here already stay. */
export async function putVersions(all: readonly Version[]): Promise<void> {
  const here = new Set(await (await opened()).keys());
  for (const version of all) if (!here.has(version.id)) await (await opened()).set(version.id, version);
}

export const removeVersion = async (id: string): Promise<void> => (await opened()).remove(id);

export async function removeVersions(jobId: string): Promise<void> {
  for (const version of await listVersions(jobId)) await (await opened()).remove(version.id);
}
