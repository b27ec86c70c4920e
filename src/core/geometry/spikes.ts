import type { Area, Point, Ring } from './point';

/** Whether a ring turns right round at `b`, or stands still there. */
function isTip(a: Point, b: Point, c: Point): boolean {
  const [dx, dy, ex, ey] = [b.x - a.x, b.y - a.y, c.x - b.x, c.y - b.y];
  return dx * ey - dy * ex === 0 && dx * ex + dy * ey <= 0;
}

/**
 * Rings on a lattice, without the places where they run back over themselves. Such spikes have no area, and the clipping
 * library never comes to an end over some of them (a level one with a node on it, say).
 * @param perMm lattice lines per mm
 */
export function withoutSpikes(rings: Area, perMm: number): Ring[] {
  return rings.flatMap((ring) => {
    if (ring.length > 2 && !hasTip(ring, perMm)) return [ring];
    const made = trimmed(ring.map((p) => onLattice(p, perMm)));
    return made.length > 2 ? [made.map((p) => ({ x: p.x / perMm, y: p.y / perMm }))] : [];
  });
}

/** Whether there is anything to take out: nearly all rings stay as they are, without being made anew. */
function hasTip(ring: readonly Point[], perMm: number): boolean {
  let a = ring[ring.length - 2]!;
  let b = ring[ring.length - 1]!;
  for (const c of ring) {
    const onward = (b.x - a.x) * (c.x - b.x) + (b.y - a.y) * (c.y - b.y);
    const long = Math.abs(b.x - a.x) + Math.abs(b.y - a.y) + Math.abs(c.x - b.x) + Math.abs(c.y - b.y);
    // Rounding moves each point by half a lattice line at most: where the ring plainly goes on there is no need to round.
    if (onward * perMm <= 2 * long + 2 / perMm && isTip(onLattice(a, perMm), onLattice(b, perMm), onLattice(c, perMm))) return true;
    a = b;
    b = c;
  }
  return false;
}

const onLattice = (p: Point, perMm: number): Point => ({ x: Math.round(p.x * perMm), y: Math.round(p.y * perMm) });

/** On whole numbers, so that what is straight is exactly so. */
function trimmed(ring: readonly Point[]): Point[] {
  const out: Point[] = [];
  for (const p of ring) {
    while (out.length > 1 && isTip(out[out.length - 2]!, out[out.length - 1]!, p)) out.pop();
    if (out.length === 1 && out[0]!.x === p.x && out[0]!.y === p.y) continue;
    out.push(p);
  }
  // The end of the ring against its beginning.
  let from = 0;
  for (let changed = true; changed && out.length - from > 2;) {
    const n = out.length;
    changed = true;
    if (isTip(out[n - 2]!, out[n - 1]!, out[from]!)) out.pop();
    else if (isTip(out[n - 1]!, out[from]!, out[from + 1]!)) from++;
    else changed = false;
  }
  return out.slice(from);
}
