import type { Hoop } from '../document/types';
import type { StitchPlan } from '../plan/plan';
import { Command } from '../plan/roles';
import { hypot, ln } from '../units/trig';
import { cycle, unanswered, wholeOf, type Window } from './multigrid';
import { addStress, addThread, layCloth, makeLevel, strainOf, type Level } from './stencil';

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
  /** Side of a cell, mm. */
  cellMm: number;
  /** The job is laid in about so many batches, of no fewer stitches than these. */
  batches: number;
  leastBatch: number;
  /** Cycles after each batch, and sweeps in each. */
  cycles: number;
  sweeps: number;
  /** A batch is felt at once so far beyond itself, cells; farther by the coarser grids. */
  reach: number;
  /** The last cycles go on until this share of the force is unanswered. */
  tolerance: number;
  progress(done: number): void;
}

/** While editing. */
export const EDITING_GRID = { cellMm: 4, batches: 500, leastBatch: 20, cycles: 1, sweeps: 1, reach: 8, tolerance: 1e-3 } as const;
/** For the proof. */
export const PROOF_GRID = { cellMm: 2, batches: 600, leastBatch: 20, cycles: 1, sweeps: 1, reach: 8, tolerance: 1e-3 } as const;

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
  /** Share of the force left unanswered at the end. */
  unanswered: number;
}

/** The ring that holds the cloth lies about so far outside the field that the needle may reach, mm. */
const RING_MM = 5;
const COARSEST_CELLS = 5;
/** Force that would stretch a thread of weight 40 to twice its length, N. */
export const USUAL_THREAD_N = 40;
const WHOLE_EVERY = 8;
const MOST_LAST_CYCLES = 40;
/** Shorter stitches are knots. */
const LEAST_STITCH_MM = 0.05;
/** Rows resist being pressed together, across thread, by this share of what thread resists by along itself. */
const ACROSS = 0.5;

/** Cloth so far about a stitch resists it; chosen so that large batches come nearest to small ones, on all grids. */
const AROUND_MM = 20;

/** Numbers kept of each cell that a batch lies in: stiffness (6), stress wanted (3), strain before (3), stiffness along thread (1). */
const KEPT = 13;
const WANTED = 6;
const BEFORE = 9;
const THREAD = 12;

/**
 * The cloth as a linear elastic sheet held in the hoop. Stitches are laid in sewing order, in batches; each draws the cloth
 * together along itself and presses it apart across, against what lies there already, starting from the strain that the
 * cloth has when the stitch is made.
 */
export class Sheet {
  private readonly levels: Level[] = [];
  private readonly left: number;
  private readonly top: number;
  private readonly slot: Int32Array;
  /** What the thread in each cell resists by, N·mm. */
  private readonly laid: Float64Array;
  /** What a cell of cloth resists by, N·mm. */
  private readonly cloth: number;
  private cells = new Int32Array(64);
  private kept = new Float64Array(64 * KEPT);
  private count = 0;
  private batches = 0;

  constructor(
    hoop: Hoop,
    private readonly parameters: SheetParameters,
    private readonly options: SheetOptions,
  ) {
    const { cellMm } = options;
    const cells = (side: number): number => Math.ceil((side + 2 * RING_MM) / cellMm);
    const fewest = Math.min(cells(hoop.width), cells(hoop.height));
    let depth = 0;
    while (fewest / 2 ** (depth + 1) >= COARSEST_CELLS) depth++;
    const whole = (n: number): number => Math.ceil(n / 2 ** depth) * 2 ** depth;
    const [nx, ny] = [whole(cells(hoop.width)), whole(cells(hoop.height))];
    this.left = (-nx * cellMm) / 2;
    this.top = (-ny * cellMm) / 2;
    const radius = hoop.width / 2 + RING_MM;
    for (let d = 0; d <= depth; d++) {
      const h = cellMm * 2 ** d;
      const held = (c: number, r: number): boolean => hoop.shape === 'round' && hypot(this.left + c * h, this.top + r * h) > radius;
      const level = makeLevel(nx / 2 ** d, ny / 2 ** d, h, held);
      layCloth(level, parameters.stiffnessNPerMm);
      this.levels.push(level);
    }
    this.slot = new Int32Array(nx * ny).fill(-1);
    this.laid = new Float64Array(nx * ny);
    this.cloth = 1.5 * parameters.stiffnessNPerMm * cellMm * Math.max(AROUND_MM, cellMm);
  }

  /** Sews a plan and says where the cloth went. May be called once. */
  sew(plan: Pick<StitchPlan, 'x' | 'y' | 'command' | 'thread'>): SheetResult {
    const { x } = plan;
    const n = x.length;
    const sewnX = new Float32Array(n);
    const sewnY = new Float32Array(n);
    const { batches, leastBatch } = this.options;
    const batch = Math.max(leastBatch, Math.ceil(n / batches));
    for (let from = 0; from < n; from += batch) {
      const to = Math.min(n, from + batch);
      this.options.progress(from / n);
      this.sewBatch(plan, from, to, sewnX, sewnY);
    }
    const level = this.levels[0]!;
    let left = unanswered(level);
    for (let i = 0; i < MOST_LAST_CYCLES && left > this.options.tolerance; i++) {
      cycle(this.levels, wholeOf(level), 2);
      left = unanswered(level);
    }
    return this.result(sewnX, sewnY, left);
  }

  private sewBatch(
    { x, y, command, thread }: Pick<StitchPlan, 'x' | 'y' | 'command' | 'thread'>,
    from: number,
    to: number,
    sewnX: Float32Array,
    sewnY: Float32Array,
  ): void {
    this.count = 0;
    for (let i = from; i < to; i++) {
      [sewnX[i], sewnY[i]] = this.at(x[i]!, y[i]!);
      if (i === 0 || command[i] !== Command.stitch || command[i - 1] !== Command.stitch) continue;
      this.cutAtGrid(x[i - 1]!, y[i - 1]!, x[i]!, y[i]!, this.parameters.threadN[thread[i]!] ?? USUAL_THREAD_N);
    }
    if (this.count === 0) return;
    const window = this.insert();
    this.relax(window);
    for (let i = from; i < to; i++) {
      const [ux, uy] = this.at(x[i]!, y[i]!);
      const share = (i - from) / (to - from);
      sewnX[i]! += share * (ux - sewnX[i]!);
      sewnY[i]! += share * (uy - sewnY[i]!);
    }
    for (let c = 0; c < this.count; c++) this.slot[this.cells[c]!] = -1;
    this.batches++;
  }

  /** Lays a stitch into the cells that it crosses. */
  private cutAtGrid(x0: number, y0: number, x1: number, y1: number, threadN: number): void {
    const { cellMm } = this.options;
    const length = hypot(x1 - x0, y1 - y0);
    if (length < LEAST_STITCH_MM) return;
    const [dx, dy] = [(x1 - x0) / length, (y1 - y0) / length];
    let [gx, gy] = [(x0 - this.left) / cellMm, (y0 - this.top) / cellMm];
    const [sx, sy] = [dx / cellMm, dy / cellMm];
    let gone = 0;
    while (gone < length - 1e-9) {
      let [c, r] = [Math.floor(gx), Math.floor(gy)];
      if (sx < 0 && gx === c) c--;
      if (sy < 0 && gy === r) r--;
      const toX = sx > 0 ? (c + 1 - gx) / sx : sx < 0 ? (c - gx) / sx : Infinity;
      const toY = sy > 0 ? (r + 1 - gy) / sy : sy < 0 ? (r - gy) / sy : Infinity;
      const step = Math.max(1e-9, Math.min(toX, toY, length - gone));
      this.addToCell(c, r, dx, dy, step, threadN);
      gone += step;
      gx = toX <= step ? (sx > 0 ? c + 1 : c) : gx + step * sx;
      gy = toY <= step ? (sy > 0 ? r + 1 : r) : gy + step * sy;
    }
  }

  private addToCell(column: number, row: number, dx: number, dy: number, length: number, threadN: number): void {
    const { nx, ny } = this.levels[0]!;
    if (column < 0 || row < 0 || column >= nx || row >= ny) return;
    const cell = row * nx + column;
    let c = this.slot[cell]!;
    if (c < 0) {
      c = this.take(cell);
      strainOf(this.levels[0]!, column, row, this.kept, c * KEPT + BEFORE);
    }
    const { shortening, push } = this.parameters;
    this.kept[c * KEPT + THREAD]! += threadN * length;
    this.addTerm(c * KEPT, dx * dx, dy * dy, dx * dy, threadN * length, -shortening);
    this.addTerm(c * KEPT, dy * dy, dx * dx, -dx * dy, ACROSS * threadN * length, push);
  }

  /** Adds the energy of stretching by other than `wanted` beyond the present strain, in the direction (v0, v1, v2). */
  private addTerm(at: number, v0: number, v1: number, v2: number, stiffness: number, wanted: number): void {
    const { kept } = this;
    const m0 = stiffness * v0;
    const m1 = stiffness * v1;
    const m2 = stiffness * v2;
    kept[at]! += m0 * v0;
    kept[at + 1]! += m0 * v1;
    kept[at + 2]! += m0 * v2;
    kept[at + 3]! += m1 * v1;
    kept[at + 4]! += m1 * v2;
    kept[at + 5]! += m2 * v2;
    kept[at + WANTED]! += m0 * wanted;
    kept[at + WANTED + 1]! += m1 * wanted;
    kept[at + WANTED + 2]! += m2 * wanted;
  }

  private take(cell: number): number {
    if (this.count === this.cells.length) {
      const [cells, kept] = [new Int32Array(2 * this.count), new Float64Array(2 * this.count * KEPT)];
      cells.set(this.cells);
      kept.set(this.kept);
      [this.cells, this.kept] = [cells, kept];
    }
    const c = this.count++;
    this.cells[c] = cell;
    this.slot[cell] = c;
    this.kept.fill(0, c * KEPT, (c + 1) * KEPT);
    return c;
  }

  /** Makes the batch part of the sheet on all grids. @returns the nodes about it */
  private insert(): Window {
    const { nx } = this.levels[0]!;
    const { reach } = this.options;
    const window = { c0: Infinity, r0: Infinity, c1: -Infinity, r1: -Infinity };
    for (let c = 0; c < this.count; c++) {
      const column = this.cells[c]! % nx;
      const row = Math.floor(this.cells[c]! / nx);
      const at = c * KEPT;
      this.levels.forEach((level, d) => addThread(level, d, column, row, this.kept, at));
      this.addStressOf(c, column, row);
      window.c0 = Math.min(window.c0, column);
      window.r0 = Math.min(window.r0, row);
      window.c1 = Math.max(window.c1, column + 1);
      window.r1 = Math.max(window.r1, row + 1);
    }
    return { c0: window.c0 - reach, r0: window.r0 - reach, c1: window.c1 + reach, r1: window.r1 + reach };
  }

  private relax(window: Window): void {
    const whole = this.batches % WHOLE_EVERY === WHOLE_EVERY - 1;
    for (let i = 0; i < this.options.cycles; i++) cycle(this.levels, whole ? wholeOf(this.levels[0]!) : window, this.options.sweeps);
  }

  /**
   * Puts the stress of a batch on a cell. Each stitch starts from the strain that the stitches before it have left, so
   * that strain grows with the logarithm of thread; laying a whole batch at once would miss that, unless what it wants is
   * made as much greater.
   */
  private addStressOf(c: number, column: number, row: number): void {
    const { kept } = this;
    const level = this.levels[0]!;
    const at = c * KEPT;
    const cell = this.cells[c]!;
    const added = kept[at + THREAD]! / (this.cloth + this.laid[cell]!);
    const boost = ((1 + added) * ln(1 + added)) / added;
    this.laid[cell]! += kept[at + THREAD]!;
    const m = (i: number): number => kept[at + i]!;
    const [a, b, g] = [m(BEFORE), m(BEFORE + 1), m(BEFORE + 2)];
    addStress(
      level,
      column,
      row,
      m(0) * a + m(1) * b + m(2) * g + boost * m(WANTED),
      m(1) * a + m(3) * b + m(4) * g + boost * m(WANTED + 1),
      m(2) * a + m(4) * b + m(5) * g + boost * m(WANTED + 2),
    );
  }

  private at(x: number, y: number): [number, number] {
    return displacementAt(this.levels[0]!, (x - this.left) / this.options.cellMm, (y - this.top) / this.options.cellMm);
  }

  private result(sewnX: Float32Array, sewnY: Float32Array, left: number): SheetResult {
    const level = this.levels[0]!;
    const strain = new Float32Array(3 * level.nx * level.ny);
    const one = new Float64Array(3);
    for (let row = 0; row < level.ny; row++) {
      for (let column = 0; column < level.nx; column++) {
        strainOf(level, column, row, one, 0);
        strain.set(one, 3 * (row * level.nx + column));
      }
    }
    return {
      sewnX,
      sewnY,
      at: (x, y) => this.at(x, y),
      strain,
      threaded: Uint8Array.from(this.laid, (n) => (n > 0 ? 1 : 0)),
      columns: level.nx,
      rows: level.ny,
      left: this.left,
      top: this.top,
      cellMm: this.options.cellMm,
      unanswered: left,
    };
  }
}

/** Displacement between nodes, bilinear; nothing moves outside the sheet. */
function displacementAt({ nx, ny, u }: Level, gx: number, gy: number): [number, number] {
  const [c, r] = [Math.floor(gx), Math.floor(gy)];
  if (c < 0 || r < 0 || c >= nx || r >= ny) return [0, 0];
  const [fx, fy] = [gx - c, gy - r];
  const a = 2 * (r * (nx + 1) + c);
  const b = a + 2 * (nx + 1);
  const mix = (i: number): number =>
    (u[a + i]! * (1 - fx) + u[a + 2 + i]! * fx) * (1 - fy) + (u[b + i]! * (1 - fx) + u[b + 2 + i]! * fx) * fy;
  return [mix(0), mix(1)];
}
