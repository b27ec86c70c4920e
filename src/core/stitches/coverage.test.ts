import { dataToRings } from '../geometry/path';
import { coverageOf } from './coverage';
import { StitchBuffer } from './buffer';
import { Command, Role } from './roles';

const area = dataToRings('M0,0 h20 v10 h-20 Z');
/** Level rows from `top` to `bottom` over the whole width. */
function rows(spacing: number, top = 0, bottom = 10, right = 20) {
  const out = new StitchBuffer();
  let forward = true;
  for (let y = top; y <= bottom + 1e-9; y += spacing) {
    out.push(forward ? 0 : right, y, Role.cover);
    out.push(forward ? right : 0, y, Role.cover);
    forward = !forward;
  }
  return out.columns();
}

test('rows a thread apart cover everything, half of them half of it', () => {
  expect(coverageOf(area, rows(0.4)).covered).toBeGreaterThan(0.99);
  expect(coverageOf(area, rows(0.4, 0, 5)).covered).toBeCloseTo(0.5, 1);
  // Thread of 0.4 mm every 0.8 mm lies over half of the cloth.
  expect(Math.abs(coverageOf(area, rows(0.8)).covered - 0.5)).toBeLessThan(0.05);
});

test('thread far outside is spilled, near the edge it is not', () => {
  expect(coverageOf(area, rows(0.4, -0.6, 10.6)).spilled).toBe(0);
  const far = coverageOf(area, rows(0.4, 0, 10, 25)).spilled;
  // 5 mm beyond the right edge, of which 0.9 are allowed: 4.1 by 10 of 200 mm².
  expect(far).toBeCloseTo((4.1 * 10) / 200, 1);
});

test('an area too small to have an inside is covered', () => {
  expect(coverageOf(dataToRings('M0,0 h0.3 v0.3 h-0.3 Z'), rows(0.4, 0, 0.2, 0.3)).covered).toBe(1);
});

test('only stitches cover: jumps and what follows them lay no thread', () => {
  const jumped = rows(0.4);
  jumped.command.fill(Command.jump);
  expect(coverageOf(area, jumped).covered).toBe(0);
  // Every second event a jump: each row begins at one, and no row has two penetrations.
  const half = rows(0.4);
  half.command.forEach((_, i) => (half.command[i] = i % 2 === 0 ? Command.jump : Command.stitch));
  expect(coverageOf(area, half).covered).toBe(0);
});

test('cells where nothing lies count for nothing', () => {
  const far = new StitchBuffer();
  far.push(0, 0, Role.cover);
  far.push(0, 0, Role.cover, Command.jump);
  far.push(60, 40, Role.cover, Command.jump);
  expect(coverageOf(area, far.columns())).toMatchObject({ covered: 0, spilled: 0 });
});

test('the largest bare spot is told, not the sum of all', () => {
  // Without rows from 3 to 5 and from 7 to 8: 2.0 and 0.8 mm are left between threads, over the 19.5 mm inside the edges.
  const out = new StitchBuffer();
  for (let k = 0; k <= 25; k++) {
    const y = 0.4 * k;
    if ((y > 3 && y < 5) || (y > 7 && y < 8)) continue;
    out.push(0, y, Role.cover, Command.jump);
    out.push(0, y, Role.cover);
    out.push(20, y, Role.cover);
  }
  const { barestMm2, covered } = coverageOf(area, out.columns());
  expect(barestMm2).toBeGreaterThan(1.8 * 19.5);
  expect(barestMm2).toBeLessThan(2.2 * 19.5);
  expect((1 - covered) * 19.5 * 9.5).toBeGreaterThan(barestMm2 + 0.4 * 19.5);
  expect(coverageOf(area, rows(0.4)).barestMm2).toBeLessThan(0.1);
  // Two bare halves that touch at no side are two spots.
  expect(coverageOf(area, rows(0.4, 4.8, 5.2)).barestMm2).toBeLessThan(4.9 * 19.5);
});
