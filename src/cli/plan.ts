import { say } from './say';
import { stage } from './stage';
import { requireFit } from '../core/artwork/newJob';
import type { Job } from '../core/document/types';
import type { StitchPlan } from '../core/plan/plan';
import { Planner } from '../core/plan/planner';
import { forecast } from '../core/forecast/forecast';
import { forecastReport } from '../core/forecast/forecastReport';
import { findingsReport } from '../core/proof/findingsReport';
import { prove } from '../core/proof/prove';
import { weighed } from '../core/plan/weighed';
import { planReport } from '../core/plan/planReport';
import { fitted } from '../core/production/profile/fitted';
import { requireField } from '../core/production/profile/field';
import type { MachineProfile } from '../core/document/shop/profile';
import { readPlanArgs, type PlanArgs } from './args';
import { readBytes, sayShortly, writeAll } from './files';
import { load, type Loaded } from './load';
import { formatsOf } from './outFormats';
import { planBounds } from '../core/stitches/planBounds';

/** `bin/cobble plan`: artwork or job in, stitches and report out. */
export async function planCommand(argv: readonly string[]): Promise<number> {
  const began = performance.now();
  const args = readPlanArgs(argv);
  if (args.many) return (await import('./planMany')).planMany(args.many);
  formatsOf(args.out);
  await writePlan(await load(args), args, began);
  return 0;
}

/** Plans a job, writes what is asked for, and tells its figures. */
export async function writePlan({ job, artwork }: Loaded, args: Omit<PlanArgs, 'input'>, began: number): Promise<void> {
  const formats = formatsOf(args.out);
  const loaded = performance.now();
  const planner = new Planner();
  const plan = planner.plan(job, stage('Laying the stitches'));
  const planned = performance.now();
  const judged = args.quick ? null : judge(job, planner, plan);
  if (args.hoop) {
    const box = planBounds(plan);
    requireFit(args.hoop, 2 * Math.max(-box.minX, box.maxX) - 2, 2 * Math.max(-box.minY, box.maxY) - 2);
  }
  const timing = { load: loaded - began, plan: planned - loaded, ...judged?.timing, total: performance.now() - began };
  const report = planReport(job, { plan, weight: weighed(job, planner, plan), timingMs: timing, judged });
  const files: { path: string; content: string | Uint8Array }[] = [];
  const machine = args.machine === undefined ? null : await profileOf(args.machine);
  const sewn = machine ? fitted(plan, machine).plan : plan;
  if (machine) requireField(plan, machine);
  for (const { path, format } of formats) {
    const told = { ...(judged ? { findings: judged.found } : {}), ...(machine ? { machine } : {}) };
    files.push({ path, content: await format.write({ job, plan: sewn, artwork, ...told }) });
  }
  if (args.report !== undefined) files.push({ path: args.report, content: JSON.stringify(report, null, 1) + '\n' });
  writeAll(files);
  if (files.length === 0) say(JSON.stringify(report, null, 1) + '\n');
  else {
    const size = `${report.width_mm.toFixed(1)} x ${report.height_mm.toFixed(1)} mm`;
    sayShortly(
      `${report.stitches} stitches, ${report.trims} trims, ${report.threads} threads, ${size}, ${report.run_minutes.toFixed(1)} min\n`,
    );
  }
}

async function profileOf(path: string): Promise<MachineProfile> {
  const { readProfile } = await import('./jobFile');
  return readProfile(readBytes(path), path);
}

/** What is predicted, and what will go wrong. */
function judge(job: Job, planner: Planner, plan: StitchPlan) {
  const began = performance.now();
  const made = forecast(job, { planner, plan, progress: stage('Forecasting the pull') });
  const foreseen = performance.now();
  const found = prove(job, planner, plan, made, stage('Looking for faults'));
  const timing = { forecast: foreseen - began, proof: performance.now() - foreseen };
  return { found, findings: findingsReport(found), forecast: forecastReport(job, made), timing };
}
