import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer';

enablePatches();

/** One undoable step. */
export interface Step {
  label: string;
  forward: Patch[];
  back: Patch[];
}

export interface History {
  past: readonly Step[];
  future: readonly Step[];
}

export const EMPTY_HISTORY: History = { past: [], future: [] };
const MOST_STEPS = 300;

/** Runs `recipe` on a draft of `state`. Without a change, state and history stay the same. */
export function record<T extends object>(
  state: T,
  history: History,
  label: string,
  recipe: (draft: T) => void,
): { state: T; history: History } {
  const [next, forward, back] = produceWithPatches(state, (draft) => {
    recipe(draft as T);
  });
  if (forward.length === 0) return { state, history };
  return { state: next, history: { past: [...history.past.slice(1 - MOST_STEPS), { label, forward, back }], future: [] } };
}

export function undoStep<T extends object>(state: T, history: History): { state: T; history: History } {
  const step = history.past[history.past.length - 1];
  if (!step) return { state, history };
  return { state: applyPatches(state, step.back), history: { past: history.past.slice(0, -1), future: [step, ...history.future] } };
}

export function redoStep<T extends object>(state: T, history: History): { state: T; history: History } {
  const [step, ...rest] = history.future;
  if (!step) return { state, history };
  return { state: applyPatches(state, step.forward), history: { past: [...history.past, step], future: rest } };
}
