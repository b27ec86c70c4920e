import { survey } from '@/core/artwork/survey';
import { movedBy, transformedPiece } from '@/core/editing/transform';
import { formatPath, parsePath, transformPath } from '@/core/geometry/path';
import { takenRegion } from '@/core/tracing/takenRegion';
import type { Handler } from '../serve';
import { keptPage } from './keptPage';

/** A region of a picture on the cloth, and the piece that it would be sewn as. */
export const lift: Handler<'lift'> = async ({ bytes, name, prepared, at, tolerance, widthMm, toCloth, how }) => {
  const picture = await keptPage(new Uint8Array(bytes), name, prepared);
  const taken = takenRegion(picture, { at, tolerance, pixelsPerMm: picture.width / widthMm });
  if (!taken) return { output: null };
  const data = formatPath(transformPath(parsePath(taken.data), toCloth));
  return { output: { hex: taken.hex, data, ...pieceOf(data, taken.hex, how) } };
};

/** Proposed like any drawing of that one shape; what is drawn is centred then, so that the piece has to go back to its place. */
function pieceOf(data: string, hex: string, how: Parameters<Handler<'lift'>>[0]['how']) {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="1000mm" height="1000mm" viewBox="-500 -500 1000 1000"><path fill="${hex}" fill-rule="evenodd" d="${data}"/></svg>`;
  try {
    const { pieces, threads, transform } = survey({ ...how, svg });
    const [piece, thread] = [pieces[0], threads[0]];
    if (!piece || !thread || pieces.length > 1) return { piece: null, thread: null };
    return { piece: transformedPiece(piece, movedBy(-transform[4], -transform[5])), thread };
  } catch {
    return { piece: null, thread: null };
  }
}
