import { say } from './say';
import { stage } from './stage';
import { Planner } from '../core/plan/planner';
import { findingsReport } from '../core/proof/findingsReport';
import { prove } from '../core/proof/prove';
import { readProofArgs } from './args';
import { writeAll } from './files';
import { load } from './load';

/** `bin/cobble proof`: what would go wrong. @returns 1 when a finding is severe and nobody accepted it */
export async function proofCommand(argv: readonly string[]): Promise<number> {
  const args = readProofArgs(argv);
  const began = performance.now();
  const { job } = await load(args);
  const planner = new Planner();
  const plan = planner.plan(job, stage('Laying the stitches'));
  const planned = performance.now();
  const findings = prove(job, planner, plan, undefined, stage('Looking for faults'));
  const timing = { plan: Math.round(planned - began), proof: Math.round(performance.now() - planned) };
  const report = JSON.stringify({ findings: findingsReport(findings), timing_ms: timing }, null, 1) + '\n';
  if (args.report !== undefined) writeAll([{ path: args.report, content: report }]);
  const open = findings.filter((f) => f.accepted === undefined);
  const count = (severity: string): number => open.filter((f) => f.severity === severity).length;
  if (args.report === undefined) say(report);
  else say(`${count('stop')} severe, ${count('warn')} warnings, ${count('note')} notes\n`);
  return Promise.resolve(count('stop') > 0 ? 1 : 0);
}
