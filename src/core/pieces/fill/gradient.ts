import { boundsOf, type Area, type Line } from '../../geometry/point';
import { fromUV, rowFrame, toU, toV } from '../rows/mesh';
import type { LineRows } from '../rows/rowset';

const SHORTEST_MM = 0.08;
const MOST_ROWS = 20_000;

/** Straight rows whose spacing goes evenly from one value, at the first row, to another, at the last: for blending. */
export function gradientRows(area: Area, angleDeg: number, fromMm: number, toMm: number): LineRows {
  const frame = rowFrame(angleDeg);
  const turned = area.map((ring) => ring.map((p) => ({ x: toU(frame, p), y: toV(frame, p) })));
  const box = boundsOf(turned);
  const height = box.maxY - box.minY;
  const heights: number[] = [];
  for (let v = box.minY + fromMm / 2; v < box.maxY && heights.length < MOST_ROWS;) {
    heights.push(v);
    v += fromMm + (toMm - fromMm) * Math.min(1, (v - box.minY) / (height || 1));
  }
  const spans: { row: number; u0: number; u1: number; points: Line }[] = [];
  const first: number[] = [];
  heights.forEach((v, row) => {
    first.push(spans.length);
    const at: number[] = [];
    for (const ring of turned) {
      for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
        const [a, b] = [ring[j]!, ring[i]!];
        if (a.y > v !== b.y > v) at.push(a.x + ((b.x - a.x) * (v - a.y)) / (b.y - a.y));
      }
    }
    at.sort((p, q) => p - q);
    for (let k = 0; k + 1 < at.length; k += 2) {
      const [u0, u1] = [at[k]!, at[k + 1]!];
      if (u1 - u0 >= SHORTEST_MM) spans.push({ row, u0, u1, points: [fromUV(frame, u0, v), fromUV(frame, u1, v)] });
    }
  });
  first.push(spans.length);
  return {
    stretches: spans,
    spacingMm: Math.min(fromMm, toMm),
    neighbours: (i, step) => {
      const row = spans[i]!.row + step;
      if (row < 0 || row >= heights.length) return [];
      const out: number[] = [];
      for (let j = first[row]!; j < first[row + 1]!; j++) if (spans[j]!.u0 < spans[i]!.u1 && spans[j]!.u1 > spans[i]!.u0) out.push(j);
      return out;
    },
  };
}
