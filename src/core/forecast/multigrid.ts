import { HELD, type Level } from './stencil';

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

/** One Gauss-Seidel sweep over the nodes of a window; each node's two displacements are solved together. */
function sweep({ loops, nx, u, f, k, kind, cloth }: Level, { c0, r0, c1, r1 }: Window, forward: boolean): void {
  loops.sweep(u.byteOffset, f.byteOffset, k.byteOffset, kind.byteOffset, nx + 1, cloth, c0, r0, c1, r1, forward ? 1 : 0);
}

/** What the displacements leave of the forces, at the nodes of a window. */
export function residual({ loops, nx, u, f, r, k, kind, cloth }: Level, { c0, r0, c1, r1 }: Window): void {
  loops.residual(u.byteOffset, f.byteOffset, r.byteOffset, k.byteOffset, kind.byteOffset, nx + 1, cloth, c0, r0, c1, r1);
}

/** Force of the coarse nodes whose whole neighbourhood lies in the fine window; forces of incomplete ones are left out. */
export function restrict(fine: Level, coarse: Level, window: Window, inner: Window): void {
  clear(coarse, inner);
  const first = Math.max(inner.c0, (window.c0 + 2) >> 1);
  const last = Math.min(inner.c1, (window.c1 - 1) >> 1);
  const top = Math.max(inner.r0, (window.r0 + 2) >> 1);
  const low = Math.min(inner.r1, (window.r1 - 1) >> 1);
  fine.loops.restrict(fine.r.byteOffset, coarse.f.byteOffset, fine.nx + 1, coarse.nx + 1, first, top, last, low);
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
export function prolong(coarse: Level, fine: Level, reached: Window): void {
  const { c0, r0, c1, r1 } = clipped(
    { c0: 2 * reached.c0 - 1, r0: 2 * reached.r0 - 1, c1: 2 * reached.c1 + 1, r1: 2 * reached.r1 + 1 },
    fine,
  );
  const { u, kind, nx, loops } = fine;
  loops.prolong(coarse.u.byteOffset, u.byteOffset, kind.byteOffset, nx + 1, coarse.nx + 1, c0, r0, c1, r1);
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
export function vCycle(levels: readonly Level[], window: Window, sweeps: number, depth = 0): void {
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
  vCycle(levels, below, sweeps, depth + 1);
  prolong(next, level, below);
  for (let i = 0; i < sweeps; i++) sweep(level, own, false);
}

/** Sweeps to and fro on one grid, within a window. */
export function smooth(level: Level, window: Window, sweeps: number): void {
  const own = clipped(window, level);
  for (let i = 0; i < sweeps; i++) {
    sweep(level, own, true);
    sweep(level, own, false);
  }
}

/** How much of the force is not answered yet, as a share of all force. */
export function relativeResidual(level: Level): number {
  residual(level, wholeOf(level));
  let [left, all] = [0, 0];
  for (let i = 0; i < level.r.length; i++) {
    if ((level.kind[i >> 1]! & HELD) !== 0) continue;
    left += level.r[i]! * level.r[i]!;
    all += level.f[i]! * level.f[i]!;
  }
  return all === 0 ? 0 : Math.sqrt(left / all);
}
