import { jobFromArt } from '@/core/artwork/newJob';
import { drawingOf } from '@/core/artwork/readSvg';
import { notesOf } from '@/core/artwork/survey';
import type { Handler } from '../serve';

export const newJob: Handler<'newJob'> = ({ svg, ...options }, { progress }) => {
  const doc = drawingOf(svg);
  const { job, digitized } = jobFromArt(doc, options, progress);
  return { output: { job, notes: notesOf(doc, digitized.art) } };
};
