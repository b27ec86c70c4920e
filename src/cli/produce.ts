import { stage } from './stage';
import { say } from './say';
import { InputError } from '../core/document/errors';
import type { Job } from '../core/document/types';
import { arrange, EDGE_MM } from '../core/production/placement/arrange';
import { gapOf, countedCopies, laidOut } from '../core/production/floor';
import { Planner } from '../core/plan/planner';
import { needleChanges } from '../core/production/needles';
import { pickList, pickReport } from '../core/production/pickList';
import { produce, productionReport, WEEK_HOURS, type Produced, type Production } from '../core/production/produce';
import { parseRates, type Rates } from '../core/document/shop/rates';
import { DEFAULT_WORK } from '../core/document/shop/work';
import { counted } from '../core/units/count';
import { readBytes, writeAll } from './files';
import { load } from './load';
import { readProduceArgs, type ProduceArgs } from './productionArgs';

/** `bin/cobble produce`: time, thread, needles and price of one job or of a day's jobs. */
export async function produceCommand(argv: readonly string[]): Promise<number> {
  const args = readProduceArgs(argv);
  const rates = args.rates === undefined ? null : readRates(args.rates);
  const habits = {
    ...DEFAULT_WORK,
    heads: args.heads ?? DEFAULT_WORK.heads,
    operators: args.operators ?? DEFAULT_WORK.operators,
    spareHoops: args.spareHoops,
  };
  const made: Production[] = [];
  for (const input of args.inputs) {
    const { job } = await load(input);
    made.push(produce(sewnTogether(job, args), { habits, rates, rush: args.rush, withGarments: args.withGarments }));
  }
  const report = JSON.stringify(reportOf(made, habits.heads), null, 1) + '\n';
  if (args.report === undefined) say(report);
  else {
    writeAll([{ path: args.report, content: report }]);
    for (const p of made) say(`${p.job.name}: ${sentenceOf(p)}\n`);
  }
  return 0;
}

/** Jobs alone are told flat; of several what all of them need together stands first. */
function reportOf(made: readonly Production[], heads: number) {
  const [only] = made;
  if (made.length === 1) return productionReport(only!);
  const changes = needleChanges(
    made.map((p) => ({ job: p.job, machineHours: p.machineHours, heads })),
    WEEK_HOURS,
  );
  const minutes = made.reduce((sum, p) => sum + p.runs.totalSeconds / 60, 0);
  return {
    minutes_total: Math.round(minutes * 100) / 100,
    runs: made.reduce((sum, p) => sum + p.runs.runs, 0),
    ...pickReport(pickList(made, changes)),
    jobs: made.map(productionReport),
  };
}

/** As the job's Floor lays it into the hoop, unless copies are asked for here. */
function sewnTogether(job: Job, { perHoop, quantity, hoop }: ProduceArgs): Produced {
  const planner = new Planner();
  const plan = planner.plan(job, stage('Laying the stitches'));
  const floor = { ...job.floor, ...(hoop ? { hoop } : {}) };
  const room = hoop ?? job.floor?.hoop ?? job.brief.hoop;
  const copies =
    perHoop === undefined ? job.floor?.copies : arrange(plan, { hoop: room, copies: perHoop, gapMm: gapOf(job.floor), edgeMm: EDGE_MM });
  const made = { ...job, floor: { ...floor, ...(copies ? { copies } : {}) } };
  const laid = laidOut(made, (one) => (one === made ? plan : new Planner().plan(one)));
  return { ...laid.sheet, perHoop: countedCopies(made), share: laid.share, hoop: room, quantity: quantity ?? job.brief.quantity };
}

const sentenceOf = ({ runs, price, materials }: Production): string =>
  [
    `${(runs.runSeconds / 60).toFixed(1)} min a run`,
    counted(runs.runs, 'run'),
    `${(runs.totalSeconds / 3600).toFixed(1)} h in all`,
    counted(materials.bobbins, 'bobbin'),
    ...(price ? [`${price.currency} ${price.total.toFixed(2)}`] : []),
  ].join(', ');

function readRates(path: string): Rates {
  let data: unknown;
  try {
    data = JSON.parse(new TextDecoder().decode(readBytes(path)));
  } catch (error) {
    if (error instanceof InputError) throw error;
    throw new InputError('bad-usage', `‘${path}’ is not JSON; see docs/production.md for what rates are.`);
  }
  return parseRates(data);
}
