/**
 * Sparse systems on a grid's nodes by conjugate gradients (Hestenes and Stiefel, 1952).
 *
 * The matrix is that of a graph: each unknown times the number of its neighbours, less its neighbours. Neighbours come four
 * to a node, -1 where there is none.
 */
export interface Graph {
  /** Number of unknowns. */
  readonly count: number;
  /** Four neighbours of each unknown among the unknowns. */
  readonly beside: Int32Array;
  /** Neighbours in all, known ones included. */
  readonly degree: Float64Array;
}

const TOLERANCE = 1e-6;
const MOST_STEPS = 900;

/** Improves `x` until A x = b holds to about six digits. */
export function conjugateGradients(graph: Graph, b: Float64Array, x: Float64Array): void {
  const n = graph.count;
  const r = new Float64Array(n);
  const p = new Float64Array(n);
  const ap = new Float64Array(n);
  apply(graph, x, ap);
  let rr = 0;
  for (let i = 0; i < n; i++) {
    r[i] = b[i]! - ap[i]!;
    p[i] = r[i]!;
    rr += r[i]! * r[i]!;
  }
  let scale = 0;
  for (let i = 0; i < n; i++) scale += b[i]! * b[i]!;
  const enough = Math.max(1e-24, TOLERANCE * TOLERANCE * (scale || rr));
  for (let k = 0; k < MOST_STEPS && rr > enough; k++) {
    apply(graph, p, ap);
    let pap = 0;
    for (let i = 0; i < n; i++) pap += p[i]! * ap[i]!;
    if (!(pap > 0)) return;
    const alpha = rr / pap;
    let next = 0;
    for (let i = 0; i < n; i++) {
      x[i]! += alpha * p[i]!;
      r[i]! -= alpha * ap[i]!;
      next += r[i]! * r[i]!;
    }
    const beta = next / rr;
    rr = next;
    for (let i = 0; i < n; i++) p[i] = r[i]! + beta * p[i]!;
  }
}

function apply({ count, beside, degree }: Graph, x: Float64Array, out: Float64Array): void {
  for (let i = 0; i < count; i++) {
    let sum = degree[i]! * x[i]!;
    const at = 4 * i;
    const a = beside[at]!;
    const b = beside[at + 1]!;
    const c = beside[at + 2]!;
    const d = beside[at + 3]!;
    if (a >= 0) sum -= x[a]!;
    if (b >= 0) sum -= x[b]!;
    if (c >= 0) sum -= x[c]!;
    if (d >= 0) sum -= x[d]!;
    out[i] = sum;
  }
}
