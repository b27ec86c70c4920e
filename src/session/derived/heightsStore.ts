import { create } from 'zustand';
import type { Job, Lettering } from '@/core/document/types';
import type { LetterHeight } from '@/core/forecast/textHeights';
import { prover } from '@/workers/client';
import { editLettering } from '../edit/letteringCommands';
import { useJob } from '../job/jobStore';
import { IDLE, Task, type TaskState } from './task';

interface HeightsState extends TaskState {
  /** The text that `heights` are of, as it was then. */
  of: Lettering | null;
  heights: readonly LetterHeight[];
}

/** How high the letters of a text are predicted to sew. */
export const useHeights = create<HeightsState>(() => ({ of: null, heights: [], ...IDLE }));

const task = new Task((state) => useHeights.setState(state));

const textOf = (job: Job | null, id: string): Lettering | undefined => job?.pieces.find((p) => p.id === id)?.lettering;

/** Predicts the heights of a text's letters. */
export function seekHeights(id: string): void {
  const { job } = useJob.getState();
  const of = textOf(job, id);
  if (!job || !of) return;
  void task.run(
    (options) => prover.call('heights', { job, id, land: false }, options),
    ({ heights }) => useHeights.setState({ of, heights }),
  );
}

/** Draws each letter of a text so that it is predicted to sew as high as wanted, in one step. */
export function landHeights(id: string): void {
  const { job } = useJob.getState();
  if (!job || !textOf(job, id)) return;
  void task.run(
    (options) => prover.call('heights', { job, id, land: true }, options),
    ({ letters, heights }) => {
      // Whoever typed on meanwhile keeps what was typed.
      if (textOf(useJob.getState().job, id) !== textOf(job, id)) return;
      editLettering(id, { letters });
      useHeights.setState({ of: textOf(useJob.getState().job, id) ?? null, heights });
    },
  );
}

export const cancelHeights = (): void => task.cancel();
