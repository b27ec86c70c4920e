import { arenaSizeFor, takeArena, type Loops, type WasmArena } from './kernels';

/** Neighbours of a node in its stencil: row by row from the upper left, the node itself in the middle. */
export const NEIGHBOURS = 9;
/** Numbers of a node's stencil: a block of 2 x 2 for each neighbour. */
export const BLOCK = 4 * NEIGHBOURS;
const MIDDLE = 4;

/** What is known of a node, bit by bit: it does not move; thread lies about it. */
export const HELD = 1;
export const THREADED = 2;

/** One grid of the sheet: displacement, force and stiffness at every node. Its arrays lie in the memory of `loops`. */
export interface Level {
  /** Cells across and down. Nodes are one more each way; those on the rim, and outside a round hoop, are held. */
  nx: number;
  ny: number;
  /** Side of a cell, mm. */
  h: number;
  /** Displacement of each node, x and y by turns, mm. */
  u: Float32Array<ArrayBuffer>;
  /** Force on each node, N. */
  f: Float32Array<ArrayBuffer>;
  /** What is left of the force where displacement does not yet answer it, N. */
  r: Float32Array<ArrayBuffer>;
  /** Stiffness blocks of each node, N/mm. */
  k: Float32Array<ArrayBuffer>;
  /** `HELD` and `THREADED`; where no thread lies, the stencil is that of cloth alone. */
  kind: Uint8Array<ArrayBuffer>;
  /** Stiffness of the cloth, N/mm. */
  cloth: number;
  loops: Loops;
}

/** Thread in cells of the finest grid, about to become part of grids. */
export interface Threads {
  count: number;
  cells: Int32Array<ArrayBuffer>;
  /** Upper half of the stiffness matrix against the strain (xx, yy, xy) of each cell, N·mm. */
  stiffness: Float32Array<ArrayBuffer>;
}

/** Numbers of a stiffness matrix. */
const MATRIX = 6;

/** Grids of one sheet, the finest first, and the memory that they lie in. */
export interface Grids {
  levels: Level[];
  threads: Threads;
  room: WasmArena;
}

/**
 * Makes `depth` + 1 grids over the same sheet, each of half as many cells each way as the one before.
 * @param nx cells of the finest grid, a multiple of 2^depth, and so `ny`
 * @param h side of its cells, mm
 * @param isHeld whether a node is held that is so many mm right of and below the upper left corner
 */
export function makeGrids(nx: number, ny: number, h: number, depth: number, isHeld: (x: number, y: number) => boolean): Grids {
  const sizes = Array.from({ length: depth + 1 }, (_, d) => [nx >> d, ny >> d] as const);
  const forLevels = sizes.flatMap(([w, t]) => [8, 8, 8, 4 * BLOCK, 1].map((bytes) => bytes * (w + 1) * (t + 1)));
  const room = takeArena(arenaSizeFor([...forLevels, 4 * nx * ny, 4 * MATRIX * nx * ny]));
  const levels = sizes.map(([w, t], d) => makeLevel(w, t, h * 2 ** d, isHeld, room));
  return { levels, threads: { count: 0, cells: room.integers(nx * ny), stiffness: room.floats(MATRIX * nx * ny) }, room };
}

function makeLevel(nx: number, ny: number, h: number, isHeld: (x: number, y: number) => boolean, room: WasmArena): Level {
  const nodes = (nx + 1) * (ny + 1);
  const kind = room.bytes(nodes);
  for (let row = 0; row <= ny; row++) {
    for (let column = 0; column <= nx; column++) {
      const rim = row === 0 || column === 0 || row === ny || column === nx;
      kind[row * (nx + 1) + column] = rim || isHeld(column * h, row * h) ? HELD : 0;
    }
  }
  const [u, f, r, k] = [room.floats(2 * nodes), room.floats(2 * nodes), room.floats(2 * nodes), room.floats(BLOCK * nodes)];
  return { nx, ny, h, kind, cloth: 0, u, f, r, k, loops: room.loops };
}

/** Adds a spring between a node and a neighbour that resists along (dx, dy), N/mm. */
function addSpring(level: Level, node: number, neighbour: number, slot: number, stiffness: number, dx: number, dy: number): void {
  const { k } = level;
  const block = [stiffness * dx * dx, stiffness * dx * dy, stiffness * dx * dy, stiffness * dy * dy];
  for (let i = 0; i < 4; i++) {
    k[node * BLOCK + MIDDLE * 4 + i]! += block[i]!;
    k[neighbour * BLOCK + MIDDLE * 4 + i]! += block[i]!;
    k[node * BLOCK + slot * 4 + i]! -= block[i]!;
    k[neighbour * BLOCK + (NEIGHBOURS - 1 - slot) * 4 + i]! -= block[i]!;
  }
}

/**
 * Lays the cloth: springs along the grid and half as stiff ones along both diagonals, which together are a sheet alike in
 * all directions with a Poisson ratio of one third. In two dimensions their stiffness does not depend on the grid.
 */
export function layCloth(level: Level, stiffness: number): void {
  const { nx, ny } = level;
  level.cloth = stiffness;
  const across = nx + 1;
  const slant = Math.SQRT1_2;
  for (let row = 0; row <= ny; row++) {
    for (let column = 0; column <= nx; column++) {
      const node = row * across + column;
      if (column < nx) addSpring(level, node, node + 1, 5, stiffness, 1, 0);
      if (row < ny) addSpring(level, node, node + across, 7, stiffness, 0, 1);
      if (column < nx && row < ny) addSpring(level, node, node + across + 1, 8, stiffness / 2, slant, slant);
      if (column > 0 && row < ny) addSpring(level, node, node + across - 1, 6, stiffness / 2, -slant, slant);
    }
  }
}

/**
 * Names one more cell of the finest grid that thread lies in; at most as many as there are cells.
 * @param m holds the upper half of its stiffness matrix, from index `from`
 * @param share of it that counts
 */
export function putThread(threads: Threads, cell: number, m: Float64Array, from: number, share: number): void {
  const at = (MATRIX * threads.count) | 0;
  threads.cells[threads.count++] = cell;
  for (let i = 0; i < MATRIX; i++) threads.stiffness[(at + i) | 0] = share * m[(from + i) | 0]!;
}

/**
 * Adds stiffness of thread to grids from `first` up to and with `last`. The strain is taken at the middle of the fine cell
 * on every grid: so a coarse displacement has the same energy on all of them, without which the coarse grids would
 * overshoot where thread is much stiffer than cloth.
 */
export function addThreads({ levels, threads }: Pick<Grids, 'levels' | 'threads'>, first: number, last: number): void {
  const { cells, stiffness, count } = threads;
  for (let d = first; d <= last; d++) {
    const { loops, k, kind, nx, h } = levels[d]!;
    loops.addThreads(k.byteOffset, kind.byteOffset, nx + 1, h, d, levels[0]!.nx, cells.byteOffset, stiffness.byteOffset, count);
  }
}

/** Signs of the slopes of the four corner functions of a cell at its middle: upper left, upper right, lower left, lower right. */
const SLOPE_X = [-1, 1, -1, 1] as const;
const SLOPE_Y = [-1, -1, 1, 1] as const;

/** Adds the forces that a stress in a cell (xx, yy, xy; N·mm) puts on its corners. */
export function addStress(level: Level, column: number, row: number, xx: number, yy: number, xy: number): void {
  const { nx, f, h } = level;
  const g = 1 / (2 * h);
  const first = row * (nx + 1) + column;
  for (let i = 0; i < 4; i++) {
    const node = first + (i & 1) + (i >> 1) * (nx + 1);
    const [ax, ay] = [SLOPE_X[i]! * g, SLOPE_Y[i]! * g];
    f[2 * node]! += ax * xx + ay * xy;
    f[2 * node + 1]! += ay * yy + ax * xy;
  }
}

/** Writes the strain of a cell (xx, yy, twice xy) into `out` from `at` on. */
export function strainOf(level: Level, column: number, row: number, out: Float64Array, at: number): void {
  const { nx, u, h } = level;
  const g = 1 / (2 * h);
  const a = 2 * (row * (nx + 1) + column);
  const c = a + 2 * (nx + 1);
  out[at] = g * (u[a + 2]! - u[a]! + u[c + 2]! - u[c]!);
  out[at + 1] = g * (u[c + 1]! - u[a + 1]! + u[c + 3]! - u[a + 3]!);
  out[at + 2] = g * (u[c]! + u[c + 2]! - u[a]! - u[a + 2]! + u[a + 3]! - u[a + 1]! + u[c + 3]! - u[c + 1]!);
}
