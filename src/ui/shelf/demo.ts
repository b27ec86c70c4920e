import { DEMOS } from '@/core/gallery/demos';
import { keepPreference, preference } from '@/platform/storage/shop';
import { jobFromDrawing } from './newJob';

const LAID_OUT = 'demo-jobs-laid-out';
/** Jobs of one moment lie in the order of the list. */
const APART_MS = 1000;

/**
 * Lays out the demo jobs, each once: one that the person removed stays removed.
 * @param laid called after each that was new
 */
export async function layOutDemos(laid: () => Promise<void>): Promise<void> {
  const before = await preference<boolean | string[]>(LAID_OUT);
  // Earlier versions had the first one only.
  const known = before === true ? [DEMOS[0]!.file] : before || [];
  const now = Date.now();
  for (const [i, demo] of DEMOS.entries()) {
    if (known.includes(demo.file)) continue;
    const response = await fetch(`/demo/${demo.file}`);
    if (!response.ok) continue;
    // The same id each time: what was laid out when the page went away is not laid out twice.
    const id = `demo-${demo.file.replace('.svg', '')}`;
    await jobFromDrawing({ ...demo, id, updated: now - i * APART_MS, svg: await response.text() });
    known.push(demo.file);
    await keepPreference(LAID_OUT, known);
    await laid();
  }
}
