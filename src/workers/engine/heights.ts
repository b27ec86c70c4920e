import { forecast } from '@/core/forecast/forecast';
import { landTexts } from '@/core/forecast/landTexts';
import { heightsOfTexts } from '@/core/forecast/textHeights';
import type { Handler } from '../serve';
import { memory, planner } from './kept';

/** How high the letters of a text are predicted to sew; with `land`, after each was drawn so that it sews as high as wanted. */
export const heights: Handler<'heights'> = ({ job, id, land }, { progress }) => {
  const share = land ? 0.9 : 0;
  const made = land ? landTexts(job, { planner, memory, only: [id], progress: (done) => progress(share * done) }) : job;
  const seen = forecast(made, { planner, memory, progress: (done) => progress(share + (1 - share) * done) });
  const found = heightsOfTexts(made, seen).find(({ piece }) => piece.id === id);
  return { output: { letters: found?.piece.lettering?.letters ?? {}, heights: found?.heights ?? [] } };
};
