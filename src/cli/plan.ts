import { basename, extname } from 'node:path';
import { jobFromArt, requireFit } from '../core/artwork/newJob';
import { readSvg } from '../core/artwork/svg';
import { InputError } from '../core/document/errors';
import { parseJob } from '../core/document/schema';
import type { Job } from '../core/document/types';
import { readBundle } from '../core/formats/bundle';
import { EXPORTS } from '../core/formats/registry';
import { Planner } from '../core/plan/build';
import { planBounds } from '../core/drawing/picture';
import { planReport } from '../core/plan/report';
import { readPlanArgs, type PlanArgs } from './args';
import { readBytes, writeAll } from './files';

interface Loaded {
  job: Job;
  artwork: Record<string, string>;
}

function load(args: PlanArgs): Loaded {
  const bytes = readBytes(args.input);
  const kind = extname(args.input).toLowerCase();
  if (kind === '.json' || kind === '.cobble') {
    if (args.width !== undefined || args.height !== undefined)
      throw new InputError('bad-usage', 'A job has its size already; --width and --height are for artwork.');
    const loaded = kind === '.json' ? { job: parseJob(parseJson(bytes)), artwork: {} } : readBundle(bytes);
    return { ...loaded, job: overridden(loaded.job, args) };
  }
  const text = new TextDecoder().decode(bytes);
  const file = basename(args.input);
  const name = basename(args.input, extname(args.input));
  const { job } = jobFromArt(readSvg(text), {
    id: 'headless',
    name,
    file,
    cloth: args.cloth ?? 'pique',
    ...(args.width !== undefined ? { width: args.width } : {}),
    ...(args.height !== undefined ? { height: args.height } : {}),
    ...(args.hoop ? { hoop: args.hoop } : {}),
    ...(args.threadWeight !== undefined ? { threadWeight: args.threadWeight } : {}),
  });
  return { job, artwork: { [file]: text } };
}

function parseJson(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    throw new InputError('bad-job', 'This file is not readable JSON; choose a job.json that Cobble exported.');
  }
}

function overridden(job: Job, args: PlanArgs): Job {
  const brief = { ...job.brief, ...(args.cloth ? { cloth: args.cloth } : {}), ...(args.hoop ? { hoop: args.hoop } : {}) };
  const threads = args.threadWeight === undefined ? job.threads : job.threads.map((t) => ({ ...t, weight: args.threadWeight! }));
  return { ...job, brief, threads };
}

/** `bin/cobble plan`: artwork or job in, stitches and report out. */
export async function planCommand(argv: readonly string[]): Promise<void> {
  const began = performance.now();
  const args = readPlanArgs(argv);
  const formats = args.out.map((path) => {
    const format = EXPORTS.find((f) => path.toLowerCase().endsWith(`.${f.extension}`));
    if (!format)
      throw new InputError('bad-usage', `Cobble cannot write ‘${path}’; use ${EXPORTS.map((f) => `.${f.extension}`).join(', ')}.`);
    return { path, format };
  });
  const { job, artwork } = load(args);
  const loaded = performance.now();
  const plan = new Planner().plan(job);
  const planned = performance.now();
  if (args.hoop) {
    const box = planBounds(plan);
    requireFit(args.hoop, 2 * Math.max(-box.minX, box.maxX) - 2, 2 * Math.max(-box.minY, box.maxY) - 2);
  }
  const report = planReport(job, plan, { load: loaded - began, plan: planned - loaded, total: planned - began });
  const files: { path: string; content: string | Uint8Array }[] = [];
  for (const { path, format } of formats) files.push({ path, content: await format.write({ job, plan, artwork }) });
  if (args.report !== undefined) files.push({ path: args.report, content: JSON.stringify(report, null, 1) + '\n' });
  writeAll(files);
  if (files.length === 0) process.stdout.write(JSON.stringify(report, null, 1) + '\n');
  else {
    const size = `${report.width_mm.toFixed(1)} x ${report.height_mm.toFixed(1)} mm`;
    process.stdout.write(
      `${report.stitches} stitches, ${report.trims} trims, ${report.threads} threads, ${size}, ${report.run_minutes.toFixed(1)} min\n`,
    );
  }
}
