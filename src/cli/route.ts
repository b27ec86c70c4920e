import { stage } from './stage';
import { say } from './say';
import { EXPORTS } from '../core/formats/registry';
import { Planner } from '../core/plan/planner';
import { explainCuts } from '../core/plan/explain';
import type { PlanFigures } from '../core/plan/measure';
import { inOrder, proposeRoute } from '../core/plan/proposeRoute';
import { policyOf } from '../core/route/policy';
import { readRouteArgs } from './args';
import { writeAll } from './files';
import { load } from './load';

const round = (v: number): number => Math.round(v * 100) / 100;

const counts = (f: PlanFigures) => ({
  stitches: f.stitches,
  trims: f.trims,
  colour_changes: f.colourChanges,
  run_minutes: round(f.runSeconds / 60),
  longest_move_mm: round(f.longestMoveMm),
});

/** `bin/cobble route`: the best order found for a job, with counts before and after, and a reason for every cut that stays. */
export async function routeCommand(argv: readonly string[]): Promise<number> {
  const args = readRouteArgs(argv);
  const began = performance.now();
  const { job, artwork } = await load(args);
  const loaded = performance.now();
  const planner = new Planner();
  const proposal = proposeRoute(job, args.policy ?? policyOf(job), planner, stage('Looking for a better order'));
  const routed = inOrder(job, proposal.order);
  const plan = planner.plan(routed, stage('Laying the stitches'));
  const report = {
    policy: proposal.policy,
    better: proposal.better,
    trade: proposal.trade,
    order: proposal.order,
    before: counts(proposal.before),
    after: counts(proposal.after),
    cuts: explainCuts(routed, plan).map((c) => ({
      at: [round(c.at.x), round(c.at.y)],
      from: routed.pieces[c.from]!.id,
      to: c.to === null ? null : routed.pieces[c.to]!.id,
      reason: c.reason,
      words: c.words,
      shown_mm: round(c.shownMm),
      remedies: c.remedies,
    })),
    timing_ms: { load: round(loaded - began), route: round(performance.now() - loaded) },
  };
  const files: { path: string; content: string | Uint8Array }[] = [];
  if (args.apply !== undefined) {
    const bundle = EXPORTS.find((f) => f.extension === 'cobble')!;
    const content = args.apply.endsWith('.json')
      ? JSON.stringify(routed, null, 1) + '\n'
      : await bundle.write({ job: routed, plan, artwork });
    files.push({ path: args.apply, content });
  }
  if (args.report !== undefined) files.push({ path: args.report, content: JSON.stringify(report, null, 1) + '\n' });
  writeAll(files);
  if (args.report === undefined) say(JSON.stringify(report, null, 1) + '\n');
  else say(`${report.before.trims} to ${report.after.trims} trims, ${report.before.run_minutes} to ${report.after.run_minutes} min\n`);
  return 0;
}
