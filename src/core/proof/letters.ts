import { formOf } from '../pieces/registry';
import type { Job } from '../document/types';
import { boundsOf, type Area } from '../geometry/point';
import type { Shaped } from '../pieces/prepare/shaped';

/** A piece that looks like a letter: one of several of about one height that stand side by side on a line. */
export interface Letter {
  index: number;
  heightMm: number;
  middleY: number;
  /** Straight at top and bottom, round at both, or neither. */
  form: 'flat' | 'round' | 'other';
}

const HIGHEST_MM = 60;
const LEAST_IN_ROW = 3;
/** Of one row: heights that differ by no more than this share, feet that are no farther apart. */
const ALIKE = 0.3;
const LEVEL = 0.15;
/** Letters stand no farther apart than this share of their height. */
const APART = 1.2;
const BROADEST = 1.6;

interface Candidate extends Letter {
  minX: number;
  maxX: number;
  maxY: number;
  thread: string;
}

/** Rows of pieces that look like lettering, from what they are shaped like and how they stand; three or more each. */
export function letterRows(job: Job, shaped: readonly Shaped[]): Letter[][] {
  const candidates = shaped.flatMap(({ piece, shape }, index): Candidate[] => {
    if (!shape || formOf(piece) === 'line') return [];
    const { minX, maxX, minY, maxY } = boundsOf(shape.painted);
    const heightMm = maxY - minY;
    if (!(heightMm > 0 && heightMm <= HIGHEST_MM) || maxX - minX > BROADEST * heightMm) return [];
    return [
      {
        index,
        heightMm,
        middleY: (minY + maxY) / 2,
        form: letterFormOf(shape.painted, minY, maxY),
        minX,
        maxX,
        maxY,
        thread: piece.thread,
      },
    ];
  });
  const rows: Candidate[][] = [];
  for (const c of candidates.sort((a, b) => a.minX - b.minX)) {
    const row = rows.find((r) => follows(r[r.length - 1]!, c));
    if (row) row.push(c);
    else rows.push([c]);
  }
  return rows.filter((r) => r.length >= LEAST_IN_ROW);
}

function follows(before: Candidate, c: Candidate): boolean {
  const height = Math.max(before.heightMm, c.heightMm);
  return (
    c.thread === before.thread &&
    Math.abs(c.heightMm - before.heightMm) <= ALIKE * height &&
    Math.abs(c.maxY - before.maxY) <= LEVEL * height &&
    c.minX > before.minX + 0.3 * (before.maxX - before.minX) &&
    c.minX - before.maxX < APART * height &&
    c.minX - before.maxX > -0.3 * height
  );
}

const LEVEL_SLOPE = 0.05;
/** Straight for so much of the height is a flat top. */
const FLAT = 0.15;

function letterFormOf(area: Area, minY: number, maxY: number): Letter['form'] {
  const height = maxY - minY;
  const level = (y: number): boolean => {
    let length = 0;
    for (const ring of area) {
      ring.forEach((p, i) => {
        const q = ring[(i + 1) % ring.length]!;
        const near = Math.abs(p.y - y) < 0.02 * height && Math.abs(q.y - y) < 0.02 * height;
        if (near && Math.abs(q.y - p.y) <= LEVEL_SLOPE * Math.abs(q.x - p.x)) length += Math.abs(q.x - p.x);
      });
    }
    return length >= FLAT * height;
  };
  const [top, bottom] = [level(minY), level(maxY)];
  return top && bottom ? 'flat' : !top && !bottom ? 'round' : 'other';
}
