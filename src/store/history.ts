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

export const EMPTY_HISTORY: History = { past: [], future: [] };
const MOST_STEPS = 300;

/** Runs `recipe` on a draft of `state`. Without a change, state and history stay the same. */
export function record<T extends object>(
  state: T,
  history: History,
  label: string,
  recipe: (draft: T) => void,
  mark?: string,
): { state: T; history: History } {
  const [next, forward, back] = produceWithPatches(state, (draft) => {
    recipe(draft as T);
  });
  if (forward.length === 0) return { state, history };
  const last = history.past[history.past.length - 1];
  if (mark !== undefined && last?.mark === mark) {
    const merged = { label, mark, forward: [...last.forward, ...forward], back: [...back, ...last.back] };
    return { state: next, history: { past: [...history.past.slice(0, -1), merged], future: [] } };
  }
  const step = { label, forward, back, ...(mark === undefined ? {} : { mark }) };
  return { state: next, history: { past: [...history.past.slice(1 - MOST_STEPS), step], future: [] } };
}

/** Takes back what a gesture has done so far, as if it had never begun; nothing when the last step is not its. */
export function rollBack<T extends object>(state: T, history: History, mark: string): { state: T; history: History } {
  if (history.past[history.past.length - 1]?.mark !== mark) return { state, history };
  const undone = undoStep(state, history);
  return { state: undone.state, history: { past: undone.history.past, future: [] } };
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
