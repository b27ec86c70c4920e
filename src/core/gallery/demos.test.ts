import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { jobFromArt } from '../artwork/newJob';
import { readSvg } from '../artwork/readSvg';
import { fitsHoop } from '../document/job';
import { parseJob } from '../document/schema';
import type { Job } from '../document/types';
import { forecast, gapsOf } from '../forecast/forecast';
import { PROOF_GRID } from '../forecast/sheet';
import { Planner } from '../plan/planner';
import { measurePlan } from '../plan/measure';
import { planReport } from '../plan/planReport';
import { weighed } from '../plan/weighed';
import { COMPARE_ROWS, sideOf } from '../compare/side';
import { layersOf } from '../render/heat';
import { timelineOf } from '../plan/timeline';
import { recipeFor } from '../cloth/house';
import { writeCsv } from '../formats/csv';
import { prove } from '../proof/prove';
import { DEMOS, workedOn, type Demo } from './demos';

/** The job as the shelf makes it of a demo. */
function jobOf(demo: Demo): Job {
  const svg = readFileSync(join('public', 'demo', demo.file), 'utf8');
  const { job } = jobFromArt(readSvg(svg), { id: demo.file, name: demo.name, file: demo.file, brief: demo.brief });
  return workedOn(job, demo);
}

test('demo jobs have each a name, a file and a hoop of their own to fit', () => {
  expect(new Set(DEMOS.map((d) => d.name)).size).toBe(DEMOS.length);
  expect(new Set(DEMOS.map((d) => d.file)).size).toBe(DEMOS.length);
});

describe.each(DEMOS.map((d) => [d.name, d] as const))('%s', (_, demo) => {
  const job = jobOf(demo);
  const planner = new Planner();
  const plan = planner.plan(job);
  const findings = prove(job, planner, plan);

  it('is a valid record that fits its hoop', () => {
    expect(parseJob(JSON.parse(JSON.stringify(job))).pieces).toHaveLength(job.pieces.length);
    const { widthMm, heightMm } = measurePlan(job, plan);
    expect(fitsHoop(job.brief.hoop, widthMm, heightMm)).toBe(true);
  });

  it('has no severe finding, and a reason for every warning that is left', () => {
    expect(findings.filter((f) => f.severity === 'stop').map((f) => f.message)).toEqual([]);
    expect(findings.filter((f) => f.severity === 'warn' && f.accepted === undefined).map((f) => f.message)).toEqual([]);
  });

  it('accepts nothing that is not found', () => {
    const found = findings.filter((f) => f.accepted !== undefined).map((f) => f.rule);
    expect((demo.accepted ?? []).map((a) => a.rule)).toEqual(found);
  });

  it('has one number of stitches, whoever counts them', () => {
    const { stitches, runSeconds } = measurePlan(job, plan);
    const { speed } = recipeFor(job.brief);
    const timeline = timelineOf(plan, speed);
    const report = planReport(job, { plan, weight: weighed(job, planner, plan), timingMs: {}, judged: null });
    const rows = writeCsv(plan, ['t1']).split('\n');
    expect({
      report: report.stitches,
      pieces: report.pieces.reduce((sum, p) => sum + p.stitches, 0),
      chosen: plan.pieces.reduce((sum, p) => sum + p.stitches, 0),
      line: timeline.stitches[plan.x.length],
      csv: rows.filter((row) => row.includes(',stitch,')).length,
    }).toEqual({ report: stitches, pieces: stitches, chosen: stitches, line: stitches, csv: stitches });
    expect(timeline.seconds).toBeCloseTo(runSeconds, 0);
  });

  it('is as thick in the report as in the Weight look, a comparison and the proof', () => {
    const weight = weighed(job, planner, plan);
    const { max_layers } = planReport(job, { plan, weight, timingMs: {}, judged: null });
    const look = layersOf(weight).reduce((most, v) => Math.max(most, v), 0);
    const compared = COMPARE_ROWS.find((r) => r.key === 'max_layers')!.of(sideOf(job, planner));
    const stacked = prove(job, planner, plan).find((f) => f.rule === 'layers-stacked');
    expect(look).toBeCloseTo(max_layers, 1);
    expect(compared).toBeCloseTo(max_layers, 2);
    if (stacked) expect(stacked.measured).toBeCloseTo(max_layers, 2);
  });

  it('shows no cloth at its edges on the finer grid either', () => {
    const seen = forecast(job, { planner, plan, grid: PROOF_GRID });
    expect(gapsOf(seen.meetings, 0.25).map((g) => `${job.pieces[g.first]!.name}, ${job.pieces[g.later]!.name}: ${g.gapMm}`)).toEqual([]);
  });
});
