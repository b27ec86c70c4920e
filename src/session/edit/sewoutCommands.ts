import { dayOf } from '@/core/document/folder';
import { newSewout, signedOff } from '@/core/document/sewout';
import type { Laying, SeenMark, Sewout, SewoutPhoto, SewoutSetup } from '@/core/document/sewoutTypes';
import { JOB_STAGES, type Job } from '@/core/document/types';
import { useJob } from '../job/jobStore';

const change = (label: string, recipe: (job: Job) => void, mark?: string): void => useJob.getState().change(label, recipe, mark);
const freshId = (): string => crypto.randomUUID().slice(0, 8);

/** Changes a test of the open job; one that is gone is left alone. */
export const changeSewout = (id: string, label: string, recipe: (sewout: Sewout) => void, mark?: string): void =>
  change(
    label,
    (job) => {
      const sewout = job.sewouts.find((s) => s.id === id);
      if (sewout) recipe(sewout);
    },
    mark,
  );

/** Notes that what is on the bench now was sewn. Its setup is that of the last test until it is changed. @returns its id */
export function logSewout(by: string): string | null {
  const { job } = useJob.getState();
  if (!job) return null;
  const last = job.sewouts[job.sewouts.length - 1];
  const now = new Date();
  const made = newSewout(job, {
    id: freshId(),
    on: dayOf(now),
    by,
    setup: last?.setup ?? {},
    ...(last?.corrections?.length ? { note: last.corrections.join('; ') } : {}),
  });
  const time = `${String(now.getHours()).padStart(2, '0')}:${String(now.getMinutes()).padStart(2, '0')}`;
  change('Log a sew-out', (draft) => {
    draft.sewouts.push({ ...made, time });
    if (JOB_STAGES.indexOf(draft.stage ?? 'digitizing') < JOB_STAGES.indexOf('sew-out')) draft.stage = 'sew-out';
  });
  return made.id;
}

export const removeSewout = (id: string): void =>
  change('Remove a sew-out', (job) => void (job.sewouts = job.sewouts.filter((s) => s.id !== id)));

/** Sets fields of how a test was sewn; what is given as undefined is not known any more. */
export const setSetup = (id: string, patch: { [K in keyof SewoutSetup]?: SewoutSetup[K] | undefined }): void =>
  changeSewout(id, 'How it was sewn', (sewout) => {
    Object.assign(sewout.setup, patch);
    for (const key of Object.keys(patch) as (keyof SewoutSetup)[]) if (patch[key] === undefined) delete sewout.setup[key];
  });

export const addPhotoTo = (id: string, photo: SewoutPhoto): void => changeSewout(id, 'Add a photo', (s) => void s.photos.push(photo));
export const removePhotoFrom = (id: string, photo: string): void =>
  changeSewout(id, 'Remove a photo', (s) => void (s.photos = s.photos.filter((p) => p.id !== photo)));

export const setLaying = (id: string, photo: string, laying: Laying): void =>
  changeSewout(id, 'Lay the photo over the plan', (s) => {
    const own = s.photos.find((p) => p.id === photo);
    if (own) own.laying = laying;
  });

export function addMarks(id: string, label: string, marks: readonly Omit<SeenMark, 'id'>[]): void {
  const made = marks.map((m) => ({ ...m, id: freshId() }));
  changeSewout(id, label, (s) => void s.marks.push(...made));
}

export const changeMark = (id: string, mark: string, label: string, recipe: (mark: SeenMark) => void): void =>
  changeSewout(id, label, (s) => {
    const own = s.marks.find((m) => m.id === mark);
    if (own) recipe(own);
  });

export const removeMark = (id: string, mark: string): void =>
  changeSewout(id, 'Remove a mark', (s) => void (s.marks = s.marks.filter((m) => m.id !== mark)));

/** The corrected job becomes the next version, in one step: what was changed and why is kept with the test that it comes of. */
export function takeCorrected(
  id: string,
  { job: corrected, changed }: { job: Pick<Job, 'pieces' | 'brief'>; changed: readonly string[] },
  taken: readonly { mark: string; cause: string; label: string }[],
): void {
  change('Correct after the sew-out', (job) => {
    // What did not change stays the very same: an outline is not even written anew.
    const own = new Map(job.pieces.map((p) => [p.id, p]));
    job.pieces = corrected.pieces.map((p) => (changed.includes(p.id) ? p : (own.get(p.id) ?? p)));
    if (JSON.stringify(job.brief) !== JSON.stringify(corrected.brief)) job.brief = corrected.brief;
    const sewout = job.sewouts.find((s) => s.id === id);
    if (!sewout) return;
    for (const { mark, cause } of taken) {
      const own = sewout.marks.find((m) => m.id === mark);
      if (own) own.cause = cause;
    }
    sewout.corrections = [...(sewout.corrections ?? []), ...taken.map((t) => t.label)];
  });
}

/** Signs a test off for production; a job that was not so far yet stands at ‘approved’. */
export function signOff(id: string, by: string): void {
  change('Sign off for production', (job) => {
    const sewout = job.sewouts.find((s) => s.id === id);
    if (sewout) sewout.signed = { on: dayOf(new Date()), by };
    if (JOB_STAGES.indexOf(job.stage ?? 'digitizing') < JOB_STAGES.indexOf('approved')) job.stage = 'approved';
  });
}

export const takeSignOffBack = (id: string): void =>
  change('Take the sign-off back', (job) => {
    const sewout = job.sewouts.find((s) => s.id === id);
    delete sewout?.signed;
    if (!signedOff(job) && job.stage === 'approved') job.stage = 'sew-out';
  });
