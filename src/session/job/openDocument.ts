import { current, original, type Patch } from 'immer';
import type { StoreApi } from 'zustand';
import type { Job } from '@/core/document/types';
import { following } from '@/core/pieces/lettering/following';
import { EMPTY_HISTORY, record, redoStep, rollBack, undoStep, type History, type Moved } from './history';

/** A job that is worked on, with its artwork and what can be undone. Nothing of it knows of a store. */
export interface OpenDocument {
  job: Job | null;
  /** The job as it was when it was opened. */
  opened: Job | null;
  artwork: Record<string, string>;
  history: History;
  /** @param mark changes with one mark, one after the other, are one undoable step */
  change(label: string, recipe: (job: Job) => void, mark?: string): void;
  /** Takes back a gesture that was given up. */
  rollBack(mark: string): void;
  undo(): void;
  redo(): void;
  addArtwork(name: string, svg: string): void;
}

/** Who is told of every change, and may refuse it. */
export interface Watcher {
  refuses(): boolean;
  changed(patches: readonly Patch[]): void;
  artworkChanged(): void;
}

/** Nobody: what is open is only in the page, and may always be changed. */
export const UNWATCHED: Watcher = { refuses: () => false, changed: () => undefined, artworkChanged: () => undefined };

export const NOTHING_OPEN = { job: null, opened: null, artwork: {}, history: EMPTY_HISTORY } as const;

type Api = Pick<StoreApi<OpenDocument>, 'getState' | 'setState'>;

/** A change, after which what follows a text does so. */
const followed =
  (recipe: (job: Job) => void) =>
  (job: Job): void => {
    recipe(job);
    if (!job.pieces.some((p) => p.follows)) return;
    for (const piece of following(current(job), original(job))) job.pieces[job.pieces.findIndex((p) => p.id === piece.id)] = piece;
  };

/** The commands of a document that lives in `api`. */
export function documentCommands({ getState, setState }: Api, watcher: Watcher) {
  const move = (step: (job: Job, history: History) => Moved<Job>): void => {
    const { job, history } = getState();
    if (!job) return;
    const next = step(job, history);
    if (next.history === history || watcher.refuses()) return;
    setState({ job: next.state, history: next.history });
    if (next.patches.length > 0) watcher.changed(next.patches);
  };
  return {
    change: (label: string, recipe: (job: Job) => void, mark?: string) =>
      move((job, history) => record(job, history, label, followed(recipe), mark)),
    rollBack: (mark: string) => move((job, history) => rollBack(job, history, mark)),
    undo: () => move(undoStep),
    redo: () => move(redoStep),
    addArtwork(name: string, svg: string): void {
      if (watcher.refuses()) return;
      setState({ artwork: { ...getState().artwork, [name]: svg } });
      watcher.artworkChanged();
    },
  };
}
