// How exact the forecast's calculation is: the drift of every penetration against runs that are converged. Takes minutes;
// with the word `large` also for 100,000 stitches, which takes a quarter of an hour. Printed, never asserted.
import '../../scripts/clipCompiled';
import { readFileSync } from 'node:fs';
import { jobFromArt } from '../../src/core/artwork/newJob';
import { readSvg } from '../../src/core/artwork/readSvg';
import type { Job } from '../../src/core/document/types';
import { forecastParameters } from '../../src/core/forecast/parameters';
import { EDITING_GRID, PROOF_GRID, Sheet, type SheetOptions } from '../../src/core/forecast/sheet';
import { Planner } from '../../src/core/plan/planner';
import { large } from './jobs';

type Grid = Omit<SheetOptions, 'progress'>;

/** Full cycles over the whole hoop after each batch, until next to no force is left. */
const CONVERGED = { cycles: 4, easyBatch: 0, sweeps: 2, reach: 9999, tolerance: 1e-6 };
const converged = (grid: Grid): Grid => ({ ...grid, ...CONVERGED });
/** Converged, and laid a few stitches at a time. */
const exact = (grid: Grid, stitches: number): Grid => ({
  ...converged(grid),
  leastBatch: stitches,
  batches: Infinity,
  steps: 1,
});

function driftOf(job: Job, grid: Grid): { drift: Float64Array; ms: number } {
  const plan = new Planner().plan(job);
  const began = performance.now();
  const sheet = new Sheet(job.brief.hoop, forecastParameters(job), { ...grid, progress: () => undefined }).sew(plan);
  const ms = performance.now() - began;
  const drift = new Float64Array(2 * plan.x.length);
  for (let i = 0; i < plan.x.length; i++) {
    const [ux, uy] = sheet.at(plan.x[i]!, plan.y[i]!);
    drift[2 * i] = ux - sheet.sewnX[i]!;
    drift[2 * i + 1] = uy - sheet.sewnY[i]!;
  }
  return { drift, ms };
}

/** Root mean square difference as a share of the root mean square. */
function off(a: Float64Array, b: Float64Array): string {
  let [difference, all] = [0, 0];
  for (let i = 0; i < a.length; i++) {
    difference += (a[i]! - b[i]!) ** 2;
    all += b[i]! ** 2;
  }
  return `${(100 * Math.sqrt(difference / all)).toFixed(1)} %`;
}

const heron = readSvg(readFileSync('public/demo/heron.svg', 'utf8'));
const { job: demo } = jobFromArt(heron, { id: 'h', name: 'h', file: 'h.svg', brief: { cloth: 'pique', size: { width: 85 } } });
const jobs: [string, Job, number][] = [['demo', demo, 4]];
if (process.argv.includes('large')) jobs.push(['100,000 stitches', large(), 12]);

for (const [name, job, few] of jobs) {
  for (const [grid, words] of [
    [EDITING_GRID, 'editing grid'],
    [PROOF_GRID, 'proof grid'],
  ] as const) {
    const own = driftOf(job, grid);
    const solved = driftOf(job, converged(grid)).drift;
    const best = driftOf(job, exact(grid, few)).drift;
    console.log(
      `${name}, ${words}: ${own.ms.toFixed(0)} ms (first run); off the same batches converged ${off(own.drift, solved)}, off batches of ${few} converged ${off(own.drift, best)}`,
    );
  }
}
