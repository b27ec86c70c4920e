import { marksOf } from '@/core/editing/handChanges';
import type { Job } from '@/core/document/types';

let made: { job: string; pieces: string } | null = null;

const marks = (job: Job): string => JSON.stringify([marksOf(job.pieces), job.threads]);

/** The pieces of a job were just made from its drawing. */
export const tellMade = (job: Job): void => void (made = { job: job.id, pieces: marks(job) });

/** Whether the pieces and threads of a job are still as they were made from its drawing; no for what was made before this page was loaded. */
export const isAsMade = (job: Job): boolean => made?.job === job.id && job.pieces.length > 0 && made.pieces === marks(job);
