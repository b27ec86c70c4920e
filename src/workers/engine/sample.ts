import { TERM_SAMPLES } from '@/core/gallery/glossary';
import { GALLERY, jobOfSample, SAMPLE_BOX } from '@/core/gallery/samples';
import { measurePlan } from '@/core/plan/measure';
import { drawSewn } from '@/core/render/picture';
import type { Handler } from '../serve';
import { planner } from './kept';
import { pngOf } from './png';

export const sample: Handler<'sample'> = ({ id, scale }, { progress }) => {
  const job = jobOfSample([...GALLERY.flatMap((g) => g.samples), ...TERM_SAMPLES].find((s) => s.id === id)!);
  const plan = planner.plan(job, progress);
  return { output: { png: pngOf(drawSewn(job, plan, scale, 0, SAMPLE_BOX)), stitches: measurePlan(job, plan).stitches } };
};
