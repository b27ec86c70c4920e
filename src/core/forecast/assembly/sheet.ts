/**
 * The innermost loops of the sheet, in AssemblyScript: TypeScript's words, compiled to WebAssembly with vectors of four
 * 32-bit numbers. Nearly all of a forecast's time goes here; plain JavaScript takes three to four times as long.
 * `scripts/kernels.mjs` compiles this file into `../kernelBytes.ts`; a test tells when that was forgotten.
 *
 * All pointers are to numbers of 32 bits (to bytes, for `kind`), as in `Level`. Displacement and force have two numbers a
 * node, x and y by turns; a stencil has nine blocks of 2 x 2. `across` is the number of nodes in a row. Windows go from
 * node (c0, r0) to node (c1, r1), both included.
 */

const HELD: u32 = 1;
const THREADED: u32 = 2;

/** Products with the eight neighbours of a node: xx, xy, yx, yy. */
function neighbours(u: usize, k: usize, row: usize): v128 {
  const up = u - row;
  const low = u + row;
  let a = f32x4.mul(v128.load(k), v128.load64_splat(up - 8));
  let b = f32x4.mul(v128.load(k, 16), v128.load64_splat(up));
  a = f32x4.add(a, f32x4.mul(v128.load(k, 32), v128.load64_splat(up, 8)));
  b = f32x4.add(b, f32x4.mul(v128.load(k, 96), v128.load64_splat(low - 8)));
  a = f32x4.add(a, f32x4.mul(v128.load(k, 112), v128.load64_splat(low)));
  b = f32x4.add(b, f32x4.mul(v128.load(k, 128), v128.load64_splat(low, 8)));
  // Nodes of the same row last: one of them has only just been worked out.
  a = f32x4.add(a, f32x4.mul(v128.load(k, 80), v128.load64_splat(u, 8)));
  b = f32x4.add(b, f32x4.mul(v128.load(k, 48), v128.load64_splat(u - 8)));
  return f32x4.add(a, b);
}

/** Rows of a block of products added up: x, x, y, y. */
function added(products: v128): v128 {
  return f32x4.add(products, v128.shuffle<f32>(products, products, 1, 0, 3, 2));
}

/** A force as x, x, y, y. */
function spread(f: usize): v128 {
  const both = v128.load64_splat(f);
  return v128.shuffle<f32>(both, both, 0, 0, 1, 1);
}

/** Answers the force on a node among thread at once: its own block of 2 x 2 is solved. */
function answerThreaded(u: usize, f: usize, k: usize, row: usize): void {
  const a = load<f32>(k, 64);
  const b = load<f32>(k, 68);
  const c = load<f32>(k, 72);
  const d = load<f32>(k, 76);
  const perDet: f32 = 1 / (a * d - b * c);
  const left = f32x4.sub(spread(f), added(neighbours(u, k, row)));
  const x = f32x4.mul(v128.shuffle<f32>(left, left, 0, 0, 0, 0), f32x4(d * perDet, -c * perDet, 0, 0));
  const y = f32x4.mul(v128.shuffle<f32>(left, left, 2, 2, 2, 2), f32x4(-b * perDet, a * perDet, 0, 0));
  v128.store64_lane(u, f32x4.add(x, y), 0);
}

/** What is left of the force on a node among thread. */
function leaveThreaded(u: usize, f: usize, r: usize, k: usize, row: usize): void {
  const own = f32x4.mul(v128.load(k, 64), v128.load64_splat(u));
  const left = f32x4.sub(spread(f), added(f32x4.add(neighbours(u, k, row), own)));
  v128.store64_lane(r, v128.shuffle<f32>(left, left, 0, 2, 0, 2), 0);
}

/** Where cloth alone lies: what its springs pull a node by, toward its neighbours, in x. */
function pullX(u: usize, row: usize, cloth: f32): f32 {
  const up = u - row;
  const low = u + row;
  const slants =
    load<f32>(up - 8) +
    load<f32>(up, 8) +
    load<f32>(low - 8) +
    load<f32>(low, 8) +
    (load<f32>(up - 4) - load<f32>(up, 12) - load<f32>(low - 4) + load<f32>(low, 12));
  return cloth * (load<f32>(u - 8) + load<f32>(u, 8) + <f32>0.25 * slants);
}

/** The same in y. */
function pullY(u: usize, row: usize, cloth: f32): f32 {
  const up = u - row;
  const low = u + row;
  const slants =
    load<f32>(up - 4) +
    load<f32>(up, 12) +
    load<f32>(low - 4) +
    load<f32>(low, 12) +
    (load<f32>(up - 8) - load<f32>(up, 8) - load<f32>(low - 8) + load<f32>(low, 8));
  return cloth * (load<f32>(up, 4) + load<f32>(low, 4) + <f32>0.25 * slants);
}

/**
 * One Gauss-Seidel sweep over a window, from the upper left or (`forward` 0) from the lower right; the two displacements of
 * a node are solved together. About plain cloth (stiffness `cloth`, N/mm) the stencil is known without looking.
 */
export function sweep(
  u: usize,
  f: usize,
  k: usize,
  kind: usize,
  across: i32,
  cloth: f32,
  c0: i32,
  r0: i32,
  c1: i32,
  r1: i32,
  forward: i32,
): void {
  const row: usize = 8 * across;
  const step = forward ? 1 : -1;
  // Four springs of the grid and four diagonals: three times the stiffness of one in either direction.
  const perStiffness: f32 = 1 / (3 * cloth);
  for (let i = r0; i <= r1; i++) {
    let node = forward ? i * across + c0 : (r0 + r1 - i) * across + c1;
    for (const last = node + step * (c1 - c0 + 1); node != last; node += step) {
      const is: u32 = load<u8>(kind + node);
      if (is & HELD) continue;
      const at = u + 8 * node;
      const force = f + 8 * node;
      if (is & THREADED) {
        answerThreaded(at, force, k + 144 * node, row);
        continue;
      }
      const x = load<f32>(force) + pullX(at, row, cloth);
      const y = load<f32>(force, 4) + pullY(at, row, cloth);
      store<f32>(at, x * perStiffness);
      store<f32>(at, y * perStiffness, 4);
    }
  }
}

/** What displacements leave of the forces, at the nodes of a window; nothing at held ones. */
export function residual(
  u: usize,
  f: usize,
  r: usize,
  k: usize,
  kind: usize,
  across: i32,
  cloth: f32,
  c0: i32,
  r0: i32,
  c1: i32,
  r1: i32,
): void {
  const row: usize = 8 * across;
  for (let i = r0; i <= r1; i++) {
    const last = i * across + c1;
    for (let node = i * across + c0; node <= last; node++) {
      const is: u32 = load<u8>(kind + node);
      const at = u + 8 * node;
      const force = f + 8 * node;
      const left = r + 8 * node;
      if (is & HELD) {
        store<u64>(left, 0);
      } else if (is & THREADED) {
        leaveThreaded(at, force, left, k + 144 * node, row);
      } else {
        store<f32>(left, load<f32>(force) + pullX(at, row, cloth) - 3 * cloth * load<f32>(at));
        store<f32>(left, load<f32>(force, 4) + pullY(at, row, cloth) - 3 * cloth * load<f32>(at, 4), 4);
      }
    }
  }
}

/** Carries the residual `r` of a fine grid to the forces `f` of a window of the coarse one, by full weighting. */
export function restrict(r: usize, f: usize, fine: i32, coarse: i32, c0: i32, r0: i32, c1: i32, r1: i32): void {
  const row: usize = 8 * fine;
  const half = f32x4.splat(0.5);
  const quarter = f32x4.splat(0.25);
  for (let i = r0; i <= r1; i++) {
    for (let c = c0; c <= c1; c++) {
      const mid = r + 16 * (i * fine + c);
      const up = mid - row;
      const low = mid + row;
      const beside = f32x4.add(
        f32x4.add(v128.load64_zero(mid - 8), v128.load64_zero(mid, 8)),
        f32x4.add(v128.load64_zero(up), v128.load64_zero(low)),
      );
      const slant = f32x4.add(
        f32x4.add(v128.load64_zero(up - 8), v128.load64_zero(up, 8)),
        f32x4.add(v128.load64_zero(low - 8), v128.load64_zero(low, 8)),
      );
      const sum = f32x4.add(v128.load64_zero(mid), f32x4.add(f32x4.mul(half, beside), f32x4.mul(quarter, slant)));
      v128.store64_lane(f + 8 * (i * coarse + c), sum, 0);
    }
  }
}

/** Adds `by` to the displacement of a node that is not held. */
function move(to: usize, kind: usize, node: i32, by: v128): void {
  if (load<u8>(kind + node) & HELD) return;
  const at = to + 8 * node;
  v128.store64_lane(at, f32x4.add(v128.load64_zero(at), by), 0);
}

/** Adds the displacements `from` of a coarse grid, interpolated, to a window of the fine one. */
export function prolong(from: usize, to: usize, kind: usize, fine: i32, coarse: i32, c0: i32, r0: i32, c1: i32, r1: i32): void {
  const half = f32x4.splat(0.5);
  for (let i = r0; i <= r1; i++) {
    const top = from + 8 * ((i >> 1) * coarse);
    const low = top + 8 * ((i & 1) * coarse);
    // The mean of the coarse nodes above and below: at the coarse column to the left of a fine one, and to the right.
    let c = c0 >> 1;
    let left = f32x4.mul(half, f32x4.add(v128.load64_zero(top + 8 * c), v128.load64_zero(low + 8 * c)));
    for (let column = c0 & ~1; column <= c1; column += 2) {
      const node = i * fine + column;
      if (column >= c0) move(to, kind, node, left);
      if (column == c1) break;
      c++;
      const right = f32x4.mul(half, f32x4.add(v128.load64_zero(top + 8 * c), v128.load64_zero(low + 8 * c)));
      move(to, kind, node + 1, f32x4.mul(half, f32x4.add(left, right)));
      left = right;
    }
  }
}

/** Slope in x, per cell, of the function that is 1 at one corner of a cell and 0 at the others; `down` of a cell is above the place. */
function slopeX(corner: i32, down: f32): f32 {
  const share: f32 = corner >> 1 ? down : 1 - down;
  return corner & 1 ? share : -share;
}

/** The same in y; `along` of a cell is left of the place. */
function slopeY(corner: i32, along: f32): f32 {
  const share: f32 = corner & 1 ? along : 1 - along;
  return corner >> 1 ? share : -share;
}

/** Adds to the block of a node for the neighbour `slot` places on. */
function addBlock(k: usize, node: i32, slot: i32, block: v128): void {
  const at = k + 144 * node + 16 * (4 + slot);
  v128.store(at, f32x4.add(v128.load(at), block));
}

/**
 * Adds stiffness against the strain (xx, yy, xy) at a place in a cell to the stencils of its corners.
 * @param h side of a cell; `along` and `down` say where in it, as shares of it
 * @param m0 and on: upper half of the stiffness matrix, row by row
 */
function addThread(
  k: usize,
  kind: usize,
  across: i32,
  h: f32,
  column: i32,
  row: i32,
  along: f32,
  down: f32,
  m0: f32,
  m1: f32,
  m2: f32,
  m3: f32,
  m4: f32,
  m5: f32,
): void {
  const perH: f32 = 1 / h;
  for (let i = 0; i < 4; i++) {
    const node = (row + (i >> 1)) * across + column + (i & 1);
    store<u8>(kind + node, load<u8>(kind + node) | (THREADED as u8));
    const x = slopeX(i, down) * perH;
    const y = slopeY(i, along) * perH;
    // The slopes, transposed, times the matrix: what corner i feels of a strain; ordered for blocks of 2 x 2.
    const x2 = x * m2 + y * m5;
    const y2 = y * m4 + x * m5;
    const byX = f32x4(x * m0 + y * m2, x2, y * m1 + x * m2, y2);
    const byY = f32x4(x2, x * m1 + y * m4, y2, y * m3 + x * m4);
    for (let j = i; j < 4; j++) {
      const block = f32x4.add(f32x4.mul(f32x4.splat(slopeX(j, down) * perH), byX), f32x4.mul(f32x4.splat(slopeY(j, along) * perH), byY));
      const right = (j & 1) - (i & 1);
      const below = (j >> 1) - (i >> 1);
      addBlock(k, node, right + 3 * below, block);
      if (j != i) addBlock(k, node + right + below * across, -right - 3 * below, v128.shuffle<f32>(block, block, 0, 2, 1, 3));
    }
  }
}

/**
 * Adds stiffness of thread that lies in cells of the finest grid to the grid `depth` steps coarser.
 * @param cells which they are, row by row in rows of `columns`; `stiffness` has six numbers for each
 */
export function addThreads(
  k: usize,
  kind: usize,
  across: i32,
  h: f32,
  depth: i32,
  columns: i32,
  cells: usize,
  stiffness: usize,
  count: i32,
): void {
  const perWidth: f32 = 1 / <f32>(1 << depth);
  for (let i = 0; i < count; i++) {
    const cell = load<i32>(cells + 4 * i);
    const m = stiffness + 24 * i;
    const x = cell % columns;
    const y = cell / columns;
    const column = x >> depth;
    const row = y >> depth;
    const along: f32 = (<f32>(x - (column << depth)) + 0.5) * perWidth;
    const down: f32 = (<f32>(y - (row << depth)) + 0.5) * perWidth;
    addThread(
      k,
      kind,
      across,
      h,
      column,
      row,
      along,
      down,
      load<f32>(m),
      load<f32>(m, 4),
      load<f32>(m, 8),
      load<f32>(m, 12),
      load<f32>(m, 16),
      load<f32>(m, 20),
    );
  }
}
