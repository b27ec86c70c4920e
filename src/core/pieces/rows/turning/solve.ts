/**
 * Sparse systems on a grid's nodes by conjugate gradients (Hestenes and Stiefel, 1952), preconditioned.
 *
 * The matrix is that of a graph: each unknown times the number of its neighbours, less its neighbours. Unknowns are numbered row
 * by row; neighbours come four to a node: right, left, below, above, `count` where there is none.
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
  const pivots = pivotsOf(graph);
  // One more place than unknowns, always 0: what has no neighbour reads there.
  const [solution, residual, z, ap] = [0, 0, 0, 0].map(() => new Float64Array(n + 1)) as [
    Float64Array,
    Float64Array,
    Float64Array,
    Float64Array,
  ];
  solution.set(x);
  apply(graph, solution, ap);
  for (let i = 0; i < n; i++) residual[i] = b[i]! - ap[i]!;
  let left = product(residual, residual);
  const enough = Math.max(1e-24, TOLERANCE * TOLERANCE * (product(b, b) || left));
  precondition(graph, pivots, residual, z);
  const p = z.slice();
  let rz = product(residual, z);
  for (let k = 0; k < MOST_STEPS && left > enough; k++) {
    const pap = apply(graph, p, ap);
    if (!(pap > 0)) break;
    const alpha = rz / pap;
    left = 0;
    for (let i = 0; i < n; i++) {
      solution[i]! += alpha * p[i]!;
      const r = residual[i]! - alpha * ap[i]!;
      residual[i] = r;
      left += r * r;
    }
    precondition(graph, pivots, residual, z);
    const next = product(residual, z);
    const beta = next / rz;
    rz = next;
    for (let i = 0; i < n; i++) p[i] = z[i]! + beta * p[i]!;
  }
  x.set(solution.subarray(0, n));
}

function product(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < a.length; i++) sum += a[i]! * b[i]!;
  return sum;
}

/** Puts A x into `out` and gives x A x. */
function apply({ count, beside, degree }: Graph, x: Float64Array, out: Float64Array): number {
  let all = 0;
  for (let i = 0, at = 0; i < count; i++, at += 4) {
    const own = x[i]!;
    const sum = degree[i]! * own - x[beside[at]!]! - x[beside[at + 1]!]! - x[beside[at + 2]!]! - x[beside[at + 3]!]!;
    out[i] = sum;
    all += own * sum;
  }
  return all;
}

/** So much of what an incomplete factor leaves out is put on its diagonal. */
const MODIFIED = 0.97;
/** A pivot below this share of its diagonal has lost its meaning. */
const LEAST_PIVOT = 0.25;

/** One over the pivots of the modified incomplete Cholesky factor with the pattern of the matrix itself (Gustafsson, 1978). */
function pivotsOf({ count, beside, degree }: Graph): Float64Array {
  const inverse = new Float64Array(count + 1);
  /** Of each node: what it takes from the pivots of its later neighbours. */
  const taken = new Float64Array(count + 1);
  for (let i = 0, at = 0; i < count; i++, at += 4) {
    const pivot = degree[i]! - taken[beside[at + 1]!]! - taken[beside[at + 3]!]!;
    inverse[i] = 1 / (pivot < LEAST_PIVOT * degree[i]! ? degree[i]! : pivot || 1);
    taken[i] = (beside[at]! < count && beside[at + 2]! < count ? 1 + MODIFIED : 1) * inverse[i]!;
  }
  return inverse;
}

/** Solves with that factor: down through the nodes, and up again. */
function precondition({ count, beside }: Graph, inverse: Float64Array, r: Float64Array, z: Float64Array): void {
  for (let i = 0, at = 0; i < count; i++, at += 4) z[i] = (r[i]! + z[beside[at + 1]!]! + z[beside[at + 3]!]!) * inverse[i]!;
  for (let i = count - 1, at = 4 * i; i >= 0; i--, at -= 4) z[i]! += (z[beside[at]!]! + z[beside[at + 2]!]!) * inverse[i]!;
}
