import { create, type StoreApi, type UseBoundStore } from 'zustand';
import type { Job } from '@/core/document/types';
import { EMPTY_HISTORY } from './history';
import { documentCommands, UNWATCHED, type OpenDocument } from './openDocument';

/**
 * A second job in the same page: changed and undone like the one that is open, but kept nowhere. For what is only tried: practice,
 * a placement on the floor, one side of a comparison.
 */
export function looseJob(job: Job, artwork: Record<string, string> = {}): UseBoundStore<StoreApi<OpenDocument>> {
  return create<OpenDocument>((setState, getState) => ({
    job,
    opened: job,
    artwork,
    history: EMPTY_HISTORY,
    ...documentCommands({ getState, setState }, UNWATCHED),
  }));
}
