import { lengthsAlong, nearestOnLine } from '../../geometry/line';
import { mix, type Line, type Point } from '../../geometry/point';
import { makeTrack, type ColumnNetwork } from './track';

const STEP_MM = 0.15;

/**
 * One column from two sides drawn in the same direction. Between slants the sides are matched by their share of length;
 * a slant ties the places where it meets the two sides together.
 * @param slants short lines across the column
 */
export function networkFromSides(a: Line, b: Line, slants: readonly Line[] = []): ColumnNetwork {
  if (a.length < 2 || b.length < 2) return { columns: [] };
  const ties = tiesOf(a, b, slants);
  const left: Point[] = [];
  const right: Point[] = [];
  for (let k = 1; k < ties.length; k++) {
    const [a0, b0] = ties[k - 1]!;
    const [a1, b1] = ties[k]!;
    const steps = Math.max(2, Math.ceil(Math.max(a1 - a0, b1 - b0) / STEP_MM));
    const as = sample(a, a0, a1, steps);
    const bs = sample(b, b0, b1, steps);
    for (const p of k === 1 ? as : as.slice(1)) left.push(p);
    for (const p of k === 1 ? bs : bs.slice(1)) right.push(p);
  }
  return { columns: [{ from: 0, to: 1, track: makeTrack(left, right), openFrom: true, openTo: true }] };
}

function tiesOf(a: Line, b: Line, slants: readonly Line[]): [number, number][] {
  const total = (l: Line): number => lengthsAlong(l)[l.length - 1]!;
  const inner = slants
    .map((s): [number, number] => {
      const [p, q] = [s[0]!, s[s.length - 1]!];
      const direct = nearestOnLine(a, p).distance + nearestOnLine(b, q).distance;
      const swapped = nearestOnLine(a, q).distance + nearestOnLine(b, p).distance;
      const [pa, pb] = direct <= swapped ? [p, q] : [q, p];
      return [nearestOnLine(a, pa).along, nearestOnLine(b, pb).along];
    })
    .sort((x, y) => x[0] - y[0]);
  const out: [number, number][] = [[0, 0]];
  for (const t of inner) {
    const last = out[out.length - 1]!;
    if (t[0] > last[0] && t[1] >= last[1]) out.push(t);
  }
  out.push([total(a), total(b)]);
  return out;
}

function sample(line: Line, from: number, to: number, steps: number): Point[] {
  const along = lengthsAlong(line);
  let i = 1;
  return Array.from({ length: steps + 1 }, (_, k) => {
    const s = from + ((to - from) * k) / steps;
    while (i < line.length - 1 && along[i]! < s) i++;
    const span = along[i]! - along[i - 1]!;
    return mix(line[i - 1]!, line[i]!, span > 0 ? (s - along[i - 1]!) / span : 0);
  });
}
