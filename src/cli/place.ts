import { requireFit } from '../core/artwork/newJob';
import { arrange, arrangeMost, sewnBox } from '../core/production/placement/arrange';
import { sheetOrders, type SheetCopy, type SheetFigures } from '../core/production/placement/sheet';
import { Planner } from '../core/plan/planner';
import { measurePlan } from '../core/plan/measure';
import { planBounds } from '../core/stitches/planBounds';
import { counted } from '../core/units/count';
import { sayShortly, writeAll } from './files';
import { load } from './load';
import { formatsOf } from './plan';
import { readPlaceArgs, type PlaceArgs } from './productionArgs';
import type { CopyPlace, Job } from '../core/document/types';
import type { StitchPlan } from '../core/plan/plan';

const round = (v: number): number => Math.round(v * 1000) / 1000;
const told = (f: SheetFigures) => ({
  stops: f.stops,
  trims: f.trims,
  minutes: round(f.minutes),
  longest_copy_minutes: round(f.longestCopyMinutes),
});

/** `bin/cobble place`: several copies in one hoop as one plan. */
export async function placeCommand(argv: readonly string[]): Promise<number> {
  const args = readPlaceArgs(argv);
  const formats = formatsOf(args.out);
  const { job, artwork } = await load(args);
  const plan = new Planner().plan(job);
  const hoop = args.hoop ?? job.brief.hoop;
  const places = placesFor(job, plan, args);
  const copies: SheetCopy[] = places.map((at) => ({ job, plan, at }));
  const both = sheetOrders(copies, hoop);
  const sheet = both[args.order ?? both.proposed];
  const box = planBounds(sheet.plan);
  requireFit(hoop, 2 * Math.max(-box.minX, box.maxX) - 2, 2 * Math.max(-box.minY, box.maxY) - 2);
  const f = measurePlan(sheet.job, sheet.plan);
  const report = {
    copies: copies.length,
    hoop: { width: hoop.width, height: hoop.height, shape: hoop.shape },
    order: sheet.order,
    proposed: both.proposed,
    stitches: f.stitches,
    ...told(sheet.figures),
    width_mm: round(f.widthMm),
    height_mm: round(f.heightMm),
    orders: { copy: told(both.copy.figures), thread: told(both.thread.figures) },
    places: places.map(({ x, y, turn, mirror = false }) => ({ x: round(x), y: round(y), turn, mirror })),
  };
  const files: { path: string; content: string | Uint8Array }[] = [];
  for (const { path, format } of formats) files.push({ path, content: await format.write({ job: sheet.job, plan: sheet.plan, artwork }) });
  if (args.report !== undefined) files.push({ path: args.report, content: JSON.stringify(report, null, 1) + '\n' });
  writeAll(files);
  if (files.length === 0) process.stdout.write(JSON.stringify(report, null, 1) + '\n');
  else
    sayShortly(
      `${counted(copies.length, 'copy', 'copies')}, ${report.stitches} stitches, ${report.stops} stops, ${report.trims} trims, ${report.minutes.toFixed(1)} min\n`,
    );
  return 0;
}

function placesFor(job: Job, plan: StitchPlan, args: PlaceArgs): CopyPlace[] {
  const room = { hoop: args.hoop ?? job.brief.hoop, gapMm: args.gapMm, edgeMm: args.edgeMm };
  if (args.copies === undefined) {
    const places = arrangeMost(plan, room, true);
    if (places.length > 0) return places;
  }
  const box = sewnBox(plan, { turn: 0 });
  if (!(box.maxX >= box.minX)) return [];
  return arrange(plan, {
    ...room,
    copies: args.copies ?? 1,
    ...(args.grid ? { grid: args.grid } : {}),
    ...(args.alternate ? { alternate: args.alternate } : {}),
    nest: args.nest ? 'always' : 'if-needed',
  });
}
