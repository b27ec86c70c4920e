import type { JobStamp } from './stamp';

/** Why something could not be kept. The message is one sentence that says what to do, fit for people. */
export type StorageFault = 'full' | 'broken' | 'changed' | 'removed';

const WORDS: Readonly<Record<StorageFault, string>> = {
  full: 'This browser has no room left. Save what is open to a file, then remove jobs you no longer need.',
  broken: 'This browser did not keep that. Save what is open to a file before you close it.',
  changed: 'This job was saved in another tab after it was opened here.',
  removed: 'This job was removed in another tab.',
};

export class StorageError extends Error {
  constructor(
    readonly fault: StorageFault,
    /** What the store holds instead, where that is why. */
    readonly found?: JobStamp,
  ) {
    super(WORDS[fault]);
    this.name = 'StorageError';
  }
}

/** What the browser's database threw, as a fault that can be told. */
export function asStorageError(error: unknown): StorageError {
  if (error instanceof StorageError) return error;
  const name = (error as { name?: string } | null)?.name ?? '';
  return new StorageError(/quota|full/i.test(name) ? 'full' : 'broken');
}
