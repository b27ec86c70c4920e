import { create } from 'zustand';
import { IDLE, Task, type TaskState } from '../derived/task';
import { shelfAsFile, shelfSaved } from './shelfFile';

/** The whole shelf on its way to a file. */
export const useShelfSaving = create<TaskState>(() => ({ ...IDLE }));

const task = new Task((state) => useShelfSaving.setState(state));

/** Packs the shelf beside the page; the page goes on meanwhile. @param hand gets the file */
export function saveShelf(hand: (file: Blob) => void): void {
  void task.run(shelfAsFile, (file) => {
    hand(file);
    void shelfSaved();
  });
}

export const stopSavingShelf = (): void => task.cancel();
