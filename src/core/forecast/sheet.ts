import type { Hoop } from '../document/types';
import type { StitchPlan } from '../plan/plan';
import { Command } from '../stitches/roles';
import { hypot, ln } from '../units/trig';
import type { SheetMemory, Snapshot } from './sheetMemory';
import { Stretches } from './cut';
import { gridOver, RING_MM, type CellGrid } from './sheetGrid';
import { BEFORE, KEPT, CellStiffness, WANTED } from './cellStiffness';
import { giveBack } from './kernels';
import { smooth, vCycle, relativeResidual, wholeOf, widened, type Window } from './multigrid';
import { addStress, addThreads, layCloth, makeGrids, putThread, strainOf, type Grids, type Level } from './stencil';

/** What the cloth in its hoop and the thread do to each other. */
export interface SheetParameters {
  /** Stiffness of cloth with stabilizer, N/mm. */
  stiffnessNPerMm: number;
  /** Force that would stretch each thread of the job to twice its length, N. */
  threadN: readonly number[];
  /** By what share a stitch shortens when it is pulled tight. */
  shortening: number;
  /** By what share the cloth is pushed apart across a stitch. */
  push: number;
}

export interface SheetOptions {
  /** Side of a cell at most, mm. */
  cellMm: number;
  /** The job is laid in about so many batches, of no fewer stitches than these. */
  batches: number;
  leastBatch: number;
  /** Cycles after each batch, and sweeps in each. Batches of up to `easyBatch` stitches take a cycle less. */
  cycles: number;
  sweeps: number;
  easyBatch: number;
  /** A batch is felt at once so far beyond itself, cells; farther by the coarser grids. */
  reach: number;
  /** After every so many batches, the cycles go over the whole hoop. */
  wholeEvery: number;
  /** A batch is laid in so many steps; each is felt so far beyond itself (cells) by sweeps of the finest grid alone. */
  steps: number;
  nearReach: number;
  nearSweeps: number;
  /** The last cycles go on until this share of the force is relativeResidual. */
  tolerance: number;
  progress(done: number): void;
}

const USUAL = {
  cycles: 3,
  sweeps: 1,
  easyBatch: 100,
  reach: 8,
  wholeEvery: 4,
  steps: 2,
  nearReach: 2,
  nearSweeps: 1,
  tolerance: 1e-3,
} as const;
/** While editing. */
export const EDITING_GRID = { ...USUAL, cellMm: 4, batches: 500, leastBatch: 20 } as const;
/** For the proof. */
export const PROOF_GRID = { ...USUAL, cellMm: 2, batches: 900, leastBatch: 10 } as const;

/** Displacements of the cloth: of each penetration when it was made, and of the whole sheet when all is sewn. Lengths mm. */
export interface SheetResult {
  /** Displacement of the cloth at each event when it was sewn. */
  sewnX: Float32Array;
  sewnY: Float32Array;
  /** Displacement of the cloth at a place when all is sewn. */
  at(x: number, y: number): [number, number];
  /** Strain of the cloth (xx, yy, twice xy) when all is sewn, cell by cell, row by row. */
  strain: Float32Array;
  /** Cells that thread lies in. */
  threaded: Uint8Array;
  columns: number;
  rows: number;
  left: number;
  top: number;
  cellMm: number;
  /** Share of the force left relativeResidual at the end. */
  relativeResidual: number;
}

/** Force that would stretch a thread of weight 40 to twice its length, N. */
export const USUAL_THREAD_N = 40;
const MOST_LAST_CYCLES = 40;
/** Rows resist being pressed together, across thread, by this share of what thread resists by along itself. */
const ACROSS = 0.5;

/** Cloth so far about a stitch resists it; chosen so that large batches come nearest to small ones, on all grids. */
const AROUND_MM = 20;

type Sewn = Pick<StitchPlan, 'x' | 'y' | 'command' | 'thread'>;

/**
 * The cloth as a linear elastic sheet held in the hoop. Stitches are laid in sewing order; each draws the cloth together
 * along itself and presses it apart across, against what lies there already, starting from the strain that the cloth has
 * when the stitch is made.
 *
 * Stitches are laid in batches. Were they laid one by one, the strain would grow with the logarithm of the thread, since
 * each finds the sheet a little stiffer. A batch does the same at one blow when its force meets the sheet with only a
 * part of the batch's own stiffness in it (a little under half); the rest is added without force once the sheet has
 * given way. Source: exponentially fitted theta methods; Hairer, Wanner, Solving Ordinary Differential Equations II.
 */
export class Sheet {
  private readonly levels: readonly Level[];
  private readonly grids: Grids;
  private readonly grid: CellGrid;
  /** What the thread in each cell resists by, N·mm. */
  private readonly resists: Float64Array;
  /** What a cell of cloth, with the cloth about it, resists by, N·mm. */
  private readonly cloth: number;
  private readonly stretches = new Stretches();
  private readonly batch: CellStiffness;
  private readonly step: CellStiffness;
  /** Part of the batch's stiffness that its force meets, by cell. */
  private readonly part: Float64Array;
  private ends = new Int32Array(256);
  private batches = 0;

  constructor(
    private readonly hoop: Hoop,
    private readonly parameters: SheetParameters,
    private readonly options: SheetOptions,
  ) {
    const { grid, depth } = gridOver(hoop, options.cellMm);
    this.grid = grid;
    const { columns, rows, left, top, cellMm } = grid;
    const radius = hoop.width / 2 + RING_MM;
    const outside = (x: number, y: number): boolean => hoop.shape === 'round' && hypot(left + x, top + y) > radius;
    this.grids = makeGrids(columns, rows, cellMm, depth, outside);
    this.levels = this.grids.levels;
    for (const level of this.levels) layCloth(level, parameters.stiffnessNPerMm);
    this.batch = new CellStiffness(columns * rows);
    this.step = new CellStiffness(columns * rows);
    this.part = new Float64Array(columns * rows);
    this.resists = new Float64Array(columns * rows);
    this.cloth = 1.5 * parameters.stiffnessNPerMm * cellMm * Math.max(AROUND_MM, cellMm);
  }

  /**
   * Sews a plan and says where the cloth went. May be called once.
   * @param memory of earlier runs; what they had in common with this one is not sewn again
   */
  sew(plan: Sewn, memory?: SheetMemory): SheetResult {
    try {
      return this.sewAll(plan, memory);
    } finally {
      giveBack(this.grids.room);
    }
  }

  private sewAll(plan: Sewn, memory?: SheetMemory): SheetResult {
    const n = plan.x.length;
    const sewn = { x: new Float32Array(n), y: new Float32Array(n) };
    const { batches, leastBatch } = this.options;
    const batch = Math.max(leastBatch, Math.ceil(n / batches));
    const known = memory?.resume(this.keyOf(batch), plan, sewn) ?? null;
    if (known) this.restore(known);
    for (let from = known?.event ?? 0; from < n; from += batch) {
      this.options.progress(from / n);
      if (memory?.wants(from, n)) memory.keep(from, this.batches, this.arrays());
      this.sewBatch(plan, from, Math.min(n, from + batch), sewn);
    }
    const level = this.levels[0]!;
    let left = relativeResidual(level);
    for (let i = 0; i < MOST_LAST_CYCLES && left > this.options.tolerance; i++) {
      this.options.progress(1);
      vCycle(this.levels, wholeOf(level), 2);
      left = relativeResidual(level);
    }
    return this.result(sewn, left);
  }

  /** All that a run depends on beside its plan. */
  private keyOf(batch: number): string {
    // A function is left out of JSON: progress does not count.
    return JSON.stringify([this.hoop, this.parameters, this.options, batch]);
  }

  private arrays(): (Float64Array | Float32Array | Uint8Array)[] {
    return [...this.levels.flatMap(({ u, f, k, kind }) => [u, f, k, kind]), this.resists];
  }

  private restore({ batches, arrays }: Snapshot): void {
    this.batches = batches;
    this.arrays().forEach((own, i) => own.set(arrays[i]!));
  }

  private sewBatch(plan: Sewn, from: number, to: number, sewn: Where): void {
    this.cut(plan, from, to);
    if (this.stretches.count === 0) return this.note(plan, from, to, sewn, 1, 0);
    const window: Window = { c0: Infinity, r0: Infinity, c1: -Infinity, r1: -Infinity };
    const { nearReach, nearSweeps, sweeps, easyBatch, reach, wholeEvery } = this.options;
    const cycles = this.options.cycles - (to - from <= easyBatch ? 1 : 0);
    const steps = Math.max(1, Math.min(this.options.steps, to - from));
    for (let s = 0; s < steps; s++) {
      const [first, last] = [from + Math.floor((s * (to - from)) / steps), from + Math.floor(((s + 1) * (to - from)) / steps)];
      this.note(plan, first, last, sewn, 1, 0);
      const box = this.insert(first === from ? 0 : this.ends[first - 1 - from]!, this.ends[last - 1 - from]!);
      if (steps > 1 && nearSweeps > 0 && box.c1 >= box.c0) {
        this.note(plan, first, last, sewn, -1, 1);
        smooth(this.levels[0]!, widened(box, nearReach), nearSweeps);
        this.note(plan, first, last, sewn, 1, 1);
      }
      window.c0 = Math.min(window.c0, box.c0);
      window.r0 = Math.min(window.r0, box.r0);
      window.c1 = Math.max(window.c1, box.c1);
      window.r1 = Math.max(window.r1, box.r1);
    }
    this.insertCoarse();
    this.note(plan, from, to, sewn, -1, 1);
    const whole = this.batches % wholeEvery === wholeEvery - 1;
    for (let i = 0; i < cycles; i++) vCycle(this.levels, whole ? wholeOf(this.levels[0]!) : widened(window, reach), sweeps);
    this.note(plan, from, to, sewn, 1, 1);
    this.complete();
    this.batches++;
  }

  /** Cuts the stitches of a batch into cells and says what part of their stiffness their force is to meet in each. */
  private cut({ x, y, command, thread }: Sewn, from: number, to: number): void {
    const { stretches, part, resists } = this;
    stretches.clear();
    if (to - from > this.ends.length) this.ends = new Int32Array(to - from);
    for (let i = from; i < to; i++) {
      if (i > 0 && command[i] === Command.stitch && command[i - 1] === Command.stitch) {
        stretches.cut(this.grid, x[i - 1]!, y[i - 1]!, x[i]!, y[i]!, this.parameters.threadN[thread[i]!] ?? USUAL_THREAD_N);
      }
      this.ends[i - from] = stretches.count;
    }
    for (let i = 0; i < stretches.count; i++) part[stretches.cell[i]!] = 0;
    for (let i = 0; i < stretches.count; i++) part[stretches.cell[i]!]! += stretches.resists[i]!;
    this.batch.clear();
    for (let i = 0; i < stretches.count; i++) {
      const cell = stretches.cell[i]!;
      if (this.batch.has(cell)) continue;
      this.batch.of(cell);
      const added = part[cell]! / (this.cloth + resists[cell]!);
      resists[cell]! += part[cell]!;
      part[cell] = added < 1e-3 ? 0.5 : 1 / ln(1 + added) - 1 / added;
    }
  }

  /**
   * Notes where the cloth is at each stitch of a stretch: `sign` times the displacement, in full (`byShare` 0), or by the
   * share of the stretch that is sewn before the stitch (1).
   */
  private note({ x, y }: Sewn, from: number, to: number, sewn: Where, sign: 1 | -1, byShare: 0 | 1): void {
    const { u, nx } = this.levels[0]!;
    const { columns, rows, left, top, cellMm } = this.grid;
    // Written out, as `displacementAt`: it is asked for six times a stitch.
    for (let i = from; i < to; i++) {
      const gx = (x[i]! - left) / cellMm;
      const gy = (y[i]! - top) / cellMm;
      const c = Math.floor(gx);
      const r = Math.floor(gy);
      if (c < 0 || r < 0 || c >= columns || r >= rows) continue;
      const fx = gx - c;
      const fy = gy - r;
      const a = (2 * (r * (nx + 1) + c)) | 0;
      const b = (a + 2 * (nx + 1)) | 0;
      const share = byShare === 1 ? (sign * (i - from)) / (to - from) : sign;
      const upX = u[a]! * (1 - fx) + u[(a + 2) | 0]! * fx;
      const upY = u[(a + 1) | 0]! * (1 - fx) + u[(a + 3) | 0]! * fx;
      const lowX = u[b]! * (1 - fx) + u[(b + 2) | 0]! * fx;
      const lowY = u[(b + 1) | 0]! * (1 - fx) + u[(b + 3) | 0]! * fx;
      sewn.x[i]! += share * (upX * (1 - fy) + lowX * fy);
      sewn.y[i]! += share * (upY * (1 - fy) + lowY * fy);
    }
  }

  /** Makes stretches part of the finest grid. @returns the nodes about them */
  private insert(from: number, to: number): Window {
    const { stretches, step, batch } = this;
    const { shortening, push } = this.parameters;
    step.clear();
    for (let i = from; i < to; i++) {
      const [dx, dy, resists] = [stretches.dx[i]!, stretches.dy[i]!, stretches.resists[i]!];
      const at = step.of(stretches.cell[i]!);
      step.addTerm(at, dx * dx, dy * dy, dx * dy, resists, -shortening);
      step.addTerm(at, dy * dy, dx * dx, -dx * dy, ACROSS * resists, push);
    }
    const { grids, part } = this;
    const { columns } = this.grid;
    const window = { c0: Infinity, r0: Infinity, c1: -Infinity, r1: -Infinity };
    grids.threads.count = 0;
    for (let c = 0; c < step.count; c++) {
      const cell = step.cells[c]!;
      const [column, row] = [cell % columns, Math.floor(cell / columns)];
      const at = c * KEPT;
      const whole = batch.of(cell);
      for (let i = 0; i < 6; i++) batch.kept[whole + i]! += step.kept[at + i]!;
      putThread(grids.threads, cell, step.kept, at, part[cell]!);
      this.stress(step, c, part[cell]!, 1);
      window.c0 = Math.min(window.c0, column);
      window.r0 = Math.min(window.r0, row);
      window.c1 = Math.max(window.c1, column + 1);
      window.r1 = Math.max(window.r1, row + 1);
    }
    addThreads(grids, 0, 0);
    return window;
  }

  /** Puts the force of laid thread on the sheet: what it wants, if asked for, and that it is at rest as the cloth is now. */
  private stress(laid: CellStiffness, c: number, share: number, wanted: 0 | 1): void {
    const { columns } = this.grid;
    const { kept } = laid;
    const cell = laid.cells[c]!;
    const [column, row, at] = [cell % columns, Math.floor(cell / columns), c * KEPT];
    const level = this.levels[0]!;
    strainOf(level, column, row, kept, at + BEFORE);
    const a = share * kept[at + BEFORE]!;
    const b = share * kept[at + BEFORE + 1]!;
    const g = share * kept[at + BEFORE + 2]!;
    addStress(
      level,
      column,
      row,
      kept[at]! * a + kept[at + 1]! * b + kept[at + 2]! * g + wanted * kept[at + WANTED]!,
      kept[at + 1]! * a + kept[at + 3]! * b + kept[at + 4]! * g + wanted * kept[at + WANTED + 1]!,
      kept[at + 2]! * a + kept[at + 4]! * b + kept[at + 5]! * g + wanted * kept[at + WANTED + 2]!,
    );
  }

  /** Makes the batch, as far as its force is to meet it, part of the coarser grids. */
  private insertCoarse(): void {
    const { batch, grids, part } = this;
    grids.threads.count = 0;
    for (let c = 0; c < batch.count; c++) {
      const cell = batch.cells[c]!;
      putThread(grids.threads, cell, batch.kept, c * KEPT, part[cell]!);
    }
    addThreads(grids, 1, grids.levels.length - 1);
  }

  /** Adds what is left of the batch's stiffness, at rest as the sheet is now. */
  private complete(): void {
    const { batch, grids, part } = this;
    grids.threads.count = 0;
    for (let c = 0; c < batch.count; c++) {
      const cell = batch.cells[c]!;
      const rest = 1 - part[cell]!;
      putThread(grids.threads, cell, batch.kept, c * KEPT, rest);
      this.stress(batch, c, rest, 0);
    }
    addThreads(grids, 0, grids.levels.length - 1);
  }

  /** What there is to say, in memory of its own: that of the grids is soon another sheet's. */
  private result(sewn: Where, left: number): SheetResult {
    const level = this.levels[0]!;
    const { grid } = this;
    const u = level.u.slice();
    const strain = new Float32Array(3 * level.nx * level.ny);
    const one = new Float64Array(3);
    for (let row = 0; row < level.ny; row++) {
      for (let column = 0; column < level.nx; column++) {
        strainOf(level, column, row, one, 0);
        strain.set(one, 3 * (row * level.nx + column));
      }
    }
    return {
      sewnX: sewn.x,
      sewnY: sewn.y,
      at: (x, y) => displacementAt(u, grid, (x - grid.left) / grid.cellMm, (y - grid.top) / grid.cellMm),
      strain,
      threaded: Uint8Array.from(this.resists, (n) => (n > 0 ? 1 : 0)),
      ...grid,
      relativeResidual: left,
    };
  }
}

/** Displacements of the cloth, mm. */
interface Where {
  x: Float32Array;
  y: Float32Array;
}

/** Displacement between nodes, bilinear; nothing moves outside the sheet. */
function displacementAt(u: Float32Array, { columns, rows }: CellGrid, gx: number, gy: number): [number, number] {
  const [c, r] = [Math.floor(gx), Math.floor(gy)];
  if (c < 0 || r < 0 || c >= columns || r >= rows) return [0, 0];
  const [fx, fy] = [gx - c, gy - r];
  const a = 2 * (r * (columns + 1) + c);
  const b = a + 2 * (columns + 1);
  const mix = (i: number): number =>
    (u[a + i]! * (1 - fx) + u[a + 2 + i]! * fx) * (1 - fy) + (u[b + i]! * (1 - fx) + u[b + 2 + i]! * fx) * fy;
  return [mix(0), mix(1)];
}
