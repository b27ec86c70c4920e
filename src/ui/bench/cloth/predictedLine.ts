import type { PredictedOutline } from '@/core/forecast/edgeMeetings';

/** Places farther apart than this are not joined, mm. */
const BREAK_MM = 3;
/** Places whose directions out of the piece agree less (cosine of 60 degrees) stand on two sides of a corner. */
const CORNER = 0.5;

/**
 * What is seen of an outline, through its places, moved by `times` what is predicted. The line breaks at corners, where
 * its two sides go their own ways, and where places moved apart are no neighbours any more.
 */
export function lineOf({ places }: PredictedOutline, times: number): string {
  const out: string[] = [];
  let last: { x: number; y: number; outX: number; outY: number } | null = null;
  for (const { at, out: away, offMm, covered } of places) {
    if (covered) {
      last = null;
      continue;
    }
    const [x, y] = [at.x + times * offMm * away.x, at.y + times * offMm * away.y];
    const joined: boolean =
      last !== null && Math.hypot(x - last.x, y - last.y) <= BREAK_MM && away.x * last.outX + away.y * last.outY > CORNER;
    out.push(`${joined ? 'L' : 'M'}${x.toFixed(2)},${y.toFixed(2)}`);
    last = { x, y, outX: away.x, outY: away.y };
  }
  return out.join(' ');
}
