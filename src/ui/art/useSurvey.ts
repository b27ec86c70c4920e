'use client';
import { useEffect, useState } from 'react';
import type { Job } from '@/core/document/types';
import { engine } from '@/workers/client';
import { surveyRequest } from '@/session/derived/surveyRequest';
import type { Survey, SurveyRequest } from '@/workers/protocol';

export type SurveyState =
  | { kind: 'none' }
  | { kind: 'busy'; progress: number; cancel(): void }
  | { kind: 'done'; survey: Survey }
  | { kind: 'failed'; message: string };

/** Measures the job's artwork at its finished size, again whenever size or cloth change. */
export function useSurvey(job: Job | null, artwork: Record<string, string>): SurveyState {
  const [state, setState] = useState<SurveyState>({ kind: 'none' });
  const request = job ? surveyRequest(job, artwork) : null;
  const key = request && JSON.stringify({ ...request, svg: undefined });
  const svg = request?.svg;
  useEffect(() => {
    if (svg === undefined || key === null) return;
    const control = new AbortController();
    const cancel = (): void => control.abort();
    queueMicrotask(() => {
      if (!control.signal.aborted) setState({ kind: 'busy', progress: 0, cancel });
    });
    const input = { ...(JSON.parse(key) as SurveyRequest), svg };
    engine
      .call('survey', input, { signal: control.signal, progress: (progress) => setState({ kind: 'busy', progress, cancel }) })
      .then((survey) => setState({ kind: 'done', survey }))
      .catch((error: Error) => {
        setState({ kind: 'failed', message: error.name === 'AbortError' ? 'Measuring was cancelled.' : error.message });
      });
    return cancel;
  }, [svg, key]);
  return state;
}
