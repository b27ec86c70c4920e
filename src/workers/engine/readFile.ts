import { readBundle } from '@/core/formats/readBundle';
import { readShelf } from '@/core/formats/shelf';
import type { Handler } from '../serve';

export const readFile: Handler<'readFile'> = ({ bytes }) => {
  const shelf = readShelf(new Uint8Array(bytes));
  return { output: shelf ? { shelf } : { bundle: readBundle(new Uint8Array(bytes)) } };
};
