import { alongPlain, alongThreaded, prolongRow, restrictRow } from './kernels';
import type { Level } from './stencil';

/** Nodes from (c0, r0) to (c1, r1), both included. */
export interface Window {
  c0: number;
  r0: number;
  c1: number;
  r1: number;
}

export const wholeOf = ({ nx, ny }: Level): Window => ({ c0: 1, r0: 1, c1: nx - 1, r1: ny - 1 });

export const widened = ({ c0, r0, c1, r1 }: Window, by: number): Window => ({ c0: c0 - by, r0: r0 - by, c1: c1 + by, r1: r1 + by });

const COARSEST_SWEEPS = 24;

/** Goes along a row from node `first` up to, but without, `last`, stretch by stretch of nodes of one kind. */
function alongRow({ nx, u, f, r, k, held, plain, cloth }: Level, first: number, last: number, step: number, answer: boolean): void {
  const across2 = 2 * (nx + 1);
  let node = first;
  while (node !== last) {
    const from = node;
    if (held[node] === 1) {
      if (!answer) r[2 * node] = r[2 * node + 1] = 0;
      node += step;
    } else if (plain[node] === 1) {
      while (node !== last && plain[node] === 1 && held[node] === 0) node += step;
      alongPlain(u, f, r, cloth, across2, from, node, step, answer);
    } else {
      while (node !== last && plain[node] === 0 && held[node] === 0) node += step;
      alongThreaded(u, f, r, k, across2, from, node, step, answer);
    }
  }
}

/** One Gauss-Seidel sweep over the nodes of a window; each node's two displacements are solved together. */
function sweep(level: Level, { c0, r0, c1, r1 }: Window, forward: boolean): void {
  const across = level.nx + 1;
  if (forward) for (let row = r0; row <= r1; row++) alongRow(level, row * across + c0, row * across + c1 + 1, 1, true);
  else for (let row = r1; row >= r0; row--) alongRow(level, row * across + c1, row * across + c0 - 1, -1, true);
}

/** What the displacements leave of the forces, at the nodes of a window. */
function residual(level: Level, { c0, r0, c1, r1 }: Window): void {
  const across = level.nx + 1;
  for (let row = r0; row <= r1; row++) alongRow(level, row * across + c0, row * across + c1 + 1, 1, false);
}

/** Force of the coarse nodes whose whole neighbourhood lies in the fine window; forces of incomplete ones are left out. */
function restrict(fine: Level, coarse: Level, window: Window, inner: Window): void {
  clear(coarse, inner);
  const first = Math.max(inner.c0, (window.c0 + 2) >> 1);
  const last = Math.min(inner.c1, (window.c1 - 1) >> 1);
  for (let row = inner.r0; row <= inner.r1; row++) {
    if (2 * row - 1 < window.r0 || 2 * row + 1 > window.r1) continue;
    restrictRow(fine.r, coarse.f, fine.nx + 1, coarse.nx + 1, row, first, last);
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
  for (let row = r0; row <= r1; row++) prolongRow(coarse.u, fine.u, fine.held, fine.nx + 1, coarse.nx + 1, row, c0, c1);
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

/** Sweeps to and fro on one grid, within a window. */
export function near(level: Level, window: Window, sweeps: number): void {
  const own = clipped(window, level);
  for (let i = 0; i < sweeps; i++) {
    sweep(level, own, true);
    sweep(level, own, false);
  }
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
