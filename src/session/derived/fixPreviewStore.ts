import { create } from 'zustand';
import type { Job } from '@/core/document/types';
import type { Finding, Fix } from '@/core/proof/finding';
import { withFix } from '@/core/proof/withFix';
import type { Stroke } from '@/core/render/strokes';
import { engine, prover } from '@/workers/client';
import { useJob } from '../job/jobStore';
import { IDLE, Task, type TaskState } from './task';

interface FixPreviewState extends TaskState {
  /** The fix that is shown, or being worked out. */
  fix: Fix | null;
  strokes: readonly Stroke[];
}

/** Pieces as a fix would sew them, over those that are there. */
export const useFixPreview = create<FixPreviewState>(() => ({ fix: null, strokes: [], ...IDLE }));

const task = new Task((state) => useFixPreview.setState(state));
/** Who only passes over a button asks nothing, ms. */
const WAIT_MS = 120;
let timer: ReturnType<typeof setTimeout> | undefined;

/** The job with a fix made, without keeping it. */
async function fixed(job: Job, fix: Fix, signal: AbortSignal): Promise<Job> {
  if (!fix.correct) return withFix(job, fix);
  const { pieces } = await prover.call('correct', { job, only: fix.correct }, { signal });
  return { ...job, pieces: job.pieces.map((p) => pieces.find((q) => q.id === p.id) ?? p) };
}

/** Pieces that are another object after the fix, and those that were found. */
const touched = (job: Job, after: Job, found: readonly string[]): string[] => {
  const before = new Map(job.pieces.map((p) => [p.id, p]));
  return [...new Set([...after.pieces.filter((p) => before.get(p.id) !== p).map((p) => p.id), ...found])];
};

/** Shows on the cloth what a fix would sew. */
export function showFix(fix: Fix, { pieces }: Pick<Finding, 'pieces'>): void {
  hideFix();
  useFixPreview.setState({ fix });
  timer = setTimeout(() => {
    const { job } = useJob.getState();
    if (!job) return;
    void task.run(
      async ({ signal, progress }) => {
        const after = await fixed(job, fix, signal);
        return engine.call('sewnWith', { job: after, ids: touched(job, after, pieces) }, { signal, progress });
      },
      ({ strokes }) => useJob.getState().job === job && useFixPreview.setState({ strokes }),
    );
  }, WAIT_MS);
}

export function hideFix(): void {
  clearTimeout(timer);
  task.cancel();
  useFixPreview.setState({ fix: null, strokes: [], ...IDLE });
}
