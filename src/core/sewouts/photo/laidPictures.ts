import type { Laying } from '../../document/sewoutTypes';
import type { Job } from '../../document/types';
import type { Bounds } from '../../geometry/point';
import { drawSewn } from '../../render/picture';
import type { PlanColumns } from '../../stitches/buffer';
import { planBounds } from '../../stitches/planBounds';
import type { Picture } from '../../tracing/picture';
import { onPhoto } from './camera';
import type { Expected } from './find';

export type LaidPicture = Pick<Picture, 'width' | 'height' | 'data'>;

/** Pictures of one size over the same stretch of cloth. */
export interface LaidPictures {
  plan: LaidPicture;
  foreseen: LaidPicture;
  /** The photo as it would be seen straight from above; null where it is not laid. */
  photo: LaidPicture | null;
  /** What they show, mm, and pixels per mm. */
  box: Bounds;
  perMm: number;
}

/** Cloth about the design, mm. */
const MARGIN_MM = 5;
const MOST_PER_MM = 14;

/** Plan, forecast and photo of a test, to be laid over each other. @param mostPx of the longer side */
export function laidPictures(
  job: Job,
  { plan, foreseen }: Expected,
  seen: { picture: Picture; laying: Laying } | null,
  mostPx: number,
): LaidPictures {
  const own = planBounds(plan);
  const box = { minX: own.minX - MARGIN_MM, minY: own.minY - MARGIN_MM, maxX: own.maxX + MARGIN_MM, maxY: own.maxY + MARGIN_MM };
  const perMm = Math.min(MOST_PER_MM, mostPx / Math.max(box.maxX - box.minX, box.maxY - box.minY));
  const picture = (of: PlanColumns): LaidPicture => drawSewn(job, of, perMm, 0, box);
  return { plan: picture(plan), foreseen: picture(foreseen), photo: seen && fromAbove(seen.picture, seen.laying, box, perMm), box, perMm };
}

/** A photo as it would be seen straight from above: bilinear, paper-white beyond its edge. */
function fromAbove(photo: Picture, laying: Laying, box: Bounds, perMm: number): LaidPicture {
  const width = Math.max(1, Math.round((box.maxX - box.minX) * perMm));
  const height = Math.max(1, Math.round((box.maxY - box.minY) * perMm));
  const data = new Uint8ClampedArray(width * height * 4).fill(245);
  const shape = { tall: photo.height / photo.width };
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const q = onPhoto(laying, shape, { x: box.minX + (x + 0.5) / perMm, y: box.minY + (y + 0.5) / perMm });
      const [px, py] = [q.x * photo.width - 0.5, q.y * photo.width - 0.5];
      const at = (y * width + x) * 4;
      data[at + 3] = 255;
      if (px < 0 || py < 0 || px > photo.width - 1.01 || py > photo.height - 1.01) continue;
      const [x0, y0] = [Math.floor(px), Math.floor(py)];
      const [fx, fy] = [px - x0, py - y0];
      const from = (y0 * photo.width + x0) * 4;
      const below = from + photo.width * 4;
      for (let c = 0; c < 3; c++) {
        const high = photo.data[from + c]! * (1 - fx) + photo.data[from + 4 + c]! * fx;
        const low = photo.data[below + c]! * (1 - fx) + photo.data[below + 4 + c]! * fx;
        data[at + c] = high * (1 - fy) + low * fy;
      }
    }
  }
  return { width, height, data };
}
