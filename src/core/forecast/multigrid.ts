import { BLOCK, type Level } from './stencil';

/** Nodes from (c0, r0) to (c1, r1), both included. */
export interface Window {
  c0: number;
  r0: number;
  c1: number;
  r1: number;
}

export const wholeOf = ({ nx, ny }: Level): Window => ({ c0: 1, r0: 1, c1: nx - 1, r1: ny - 1 });

const COARSEST_SWEEPS = 24;

/** What is left of the force at the node looked at last, N. */
const left = { x: 0, y: 0 };

/**
 * Works out what the displacements leave of the force at a node. The stencil is written out, since this is where nearly
 * all of the time goes.
 */
function leaveAt({ nx, u, f, k, plain, cloth }: Level, node: number): void {
  const across = nx + 1;
  const own = 2 * node;
  if (plain[node] === 1) {
    const [up, low] = [own - 2 * across, own + 2 * across];
    const a0 = u[up - 2]!;
    const a1 = u[up - 1]!;
    const b0 = u[up + 2]!;
    const b1 = u[up + 3]!;
    const e0 = u[low - 2]!;
    const e1 = u[low - 1]!;
    const d0 = u[low + 2]!;
    const d1 = u[low + 3]!;
    left.x = f[own]! + cloth * (u[own - 2]! + u[own + 2]! + 0.25 * (a0 + b0 + e0 + d0 + a1 - b1 - e1 + d1) - 3 * u[own]!);
    left.y = f[own + 1]! + cloth * (u[up + 1]! + u[low + 1]! + 0.25 * (a1 + b1 + e1 + d1 + a0 - b0 - e0 + d0) - 3 * u[own + 1]!);
    return;
  }
  const up = 2 * (node - across - 1);
  const low = 2 * (node + across - 1);
  const at = node * BLOCK;
  left.x =
    f[own]! -
    (k[at]! * u[up]! +
      k[at + 1]! * u[up + 1]! +
      (k[at + 4]! * u[up + 2]! + k[at + 5]! * u[up + 3]!) +
      (k[at + 8]! * u[up + 4]! + k[at + 9]! * u[up + 5]!)) -
    (k[at + 24]! * u[low]! +
      k[at + 25]! * u[low + 1]! +
      (k[at + 28]! * u[low + 2]! + k[at + 29]! * u[low + 3]!) +
      (k[at + 32]! * u[low + 4]! + k[at + 33]! * u[low + 5]!)) -
    (k[at + 16]! * u[own]! + k[at + 17]! * u[own + 1]! + (k[at + 20]! * u[own + 2]! + k[at + 21]! * u[own + 3]!)) -
    (k[at + 12]! * u[own - 2]! + k[at + 13]! * u[own - 1]!);
  left.y =
    f[own + 1]! -
    (k[at + 2]! * u[up]! +
      k[at + 3]! * u[up + 1]! +
      (k[at + 6]! * u[up + 2]! + k[at + 7]! * u[up + 3]!) +
      (k[at + 10]! * u[up + 4]! + k[at + 11]! * u[up + 5]!)) -
    (k[at + 26]! * u[low]! +
      k[at + 27]! * u[low + 1]! +
      (k[at + 30]! * u[low + 2]! + k[at + 31]! * u[low + 3]!) +
      (k[at + 34]! * u[low + 4]! + k[at + 35]! * u[low + 5]!)) -
    (k[at + 18]! * u[own]! + k[at + 19]! * u[own + 1]! + (k[at + 22]! * u[own + 2]! + k[at + 23]! * u[own + 3]!)) -
    (k[at + 14]! * u[own - 2]! + k[at + 15]! * u[own - 1]!);
}

/** One Gauss-Seidel sweep over the nodes of a window; each node's two displacements are solved together. */
function sweep(level: Level, window: Window, forward: boolean): void {
  const { nx, u, k, held, plain, cloth } = level;
  const across = nx + 1;
  const step = forward ? 1 : -1;
  const [firstRow, lastRow] = forward ? [window.r0, window.r1] : [window.r1, window.r0];
  const [firstColumn, lastColumn] = forward ? [window.c0, window.c1] : [window.c1, window.c0];
  for (let row = firstRow; row !== lastRow + step; row += step) {
    for (let column = firstColumn; column !== lastColumn + step; column += step) {
      const node = row * across + column;
      if (held[node] === 1) continue;
      leaveAt(level, node);
      const own = 2 * node;
      if (plain[node] === 1) {
        // Four springs of the grid and four diagonals: three times the stiffness of one in either direction.
        u[own]! += left.x / (3 * cloth);
        u[own + 1]! += left.y / (3 * cloth);
        continue;
      }
      const middle = node * BLOCK + 16;
      const a = k[middle]!;
      const b = k[middle + 1]!;
      const c = k[middle + 2]!;
      const d = k[middle + 3]!;
      const perDet = 1 / (a * d - b * c);
      u[own]! += (d * left.x - b * left.y) * perDet;
      u[own + 1]! += (a * left.y - c * left.x) * perDet;
    }
  }
}

/** What the displacements leave of the forces, at the nodes of a window. */
function residual(level: Level, { c0, r0, c1, r1 }: Window): void {
  const { nx, r, held } = level;
  for (let row = r0; row <= r1; row++) {
    for (let column = c0; column <= c1; column++) {
      const node = row * (nx + 1) + column;
      if (held[node] === 1) left.x = left.y = 0;
      else leaveAt(level, node);
      r[2 * node] = left.x;
      r[2 * node + 1] = left.y;
    }
  }
}

/** Force of the coarse nodes whose whole neighbourhood lies in the fine window; forces of incomplete ones are left out. */
function restrict(fine: Level, coarse: Level, window: Window, inner: Window): void {
  const acrossF = fine.nx + 1;
  const acrossC = coarse.nx + 1;
  clear(coarse, inner);
  for (let row = inner.r0; row <= inner.r1; row++) {
    for (let column = inner.c0; column <= inner.c1; column++) {
      const [fr, fc] = [2 * row, 2 * column];
      if (fr - 1 < window.r0 || fr + 1 > window.r1 || fc - 1 < window.c0 || fc + 1 > window.c1) continue;
      let [x, y] = [0, 0];
      for (let dr = -1; dr <= 1; dr++) {
        for (let dc = -1; dc <= 1; dc++) {
          const weight = (dr === 0 ? 1 : 0.5) * (dc === 0 ? 1 : 0.5);
          const at = 2 * ((fr + dr) * acrossF + fc + dc);
          x += weight * fine.r[at]!;
          y += weight * fine.r[at + 1]!;
        }
      }
      const node = row * acrossC + column;
      coarse.f[2 * node] = x;
      coarse.f[2 * node + 1] = y;
    }
  }
}

/** Forgets forces and displacements in a window and right about it. */
function clear({ nx, f, u }: Level, { c0, r0, c1, r1 }: Window): void {
  for (let row = r0 - 1; row <= r1 + 1; row++) {
    const from = 2 * (row * (nx + 1) + c0 - 1);
    f.fill(0, from, from + 2 * (c1 - c0 + 3));
    u.fill(0, from, from + 2 * (c1 - c0 + 3));
  }
}

/** Adds the displacements of a coarse window, interpolated, to all fine nodes that it reaches: no step is left at its edge. */
function prolong(coarse: Level, fine: Level, reached: Window): void {
  const { c0, r0, c1, r1 } = clipped(
    { c0: 2 * reached.c0 - 1, r0: 2 * reached.r0 - 1, c1: 2 * reached.c1 + 1, r1: 2 * reached.r1 + 1 },
    fine,
  );
  const acrossF = fine.nx + 1;
  const acrossC = coarse.nx + 1;
  for (let row = r0; row <= r1; row++) {
    const [top, oddRow] = [row >> 1, row & 1];
    for (let column = c0; column <= c1; column++) {
      const node = row * acrossF + column;
      if (fine.held[node] === 1) continue;
      const a = 2 * (top * acrossC + (column >> 1));
      const b = a + 2 * (column & 1);
      const c = a + 2 * acrossC * oddRow;
      const d = b + 2 * acrossC * oddRow;
      fine.u[2 * node]! += 0.25 * (coarse.u[a]! + coarse.u[b]! + coarse.u[c]! + coarse.u[d]!);
      fine.u[2 * node + 1]! += 0.25 * (coarse.u[a + 1]! + coarse.u[b + 1]! + coarse.u[c + 1]! + coarse.u[d + 1]!);
    }
  }
}

const clipped = (w: Window, level: Level): Window => {
  const all = wholeOf(level);
  return { c0: Math.max(all.c0, w.c0), r0: Math.max(all.r0, w.r0), c1: Math.min(all.c1, w.c1), r1: Math.min(all.r1, w.r1) };
};

/** The window on the next coarser grid: twice as wide in mm about the same middle, so that far effects are felt. */
function coarser(w: Window, level: Level): Window {
  const [reachC, reachR] = [(w.c1 - w.c0) / 4, (w.r1 - w.r0) / 4];
  return clipped(
    {
      c0: Math.floor(w.c0 / 2 - reachC),
      r0: Math.floor(w.r0 / 2 - reachR),
      c1: Math.ceil(w.c1 / 2 + reachC),
      r1: Math.ceil(w.r1 / 2 + reachR),
    },
    level,
  );
}

/**
 * One V-cycle on the finest grid of some, within a window: Gauss-Seidel sweeps, what is left carried to the coarser grid,
 * and its answer brought back.
 * @param sweeps before going to the coarser grid, and after coming back
 * Source: Briggs, Henson, McCormick, A Multigrid Tutorial, 2nd edition.
 */
export function cycle(levels: readonly Level[], window: Window, sweeps: number, depth = 0): void {
  const level = levels[depth]!;
  const own = clipped(window, level);
  if (depth === levels.length - 1) {
    for (let i = 0; i < COARSEST_SWEEPS; i++) sweep(level, wholeOf(level), i % 2 === 0);
    return;
  }
  for (let i = 0; i < sweeps; i++) sweep(level, own, true);
  residual(level, own);
  const next = levels[depth + 1]!;
  const below = depth + 1 === levels.length - 1 ? wholeOf(next) : coarser(own, next);
  restrict(level, next, own, below);
  cycle(levels, below, sweeps, depth + 1);
  prolong(next, level, below);
  for (let i = 0; i < sweeps; i++) sweep(level, own, false);
}

/** How much of the force is not answered yet, as a share of all force. */
export function unanswered(level: Level): number {
  residual(level, wholeOf(level));
  let [left, all] = [0, 0];
  for (let i = 0; i < level.r.length; i++) {
    if (level.held[i >> 1] === 1) continue;
    left += level.r[i]! * level.r[i]!;
    all += level.f[i]! * level.f[i]!;
  }
  return all === 0 ? 0 : Math.sqrt(left / all);
}
