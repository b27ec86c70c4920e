import { resample } from '../../../geometry/line';
import { dot, mix, scale, sub, unit, type Area, type Line, type Point } from '../../../geometry/point';
import { UnionFind } from '../../../geometry/unionFind';
import { hypot } from '../../../units/trig';
import { gridOver, nodeAt, spread, type Grid } from './fieldGrid';
import { conjugateGradients, type Graph } from './solve';

/**
 * Rows that turn: from a few slants to a scalar field whose level lines are the rows.
 *
 * 1. A slant has a direction but no sense; its normal gets one by walking through the area from slant to slant.
 * 2. The normals are harmonic between the slants (Laplace's equation, free at the edge).
 * 3. The field φ is the least-squares solution of ∇φ = g n. A fan is no gradient with g = 1, so g is taken anew from the
 *    solution a few times; it settles where level lines follow the directions (a fan gets g = 1 / radius).
 * Where rows go all round a hole φ cannot be one-valued; it is cut there along a row, where the seam does not show.
 */
export interface RowField {
  grid: Grid;
  /** Level values at nodes; known is 1 where they are sound. */
  phi: Float64Array;
  known: Uint8Array;
  /** Size of the gradient at nodes: rows one unit of φ apart lie 1 / gradientSize mm apart. */
  gradientSize: Float64Array;
  /** How far φ jumps across its cut, where rows go all round a hole; 0 elsewhere. */
  period: number;
  /** φ at the four corners of a cell, continued across a cut from its first corner. */
  corners(cell: number): [number, number, number, number];
  /** Normal of the rows at a node, the way φ rises. */
  nx: Float64Array;
  ny: Float64Array;
}

const ROUNDS = 4;

/** @param slants at least one, each a line across the area */
export function rowField(area: Area, slants: readonly Line[]): RowField {
  const grid = gridOver(area);
  const { nx, ny, cut } = normalsOf(grid, slants);
  const phi = new Float64Array(grid.inside.length);
  const g = new Float64Array(grid.inside.length).fill(1);
  const levels = poissonSystem(grid, cut);
  for (let round = 0; round < ROUNDS; round++) {
    solveLevels(grid, levels, phi, g, { nx, ny, cut });
    updateScale(grid, phi, g, { nx, ny, cut });
  }
  solveLevels(grid, levels, phi, g, { nx, ny, cut });
  const gradientSize = g.slice();
  spread(grid, gradientSize, 2);
  const known = spread(grid, phi, 2);
  const rise = riseOver(grid, gradientSize, { nx, ny, cut });
  return { grid, phi, known, gradientSize, period: periodOf(grid, phi, cut, rise), corners: cornersOf(grid, phi, cut, rise), nx, ny };
}

type Rise = (i: number, j: number) => number;

/** How much φ should rise from a node to its neighbour to the right or below. */
function riseOver(grid: Grid, gradientSize: Float64Array, n: Normals): Rise {
  return (i, j) => {
    const along = j === i + 1 ? n.nx : n.ny;
    return (grid.cell * (gradientSize[i]! * along[i]! + gradientSize[j]! * along[j]!)) / 2;
  };
}

function periodOf(grid: Grid, phi: Float64Array, cut: Uint8Array, rise: Rise): number {
  const jumps: number[] = [];
  cut.forEach((bits, i) => {
    for (const [bit, step] of [
      [1, 1],
      [2, grid.nx],
    ] as const) {
      const j = i + step;
      if (bits & bit && grid.inside[i] && grid.inside[j]) jumps.push(Math.abs(phi[j]! - phi[i]! - rise(i, j)));
    }
  });
  jumps.sort((a, b) => a - b);
  return jumps[Math.floor(jumps.length / 2)] ?? 0;
}

function cornersOf(grid: Grid, phi: Float64Array, cut: Uint8Array, rise: Rise): RowField['corners'] {
  const { nx } = grid;
  const next = (value: number, i: number, j: number, bit: number): number =>
    cut[i]! & bit ? value + rise(i, j) : value + phi[j]! - phi[i]!;
  return (i) => {
    const bits = cut[i]! | (cut[i + 1]! & 2) | (cut[i + nx]! & 1);
    if (bits === 0) return [phi[i]!, phi[i + 1]!, phi[i + nx + 1]!, phi[i + nx]!];
    const a = phi[i]!;
    const b = next(a, i, i + 1, 1);
    const d = next(a, i, i + nx, 2);
    const c = cut[i + 1]! & 2 ? next(d, i + nx, i + nx + 1, 1) : next(b, i + 1, i + nx + 1, 2);
    return [a, b, c, d];
  };
}

interface Normals {
  nx: Float64Array;
  ny: Float64Array;
  /** Edges that φ may jump across: bit 1 the edge to the right, bit 2 the one below. */
  cut: Uint8Array;
}

/** Normals of the rows at every node: harmonic between the slants' own, which have been given one sense. */
function normalsOf(grid: Grid, slants: readonly Line[]): Normals {
  const size = grid.inside.length;
  const onSlant = new Int32Array(size).fill(-1);
  slants.forEach((slant, k) => {
    for (const p of resample(slant, grid.cell * 0.5)) {
      const x = Math.round((p.x - grid.left) / grid.cell);
      const y = Math.round((p.y - grid.top) / grid.cell);
      if (x >= 0 && y >= 0 && x < grid.nx && y < grid.ny) onSlant[y * grid.nx + x] = k;
    }
  });
  const own = sensedNormals(grid, slants, onSlant);
  const nx = new Float64Array(size);
  const ny = new Float64Array(size);
  const fixed = new Uint8Array(size);
  onSlant.forEach((k, i) => {
    if (k < 0) return;
    fixed[i] = 1;
    [nx[i], ny[i]] = [own[k]!.x, own[k]!.y];
  });
  harmonic(grid, fixed, [nx, ny]);
  for (let i = 0; i < size; i++) {
    const length = hypot(nx[i]!, ny[i]!);
    [nx[i], ny[i]] = length > 1e-9 ? [nx[i]! / length, ny[i]! / length] : [own[0]!.x, own[0]!.y];
  }
  const normals = { nx, ny, cut: new Uint8Array(size) };
  cutAroundHoles(grid, normals);
  return normals;
}

/** Unknown nodes in a row, with their places in that row. */
function unknowns(grid: Grid, fixed: Uint8Array | null): { nodes: Int32Array; place: Int32Array } {
  const place = new Int32Array(grid.inside.length).fill(-1);
  const nodes: number[] = [];
  grid.inside.forEach((inside, i) => {
    if (inside && !fixed?.[i]) place[i] = nodes.push(i) - 1;
  });
  return { nodes: Int32Array.from(nodes), place };
}

/** Fills values in between the fixed nodes so that each is the mean of its neighbours (Laplace's equation, free at the edge). */
function harmonic(grid: Grid, fixed: Uint8Array, fields: readonly Float64Array[]): void {
  const { nodes, place } = unknowns(grid, fixed);
  const beside = new Int32Array(4 * nodes.length).fill(nodes.length);
  const degree = new Float64Array(nodes.length);
  const known: [number, number][] = [];
  nodes.forEach((i, k) => {
    [1, -1, grid.nx, -grid.nx].forEach((step, way) => {
      const j = i + step;
      if (fixed[j]) known.push([k, j]);
      else if (grid.inside[j]) beside[4 * k + way] = place[j]!;
      else return;
      degree[k]!++;
    });
  });
  for (const field of fields) {
    const b = new Float64Array(nodes.length);
    for (const [k, j] of known) b[k]! += field[j]!;
    const x = new Float64Array(nodes.length);
    conjugateGradients({ count: nodes.length, beside, degree }, b, x);
    nodes.forEach((i, k) => (field[i] = x[k]!));
  }
}

/**
 * A normal for each slant, all of one sense: going through the area from one slant to the next, the rows are left and
 * reached on matching sides. Two slants at right angles are told apart by this alone.
 */
function sensedNormals(grid: Grid, slants: readonly Line[], onSlant: Int32Array): Point[] {
  const normals = slants.map((s) => {
    const d = unit(sub(s[s.length - 1]!, s[0]!));
    return { x: -d.y, y: d.x };
  });
  const middles = slants.map((s) => mix(s[0]!, s[s.length - 1]!, 0.5));
  const sensed = new Set([0]);
  const meetings = meetingsOf(grid, onSlant, slants.length);
  const queue = [0];
  for (let head = 0; head < queue.length; head++) {
    const i = queue[head]!;
    for (const { a, b, at } of meetings) {
      const j = a === i ? b : b === i ? a : -1;
      if (j < 0 || sensed.has(j)) continue;
      const leaves = dot(normals[i]!, sub(at, middles[i]!));
      const arrives = dot(normals[j]!, sub(middles[j]!, at));
      if (leaves * arrives < 0) normals[j] = scale(normals[j]!, -1);
      sensed.add(j);
      queue.push(j);
    }
  }
  return normals;
}

/** Slants whose neighbourhoods meet, with the middle of where they do, nearest first. */
function meetingsOf(grid: Grid, onSlant: Int32Array, count: number): { a: number; b: number; at: Point }[] {
  const owner = onSlant.slice();
  const queue: number[] = [];
  owner.forEach((k, i) => {
    if (k >= 0) queue.push(i);
  });
  const meets = new Map<number, { n: number; x: number; y: number; order: number }>();
  for (let head = 0; head < queue.length; head++) {
    const i = queue[head]!;
    for (const step of [1, -1, grid.nx, -grid.nx]) {
      const j = i + step;
      if (!grid.inside[j] && owner[j]! < 0) continue;
      if (owner[j]! < 0) {
        owner[j] = owner[i]!;
        queue.push(j);
      } else if (owner[j] !== owner[i]) {
        const key = Math.min(owner[i]!, owner[j]!) * count + Math.max(owner[i]!, owner[j]!);
        const m = meets.get(key) ?? { n: 0, x: 0, y: 0, order: head };
        const p = nodeAt(grid, i);
        meets.set(key, { n: m.n + 1, x: m.x + p.x, y: m.y + p.y, order: m.order });
      }
    }
  }
  return [...meets]
    .sort((p, q) => p[1].order - q[1].order)
    .map(([key, m]) => ({ a: Math.floor(key / count), b: key % count, at: { x: m.x / m.n, y: m.y / m.n } }));
}

/** Share of a loop's length that its normals must wind along it for rows to go round the hole. */
const WINDS = 0.35;

/** Cuts φ along a row from each hole that the rows go round. */
function cutAroundHoles(grid: Grid, n: Normals): void {
  for (const hole of holesOf(grid)) {
    const loop = rimOf(grid, hole);
    if (loop.length < 4) continue;
    let [cx, cy] = [0, 0];
    for (const i of loop) [cx, cy] = [cx + (i % grid.nx) / loop.length, cy + Math.floor(i / grid.nx) / loop.length];
    let winding = 0;
    for (const i of loop) {
      const [dx, dy] = [(i % grid.nx) - cx, Math.floor(i / grid.nx) - cy];
      const r = hypot(dx, dy) || 1;
      winding += (n.nx[i]! * -dy + n.ny[i]! * dx) / r;
    }
    if (Math.abs(winding) > WINDS * loop.length) cutAlongRow(grid, n, loop);
  }
}

/** Groups of outer nodes that do not reach the grid's border. */
function holesOf(grid: Grid): number[][] {
  const seen = grid.inside.slice();
  const out: number[][] = [];
  for (let seed = 0; seed < seen.length; seed++) {
    if (seen[seed]) continue;
    const members = [seed];
    seen[seed] = 1;
    let open = false;
    for (let head = 0; head < members.length; head++) {
      const i = members[head]!;
      const [x, y] = [i % grid.nx, Math.floor(i / grid.nx)];
      if (x === 0 || y === 0 || x === grid.nx - 1 || y === grid.ny - 1) open = true;
      for (const [dx, dy] of [
        [1, 0],
        [-1, 0],
        [0, 1],
        [0, -1],
      ] as const) {
        const [u, v] = [x + dx, y + dy];
        if (u < 0 || v < 0 || u >= grid.nx || v >= grid.ny) continue;
        const j = v * grid.nx + u;
        if (seen[j]) continue;
        seen[j] = 1;
        members.push(j);
      }
    }
    if (!open) out.push(members);
  }
  return out;
}

function rimOf(grid: Grid, hole: readonly number[]): number[] {
  const rim = new Set<number>();
  for (const i of hole) for (const step of [1, -1, grid.nx, -grid.nx]) if (grid.inside[i + step]) rim.add(i + step);
  return [...rim];
}

/** Walks along a row away from the hole until it leaves the area, and cuts every edge that the walk crosses. */
function cutAlongRow(grid: Grid, n: Normals, loop: readonly number[]): void {
  const start = loop.reduce((a, b) => (b % grid.nx > a % grid.nx ? b : a));
  let [x, y] = [(start % grid.nx) - 0.5, Math.floor(start / grid.nx) + 0.001];
  let [hx, hy] = [1, 0];
  const most = 4 * (grid.nx + grid.ny);
  for (let k = 0; k < most; k++) {
    const i = Math.round(y) * grid.nx + Math.round(x);
    if (grid.inside[i]) {
      const [dx, dy] = [-n.ny[i]!, n.nx[i]!];
      const sense = dx * hx + dy * hy < 0 ? -1 : 1;
      [hx, hy] = [dx * sense, dy * sense];
    } else if (k > 6) return;
    const [tx, ty] = [x + hx * 0.25, y + hy * 0.25];
    crossEdges(grid, n.cut, x, y, tx, ty);
    [x, y] = [tx, ty];
  }
}

/** Marks the grid edges between two near places as cut. */
function crossEdges(grid: Grid, cut: Uint8Array, x0: number, y0: number, x1: number, y1: number): void {
  const [cx0, cx1] = [Math.floor(x0), Math.floor(x1)];
  const [cy0, cy1] = [Math.floor(y0), Math.floor(y1)];
  // Crossing from one cell to the next over a vertical line of nodes cuts the edge below-or-above it, and so on.
  if (cx0 !== cx1) cut[Math.floor((y0 + y1) / 2) * grid.nx + Math.max(cx0, cx1)]! |= 2;
  if (cy0 !== cy1) cut[Math.max(cy0, cy1) * grid.nx + Math.floor((x0 + x1) / 2)]! |= 1;
}

interface PoissonSystem {
  graph: Graph;
  nodes: Int32Array;
  /** Solution of the round before, to start from. */
  x: Float64Array;
  /** For each unknown what it hangs together with: there φ is known but for one number. */
  parts: Int32Array;
}

function poissonSystem(grid: Grid, cut: Uint8Array): PoissonSystem {
  const { nodes, place } = unknowns(grid, null);
  const beside = new Int32Array(4 * nodes.length).fill(nodes.length);
  const degree = new Float64Array(nodes.length);
  nodes.forEach((i, k) => {
    const join = (way: number, j: number, isCut: boolean): void => {
      if (!grid.inside[j] || isCut) return;
      beside[4 * k + way] = place[j]!;
      degree[k]!++;
    };
    join(0, i + 1, (cut[i]! & 1) !== 0);
    join(1, i - 1, (cut[i - 1]! & 1) !== 0);
    join(2, i + grid.nx, (cut[i]! & 2) !== 0);
    join(3, i - grid.nx, (cut[i - grid.nx]! & 2) !== 0);
  });
  const together = new UnionFind(nodes.length);
  beside.forEach((other, at) => {
    if (other < nodes.length) together.join(at >> 2, other);
  });
  return {
    graph: { count: nodes.length, beside, degree },
    nodes,
    x: new Float64Array(nodes.length),
    parts: Int32Array.from(nodes, (_, k) => together.root(k)),
  };
}

/** Makes the mean of each part 0, so that rows lie the same way about whatever the way of solving. */
function centre({ parts, x }: PoissonSystem): void {
  const [sum, count] = [new Float64Array(x.length), new Float64Array(x.length)];
  parts.forEach((part, k) => {
    sum[part]! += x[k]!;
    count[part]!++;
  });
  parts.forEach((part, k) => (x[k]! -= sum[part]! / count[part]!));
}

/** Least squares for φ: every uncut edge wants φ to rise by g n along it. */
function solveLevels(grid: Grid, levels: PoissonSystem, phi: Float64Array, g: Float64Array, n: Normals): void {
  const { nodes, graph, x } = levels;
  const b = new Float64Array(nodes.length);
  nodes.forEach((i, k) => {
    for (const [way, j, along] of [
      [0, i + 1, n.nx],
      [2, i + grid.nx, n.ny],
    ] as const) {
      const other = graph.beside[4 * k + way]!;
      if (other === nodes.length) continue;
      const rise = (grid.cell * (g[i]! * along[i]! + g[j]! * along[j]!)) / 2;
      b[k]! -= rise;
      b[other]! += rise;
    }
  });
  conjugateGradients(graph, b, x);
  centre(levels);
  nodes.forEach((i, k) => (phi[i] = x[k]!));
}

const FLATTEST = 0.05;

/** Takes g anew: how fast φ rises along the normal at each node. */
function updateScale(grid: Grid, phi: Float64Array, g: Float64Array, n: Normals): void {
  const { nx, inside, cell } = grid;
  for (let i = nx; i < phi.length - nx; i++) {
    if (!inside[i]) continue;
    const slope = (a: boolean, fore: number, b: boolean, back: number): number => {
      if (a && b) return (fore - back) / (2 * cell);
      if (a) return (fore - phi[i]!) / cell;
      return b ? (phi[i]! - back) / cell : 0;
    };
    const gx = slope(inside[i + 1] === 1 && !(n.cut[i]! & 1), phi[i + 1]!, inside[i - 1] === 1 && !(n.cut[i - 1]! & 1), phi[i - 1]!);
    const gy = slope(inside[i + nx] === 1 && !(n.cut[i]! & 2), phi[i + nx]!, inside[i - nx] === 1 && !(n.cut[i - nx]! & 2), phi[i - nx]!);
    g[i] = Math.max(FLATTEST, gx * n.nx[i]! + gy * n.ny[i]!);
  }
}
