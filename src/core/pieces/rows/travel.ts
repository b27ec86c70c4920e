import FlatQueue from 'flatqueue';
import { ofEach } from '../../geometry/known';
import { distance, type Point } from '../../geometry/point';
import type { Clearance } from './sewn';
import { fromUV, heightOf, nearestStretch, neighbours, toU, toV, type RowMesh } from './mesh';
import { stayWarm } from '../../units/warm';

/**
 * Ways through an area that never leave it, over its rows.
 *
 * Rows are doors: two stretches of neighbouring rows that overlap let the needle pass where they overlap. A* finds the
 * doors, then a window of feasible slopes pulls the way straight, keeping it off the edge so that cover hides it.
 */
const EDGE_MARGIN_MM = 0.5;

/** Row ends reach out of an area by their compensation; what lies farther off is not in it, mm. */
const NEAR_MM = 1.5;

/** How much longer a way may be to avoid running over rows that are sewn already, where it would show. */
const SEWN_PENALTY = 40;

/** One stretch of a way, and where on it the search stands. */
interface Step {
  stretch: number;
  u: number;
}

/**
 * @param clear where ways lie under rows still to come; the way keeps to it where it can. Absent: everywhere
 * @returns corner points from `from` to `to` (both included), or null when the rows do not connect them
 */
export function wayThrough(mesh: RowMesh, from: Point, to: Point, clear: Clearance | null = null): Point[] | null {
  const a = nearestStretch(mesh, from);
  const b = nearestStretch(mesh, to);
  if (a < 0 || b < 0 || awayFrom(mesh, a, from) > NEAR_MM || awayFrom(mesh, b, to) > NEAR_MM) return null;
  const steps = search(mesh, a, b, { fromU: toU(mesh.frame, from), targetU: toU(mesh.frame, to), clear });
  if (!steps) return null;
  const span = ofEach((s: Step) => inner(clear?.span(mesh, s.stretch, s.u) ?? [mesh.u0[s.stretch]!, mesh.u1[s.stretch]!]));
  return pullStraight(mesh, clear ? deepened(mesh, steps, toU(mesh.frame, to), clear) : steps, from, to, span);
}

function awayFrom(mesh: RowMesh, stretch: number, p: Point): number {
  const u = toU(mesh.frame, p);
  const du = u - clamp(u, mesh.u0[stretch]!, mesh.u1[stretch]!);
  const dv = toV(mesh.frame, p) - heightOf(mesh, mesh.row[stretch]!);
  return Math.sqrt(du * du + dv * dv);
}

interface SearchGoal {
  fromU: number;
  targetU: number;
  clear: Clearance | null;
}

const clamp = (u: number, a: number, b: number): number => Math.min(b, Math.max(a, u));

function search(mesh: RowMesh, a: number, b: number, { fromU, targetU, clear }: SearchGoal): Step[] | null {
  const cost = new Float64Array(mesh.count).fill(Infinity);
  const at = new Float64Array(mesh.count);
  const came = new Int32Array(mesh.count).fill(-1);
  const done = new Uint8Array(mesh.count);
  cost[a] = 0;
  at[a] = clamp(fromU, mesh.u0[a]!, mesh.u1[a]!);
  const queue = stayWarm(new FlatQueue<number>());
  queue.push(a, 0);
  for (let here = queue.pop(); here !== undefined; here = queue.pop()) {
    if (here === b) return unwind(came, b).map((stretch) => ({ stretch, u: at[stretch]! }));
    if (done[here] === 1) continue;
    done[here] = 1;
    const u = at[here]!;
    for (let side = -1; side <= 1; side += 2) {
      const row = mesh.row[here]! + side;
      const first = mesh.first.get(row);
      if (first === undefined) continue;
      for (let next = first; next < mesh.count && mesh.row[next] === row; next++) {
        if (Math.min(mesh.u1[here]!, mesh.u1[next]!) <= Math.max(mesh.u0[here]!, mesh.u0[next]!)) continue;
        const landing = clamp(u, mesh.u0[next]!, mesh.u1[next]!);
        const step = mesh.spacing + Math.abs(landing - u);
        const total = cost[here]! + (clear && !clear.isClear(mesh, next, landing) ? step * SEWN_PENALTY : step);
        if (total >= cost[next]!) continue;
        cost[next] = total;
        at[next] = landing;
        came[next] = here;
        const ahead = Math.abs(mesh.row[b]! - row) * mesh.spacing;
        queue.push(next, total + Math.max(ahead, Math.abs(landing - targetU) * 0.5));
      }
    }
  }
  return null;
}

function unwind(came: Int32Array, last: number): number[] {
  const out = [last];
  for (let i = came[last]!; i >= 0; i = came[i]!) out.push(i);
  return out.reverse();
}

/** A way that turns back goes this far in before it runs along the rows, so that rows still to come cover it, mm. */
const DEPTH_MM = 1;
/** Shorter runs along the first row are not led farther in, mm. */
const LATERAL_MM = 2;
/** Rows farther in may be this much shorter at an end, mm. */
const SHORTER_MM = 4;

const turnsAt = (mesh: RowMesh, steps: readonly Step[], k: number): boolean =>
  k > 0 &&
  k + 1 < steps.length &&
  Math.sign(mesh.row[steps[k + 1]!.stretch]! - mesh.row[steps[k]!.stretch]!) !==
    Math.sign(mesh.row[steps[k]!.stretch]! - mesh.row[steps[k - 1]!.stretch]!);

/** Where the way turns back on the first row that is not sewn, it is led a few rows farther in. */
function deepened(mesh: RowMesh, steps: readonly Step[], targetU: number, clear: Clearance): Step[] {
  const out: Step[] = [];
  steps.forEach((step, k) => {
    out.push(step);
    const arrives = k > 0 && k === steps.length - 1 && Math.abs(targetU - step.u) > LATERAL_MM;
    if (!arrives && !turnsAt(mesh, steps, k)) return;
    const way = mesh.row[step.stretch]! > mesh.row[steps[k - 1]!.stretch]! ? 1 : -1;
    const far = k + 2 < steps.length ? steps[k + 2]!.u : targetU;
    const [low, high] = [Math.min(step.u, far), Math.max(step.u, far)];
    const deeper: Step[] = [];
    for (let here = step; deeper.length * mesh.spacing < DEPTH_MM;) {
      const next = neighbours(mesh, here.stretch, way).find((s) => {
        const span = clear.span(mesh, s, clamp(step.u, mesh.u0[s]!, mesh.u1[s]!));
        const [from, to] = [Math.max(low, mesh.u0[step.stretch]!), Math.min(high, mesh.u1[step.stretch]!)];
        return span !== null && span[0] <= from + SHORTER_MM && span[1] >= to - SHORTER_MM;
      });
      if (next === undefined) break;
      here = { stretch: next, u: clamp(step.u, mesh.u0[next]!, mesh.u1[next]!) };
      deeper.push(here);
    }
    out.push(...deeper, ...deeper.slice(0, -1).reverse());
    if (deeper.length > 0) out.push(step);
  });
  return out;
}

type SpanOf = (step: Step) => readonly [number, number];
interface Place {
  u: number;
  v: number;
}

/** Pulls a way through its doors straight, leg by leg; between two legs it turns back and runs along the row it turned on. */
function pullStraight(mesh: RowMesh, steps: readonly Step[], from: Point, to: Point, span: SpanOf): Point[] {
  const target = { u: toU(mesh.frame, to), v: toV(mesh.frame, to) };
  const turns = steps.map((_, k) => k).filter((k) => turnsAt(mesh, steps, k));
  const out: Place[] = [];
  let here: Place = { u: toU(mesh.frame, from), v: toV(mesh.frame, from) };
  let first = 0;
  turns.forEach((k, n) => {
    const [a, b] = span(steps[k]!);
    const down = { u: clamp(here.u, a, b), v: heightOf(mesh, mesh.row[steps[k]!.stretch]!) };
    out.push(...pullLeg(mesh, steps.slice(first, k + 1), here, down, span), down);
    const next = turns[n + 1];
    here = { u: clamp(next === undefined ? target.u : steps[next]!.u, a, b), v: down.v };
    out.push(here);
    first = k;
  });
  out.push(...pullLeg(mesh, steps.slice(first), here, target, span));
  const points = [from, ...out.map((p) => fromUV(mesh.frame, p.u, p.v)), to];
  return points.filter((p, k) => k === 0 || k === points.length - 1 || distance(p, points[k - 1]!) > 0.05);
}

/** Between two rows a way leans by no more than this many times their distance. */
const ASLANT = 2;

/** Corner places of one leg, whose rows all follow in the same sense; neither start nor target. */
function pullLeg(mesh: RowMesh, steps: readonly Step[], start: Place, target: Place, span: SpanOf): Place[] {
  const out: Place[] = [];
  let { u, v } = start;
  let i = 0;
  const sense = steps.length > 1 ? Math.sign(mesh.row[steps[1]!.stretch]! - mesh.row[steps[0]!.stretch]!) : 1;
  while (i < steps.length - 1) {
    // Along the row first: slantwise to the next one the needle would cut the corner of a step in the edge.
    const square = i + 1 < steps.length - 1 ? clamp(u, ...span(steps[i + 1]!)) : u;
    if (Math.abs(square - u) > ASLANT * mesh.spacing) out.push({ u: (u = square), v });
    let [low, high] = [-Infinity, Infinity];
    let reached = i;
    for (let k = i; k < steps.length; k++) {
      const final = k === steps.length - 1;
      const rise = ((final ? target.v : heightOf(mesh, mesh.row[steps[k]!.stretch]!)) - v) * sense;
      if (rise > mesh.spacing * 0.25) {
        const [a, b] = final ? [target.u, target.u] : span(steps[k]!);
        const nextLow = Math.max(low, (a - u) / rise);
        const nextHigh = Math.min(high, (b - u) / rise);
        if (nextLow > nextHigh) break;
        [low, high] = [nextLow, nextHigh];
      }
      reached = k;
    }
    if (reached === steps.length - 1) break;
    if (reached === i) reached = i + 1;
    const door = steps[reached]!;
    const rowV = heightOf(mesh, mesh.row[door.stretch]!);
    const rise = Math.abs(rowV - v);
    const wish =
      Number.isFinite(low) && Number.isFinite(high) && target.v !== v
        ? clamp((target.u - u) / Math.max(rise, Math.abs(target.v - v)), low, high) * rise + u
        : u;
    const [a, b] = span(door);
    u = clamp(wish, a, b);
    v = rowV;
    out.push({ u, v });
    i = reached;
  }
  return out;
}

function inner([a, b]: readonly [number, number]): [number, number] {
  const margin = Math.min(EDGE_MARGIN_MM, (b - a) * 0.4);
  return [a + margin, b - margin];
}
