'use client';
import { useState } from 'react';
import { toast } from 'sonner';
import { sizeGap } from '@/core/document/size';
import { keepMadeSize, scaleToBrief, takePieces } from '@/session/edit/commands';
import { useJob } from '@/session/job/jobStore';
import { surveyRequest } from '@/session/derived/surveyRequest';
import { engine } from '@/workers/client';
import { Button } from './Button';
import { Sign } from './Sign';
import { sizeGapWords } from './sizeGapWords';

/** The size of the brief has not reached the stitches: said in every place until something is done about it. */
export function SizeNotice() {
  const job = useJob((s) => s.job);
  const [making, setMaking] = useState<AbortController | null>(null);
  const gap = job && sizeGap(job);
  if (!gap) return null;
  const again = async (): Promise<void> => {
    const request = surveyRequest(job, useJob.getState().artwork);
    if (!request) return void toast.error('The artwork of this job is missing, so its pieces cannot be made again.');
    const control = new AbortController();
    setMaking(control);
    try {
      const survey = await engine.call('survey', request, { signal: control.signal });
      if (useJob.getState().job?.id === job.id) takePieces(survey);
    } catch (error) {
      if ((error as Error).name !== 'AbortError') toast.error((error as Error).message);
    }
    setMaking(null);
  };
  return (
    <div
      role="status"
      data-testid="size-gap"
      className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-hairline bg-tape-soft px-4 py-1.5"
    >
      <span>
        <Sign of="warn" className="text-warn" /> {sizeGapWords(gap)}
      </span>
      {making ? (
        <>
          <span className="text-quiet">Making them again …</span>
          <Button dense onClick={() => making.abort()}>
            Cancel
          </Button>
        </>
      ) : (
        <>
          <Button
            dense
            look="primary"
            onClick={scaleToBrief}
            title="Keeps order, settings and all that you drew or set by hand; stitches are laid anew"
          >
            Scale the pieces
          </Button>
          <Button
            dense
            onClick={() => void again()}
            title="Chooses stitch types for the new size; what you drew, set or ordered by hand is replaced. Undo brings it back"
          >
            Make them again
          </Button>
          <Button dense look="quiet" onClick={keepMadeSize} title="Changes the brief instead">
            Keep {gap.madeMm.toFixed(1)} mm
          </Button>
          <span className="text-xs text-quiet">Scaling keeps your work; making again chooses the stitches anew.</span>
        </>
      )}
    </div>
  );
}
