/**
 * The innermost loops of the sheet: what displacements leave of the forces along a stretch of nodes in one row, either
 * answered at once (Gauss-Seidel) or written down. Nearly all of a forecast's time goes here. So each loop knows one
 * kind of node only, the stencil is written out, and indices are kept whole numbers by `| 0`: that is worth a factor of
 * four over one loop that tells the kinds of node apart.
 *
 * Arrays are as in `Level`. `across2` is twice the number of nodes in a row. Nodes go from `first` up to, but without,
 * `last` in steps of 1 or -1.
 */

/** Nodes about which cloth alone lies: springs along the grid of stiffness `cloth`, half as stiff ones along the diagonals. */
export function alongPlain(
  u: Float64Array,
  f: Float64Array,
  r: Float64Array,
  cloth: number,
  across2: number,
  first: number,
  last: number,
  step: number,
  answer: boolean,
): void {
  // Four springs of the grid and four diagonals: three times the stiffness of one in either direction.
  const perStiffness = 1 / (3 * cloth);
  for (let node = first; node !== last; node = (node + step) | 0) {
    const own = (2 * node) | 0;
    const up = (own - across2) | 0;
    const low = (own + across2) | 0;
    const a0 = u[(up - 2) | 0]!;
    const a1 = u[(up - 1) | 0]!;
    const b0 = u[(up + 2) | 0]!;
    const b1 = u[(up + 3) | 0]!;
    const c0 = u[(low - 2) | 0]!;
    const c1 = u[(low - 1) | 0]!;
    const d0 = u[(low + 2) | 0]!;
    const d1 = u[(low + 3) | 0]!;
    const x = f[own]! + cloth * (u[(own - 2) | 0]! + u[(own + 2) | 0]! + 0.25 * (a0 + b0 + c0 + d0 + a1 - b1 - c1 + d1));
    const y = f[(own + 1) | 0]! + cloth * (u[(up + 1) | 0]! + u[(low + 1) | 0]! + 0.25 * (a1 + b1 + c1 + d1 + a0 - b0 - c0 + d0));
    if (answer) {
      u[own] = x * perStiffness;
      u[(own + 1) | 0] = y * perStiffness;
    } else {
      r[own] = x - 3 * cloth * u[own]!;
      r[(own + 1) | 0] = y - 3 * cloth * u[(own + 1) | 0]!;
    }
  }
}

/** Nodes with thread about them: each has a stencil of its own in `k`. */
export function alongThreaded(
  u: Float64Array,
  f: Float64Array,
  r: Float64Array,
  k: Float32Array,
  across2: number,
  first: number,
  last: number,
  step: number,
  answer: boolean,
): void {
  for (let node = first; node !== last; node = (node + step) | 0) {
    const own = (2 * node) | 0;
    const up = (own - across2) | 0;
    const low = (own + across2) | 0;
    const at = (36 * node) | 0;
    let x = f[own]!;
    let y = f[(own + 1) | 0]!;
    let p = u[(up - 2) | 0]!;
    let q = u[(up - 1) | 0]!;
    x -= k[at]! * p + k[(at + 1) | 0]! * q;
    y -= k[(at + 2) | 0]! * p + k[(at + 3) | 0]! * q;
    p = u[up]!;
    q = u[(up + 1) | 0]!;
    x -= k[(at + 4) | 0]! * p + k[(at + 5) | 0]! * q;
    y -= k[(at + 6) | 0]! * p + k[(at + 7) | 0]! * q;
    p = u[(up + 2) | 0]!;
    q = u[(up + 3) | 0]!;
    x -= k[(at + 8) | 0]! * p + k[(at + 9) | 0]! * q;
    y -= k[(at + 10) | 0]! * p + k[(at + 11) | 0]! * q;
    p = u[(low - 2) | 0]!;
    q = u[(low - 1) | 0]!;
    x -= k[(at + 24) | 0]! * p + k[(at + 25) | 0]! * q;
    y -= k[(at + 26) | 0]! * p + k[(at + 27) | 0]! * q;
    p = u[low]!;
    q = u[(low + 1) | 0]!;
    x -= k[(at + 28) | 0]! * p + k[(at + 29) | 0]! * q;
    y -= k[(at + 30) | 0]! * p + k[(at + 31) | 0]! * q;
    p = u[(low + 2) | 0]!;
    q = u[(low + 3) | 0]!;
    x -= k[(at + 32) | 0]! * p + k[(at + 33) | 0]! * q;
    y -= k[(at + 34) | 0]! * p + k[(at + 35) | 0]! * q;
    p = u[(own + 2) | 0]!;
    q = u[(own + 3) | 0]!;
    x -= k[(at + 20) | 0]! * p + k[(at + 21) | 0]! * q;
    y -= k[(at + 22) | 0]! * p + k[(at + 23) | 0]! * q;
    p = u[(own - 2) | 0]!;
    q = u[(own - 1) | 0]!;
    x -= k[(at + 12) | 0]! * p + k[(at + 13) | 0]! * q;
    y -= k[(at + 14) | 0]! * p + k[(at + 15) | 0]! * q;
    const a = k[(at + 16) | 0]!;
    const b = k[(at + 17) | 0]!;
    const c = k[(at + 18) | 0]!;
    const d = k[(at + 19) | 0]!;
    if (answer) {
      const perDet = 1 / (a * d - b * c);
      u[own] = (d * x - b * y) * perDet;
      u[(own + 1) | 0] = (a * y - c * x) * perDet;
    } else {
      p = u[own]!;
      q = u[(own + 1) | 0]!;
      r[own] = x - a * p - b * q;
      r[(own + 1) | 0] = y - c * p - d * q;
    }
  }
}

/** Carries the residual of a fine row to the coarse row beneath it, by full weighting. Rows of `acrossF` and `acrossC` nodes. */
export function restrictRow(
  r: Float64Array,
  f: Float64Array,
  acrossF: number,
  acrossC: number,
  row: number,
  first: number,
  last: number,
): void {
  for (let column = first; column <= last; column++) {
    const mid = (4 * (row * acrossF + column)) | 0;
    const up = (mid - 2 * acrossF) | 0;
    const low = (mid + 2 * acrossF) | 0;
    const at = (2 * (row * acrossC + column)) | 0;
    for (let i = 0; i < 2; i++) {
      f[(at + i) | 0] =
        r[(mid + i) | 0]! +
        0.5 * (r[(mid - 2 + i) | 0]! + r[(mid + 2 + i) | 0]! + r[(up + i) | 0]! + r[(low + i) | 0]!) +
        0.25 * (r[(up - 2 + i) | 0]! + r[(up + 2 + i) | 0]! + r[(low - 2 + i) | 0]! + r[(low + 2 + i) | 0]!);
    }
  }
}

/** Adds the displacements of a coarse grid, interpolated, to the nodes of a fine row from `first` up to and with `last`. */
export function prolongRow(
  from: Float64Array,
  to: Float64Array,
  held: Uint8Array,
  acrossF: number,
  acrossC: number,
  row: number,
  first: number,
  last: number,
): void {
  const top = ((row >> 1) * acrossC) | 0;
  const low = (top + (row & 1) * acrossC) | 0;
  // The sums of the two coarse nodes above and below, at the coarse column to the left and to the right of a fine one.
  let c = (first >> 1) | 0;
  let a = (2 * (top + c)) | 0;
  let b = (2 * (low + c)) | 0;
  let leftX = 0.5 * (from[a]! + from[b]!);
  let leftY = 0.5 * (from[(a + 1) | 0]! + from[(b + 1) | 0]!);
  for (let column = first & ~1; column <= last; column += 2) {
    const node = (row * acrossF + column) | 0;
    const at = (2 * node) | 0;
    if (column >= first && held[node] === 0) {
      to[at]! += leftX;
      to[(at + 1) | 0]! += leftY;
    }
    if (column === last) return;
    c = (c + 1) | 0;
    a = (2 * (top + c)) | 0;
    b = (2 * (low + c)) | 0;
    const rightX = 0.5 * (from[a]! + from[b]!);
    const rightY = 0.5 * (from[(a + 1) | 0]! + from[(b + 1) | 0]!);
    if (held[(node + 1) | 0] === 0) {
      to[(at + 2) | 0]! += 0.5 * (leftX + rightX);
      to[(at + 3) | 0]! += 0.5 * (leftY + rightY);
    }
    leftX = rightX;
    leftY = rightY;
  }
}
