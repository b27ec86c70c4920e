import { jobFromArt } from '@/core/artwork/newJob';
import { drawingOf } from '@/core/artwork/readSvg';
import type { Handler } from '../serve';

export const newJob: Handler<'newJob'> = ({ svg, ...options }, { progress }) => ({
  output: { job: jobFromArt(drawingOf(svg), options, progress).job },
});
