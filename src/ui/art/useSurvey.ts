'use client';
import { useEffect, useMemo, useState } from 'react';
import type { Survey, SurveyRequest } from '@/core/artwork/survey';
import type { Job } from '@/core/document/types';
import { surveyRequest } from '@/session/derived/surveyRequest';
import { IDLE, Task, type TaskState } from '@/session/derived/task';
import { engine } from '@/workers/client';

export interface SurveyState extends TaskState {
  survey: Survey | null;
  cancel(): void;
  again(): void;
}

/** Measures the job's artwork at its finished size, again whenever size, cloth or decisions change. */
export function useSurvey(job: Job | null, artwork: Record<string, string>): SurveyState {
  const [state, setState] = useState<TaskState & { survey: Survey | null }>({ ...IDLE, survey: null });
  const [asked, setAsked] = useState(0);
  const task = useMemo(() => new Task((change) => setState((s) => ({ ...s, ...change }))), []);
  const request = job ? surveyRequest(job, artwork) : null;
  const key = request && JSON.stringify({ ...request, svg: undefined });
  const svg = request?.svg;
  useEffect(() => {
    if (svg === undefined || key === null) return;
    const input = { ...(JSON.parse(key) as SurveyRequest), svg };
    // What is shown is told by a task of its own time, not by the effect.
    queueMicrotask(
      () =>
        void task.run(
          (options) => engine.call('survey', input, options),
          (survey) => setState((s) => ({ ...s, survey })),
        ),
    );
    return () => task.cancel();
  }, [svg, key, task, asked]);
  const cancel = (): void => {
    task.cancel();
    setState({ progress: null, problem: 'Measuring was cancelled.', survey: null });
  };
  return { ...state, cancel, again: () => setAsked((n) => n + 1) };
}
