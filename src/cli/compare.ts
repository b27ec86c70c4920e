import { stage } from './stage';
import { say } from './say';
import { changesBetween } from '../core/compare/changes';
import { sewnChanges } from '../core/compare/sewn';
import { COMPARE_ROWS, sideOf } from '../core/compare/side';
import { readCompareArgs, type InputArgs } from './args';
import { writeAll } from './files';
import { load } from './load';

const round = (v: number): number => Math.round(v * 100) / 100;

async function sideFrom(args: InputArgs) {
  const { job } = await load(args);
  stage('Laying, weighing and forecasting');
  const side = sideOf(job);
  const figures = Object.fromEntries(COMPARE_ROWS.map((row) => [row.key, round(row.of(side))]));
  const { stop, warn, note } = side.findings;
  const more = { colour_changes: side.figures.colourChanges, findings: stop + warn + note };
  return { side, figures: { name: side.job.name, ...figures, ...more } as Record<string, number | string> };
}

type Side = Awaited<ReturnType<typeof sideFrom>>;

/** `bin/cobble compare`: two jobs, or two versions of one, figure by figure. */
export async function compareCommand(argv: readonly string[]): Promise<number> {
  const { inputs, report } = readCompareArgs(argv);
  const [a, b] = (await Promise.all(inputs.map(sideFrom))) as [Side, Side];
  const difference = Object.fromEntries(
    COMPARE_ROWS.map(({ key }) => [key, round((b.figures[key] as number) - (a.figures[key] as number))]),
  );
  const changes = changesBetween(a.side.job, b.side.job);
  const sewn = sewnChanges(a.side.plan.pieces, b.side.plan.pieces);
  const text = JSON.stringify({ a: a.figures, b: b.figures, difference, changes, sewn_changes: sewn }, null, 1) + '\n';
  if (report === undefined) say(text);
  else {
    writeAll([{ path: report, content: text }]);
    const both = (key: string, unit: string): string => `${a.figures[key]} and ${b.figures[key]} ${unit}`;
    say(`${both('stitches', 'stitches')}, ${both('trims', 'trims')}, ${both('run_minutes', 'min')}\n`);
  }
  return 0;
}
