import { clothSample as sewnOn } from '@/core/gallery/clothSample';
import { SAMPLE_BOX } from '@/core/gallery/samples';
import { drawSewn } from '@/core/render/picture';
import type { Handler } from '../serve';
import { pngOf } from './png';

export const clothSample: Handler<'clothSample'> = ({ brief, scale }) => {
  const { job, plan, column, widths } = sewnOn(brief);
  return {
    output: { png: pngOf(drawSewn(job, plan, scale, 0, SAMPLE_BOX)), thread: job.threads[0]!.hex, column, widths },
  };
};
