import { agreedTo, dayOf, questionState, unanswered } from '@/core/document/folder';
import { JOB_STAGES, type Job, type Question } from '@/core/document/types';
import { useJob } from '../job/jobStore';

const change = (label: string, recipe: (job: Job) => void, mark?: string): void => useJob.getState().change(label, recipe, mark);

export const addQuestion = (text: string): void =>
  change('Add a question', (job) => void (job.questions = [...(job.questions ?? []), { id: crypto.randomUUID().slice(0, 8), text }]));

/** Changes a question; what is given as undefined is taken away. */
export function changeQuestion(id: string, label: string, patch: { [K in keyof Question]?: Question[K] | undefined }): void {
  change(label, (job) => {
    const question = job.questions?.find((q) => q.id === id);
    if (!question) return;
    Object.assign(question, patch);
    for (const key of Object.keys(patch) as (keyof Question)[]) if (patch[key] === undefined) delete question[key];
  });
}

export const removeQuestion = (id: string): void =>
  change('Remove a question', (job) => {
    const left = (job.questions ?? []).filter((q) => q.id !== id);
    if (left.length > 0) job.questions = left;
    else delete job.questions;
  });

/** Notes that every question without an answer was sent today. */
export function questionsSent(): void {
  const today = dayOf(new Date());
  change('Questions sent', (job) => {
    const sent = new Set(unanswered(job).map((q) => q.id));
    for (const q of job.questions ?? []) if (sent.has(q.id) && questionState(q) === 'open') q.asked = today;
  });
}

/** Notes that what is on the bench now was agreed to; a job that was not so far yet stands at ‘approved’. */
export function approve(by: string, note: string): void {
  const open = useJob.getState().job;
  if (!open) return;
  const of = agreedTo(open);
  change('Approve', (job) => {
    job.approval = { on: dayOf(new Date()), by, ...(note ? { note } : {}), of };
    if (JOB_STAGES.indexOf(job.stage ?? 'digitizing') < JOB_STAGES.indexOf('approved')) job.stage = 'approved';
  });
}

export const withdrawApproval = (): void =>
  change('Take the approval back', (job) => {
    delete job.approval;
    if (job.stage === 'approved') job.stage = 'sew-out';
  });

/** Makes the open job what a kept version was; it stays the same job, in the same state, and the step can be undone. */
export function bringBack(version: Job): void {
  change('Bring back a kept version', (job) => {
    const { brief, threads, pieces, settings, guides, accepted } = version;
    Object.assign(job, { brief, threads, pieces, settings });
    if (guides) job.guides = guides;
    else delete job.guides;
    if (accepted) job.accepted = accepted;
    else delete job.accepted;
    // What was made of a drawing belongs to where the drawing lay then; a drawing that came later is left as it is.
    job.artwork = job.artwork.map((a) => version.artwork.find((v) => v.id === a.id && v.file === a.file) ?? a);
  });
}
