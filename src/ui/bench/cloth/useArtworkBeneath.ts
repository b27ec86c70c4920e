'use client';
import { useEffect, useState } from 'react';
import type { Job } from '@/core/document/types';
import { useJob } from '@/session/job/jobStore';
import type { Matrix } from '@/core/geometry/path';
import { usePlan } from '@/session/derived/planStore';
import { surveyRequest } from '@/session/derived/surveyRequest';
import { useView } from '@/session/view/viewStore';
import { engine } from '@/workers/client';
import type { RegionView, SurveyRequest } from '@/core/artwork/survey';

/** The artwork's regions, and the way from the drawing to the cloth where it is known. */
interface Beneath {
  regions: readonly RegionView[];
  toCloth: Matrix | null;
}

const NONE: Beneath = { regions: [], toCloth: null };
let last: (Beneath & { key: string; svg: string }) | null = null;

/** Regions of the job's artwork to show beneath the threads; measured once the stitches are there, so that those come first. */
export function useArtworkBeneath(job: Job): Beneath {
  const artwork = useJob((s) => s.artwork);
  const wanted = useView((s) => s.showArtwork);
  const sewn = usePlan((s) => s.planned !== null);
  const request = surveyRequest(job, artwork);
  const svg = request?.svg;
  const key = request && JSON.stringify({ ...request, svg: undefined });
  const [found, setFound] = useState(last);
  useEffect(() => {
    if (!wanted || !sewn || svg === undefined || key === null || (last?.key === key && last.svg === svg)) return;
    const control = new AbortController();
    engine
      .call('survey', { ...(JSON.parse(key) as SurveyRequest), svg }, { signal: control.signal })
      .then(({ regions, transform }) => {
        last = { key, svg, regions, toCloth: transform };
        setFound(last);
      })
      .catch(() => undefined);
    return () => control.abort();
  }, [wanted, sewn, key, svg]);
  return found && found.svg === svg ? found : NONE;
}
