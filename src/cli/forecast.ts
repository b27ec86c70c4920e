import { stage } from './stage';
import { say } from './say';
import { forecast } from '../core/forecast/forecast';
import { forecastReport, outlinesReport } from '../core/forecast/forecastReport';
import { EDITING_GRID, PROOF_GRID } from '../core/forecast/sheet';
import { letterHeightsOf } from '../core/proof/letterForecast';
import { Planner } from '../core/plan/planner';
import { readForecastArgs } from './args';
import { writeAll } from './files';
import { load } from './load';

/** `bin/cobble forecast`: the predicted sewn shape, and where cloth will show. */
export async function forecastCommand(argv: readonly string[]): Promise<number> {
  const args = readForecastArgs(argv);
  const began = performance.now();
  const { job } = await load(args);
  const planner = new Planner();
  const plan = planner.plan(job, stage('Laying the stitches'));
  const planned = performance.now();
  const made = forecast(job, {
    planner,
    plan,
    grid: args.grid === 'editing' ? EDITING_GRID : PROOF_GRID,
    progress: stage('Forecasting the pull'),
  });
  const timing = { plan: Math.round(planned - began), forecast: Math.round(performance.now() - planned) };
  const letters = letterHeightsOf(job, planner.shape(job), made).map(({ pieces, flatMm, roundMm }) => ({
    pieces,
    flat_mm: Math.round(100 * flatMm) / 100,
    round_mm: Math.round(100 * roundMm) / 100,
  }));
  const report = { ...forecastReport(job, made), letters, outlines: outlinesReport(job, made), timing_ms: timing };
  if (args.report !== undefined) writeAll([{ path: args.report, content: JSON.stringify(report, null, 1) + '\n' }]);
  if (args.report === undefined) say(JSON.stringify(report, null, 1) + '\n');
  else say(`largest gap ${report.max_gap_mm.toFixed(2)} mm, ${report.gaps.length} edges where cloth may show\n`);
  return Promise.resolve(0);
}
