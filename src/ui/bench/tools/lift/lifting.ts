import { toast } from '@/session/notice';
import { create } from 'zustand';
import type { Matrix } from '@/core/geometry/path';
import { distance, type Point } from '@/core/geometry/point';
import { pictureBytes } from '@/core/tracing/pictureText';
import { jobPicture, placeOnPage } from '@/session/derived/pictureOnCloth';
import { surveyRequest } from '@/session/derived/surveyRequest';
import { addPieces } from '@/session/edit/shapeCommands';
import { useJob } from '@/session/job/jobStore';
import { selectAll } from '@/session/view/viewStore';
import { easel, engine } from '@/workers/client';
import type { Protocol } from '@/workers/protocol/messages';
import type { Drag, Spot } from '../tool';

type Lifted = NonNullable<Protocol['lift']['out']>;

interface LiftState {
  /** From the drawing to the cloth; null until it is known. */
  toCloth: Matrix | null;
  /** What would be taken now, and how far colours may differ for it. */
  lifted: Lifted | null;
  tolerance: number;
  /** Where it is pointed at. */
  at: Point | null;
}

/** How near colours have to be with a mere click, and at the far end of a drag, in OKLab. */
const TOLERANCE = { click: 0.08, perMm: 0.008, most: 0.6 };

export const useLift = create<LiftState>(() => ({ toCloth: null, lifted: null, tolerance: TOLERANCE.click, at: null }));

/** Looks where the picture lies on the cloth; says so when the job has none. */
export async function beginLifting(): Promise<void> {
  useLift.setState({ toCloth: null, lifted: null, at: null });
  const { job, artwork } = useJob.getState();
  const request = job && jobPicture() ? surveyRequest(job, artwork) : null;
  if (!request) {
    toast.error('This job did not begin with a picture: there is nothing to take regions from.');
    return;
  }
  try {
    const { transform } = await engine.call('survey', request);
    useLift.setState({ toCloth: transform });
  } catch (error) {
    toast.error((error as Error).message);
  }
}

async function ask(at: Point, tolerance: number) {
  const { toCloth } = useLift.getState();
  const { job, artwork } = useJob.getState();
  const picture = jobPicture();
  const bytes = picture && pictureBytes(picture.text);
  const request = job && surveyRequest(job, artwork);
  if (!toCloth || !picture || !bytes || !request) return null;
  const { cloth, recipe, threadWeight, settings } = request;
  const how = { cloth, settings, ...(recipe ? { recipe } : {}), ...(threadWeight ? { threadWeight } : {}) };
  const { file: name, prepared = {} } = picture.from;
  const place = placeOnPage(picture, toCloth, at);
  return easel.call(
    'lift',
    { bytes: bytes.buffer, name, prepared, at: place, tolerance, widthMm: picture.widthMm, toCloth, how },
    { transfer: [bytes.buffer] },
  );
}

let wanted: { at: Point; tolerance: number } | null = null;
let asking: Promise<void> | null = null;

/** Shows what would be taken; of several askings while one is answered only the last is. */
function show(at: Point, tolerance: number): Promise<void> {
  wanted = { at, tolerance };
  useLift.setState({ at, tolerance });
  return (asking ??= answer().finally(() => (asking = null)));
}

async function answer(): Promise<void> {
  while (wanted) {
    const { at, tolerance } = wanted;
    wanted = null;
    try {
      const lifted = await ask(at, tolerance);
      useLift.setState({ lifted });
    } catch (error) {
      useLift.setState({ lifted: null });
      toast.error((error as Error).message);
    }
  }
}

export function giveUpLifting(): boolean {
  wanted = null;
  const had = useLift.getState().at !== null;
  useLift.setState({ lifted: null, at: null });
  return had;
}

/** What is shown becomes a piece. */
async function take(): Promise<void> {
  await asking;
  const { lifted, at } = useLift.getState();
  if (!at) return;
  giveUpLifting();
  if (!lifted) toast.error('There is nothing here to take: point within the picture.');
  else if (!lifted.piece || !lifted.thread) toast.error('This is too small to sew at this size.');
  else selectAll(addPieces([lifted.piece], lifted.thread, 'Piece from the picture'));
}

/** A click takes what is like the place; a drag away from it takes in more shades, the farther the more. */
export const clicked = async ({ at }: Spot): Promise<void> => {
  await show(at, TOLERANCE.click);
  await take();
};

export function lifting({ at: from }: Spot): Drag | null {
  if (!useLift.getState().toCloth) return null;
  return {
    to: ({ at }) => void show(from, Math.min(TOLERANCE.most, TOLERANCE.perMm * distance(from, at))),
    drop: () => void take(),
  };
}
