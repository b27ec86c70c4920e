'use client';
import { useEffect, useState } from 'react';
import type { Job } from '@/core/document/types';
import { engine } from '@/workers/client';
import type { Survey } from '@/workers/protocol';

export type SurveyState =
  | { kind: 'none' }
  | { kind: 'busy'; progress: number; cancel(): void }
  | { kind: 'done'; survey: Survey }
  | { kind: 'failed'; message: string };

/** Measures the job's artwork at its finished size, again whenever size or cloth change. */
export function useSurvey(job: Job | null, artwork: Record<string, string>): SurveyState {
  const [state, setState] = useState<SurveyState>({ kind: 'none' });
  const svg = job?.artwork[0] ? artwork[job.artwork[0].file] : undefined;
  const { cloth, size } = job?.brief ?? {};
  const answers = job?.artwork[0]?.answers;
  const satinLimit = job?.settings.satinLimit;
  const [width, height] = [size?.width, size?.height];
  useEffect(() => {
    if (svg === undefined || !cloth) return;
    const control = new AbortController();
    const cancel = (): void => control.abort();
    queueMicrotask(() => {
      if (!control.signal.aborted) setState({ kind: 'busy', progress: 0, cancel });
    });
    const input = {
      svg,
      cloth,
      settings: satinLimit === undefined ? {} : { satinLimit },
      ...(answers ? { answers: [...answers] } : {}),
      ...(width !== undefined ? { width } : {}),
      ...(height !== undefined ? { height } : {}),
    };
    engine
      .call('survey', input, { signal: control.signal, progress: (progress) => setState({ kind: 'busy', progress, cancel }) })
      .then((survey) => setState({ kind: 'done', survey }))
      .catch((error: Error) => {
        setState({ kind: 'failed', message: error.name === 'AbortError' ? 'Measuring was cancelled.' : error.message });
      });
    return cancel;
  }, [svg, cloth, satinLimit, width, height, answers]);
  return state;
}
