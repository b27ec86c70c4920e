import type { Job } from '@/core/document/types';
import { forecast } from '@/core/forecast/forecast';
import { causesOf } from '@/core/sewouts/causes/rank';
import { sewnScene } from '@/core/sewouts/causes/scene';
import { applied } from '@/core/sewouts/corrections/apply';
import { learn } from '@/core/sewouts/learn/learn';
import { gapsOnPhoto } from '@/core/sewouts/photo/gapsOnPhoto';
import { layingOf, preparedPhoto, type PreparedPhoto } from '@/core/sewouts/photo/find';
import { laidPictures, type LaidPicture } from '@/core/sewouts/photo/laidPictures';
import { movedPlan } from '@/core/sewouts/photo/movedPlan';
import { asSewn } from '@/core/sewouts/setup';
import type { StitchPlan } from '@/core/plan/plan';
import { damagedPicture } from '@/core/tracing/intake';
import type { Picture } from '@/core/tracing/picture';
import type { Handler } from '../serve';
import { planner } from './kept';

/** Photos are kept no larger: enough for a tenth of a millimetre on any hoop. */
const MOST_PX = 3000;
/** What is laid over plans is looked at no finer. */
const LOOKED_AT_PX = 1600;
const JPEG = { type: 'image/jpeg', quality: 0.88 } as const;

/** Draws a photo as its camera says, no larger than asked. What its file says beside the picture (place, camera, time) is gone. */
async function drawn(photo: Blob, mostPx: number): Promise<OffscreenCanvas> {
  const whole = await createImageBitmap(photo).catch(() => {
    throw damagedPicture('the photo');
  });
  const scale = Math.min(1, mostPx / Math.max(whole.width, whole.height));
  const canvas = new OffscreenCanvas(Math.max(1, Math.round(whole.width * scale)), Math.max(1, Math.round(whole.height * scale)));
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.imageSmoothingQuality = 'high';
  context.drawImage(whole, 0, 0, canvas.width, canvas.height);
  whole.close();
  return canvas;
}

export const reducePhoto: Handler<'reducePhoto'> = async ({ photo }) => {
  const canvas = await drawn(photo, MOST_PX);
  return { output: { photo: await canvas.convertToBlob(JPEG), width: canvas.width, height: canvas.height } };
};

async function pictureOf(photo: Blob): Promise<Picture> {
  const canvas = await drawn(photo, LOOKED_AT_PX);
  const { width, height } = canvas;
  return { width, height, data: canvas.getContext('2d', { willReadFrequently: true })!.getImageData(0, 0, width, height).data };
}

interface Sewn {
  job: Job;
  plan: StitchPlan;
  foreseen: StitchPlan;
}

let last: { key: string; sewn: Sewn } | null = null;

/** A job as it was sewn with its plan, and where the forecast expects that to lie; the last one is kept, since a hand asks again and again. */
function sewnOf(asked: Job, setup: Parameters<typeof asSewn>[1], progress: (done: number) => void): Sewn {
  const key = JSON.stringify([asked.pieces, asked.brief, asked.settings, asked.threads, setup]);
  if (last?.key !== key) {
    const plan = planner.plan(asked);
    const job = asSewn(asked, setup);
    last = { key, sewn: { job: { ...asked }, plan, foreseen: movedPlan(job, plan, undefined, progress) } };
  }
  return last.sewn;
}

let looked: { key: string; ready: PreparedPhoto } | null = null;
/** The end of a photo's file, with its size, tells it from others. */
const TELLING_BYTES = 2048;

async function readyOf(photo: Blob): Promise<PreparedPhoto> {
  const end = new Uint8Array(await photo.slice(-TELLING_BYTES).arrayBuffer());
  const key = `${photo.size} ${end.join()}`;
  if (looked?.key !== key) looked = { key, ready: preparedPhoto(await pictureOf(photo)) };
  return looked.ready;
}

export const layPhoto: Handler<'layPhoto'> = async ({ job, setup, photo, from }, { progress }) => {
  const sewn = sewnOf(job, setup, (done) => progress(0.2 * done));
  const ready = await readyOf(photo);
  const laying = layingOf(ready, sewn.job, sewn, { progress: (done) => progress(0.2 + 0.8 * done), ...(from ? { from } : {}) });
  return { output: { laying } };
};

export const seenGaps: Handler<'seenGaps'> = async ({ job, setup, photo, laying }, { progress }) => {
  const ready = await readyOf(photo);
  progress(0.2);
  const { meetings } = forecast(asSewn(job, setup), { planner, progress: (done) => progress(0.2 + 0.6 * done) });
  return { output: gapsOnPhoto(ready, laying, job, planner.shape(job), meetings) };
};

/** Pictures of one size that lie over one another: the photo, the plan, and how the forecast expects it. */
export const laidPhoto: Handler<'laidPhoto'> = async ({ job, setup, photo, laying, mostPx }, { progress }) => {
  const sewn = sewnOf(job, setup, progress);
  const picture = photo && laying ? await pictureOf(photo) : null;
  const made = laidPictures(sewn.job, sewn, picture && laying ? { picture, laying } : null, mostPx);
  const bitmap = (p: LaidPicture): Promise<ImageBitmap> =>
    createImageBitmap(new ImageData(new Uint8ClampedArray(p.data), p.width, p.height));
  const [plan, foreseen, seen] = await Promise.all([bitmap(made.plan), bitmap(made.foreseen), made.photo ? bitmap(made.photo) : null]);
  const output = { plan, foreseen, photo: seen, box: made.box, perMm: made.perMm };
  return { output, transfer: [plan, foreseen, ...(seen ? [seen] : [])] };
};

export const causes: Handler<'causes'> = ({ job, setup, marks, confirmed }, { progress }) => {
  const scene = sewnScene(job, setup, planner);
  return {
    output: marks.map((mark, i) => {
      progress(i / marks.length);
      return causesOf(scene, mark, confirmed);
    }),
  };
};

export const applyRemedies: Handler<'applyRemedies'> = ({ job, accepted }, { progress }) => ({
  output: applied(job, accepted, { planner, progress }),
});

export const learnCloth: Handler<'learnCloth'> = ({ sewouts }, { progress }) => ({ output: learn(sewouts, { progress }) });
