import fc from 'fast-check';
import { smooth, vCycle, prolong, residual, restrict, relativeResidual, wholeOf } from './multigrid';
import { addStress, addThreads, HELD, layCloth, makeGrids, putThread, strainOf, type Grids, type Level } from './stencil';

const CLOTH = 6;
const H = 4;
interface Cell {
  column: number;
  row: number;
  /** Direction of thread in radians, and its stiffness. */
  angle: number;
  stiffness: number;
}

/** Upper half of the stiffness matrix of thread in one direction. */
const matrixOf = ({ angle, stiffness }: Cell): Float64Array => {
  const [x, y] = [Math.cos(angle), Math.sin(angle)];
  const v = [x * x, y * y, x * y];
  return Float64Array.from([
    stiffness * v[0]! * v[0]!,
    stiffness * v[0]! * v[1]!,
    stiffness * v[0]! * v[2]!,
    stiffness * v[1]! * v[1]!,
    stiffness * v[1]! * v[2]!,
    stiffness * v[2]! * v[2]!,
  ]);
};

const oneGrid = (nx: number, ny: number, h: number): Level => makeGrids(nx, ny, h, 0, () => false).levels[0]!;
const isHeld = (level: Level, i: number): boolean => (level.kind[i >> 1]! & HELD) !== 0;

function gridsWith(nx: number, ny: number, depth: number, cells: readonly Cell[]): Grids {
  const grids = makeGrids(nx, ny, H, depth, () => false);
  for (const level of grids.levels) layCloth(level, CLOTH);
  // Half of each twice: what is added comes to what lies there.
  for (let turn = 0; turn < 2; turn++) {
    grids.threads.count = 0;
    for (const c of cells) putThread(grids.threads, c.row * nx + c.column, matrixOf(c), 0, 0.5);
    addThreads(grids, 0, depth);
  }
  return grids;
}
const levelWith = (nx: number, ny: number, cells: readonly Cell[]): Level => gridsWith(nx, ny, 0, cells).levels[0]!;

/** Energy of the sheet as one would write it down: springs between nodes, and thread by the strain at the middle of its cell. */
function energy(u: Float32Array, nx: number, ny: number, cells: readonly Cell[]): number {
  const at = (c: number, r: number): [number, number] => [u[2 * (r * (nx + 1) + c)]!, u[2 * (r * (nx + 1) + c) + 1]!];
  const spring = (c0: number, r0: number, c1: number, r1: number, stiffness: number): number => {
    const length = Math.hypot(c1 - c0, r1 - r0);
    const [a, b] = [at(c0, r0), at(c1, r1)];
    const longer = ((b[0] - a[0]) * (c1 - c0) + (b[1] - a[1]) * (r1 - r0)) / length;
    return 0.5 * stiffness * longer * longer;
  };
  let sum = 0;
  for (let r = 0; r <= ny; r++) {
    for (let c = 0; c <= nx; c++) {
      if (c < nx) sum += spring(c, r, c + 1, r, CLOTH);
      if (r < ny) sum += spring(c, r, c, r + 1, CLOTH);
      if (c < nx && r < ny) sum += spring(c, r, c + 1, r + 1, CLOTH / 2) + spring(c + 1, r, c, r + 1, CLOTH / 2);
    }
  }
  for (const { column: c, row: r, angle, stiffness } of cells) {
    const [p, q, s, t] = [at(c, r), at(c + 1, r), at(c, r + 1), at(c + 1, r + 1)];
    const xx = (q[0] - p[0] + t[0] - s[0]) / (2 * H);
    const yy = (s[1] - p[1] + t[1] - q[1]) / (2 * H);
    const xy = (s[0] - p[0] + t[0] - q[0] + q[1] - p[1] + t[1] - s[1]) / (2 * H);
    const [x, y] = [Math.cos(angle), Math.sin(angle)];
    const along = x * x * xx + y * y * yy + x * y * xy;
    sum += 0.5 * stiffness * along * along;
  }
  return sum;
}

const random = (seed: number): (() => number) => {
  let s = seed;
  return () => (s = (s * 16807) % 2147483647) / 2147483647;
};
const filled = (level: Level, seed: number): Level => {
  const next = random(seed);
  for (let i = 0; i < level.u.length; i++) level.u[i] = isHeld(level, i) ? 0 : next() - 0.5;
  for (let i = 0; i < level.f.length; i++) level.f[i] = isHeld(level, i) ? 0 : next() - 0.5;
  return level;
};

const someCells = fc.array(
  fc.record({
    column: fc.integer({ min: 0, max: 7 }),
    row: fc.integer({ min: 0, max: 5 }),
    angle: fc.double({ min: 0, max: 3.1, noNaN: true }),
    stiffness: fc.double({ min: 1, max: 500, noNaN: true }),
  }),
  { minLength: 1, maxLength: 20 },
);

describe('the innermost loops', () => {
  it('leave what the energy of the sheet says, with thread and without', () => {
    fc.assert(
      fc.property(someCells, fc.integer({ min: 1, max: 1e6 }), (cells, seed) => {
        const level = filled(levelWith(8, 6, cells), seed);
        const { u, f, r } = level;
        residual(level, wholeOf(level));
        for (let row = 1; row < 6; row++) {
          for (let column = 1; column < 8; column++) {
            const node = row * 9 + column;
            for (const i of [2 * node, 2 * node + 1]) {
              const moved = (by: number): number => energy(u.with(i, u[i]! + by), 8, 6, cells);
              // The energy is quadratic: this difference is its slope, but for rounding.
              const slope = (moved(0.5) - moved(-0.5)) / 1;
              expect(Math.abs(r[i]! - (f[i]! - slope))).toBeLessThan(1e-3);
            }
          }
        }
      }),
      { seed: 7, numRuns: 20 },
    );
  });

  it('answer so that nothing is left at the node looked at last', () => {
    const level = filled(levelWith(8, 6, [{ column: 3, row: 2, angle: 0.4, stiffness: 200 }]), 5);
    const { r } = level;
    for (const [column, row] of [
      [3, 2],
      [6, 4],
    ] as const) {
      const one = { c0: column, r0: row, c1: column, r1: row };
      smooth(level, one, 1);
      residual(level, one);
      const at = 2 * (row * 9 + column);
      // Forces about the node are some hundreds of N; numbers of 32 bits hold seven digits.
      expect(Math.hypot(r[at]!, r[at + 1]!)).toBeLessThan(1e-4);
    }
  });

  it('carry forces down as they bring displacements up', () => {
    // <restrict(r), c> = <r, prolong(c)> for any r and c: otherwise a cycle would not lower the energy.
    const [fine, coarse] = makeGrids(8, 8, 1, 1, () => false).levels as [Level, Level];
    const next = random(11);
    for (let i = 0; i < fine.r.length; i++) fine.r[i] = isHeld(fine, i) ? 0 : next() - 0.5;
    for (let i = 0; i < coarse.u.length; i++) coarse.u[i] = isHeld(coarse, i) ? 0 : next() - 0.5;
    const brought = coarse.u.slice();
    prolong(coarse, fine, wholeOf(coarse));
    restrict(fine, coarse, wholeOf(fine), wholeOf(coarse));
    const product = (a: Float32Array, b: Float32Array): number => a.reduce((sum, v, i) => sum + v * b[i]!, 0);
    expect(product(coarse.f, brought)).toBeCloseTo(product(fine.r, fine.u), 4);
  });
});

describe('cycles', () => {
  const levels = (cells: readonly Cell[]): Level[] => gridsWith(16, 16, 2, cells).levels;
  const thread: Cell[] = Array.from({ length: 60 }, (_, i) => ({
    column: 3 + (i % 10),
    row: 5 + Math.floor(i / 10),
    angle: 0.2,
    stiffness: 800,
  }));

  it('go on until every force is answered', () => {
    for (const cells of [[], thread]) {
      const all = levels(cells);
      filled(all[0]!, 3);
      for (let i = 0; i < 60; i++) vCycle(all, wholeOf(all[0]!), 1);
      expect(relativeResidual(all[0]!)).toBeLessThan(1e-6);
    }
  });

  it('answer more with the coarse grids than sweeps of one grid do', () => {
    const [a, b] = [levels(thread), levels(thread)];
    for (const level of [a[0]!, b[0]!]) level.f.forEach((_, i) => (level.f[i] = isHeld(level, i) ? 0 : 1));
    for (let i = 0; i < 6; i++) {
      vCycle(a, wholeOf(a[0]!), 1);
      smooth(b[0]!, wholeOf(b[0]!), 1);
    }
    expect(relativeResidual(a[0]!)).toBeLessThan(relativeResidual(b[0]!) / 2);
  });

  it('leave nodes far outside a window of one grid alone', () => {
    const level = filled(levelWith(16, 16, []), 9);
    const before = level.u.slice();
    smooth(level, { c0: 2, r0: 2, c1: 5, r1: 5 }, 3);
    for (let row = 0; row <= 16; row++) {
      for (let column = 0; column <= 16; column++) {
        const inside = column >= 2 && column <= 5 && row >= 2 && row <= 5;
        const at = 2 * (row * 17 + column);
        expect(level.u[at] === before[at] && level.u[at + 1] === before[at + 1]).toBe(!inside);
      }
    }
  });
});

describe('stress and strain of a cell', () => {
  it('a sheet that is stretched evenly is strained alike everywhere', () => {
    const level = oneGrid(6, 6, 2);
    for (let row = 0; row <= 6; row++) {
      for (let column = 0; column <= 6; column++) {
        level.u.set([0.01 * 2 * column + 0.004 * 2 * row, -0.02 * 2 * row], 2 * (row * 7 + column));
      }
    }
    const out = new Float64Array(3);
    strainOf(level, 2, 4, out, 0);
    expect([...out].map((v) => Math.round(v * 1e6) / 1e6)).toEqual([0.01, -0.02, 0.004]);
  });

  it('forces of a stress add up to nothing, and to no turn', () => {
    const level = oneGrid(6, 6, 2);
    addStress(level, 2, 3, 5, -2, 3);
    let [fx, fy, turn] = [0, 0, 0];
    for (let node = 0; node < 49; node++) {
      const [x, y] = [2 * (node % 7), 2 * Math.floor(node / 7)];
      fx += level.f[2 * node]!;
      fy += level.f[2 * node + 1]!;
      turn += x * level.f[2 * node + 1]! - y * level.f[2 * node]!;
    }
    [fx, fy, turn].forEach((v) => expect(Math.abs(v)).toBeLessThan(1e-9));
  });
});
