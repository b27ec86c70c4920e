import { atan2 } from '../units/trig';
import { add, cross, distance, dot, mix, sub, unit, type Line, type Point } from './point';

/** Length of an open line, mm. */
export function lineLength(line: Line): number {
  let sum = 0;
  for (let i = 1; i < line.length; i++) sum += distance(line[i - 1]!, line[i]!);
  return sum;
}

/** Cumulative length at each point of the line; first entry 0. */
export function lengthsAlong(line: Line): Float64Array {
  const out = new Float64Array(line.length);
  for (let i = 1; i < line.length; i++) out[i] = out[i - 1]! + distance(line[i - 1]!, line[i]!);
  return out;
}

/** Points at equal steps of at most `stepMm` along the line, both ends included. A line of no length gives its ends. */
export function resample(line: Line, stepMm: number): Point[] {
  const along = lengthsAlong(line);
  const total = along[along.length - 1] ?? 0;
  if (line.length < 2 || total === 0) return line.slice();
  return evenly(line, along, Math.max(1, Math.ceil(total / stepMm - 1e-9)));
}

/**
 * Points that divide the line into `count` equal lengths, both ends included.
 * @param along cumulative length at each point of the line
 */
export function evenly(line: Line, along: Float64Array, count: number): Point[] {
  const total = along[along.length - 1]!;
  const out: Point[] = [line[0]!];
  let i = 1;
  for (let k = 1; k < count; k++) {
    const s = (total * k) / count;
    while (i < line.length - 1 && along[i]! < s) i++;
    const span = along[i]! - along[i - 1]!;
    out.push(mix(line[i - 1]!, line[i]!, span > 0 ? (s - along[i - 1]!) / span : 0));
  }
  out.push(line[line.length - 1]!);
  return out;
}

/**
 * Points at equal steps of at most `stepMm`, both ends included; a step whose line lies farther off it than `errorMm` is divided
 * in halves, down to steps of `leastMm` along the line.
 */
export function resampleClosely(line: Line, stepMm: number, errorMm: number, leastMm: number): Point[] {
  const points = resample(line, stepMm);
  if (points.length < 2 || line.length < 3) return points;
  const along = lengthsAlong(line);
  const step = along[along.length - 1]! / (points.length - 1);
  const out = [points[0]!];
  let first = 1;
  for (let k = 1; k < points.length; k++) {
    let next = first;
    while (next < line.length - 1 && along[next]! < k * step) next++;
    const part = [points[k - 1]!, ...line.slice(first, next), points[k]!];
    for (const p of halvedWhileOff(part, errorMm, leastMm)) out.push(p);
    first = next;
  }
  return out;
}

/** The line's last point, after what divides it so that no chord is farther off it than asked. */
function halvedWhileOff(line: Line, errorMm: number, leastMm: number): Point[] {
  const end = line[line.length - 1]!;
  const chord = [line[0]!, end];
  const mm = lineLength(line);
  if (mm < 2 * leastMm || line.every((p) => distanceTo(chord, p) <= errorMm)) return [end];
  return dividedAt(line, mm / 2).flatMap((half) => halvedWhileOff(half, errorMm, leastMm));
}

/** Stretches of a closed line of which one ends and one begins at its start: these two are one. */
export function joinedThrough(stretches: readonly Line[], start: Point): Line[] {
  const after = stretches.findIndex((l) => distance(l[0]!, start) < 1e-3);
  const before = stretches.findIndex((l) => distance(l.at(-1)!, start) < 1e-3);
  if (after < 0 || before < 0 || after === before) return [...stretches];
  const joined = [...stretches[before]!, ...stretches[after]!.slice(1)];
  return [...stretches.filter((_, i) => i !== after && i !== before), joined];
}

/** Drops points that stand within `toleranceMm` of their predecessor; keeps both ends. */
export function withoutRepeats(line: Line, toleranceMm: number): Point[] {
  const out: Point[] = [];
  for (const p of line) if (out.length === 0 || distance(out[out.length - 1]!, p) > toleranceMm) out.push(p);
  const last = line[line.length - 1];
  if (last && out.length > 1 && out[out.length - 1] !== last) out[out.length - 1] = last;
  return out;
}

/**
 * Gaussian smoothing along the line by repeated averaging of neighbours. The line must be evenly sampled.
 * @param closed whether the last point is followed by the first
 */
export function smooth(line: Line, rounds: number, closed: boolean): Point[] {
  const [x, y] = [Float64Array.from(line, (p) => p.x), Float64Array.from(line, (p) => p.y)];
  for (let r = 0; r < rounds; r++) {
    averaged(x, closed);
    averaged(y, closed);
  }
  return line.map((_, i) => ({ x: x[i]!, y: y[i]! }));
}

/** One round of it, in place. */
function averaged(v: Float64Array, closed: boolean): void {
  const last = v.length - 1;
  const first = v[0]!;
  let before = closed ? v[last]! : first;
  for (let i = closed ? 0 : 1; i < (closed ? last + 1 : last); i++) {
    const here = v[i]!;
    v[i] = (before + 2 * here + (i < last ? v[i + 1]! : first)) / 4;
    before = here;
  }
}

/** Unit tangents at every point by central differences. */
export function tangents(line: Line, closed: boolean): Point[] {
  const n = line.length;
  return line.map((_, i) => {
    const a = closed ? line[(i + n - 1) % n]! : line[Math.max(0, i - 1)]!;
    const b = closed ? line[(i + 1) % n]! : line[Math.min(n - 1, i + 1)]!;
    return unit(sub(b, a));
  });
}

/**
 * Unit tangents averaged over `window` points to either side, so that rows square to a noisy line stay calm.
 * @param loop whether the last point repeats the first
 */
export function calmTangents(line: Line, loop: boolean, window: number): Point[] {
  const rough = loop ? tangents(line.slice(0, -1), true) : tangents(line, false);
  const n = rough.length;
  const width = loop ? Math.min(window, Math.floor((n - 1) / 2)) : window;
  const sums: Point[] = [{ x: 0, y: 0 }];
  for (let i = 0; i < n + (loop ? 2 * width : 0); i++) sums.push(add(sums[i]!, rough[(i + n - (loop ? width : 0)) % n]!));
  const out = rough.map((t, i) => {
    const [a, b] = loop ? [i, i + 2 * width + 1] : [Math.max(0, i - width), Math.min(n, i + width + 1)];
    const d = sub(sums[b]!, sums[a]!);
    return d.x === 0 && d.y === 0 ? t : unit(d);
  });
  return loop ? [...out, out[0]!] : out;
}

/** Nearest point on the line: its distance and its position as a length from the start. */
export function nearestOnLine(line: Line, p: Point): { distance: number; along: number; point: Point } {
  let best = { distance: Infinity, along: 0, point: line[0] ?? p };
  let sum = 0;
  for (let i = 1; i < line.length; i++) {
    const a = line[i - 1]!;
    const b = line[i]!;
    const d = sub(b, a);
    const squared = d.x * d.x + d.y * d.y;
    const t = squared > 0 ? Math.min(1, Math.max(0, ((p.x - a.x) * d.x + (p.y - a.y) * d.y) / squared)) : 0;
    const q = mix(a, b, t);
    const away = distance(p, q);
    if (away < best.distance) best = { distance: away, along: sum + t * Math.sqrt(squared), point: q };
    sum += Math.sqrt(squared);
  }
  return best;
}

/** Distance of a point from a line, mm: the same as `nearestOnLine`, for loops that ask for nothing else. */
export function distanceTo(line: Line, p: Point): number {
  let least = Infinity;
  for (let i = 1; i < line.length; i++) {
    const a = line[i - 1]!;
    const b = line[i]!;
    const dx = b.x - a.x;
    const dy = b.y - a.y;
    const squared = dx * dx + dy * dy;
    const t = squared > 0 ? Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / squared)) : 0;
    const ex = p.x - a.x - t * dx;
    const ey = p.y - a.y - t * dy;
    least = Math.min(least, ex * ex + ey * ey);
  }
  return Math.sqrt(least);
}

/** The sharpest change of direction, radians, over any stretch of about `windowMm`; a line that ends where it began counts as closed. */
export function sharpestTurn(line: Line, windowMm: number): number {
  const points = resample(line, windowMm / 2);
  const steps = points.slice(1).map((p, i) => sub(p, points[i]!));
  const closed = points.length > 3 && distance(points[0]!, points[points.length - 1]!) < 1e-6;
  let worst = 0;
  for (let i = 0; i < steps.length - (closed ? 0 : 1); i++) {
    const d = steps[i]!;
    for (const ahead of [1, 2]) {
      if (!closed && i + ahead >= steps.length) continue;
      const e = steps[(i + ahead) % steps.length]!;
      worst = Math.max(worst, Math.abs(atan2(cross(d, e), dot(d, e))));
    }
  }
  return worst;
}

/** A line in two at a distance along it, mm; both have the place. */
export function dividedAt(line: Line, along: number): [Point[], Point[]] {
  let gone = 0;
  for (let i = 1; i < line.length; i++) {
    const [a, b] = [line[i - 1]!, line[i]!];
    const mm = distance(a, b);
    if (gone + mm >= along || i === line.length - 1) {
      const t = mm > 0 ? Math.min(1, Math.max(0, (along - gone) / mm)) : 0;
      const p = mix(a, b, t);
      return [
        [...line.slice(0, i), p],
        [p, ...line.slice(i)],
      ];
    }
    gone += mm;
  }
  return [line.slice(), line.slice(-1)];
}
