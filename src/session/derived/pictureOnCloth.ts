import type { PicturePlace, TracedFrom } from '@/core/document/types';
import { apply, inverse, type Matrix } from '@/core/geometry/path';
import type { Point } from '@/core/geometry/point';
import { pageSizeMm } from '@/core/tracing/shapesSvg';
import { useJob } from '../job/jobStore';

/** A job's picture: its file, how it is laid out, the drawing that was traced of it, and how large it is in that, mm. */
export interface JobPicture {
  from: TracedFrom;
  text: string;
  svg: string;
  widthMm: number;
  heightMm: number;
}

/** The picture that a job's drawing was traced of; null for other drawings. */
export function jobPicture(
  { job, artwork }: Pick<ReturnType<typeof useJob.getState>, 'job' | 'artwork'> = useJob.getState(),
): JobPicture | null {
  const ref = job?.artwork[0];
  const from = ref?.picture;
  const text = from && artwork[from.file];
  const svg = ref && artwork[ref.file];
  if (!from || !text || svg === undefined) return null;
  return { from, text, svg, ...pageSizeMm(svg) };
}

/** Where a place on the cloth lies on the page, shares of its sides. */
export function placeOnPage({ widthMm, heightMm }: Pick<JobPicture, 'widthMm' | 'heightMm'>, toCloth: Matrix, at: Point): PicturePlace {
  const { x, y } = apply(inverse(toCloth), at);
  return [x / widthMm, y / heightMm];
}
