import { stage } from './stage';
import { say } from './say';
import { requireFit } from '../core/artwork/newJob';
import { InputError } from '../core/document/errors';
import { without } from '../core/document/without';
import type { Beside, CopyPlace, Job } from '../core/document/types';
import { laidOut, placed, type Laid } from '../core/production/floor';
import { besideOfRow, type PlanOf } from '../core/production/placement/designs';
import type { SheetFigures } from '../core/production/placement/sheet';
import { Planner } from '../core/plan/planner';
import { measurePlan } from '../core/plan/measure';
import { planBounds } from '../core/stitches/planBounds';
import { counted } from '../core/units/count';
import { sayShortly, writeAll } from './files';
import { rowsOf } from './letterList';
import { load, type Loaded } from './load';
import { formatsOf } from './outFormats';
import { readPlaceArgs, type PlaceArgs } from './productionArgs';

const round = (v: number): number => Math.round(v * 1000) / 1000;
const told = (f: SheetFigures) => ({
  stops: f.stops,
  trims: f.trims,
  minutes: round(f.minutes),
  longest_copy_minutes: round(f.longestCopyMinutes),
});

/** `bin/cobble place`: several copies, designs or names in one hoop as one plan. */
export async function placeCommand(argv: readonly string[]): Promise<number> {
  const args = readPlaceArgs(argv);
  const formats = formatsOf(args.out);
  const loaded: Loaded[] = [];
  for (const input of args.inputs) loaded.push(await load(input));
  const { artwork } = loaded[0]!;
  const job = laying(
    loaded.map((l) => l.job),
    args,
  );
  const planOf: PlanOf = (one) => new Planner().plan(one, stage('Laying the stitches'));
  const copies = placesFor(job, planOf, args);
  const made: Job = { ...job, floor: { ...job.floor, copies, ...(args.order ? { order: args.order } : {}) } };
  const laid = laidOut(made, planOf);
  // The job as it was drawn has no order of copies of its own.
  const { sheet } = laid;
  const box = planBounds(sheet.plan);
  requireFit(job.floor!.hoop!, 2 * Math.max(-box.minX, box.maxX) - 2, 2 * Math.max(-box.minY, box.maxY) - 2);
  const report = reportOf(made, copies, laid);
  const files: { path: string; content: string | Uint8Array }[] = [];
  for (const { path, format } of formats) files.push({ path, content: await format.write({ job: sheet.job, plan: sheet.plan, artwork }) });
  if (args.report !== undefined) files.push({ path: args.report, content: JSON.stringify(report, null, 1) + '\n' });
  writeAll(files);
  if (files.length === 0) say(JSON.stringify(report, null, 1) + '\n');
  else
    sayShortly(
      `${counted(copies.length, 'copy', 'copies')}, ${report.stitches} stitches, ${report.stops} stops, ${report.trims} trims, ${report.minutes.toFixed(1)} min\n`,
    );
  return 0;
}

/** The first job with what lies beside it in the hoop. */
function laying(jobs: readonly Job[], args: PlaceArgs): Job {
  const [job, ...others] = jobs as [Job, ...Job[]];
  const beside: Beside[] =
    args.names === undefined
      ? others.map((other, i) => ({ id: `design-${i + 2}`, name: other.name, job: without(other, 'floor') }))
      : namesBeside(job, args.names, args);
  const floor = { ...without(job.floor ?? {}, 'copies', 'beside', 'order'), hoop: args.hoop ?? job.brief.hoop, gap: args.gapMm };
  return { ...job, floor: { ...floor, ...(beside.length > 0 ? { beside } : {}) } };
}

function namesBeside(job: Job, list: string, { textId, fit }: PlaceArgs): Beside[] {
  const texts = job.pieces.filter((p) => p.lettering && (textId === undefined || p.id === textId));
  if (texts.length === 0) throw new InputError('bad-usage', textId === undefined ? 'The job has no text that names could stand in place of.' : `The job has no text ‘${textId}’.`); // prettier-ignore
  if (texts.length > 1)
    throw new InputError('bad-usage', `The job has several texts; say which with --text: ${texts.map((t) => t.id).join(', ')}.`);
  return rowsOf(list).map((row, i) => besideOfRow(row, { piece: texts[0]!.id, fit }, `name-${i + 1}`));
}

function placesFor(job: Job, planOf: PlanOf, args: PlaceArgs): CopyPlace[] {
  const beside = job.floor?.beside ?? [];
  const each = args.copies ?? (beside.length > 0 ? 1 : undefined);
  return placed(
    job,
    planOf,
    {
      ...(each === undefined ? {} : { copies: args.names === undefined ? each : 0 }),
      ...(beside.length > 0 ? { beside: Object.fromEntries(beside.map((b) => [b.id, each!])) } : {}),
      ...(args.grid ? { grid: args.grid } : {}),
      ...(args.alternate ? { alternate: args.alternate } : {}),
      nest: args.nest,
    },
    args.edgeMm,
  );
}

function reportOf(job: Job, copies: readonly CopyPlace[], { sheet, orders, proposed, designs }: Laid) {
  const f = measurePlan(sheet.job, sheet.plan);
  const { width, height, shape } = job.floor!.hoop!;
  const several = designs.length > 1;
  const nameOf = (of: string | undefined): string => designs.find((d) => d.id === of)!.name;
  return {
    copies: copies.length,
    ...(several
      ? { designs: designs.map((d) => ({ name: d.name, copies: copies.filter((c) => c.of === d.id).length })).filter((d) => d.copies > 0) }
      : {}),
    hoop: { width, height, shape },
    order: sheet.order,
    proposed,
    stitches: f.stitches,
    ...told(orders[sheet.order]),
    width_mm: round(f.widthMm),
    height_mm: round(f.heightMm),
    orders: { copy: told(orders.copy), thread: told(orders.thread) },
    places: copies.map(({ x, y, turn, mirror = false, of }) => ({
      ...(several ? { design: nameOf(of) } : {}),
      ...{ x: round(x), y: round(y), turn, mirror },
    })),
  };
}
