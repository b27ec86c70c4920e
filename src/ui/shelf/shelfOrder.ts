import { JOB_STAGES, type JobStage } from '@/core/document/types';
import type { ShelfEntry } from '@/platform/storage/records';

export const SHELF_ORDERS = ['touched', 'due', 'stage'] as const;
export type ShelfOrder = (typeof SHELF_ORDERS)[number];
export const ORDER_WORDS: Record<ShelfOrder, string> = { touched: 'last worked on', due: 'due first', stage: 'held up first' };

/** Where nobody said, it is being digitized. */
export const stageOf = (entry: ShelfEntry): JobStage => ('head' in entry ? (entry.head.stage ?? 'digitizing') : 'digitizing');
const dueOf = (entry: ShelfEntry): string => ('head' in entry && entry.head.brief.due) || '9999';
/** Questions to the customer that hold it up. */
const waitingOf = (entry: ShelfEntry): number => ('head' in entry ? (entry.head.waiting ?? 0) : 0);
/** What waits for others comes before what is being sewn; what is done last. */
const place = (entry: ShelfEntry): number => JOB_STAGES.indexOf(stageOf(entry));

/** The shelf in an order; of equals as they were. */
export function ordered(entries: readonly ShelfEntry[], by: ShelfOrder): ShelfEntry[] {
  const all = entries.slice();
  if (by === 'due')
    return all.sort(
      (a, b) =>
        (stageOf(a) === 'done' ? 1 : 0) - (stageOf(b) === 'done' ? 1 : 0) || (dueOf(a) < dueOf(b) ? -1 : dueOf(a) > dueOf(b) ? 1 : 0),
    );
  if (by === 'stage') return all.sort((a, b) => place(a) - place(b) || waitingOf(b) - waitingOf(a));
  return all;
}
