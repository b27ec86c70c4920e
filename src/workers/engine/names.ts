import { namesArchive } from '@/core/formats/namesArchive';
import type { Handler } from '../serve';

export const names: Handler<'names'> = async ({ job, ...how }, { progress }) => {
  const { archive, made, hoops, refused } = await namesArchive(job, how, progress);
  return { output: { data: new Blob([archive], { type: 'application/zip' }), made, hoops, refused } };
};
