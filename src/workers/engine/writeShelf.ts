import { packJob as packed, writePacked } from '@/core/formats/shelf';
import type { Handler } from '../serve';

export const packJob: Handler<'packJob'> = ({ packed: job }) => {
  const output = packed(job);
  return { output, transfer: [output.bundle.buffer, ...(output.versions ? [output.versions.buffer] : [])] };
};

export const writeShelf: Handler<'writeShelf'> = ({ jobs, library }) => ({
  output: { data: new Blob([writePacked(jobs, library)], { type: 'application/zip' }) },
});
