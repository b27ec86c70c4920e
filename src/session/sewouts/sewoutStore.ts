import { create } from 'zustand';
import { jobAsSewn } from '@/core/document/sewout';
import type { Laying, SeenMark, Sewout, SewoutPhoto } from '@/core/document/sewoutTypes';
import type { Job } from '@/core/document/types';
import type { Bounds } from '@/core/geometry/point';
import { confirmedIn, type RankedCause } from '@/core/sewouts/causes/rank';
import type { Remedy } from '@/core/sewouts/causes/cause';
import type { Corrected } from '@/core/sewouts/corrections/apply';
import type { Learned } from '@/core/sewouts/learn/learn';
import { placeOfMark } from '@/core/sewouts/measured';
import { sewnLike } from '@/core/sewouts/together';
import { keptJob, shelfEntries } from '@/platform/storage/records';
import { keepPhoto, keptPhoto } from '@/platform/storage/photos';
import { prover, type CallOptions } from '@/workers/client';
import { addMarks, addPhotoTo, setLaying, takeCorrected } from '../edit/sewoutCommands';
import { useJob } from '../job/jobStore';
import { IDLE, Task, type TaskState } from '../derived/task';

/** Pictures that lie over one another, of one test and one of its photos. */
export interface LaidView {
  plan: ImageBitmap;
  foreseen: ImageBitmap;
  photo: ImageBitmap | null;
  box: Bounds;
  perMm: number;
}

/** What of a test is on its way, and what of it is known. */
export interface SewoutView {
  /** Pictures of a test and a photo, by what they were asked for. */
  laid: { key: string; view: LaidView } | null;
  drawing: TaskState;
  /** Of the marks of a test, by what they were asked for. */
  causes: { key: string; byMark: Record<string, RankedCause[]> } | null;
  weighing: TaskState;
  /** A long piece of work that a person began: laying, looking for gaps, correcting. */
  work: TaskState & { what: string | null };
  /** A correction that waits for a yes. */
  correction: { sewout: string; taken: Chosen[]; corrected: Corrected } | null;
  /** Gaps that the photo shows and that wait to be taken or refused. */
  proposed: { sewout: string; marks: Omit<SeenMark, 'id'>[] } | null;
  learned: { key: string; of: Learned | null } | null;
  learning: TaskState;
  /** Other jobs of the shelf on the same cloth that were tested: what they taught, and the causes that were confirmed on them, count too. */
  others: readonly Job[];
}

/** A remedy that a person chose for a mark. */
export interface Chosen {
  mark: SeenMark;
  cause: RankedCause;
  remedy: Remedy;
}

export const useSewouts = create<SewoutView>(() => ({
  laid: null,
  drawing: { ...IDLE },
  causes: null,
  weighing: { ...IDLE },
  work: { ...IDLE, what: null },
  correction: null,
  proposed: null,
  learned: null,
  learning: { ...IDLE },
  others: [],
}));

const shown = (key: 'drawing' | 'weighing' | 'learning') =>
  new Task((state) => useSewouts.setState((s) => ({ [key]: { ...s[key], ...state } })));
const drawing = shown('drawing');
const weighing = shown('weighing');
const learning = shown('learning');
const work = new Task((state) => useSewouts.setState((s) => ({ work: { ...s.work, ...state } })));

const MOST_PX = 1400;

/** The job as it was sewn, as workers are asked about it. */
const sewnOf = (job: Job, sewout: Sewout): { job: Job; setup: Sewout['setup'] } => ({ job: jobAsSewn(job, sewout), setup: sewout.setup });

/** Reads the other tests of the shelf on the same cloth; one that cannot be read does not count. */
export async function openOthers({ id, brief }: Pick<Job, 'id' | 'brief'>): Promise<void> {
  const others: Job[] = [];
  for (const entry of await shelfEntries()) {
    if (entry.id === id || !('head' in entry) || entry.head.brief.cloth !== brief.cloth) continue;
    const kept = await keptJob(entry.id).catch(() => null);
    if (kept && kept.job.sewouts.length > 0) others.push(kept.job);
  }
  if (useJob.getState().job?.id === id) useSewouts.setState({ others });
}

/** Draws plan, forecast and, where it is laid, the photo of a test, unless that is on the screen. */
export function requestLaid(job: Job, sewout: Sewout, photo: SewoutPhoto | null): void {
  const key = `${sewout.id} ${sewout.version.of} ${photo?.file ?? ''} ${JSON.stringify([photo?.laying ?? null, sewout.setup])}`;
  if (useSewouts.getState().laid?.key === key) return;
  void drawing.run(
    async (options) => {
      const blob = photo?.laying ? await keptPhoto(job.id, photo.file) : null;
      const laying = (blob && photo?.laying) ?? null;
      return prover.call('laidPhoto', { ...sewnOf(job, sewout), photo: blob, laying, mostPx: MOST_PX }, options);
    },
    (view) => useSewouts.setState({ laid: { key, view } }),
  );
}

/** Ranks the causes of all marks of a test, unless that is known. */
export function requestCauses(job: Job, sewout: Sewout): void {
  const tests = [...job.sewouts.filter((s) => s.id !== sewout.id), ...useSewouts.getState().others.flatMap((o) => o.sewouts)];
  const confirmed = confirmedIn(tests.flatMap((s) => s.marks));
  const key = JSON.stringify([sewout.id, sewout.version.of, sewout.setup, sewout.marks, confirmed]);
  if (useSewouts.getState().causes?.key === key) return;
  if (sewout.marks.length === 0) return useSewouts.setState({ causes: { key, byMark: {} } });
  void weighing.run(
    (options) => prover.call('causes', { ...sewnOf(job, sewout), marks: sewout.marks, confirmed }, options),
    (all) => useSewouts.setState({ causes: { key, byMark: Object.fromEntries(sewout.marks.map((m, i) => [m.id, all[i]!])) } }),
  );
}

const begin = <T>(
  what: string,
  run: (options: Required<Pick<CallOptions, 'signal' | 'progress'>>) => Promise<T>,
  done: (result: T) => void,
): void => {
  useSewouts.setState((s) => ({ work: { ...s.work, what } }));
  void work.run(run, done);
};

export const stopWork = (): void => work.cancel();

/** Reduces photos, keeps them and adds them to a test. @param told gets a sentence for each that could not be kept */
export async function addPhotos(jobId: string, sewoutId: string, files: readonly File[], told: (problem: string) => void): Promise<void> {
  for (const file of files) {
    try {
      const { photo, width, height } = await prover.call('reducePhoto', { photo: file });
      const id = crypto.randomUUID().slice(0, 8);
      const name = `photo-${id}.jpg`;
      await keepPhoto(jobId, name, photo);
      addPhotoTo(sewoutId, { id, file: name, width, height });
    } catch (error) {
      told(`‘${file.name || 'The photo'}’ was not added. ${(error as Error).message}`);
    }
  }
}

/** Lays a photo over the plan by itself, or goes on from where a hand laid it. @param missed is called where it cannot be found */
export function layPhoto(job: Job, sewout: Sewout, photo: SewoutPhoto, missed: () => void, from?: Laying): void {
  begin(
    'Laying the photo over the plan',
    async (options) => {
      const blob = await keptPhoto(job.id, photo.file);
      if (!blob) throw new Error('This photo is not in this browser any more; add it again.');
      return prover.call('layPhoto', { ...sewnOf(job, sewout), photo: blob, ...(from ? { from } : {}) }, options);
    },
    ({ laying }) => (laying ? setLaying(sewout.id, photo.id, laying) : missed()),
  );
}

/** Looks for gaps on a laid photo; what is found waits to be taken. */
export function seekGaps(job: Job, sewout: Sewout, photo: SewoutPhoto, told: (words: string) => void): void {
  const { laying } = photo;
  if (!laying) return;
  begin(
    'Looking for gaps on the photo',
    async (options) => {
      const blob = await keptPhoto(job.id, photo.file);
      if (!blob) throw new Error('This photo is not in this browser any more; add it again.');
      return prover.call('seenGaps', { ...sewnOf(job, sewout), photo: blob, laying }, options);
    },
    ({ gaps, unseen }) => {
      const names = unseen.flatMap((id) => sewout.version.pieces.find((p) => p.id === id)?.name ?? []);
      const known = sewout.marks.flatMap((m) => (m.kind === 'gap' ? (placeOfMark(m) ?? []) : []));
      const marks = gaps
        .map(({ first, later, from, to, mm }): Omit<SeenMark, 'id'> => ({
          kind: 'gap',
          piece: sewout.version.pieces[first]!.id,
          against: sewout.version.pieces[later]!.id,
          at: [round(from.x), round(from.y)],
          to: [round(to.x), round(to.y)],
          mm,
          found: true,
        }))
        .filter((m) => !known.some((k) => Math.abs(k.x - placeOfMark(m)!.x) + Math.abs(k.y - placeOfMark(m)!.y) < 3));
      useSewouts.setState({ proposed: { sewout: sewout.id, marks } });
      const hidden =
        names.length > 0
          ? ` Thread of ${names
              .slice(0, 3)
              .map((n) => `‘${n}’`)
              .join(', ')} looks like the cloth: lay the ruler there.`
          : '';
      if (marks.length === 0) told(`No gap of 0.35 mm or more is seen on the photo.${hidden}`);
      else if (hidden) told(hidden.trim());
    },
  );
}

const round = (v: number): number => Math.round(v * 100) / 100;

export function takeProposed(which: readonly number[]): void {
  const { proposed } = useSewouts.getState();
  if (!proposed) return;
  const marks = proposed.marks.filter((_, i) => which.includes(i));
  if (marks.length > 0) addMarks(proposed.sewout, marks.length === 1 ? 'Take a gap from the photo' : 'Take gaps from the photo', marks);
  const left = proposed.marks.filter((_, i) => !which.includes(i));
  useSewouts.setState({ proposed: left.length > 0 ? { ...proposed, marks: left } : null });
}

export function refuseProposed(index: number): void {
  const { proposed } = useSewouts.getState();
  const marks = (proposed?.marks ?? []).filter((_, i) => i !== index);
  useSewouts.setState({ proposed: proposed && marks.length > 0 ? { ...proposed, marks } : null });
}

/** Works out the chosen corrections on what is on the bench; nothing changes before they are taken. */
export function tryCorrections(job: Job, sewout: Sewout, taken: Chosen[]): void {
  const accepted = taken.map(({ mark, remedy }) => ({
    mark,
    remedy: { label: remedy.label, ...(remedy.fix ? { fix: remedy.fix } : {}), ...(remedy.extend ? { extend: true } : {}) },
  }));
  begin(
    'Working out the correction',
    (options) => prover.call('applyRemedies', { job: { ...job, sewouts: [] }, accepted }, options),
    (corrected) => useSewouts.setState({ correction: { sewout: sewout.id, taken, corrected } }),
  );
}

/** Makes the correction, as one step. */
export function takeCorrection(): void {
  const { correction } = useSewouts.getState();
  if (!correction) return;
  const { sewout, taken, corrected } = correction;
  useSewouts.setState({ correction: null });
  takeCorrected(
    sewout,
    corrected,
    taken.map(({ mark, cause, remedy }) => ({ mark: mark.id, cause: cause.id, label: `${remedy.label} (${cause.name.toLowerCase()})` })),
  );
}

export const dropCorrection = (): void => useSewouts.setState({ correction: null });

/** Fits the cloth to all that was measured on it; jobs of the shelf tell too. */
export function requestLearned(job: Job, sewout: Sewout): void {
  const sewouts = sewnLike(job, sewout, useSewouts.getState().others);
  const key = JSON.stringify([sewouts.map((s) => [s.marks, s.setup]), sewout.version.of]);
  if (sewouts.length === 0 || useSewouts.getState().learned?.key === key) {
    if (sewouts.length === 0) useSewouts.setState({ learned: null });
    return;
  }
  void learning.run(
    (options) => prover.call('learnCloth', { sewouts }, options),
    (of) => useSewouts.setState({ learned: { key, of } }),
  );
}

/** Leaves what was worked out for another job. */
export function forgetSewouts(): void {
  for (const task of [drawing, weighing, learning, work]) task.cancel();
  useSewouts.setState({ laid: null, causes: null, correction: null, proposed: null, learned: null, others: [] });
}

// What is open here is not what was worked out any more.
useJob.subscribe((now, before) => {
  if (now.job?.id !== before.job?.id) forgetSewouts();
});
