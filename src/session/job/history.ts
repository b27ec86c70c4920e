import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer';

enablePatches();

/** One undoable step. */
export interface Step {
  label: string;
  forward: Patch[];
  back: Patch[];
  /** Steps of one gesture share a mark and become one. */
  mark?: string;
}

export interface History {
  past: readonly Step[];
  future: readonly Step[];
}

/** A state after a step, and the patches that led from the one before it. */
export interface Moved<T> {
  state: T;
  history: History;
  patches: readonly Patch[];
}

export const EMPTY_HISTORY: History = { past: [], future: [] };
const MOST_STEPS = 300;

/** Runs `recipe` on a draft of `state`. Without a change, state and history stay the same. */
export function record<T extends object>(state: T, history: History, label: string, recipe: (draft: T) => void, mark?: string): Moved<T> {
  const [next, forward, back] = produceWithPatches(state, (draft) => {
    recipe(draft as T);
  });
  if (forward.length === 0) return { state, history, patches: [] };
  const last = history.past[history.past.length - 1];
  if (mark !== undefined && last?.mark === mark) {
    const merged = { label, mark, forward: [...last.forward, ...forward], back: [...back, ...last.back] };
    return { state: next, history: { past: [...history.past.slice(0, -1), merged], future: [] }, patches: forward };
  }
  const step = { label, forward, back, ...(mark === undefined ? {} : { mark }) };
  return { state: next, history: { past: [...history.past.slice(1 - MOST_STEPS), step], future: [] }, patches: forward };
}

/** Takes back what a gesture has done so far, as if it had never begun; nothing when the last step is not its. */
export function rollBack<T extends object>(state: T, history: History, mark: string): Moved<T> {
  if (history.past[history.past.length - 1]?.mark !== mark) return { state, history, patches: [] };
  const undone = undoStep(state, history);
  return { ...undone, history: { past: undone.history.past, future: [] } };
}

export function undoStep<T extends object>(state: T, history: History): Moved<T> {
  const step = history.past[history.past.length - 1];
  if (!step) return { state, history, patches: [] };
  return {
    state: applyPatches(state, step.back),
    history: { past: history.past.slice(0, -1), future: [step, ...history.future] },
    patches: step.back,
  };
}

export function redoStep<T extends object>(state: T, history: History): Moved<T> {
  const [step, ...rest] = history.future;
  if (!step) return { state, history, patches: [] };
  return { state: applyPatches(state, step.forward), history: { past: [...history.past, step], future: rest }, patches: step.forward };
}
