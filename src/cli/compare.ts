import { Planner } from '../core/plan/build';
import { GAP_LIMIT_MM } from '../core/forecast/correct';
import { forecast, gapsOf } from '../core/forecast/forecast';
import { maxLayers, measurePlan } from '../core/plan/measure';
import { prove } from '../core/proof/prove';
import { readCompareArgs, type InputArgs } from './args';
import { writeAll } from './files';
import { load } from './load';

const round = (v: number): number => Math.round(v * 100) / 100;

function figuresOf(args: InputArgs) {
  const { job } = load(args);
  const planner = new Planner();
  const plan = planner.plan(job);
  const f = measurePlan(job, plan);
  const findings = prove(job, planner, plan);
  const gaps = gapsOf(forecast(job, { planner, plan }).meetings, GAP_LIMIT_MM);
  return {
    name: job.name,
    pieces: job.pieces.length,
    stitches: f.stitches,
    trims: f.trims,
    colour_changes: f.colourChanges,
    width_mm: round(f.widthMm),
    height_mm: round(f.heightMm),
    longest_stitch_mm: round(f.longestStitchMm),
    max_layers: maxLayers(plan),
    run_minutes: round(f.runSeconds / 60),
    upper_thread_m: round(f.upperThreadM),
    findings: findings.length,
    forecast_gaps: gaps.length,
    max_gap_mm: round(gaps[0]?.gapMm ?? 0),
    severe_findings: findings.filter((x) => x.severity === 'stop').length,
  };
}

/** `bin/cobble compare`: two jobs, or two versions of one, figure by figure. */
export async function compareCommand(argv: readonly string[]): Promise<number> {
  const { inputs, report } = readCompareArgs(argv);
  const [a, b] = inputs.map(figuresOf) as [ReturnType<typeof figuresOf>, ReturnType<typeof figuresOf>];
  const difference = Object.fromEntries(
    Object.entries(a).flatMap(([key, v]) =>
      typeof v === 'number' ? [[key, round((b as Record<string, number | string>)[key] as number) - v]] : [],
    ),
  );
  const text = JSON.stringify({ a, b, difference }, null, 1) + '\n';
  if (report === undefined) process.stdout.write(text);
  else {
    writeAll([{ path: report, content: text }]);
    process.stdout.write(
      `${a.stitches} and ${b.stitches} stitches, ${a.trims} and ${b.trims} trims, ${a.run_minutes} and ${b.run_minutes} min\n`,
    );
  }
  return Promise.resolve(0);
}
