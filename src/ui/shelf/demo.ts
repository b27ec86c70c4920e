import { DEMO_SHOP, DEMOS, PICTURE_DEMOS, workedOn, type Demo, type PictureDemo } from '@/core/gallery/demos';
import { DEMO_PHOTOS } from '@/core/gallery/demoSewouts';
import { without } from '@/core/document/without';
import { keptStamp } from '@/platform/storage/records';
import { keepPhotos } from '@/platform/storage/photos';
import { keepPreference, preference } from '@/platform/storage/shop';
import { tracePicture } from '@/session/derived/tracePicture';
import { changeLibrary, openLibrary, useLibrary } from '@/session/shop/libraryStore';
import { jobFromDrawing, type NewJob } from '../intake/newJob';

const LAID_OUT = 'demo-jobs-laid-out';
/** Jobs of one moment lie in the order of the list. */
const APART_MS = 1000;

/**
 * Lays out one demo job under the id that it always has. The page may have gone away between the keeping of the job and the note
 * that it was kept, and another tab may lay it out at the same time: then it is there already.
 * @returns whether it lies on the shelf now
 */
async function layOut(demo: Demo | PictureDemo, updated: number): Promise<boolean> {
  const id = `demo-${demo.file.replace(/\.\w+$/, '')}`;
  if ((await keptStamp(id)) !== null) return true;
  const response = await fetch(`/demo/${demo.file}`);
  if (!response.ok) return false;
  try {
    if ('first' in demo) await keepPhotos(id, await demoPhotos());
    await jobFromDrawing({ ...demo, id, updated, ...(await drawnBy(demo, response)), work: (job) => workedOn(job, demo) });
  } catch (error) {
    if ((await keptStamp(id)) === null) throw error;
  }
  return true;
}

/** Photos of the demo's sew-outs; one that does not come is missing on its page, and nothing else. */
async function demoPhotos(): Promise<Record<string, Uint8Array<ArrayBuffer>>> {
  const photos: Record<string, Uint8Array<ArrayBuffer>> = {};
  for (const file of DEMO_PHOTOS) {
    const response = await fetch(`/demo/${file}`);
    if (response.ok) photos[file] = new Uint8Array(await response.arrayBuffer());
  }
  return photos;
}

/** A demo's drawing; of one that begins with a picture the shapes traced of it. */
async function drawnBy(demo: Demo | PictureDemo, response: Response): Promise<Pick<NewJob, 'file' | 'svg' | 'picture'>> {
  const { file } = demo;
  if (!('traced' in demo)) return { file, svg: await response.text() };
  const { svg, picture, found } = await tracePicture(await response.arrayBuffer(), file, demo.traced);
  const choices = without(demo.traced, 'widthMm');
  return { file: file.replace(/\.\w+$/, '.svg'), svg, picture: { from: { file, ...choices, found }, text: picture } };
}

/** The demo's shop has a name; whoever gave one of their own keeps it. */
async function nameShop(): Promise<void> {
  await openLibrary();
  const { shop } = useLibrary.getState().library;
  if (shop.name === '') await changeLibrary({ shop: { ...shop, name: DEMO_SHOP } });
}

/**
 * Lays out the demo jobs, each once: one that the person removed stays removed.
 * @param laid called after each that was new
 */
export async function layOutDemos(laid: () => Promise<void>): Promise<void> {
  const before = await preference<boolean | string[]>(LAID_OUT);
  // Earlier versions had the first one only.
  const known = before === true ? [DEMOS[0]!.file] : before || [];
  if (!before) await nameShop();
  const now = Date.now();
  for (const [i, demo] of [...DEMOS, ...PICTURE_DEMOS].entries()) {
    if (known.includes(demo.file)) continue;
    if (!(await layOut(demo, now - i * APART_MS))) continue;
    known.push(demo.file);
    await keepPreference(LAID_OUT, known);
    await laid();
  }
}
