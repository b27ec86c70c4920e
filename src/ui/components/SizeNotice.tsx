'use client';
import { lengthText } from '@/session/view/unitsStore';
import { useEffect, useMemo, useState } from 'react';
import { toast } from '@/session/notice';
import { sizeGap } from '@/core/document/size';
import type { Job } from '@/core/document/types';
import { keepMadeSize, scaleToBrief, takePieces } from '@/session/edit/commands';
import { isAsMade } from '@/session/edit/asMade';
import { useJob } from '@/session/job/jobStore';
import { surveyRequest } from '@/session/derived/surveyRequest';
import { IDLE, Task, type TaskState } from '@/session/derived/task';
import { engine } from '@/workers/client';
import { Button } from './Button';
import { Sign } from './Sign';
import { sizeGapWords } from './sizeGapWords';

/**
 * Makes the pieces of a job anew from its drawing, at the size that is asked for.
 * @param stillWanted asked of the job when they are made: meanwhile somebody may have begun to work on the old ones
 */
function again(job: Job, task: Task, stillWanted: (now: Job) => boolean = () => true): void {
  const request = surveyRequest(job, useJob.getState().artwork);
  if (!request) return void toast.error('The artwork of this job is missing, so its pieces cannot be made again.');
  void task.run(
    (options) => engine.call('survey', request, options),
    (survey) => {
      const now = useJob.getState().job;
      if (now?.id === job.id && stillWanted(now)) takePieces(survey);
    },
  );
}

/** Pieces that nobody changed since they were made follow the size: there is no work in them that a question could save. */
function onSizeAsked(make: (job: Job) => void): () => void {
  return useJob.subscribe(({ job }, { job: before }) => {
    if (!job || !before || job.id !== before.id) return;
    if (JSON.stringify(job.brief.size) === JSON.stringify(before.brief.size)) return;
    if (sizeGap(job) && isAsMade(job)) make(job);
  });
}

/** The size of the brief has not reached the stitches: said in every place until something is done about it. */
export function SizeNotice() {
  const job = useJob((s) => s.job);
  const [making, setMaking] = useState<TaskState>(IDLE);
  const task = useMemo(() => new Task((change) => setMaking((s) => ({ ...s, ...change }))), []);
  const gap = job && sizeGap(job);
  useEffect(() => onSizeAsked((now) => again(now, task, isAsMade)), [task]);
  if (!gap) return null;
  return (
    <div
      role="status"
      data-testid="size-gap"
      className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-hairline bg-tape-soft px-4 py-1.5"
    >
      <span>
        <Sign of="warn" className="text-warn" /> {sizeGapWords(gap)}
      </span>
      {making.progress !== null ? (
        <>
          <span className="text-quiet">Making them again … {Math.round(100 * making.progress)} %</span>
          <Button dense onClick={() => task.cancel()}>
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
            onClick={() => again(job, task)}
            title="Chooses stitch types for the new size; what you drew, set or ordered by hand is replaced. Undo brings it back"
          >
            Make them again
          </Button>
          <Button dense look="quiet" onClick={keepMadeSize} title="Changes the brief instead">
            Keep {lengthText(gap.madeMm)}
          </Button>
          {making.problem && <span className="text-danger">{making.problem}</span>}
          <span className="text-xs text-quiet">Scaling keeps your work; making again chooses the stitches anew.</span>
        </>
      )}
    </div>
  );
}
