import type { Job } from '@/core/document/types';

/** A job that was made but that the browser has no room for: it can be saved to a file. */
export class NotKept extends Error {
  constructor(
    readonly job: Job,
    readonly artwork: Record<string, string>,
    cause: Error,
  ) {
    super(cause.message);
    this.name = 'NotKept';
  }
}
