import { meetingsOf } from '@/core/editing/overlaps';
import { prepareShape } from '@/core/pieces/registry';
import type { Handler } from '../serve';

export const meetings: Handler<'meetings'> = ({ job }) => ({
  output: meetingsOf(job.pieces.map((p) => prepareShape(p)?.painted ?? [])),
});
