import { writeShelf as written } from '@/core/formats/shelf';
import type { Handler } from '../serve';

export const writeShelf: Handler<'writeShelf'> = ({ shelf }) => ({
  output: { data: new Blob([written(shelf)], { type: 'application/zip' }) },
});
