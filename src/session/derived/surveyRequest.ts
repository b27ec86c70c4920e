import { commonestWeight } from '@/core/cloth/threads';
import type { Job } from '@/core/document/types';
import type { SurveyRequest } from '@/core/artwork/survey';

/** What the worker has to know to measure a job's artwork as it lies, at its finished size; null when the job has none. */
export function surveyRequest(job: Job, artwork: Record<string, string>): SurveyRequest | null {
  const art = job.artwork[0];
  const svg = art ? artwork[art.file] : undefined;
  if (!art || svg === undefined) return null;
  const { cloth, recipe, size } = job.brief;
  const threadWeight = commonestWeight(job.threads);
  return {
    svg,
    cloth,
    ...(recipe ? { recipe } : {}),
    ...(threadWeight === undefined ? {} : { threadWeight }),
    settings: { ...job.settings },
    ...size,
    ...(art.answers ? { answers: art.answers } : {}),
    ...(art.sewnAs ? { sewnAs: art.sewnAs } : {}),
    ...(art.turn || art.mirror ? { pose: { turn: art.turn ?? 0, mirror: art.mirror ?? false } } : {}),
  };
}
