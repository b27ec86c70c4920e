import { dataToRings } from '../geometry/path';
import { boundsOf } from '../geometry/point';
import type { Job, Piece } from './types';

/** The finished size that the brief asks for, and the one that the pieces were made at, mm. */
export interface SizeGap {
  side: 'width' | 'height';
  askedMm: number;
  madeMm: number;
}

/** Sizes are asked for in tenths; less than this apart they are the same, mm. */
const SAME_MM = 0.15;
/** Jobs of earlier versions do not say what they were made at: their pieces are measured, which is only so exact. */
const MEASURED_SHARE = 0.05;

const measured = new WeakMap<readonly Piece[], { width: number; height: number }>();

function sizeOf(pieces: readonly Piece[]): { width: number; height: number } {
  const known = measured.get(pieces);
  if (known) return known;
  const box = boundsOf(pieces.flatMap((p) => [p.area, p.line, ...(p.sides ?? [])].flatMap((d) => (d ? dataToRings(d, 0.5) : []))));
  const made = { width: box.maxX - box.minX, height: box.maxY - box.minY };
  measured.set(pieces, made);
  return made;
}

/**
 * Whether the size of the brief has not reached the pieces; null when it has, and for jobs whose pieces were drawn or belong to
 * another drawing.
 */
export function sizeGap(job: Job): SizeGap | null {
  const art = job.artwork[0];
  const { size } = job.brief;
  const side = size.width !== undefined ? 'width' : 'height';
  const askedMm = size[side];
  if (!art || askedMm === undefined || job.pieces.length === 0 || art.madeWith === 'another drawing') return null;
  const madeMm = (art.madeAt ?? sizeOf(job.pieces))[side];
  const tolerance = art.madeAt ? SAME_MM : Math.max(2, MEASURED_SHARE * askedMm);
  return Math.abs(askedMm - madeMm) > tolerance ? { side, askedMm, madeMm } : null;
}
