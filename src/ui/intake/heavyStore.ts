import { create } from 'zustand';
import type { Lighter, LighterWay } from '@/core/artwork/lighter';
import { IDLE, Task, type TaskState } from '@/session/derived/task';
import { engine } from '@/workers/client';
import { FIRST_GUESS_MM } from './firstSize';

// Not taken from the core: the page does without all that makes drawings lighter.
const LIGHTER_WAYS: readonly LighterWay[] = ['merge', 'largest'];

interface HeavyState extends TaskState {
  /** A drawing of more shapes than can be sewn. */
  file: File | null;
  /** What each way to go on would come to, as far as that is known. */
  ways: Partial<Record<LighterWay, Lighter>>;
}

export const useHeavy = create<HeavyState>(() => ({ file: null, ways: {}, ...IDLE }));

const task = new Task((state) => useHeavy.setState(state));

/** Asks how to go on with a drawing of too many shapes, and works out what each way comes to. */
export function askHeavy(file: File): void {
  useHeavy.setState({ file, ways: {}, ...IDLE });
  void task.run(
    async ({ signal, progress }) => {
      const svg = await file.text();
      for (const [i, way] of LIGHTER_WAYS.entries()) {
        const share = (done: number): void => progress((i + done) / LIGHTER_WAYS.length);
        const made = await engine.call('lighter', { svg, way, guessMm: FIRST_GUESS_MM }, { signal, progress: share });
        useHeavy.setState((s) => ({ ways: { ...s.ways, [way]: made } }));
      }
    },
    () => undefined,
  );
}

export function closeHeavy(): void {
  task.cancel();
  useHeavy.setState({ file: null, ways: {}, ...IDLE });
}

const NAMES: Record<LighterWay, string> = { merge: 'merged', largest: 'largest shapes' };

/** The lighter drawing as a file that becomes a job like any other. */
export const lighterFile = (file: File, way: LighterWay, { svg }: Lighter): File =>
  new File([svg], `${file.name.replace(/\.[^.]+$/, '')} (${NAMES[way]}).svg`, { type: 'image/svg+xml' });
