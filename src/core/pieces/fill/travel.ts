import FlatQueue from 'flatqueue';
import { distance, type Point } from '../../geometry/point';
import { fromUV, heightOf, nearestStretch, neighbours, toU, toV, type RowMesh } from './rows';

/**
 * Ways through an area that never leave it, over its rows.
 *
 * Rows are doors: two stretches of neighbouring rows that overlap let the needle pass where they overlap. A* finds the
 * doors, then a window of feasible slopes pulls the way straight, keeping it off the edge so that cover hides it.
 */
const EDGE_MARGIN_MM = 0.5;

/** How much longer a way may be to avoid running over rows that are sewn already, where it would show. */
const SEWN_PENALTY = 40;

/**
 * @param sewn stretches that are covered already, non-zero each; the way keeps off them where it can
 * @returns corner points from `from` to `to` (both included), or null when the rows do not connect them
 */
export function wayThrough(mesh: RowMesh, from: Point, to: Point, sewn: Uint8Array | null = null): Point[] | null {
  const a = nearestStretch(mesh, from);
  const b = nearestStretch(mesh, to);
  if (a < 0 || b < 0) return null;
  const stretches = search(mesh, a, b, { fromU: toU(mesh.frame, from), targetU: toU(mesh.frame, to), sewn });
  return stretches && pullStraight(mesh, stretches, from, to);
}

interface Aim {
  fromU: number;
  targetU: number;
  sewn: Uint8Array | null;
}

function search(mesh: RowMesh, a: number, b: number, { fromU, targetU, sewn }: Aim): number[] | null {
  const cost = new Map<number, number>([[a, 0]]);
  const at = new Map<number, number>([[a, fromU]]);
  const came = new Map<number, number>();
  const done = new Set<number>();
  const queue = new FlatQueue<number>();
  queue.push(a, 0);
  for (let here = queue.pop(); here !== undefined; here = queue.pop()) {
    if (here === b) return unwind(came, b);
    if (done.has(here)) continue;
    done.add(here);
    const u = at.get(here)!;
    for (const next of [...neighbours(mesh, here, -1), ...neighbours(mesh, here, 1)]) {
      const landing = Math.min(mesh.u1[next]!, Math.max(mesh.u0[next]!, u));
      const step = mesh.spacing + Math.abs(landing - u);
      const total = cost.get(here)! + (sewn && sewn[next] !== 0 ? step * SEWN_PENALTY : step);
      if (total >= (cost.get(next) ?? Infinity)) continue;
      cost.set(next, total);
      at.set(next, landing);
      came.set(next, here);
      const ahead = Math.abs(mesh.row[b]! - mesh.row[next]!) * mesh.spacing;
      queue.push(next, total + Math.max(ahead, Math.abs(landing - targetU) * 0.5));
    }
  }
  return null;
}

function unwind(came: Map<number, number>, last: number): number[] {
  const out = [last];
  for (let i = came.get(last); i !== undefined; i = came.get(i)) out.push(i);
  return out.reverse();
}

function pullStraight(mesh: RowMesh, stretches: readonly number[], from: Point, to: Point): Point[] {
  const out: Point[] = [from];
  let u = toU(mesh.frame, from);
  let v = toV(mesh.frame, from);
  const targetU = toU(mesh.frame, to);
  const targetV = toV(mesh.frame, to);
  let i = 0;
  while (i < stretches.length - 1) {
    const step = Math.sign(mesh.row[stretches[i + 1]!]! - mesh.row[stretches[i]!]!);
    let low = -Infinity;
    let high = Infinity;
    let reached = i;
    for (let k = i; k < stretches.length; k++) {
      if (k > i && Math.sign(mesh.row[stretches[k]!]! - mesh.row[stretches[k - 1]!]!) !== step) break;
      const final = k === stretches.length - 1;
      const rise = final ? (targetV - v) * step : (heightOf(mesh, mesh.row[stretches[k]!]!) - v) * step;
      if (rise > mesh.spacing * 0.25) {
        const [a, b] = final ? [targetU, targetU] : inner(mesh, stretches[k]!);
        const nextLow = Math.max(low, (a - u) / rise);
        const nextHigh = Math.min(high, (b - u) / rise);
        if (nextLow > nextHigh) break;
        [low, high] = [nextLow, nextHigh];
      }
      reached = k;
    }
    if (reached === stretches.length - 1) break;
    if (reached === i) reached = i + 1;
    const door = stretches[reached]!;
    const rowV = heightOf(mesh, mesh.row[door]!);
    const rise = Math.abs(rowV - v);
    const wish =
      Number.isFinite(low) && Number.isFinite(high) && targetV !== v
        ? Math.min(high, Math.max(low, (targetU - u) / Math.max(rise, Math.abs(targetV - v)))) * rise + u
        : u;
    const [a, b] = inner(mesh, door);
    u = Math.min(b, Math.max(a, wish));
    v = rowV;
    out.push(fromUV(mesh.frame, u, v));
    i = reached;
  }
  out.push(to);
  return out.filter((p, k) => k === 0 || k === out.length - 1 || distance(p, out[k - 1]!) > 0.05);
}

function inner(mesh: RowMesh, i: number): [number, number] {
  const [a, b] = [mesh.u0[i]!, mesh.u1[i]!];
  const margin = Math.min(EDGE_MARGIN_MM, (b - a) * 0.4);
  return [a + margin, b - margin];
}
