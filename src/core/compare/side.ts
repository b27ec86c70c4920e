import type { Job } from '../document/types';
import { GAP_LIMIT_MM } from '../forecast/correct';
import { forecast, gapsOf } from '../forecast/forecast';
import { Planner } from '../plan/planner';
import { measurePlan, type PlanFigures } from '../plan/measure';
import type { StitchPlan } from '../plan/plan';
import type { Severity } from '../proof/finding';
import { prove } from '../proof/prove';
import { weighed } from '../plan/weighed';
import { mostLayers, type Weight } from '../stitches/weight';

/** One of two jobs that are compared: its plan and everything that is said about it in figures. */
export interface Side {
  job: Job;
  plan: StitchPlan;
  figures: PlanFigures;
  /** Most layers of thread on 2 mm squares. */
  layers: number;
  weight: Weight;
  /** Findings that nobody accepted, by severity. */
  findings: Record<Severity, number>;
  gaps: number;
  maxGapMm: number;
}

/** Plans, weighs, forecasts and proves a job. @param progress share done; may throw to give up */
export function sideOf(job: Job, planner = new Planner(), progress: (done: number) => void = () => undefined): Side {
  const plan = planner.plan(job, (done) => progress(0.3 * done));
  const foreseen = forecast(job, { planner, plan, progress: (done) => progress(0.3 + 0.5 * done) });
  const found = prove(job, planner, plan, foreseen).filter((f) => f.accepted === undefined);
  const weight = weighed(job, planner, plan);
  const gaps = gapsOf(foreseen.meetings, GAP_LIMIT_MM);
  const of = (severity: Severity): number => found.filter((f) => f.severity === severity).length;
  return {
    job,
    plan,
    figures: measurePlan(job, plan),
    layers: mostLayers(weight),
    weight,
    findings: { stop: of('stop'), warn: of('warn'), note: of('note') },
    gaps: gaps.length,
    maxGapMm: gaps[0]?.gapMm ?? 0,
  };
}

/** One line of a comparison. */
export interface CompareRow {
  /** As reports name it. */
  key: string;
  name: string;
  unit: '' | 'mm' | 'min' | 'm';
  decimals: number;
  /** Whether less of it is better; null where neither is. */
  lessIsBetter: boolean | null;
  of(side: Side): number;
}

const row = (
  key: string,
  name: string,
  unit: CompareRow['unit'],
  decimals: number,
  lessIsBetter: boolean | null,
  of: (side: Side) => number,
): CompareRow => ({ key, name, unit, decimals, lessIsBetter, of });

/** What is compared, in the order in which it is read. */
export const COMPARE_ROWS: readonly CompareRow[] = [
  row('stitches', 'Stitches', '', 0, true, (s) => s.figures.stitches),
  row('trims', 'Trims', '', 0, true, (s) => s.figures.trims),
  row('stops', 'Stops', '', 0, true, (s) => s.figures.colourChanges + s.figures.handStops),
  row('run_minutes', 'Time at the machine', 'min', 1, true, (s) => s.figures.runSeconds / 60),
  row('severe_findings', 'Severe findings', '', 0, true, (s) => s.findings.stop),
  row('warnings', 'Warnings', '', 0, true, (s) => s.findings.warn),
  row('notes', 'Notes', '', 0, true, (s) => s.findings.note),
  row('forecast_gaps', 'Edges where cloth will show', '', 0, true, (s) => s.gaps),
  row('max_gap_mm', 'Widest gap', 'mm', 2, true, (s) => s.maxGapMm),
  row('max_layers', 'Layers at the thickest', '', 1, true, (s) => s.layers),
  row('longest_stitch_mm', 'Longest stitch', 'mm', 1, null, (s) => s.figures.longestStitchMm),
  row('longest_satin_mm', 'Longest satin', 'mm', 1, null, (s) => s.figures.longestSatinMm),
  row('width_mm', 'Width', 'mm', 1, null, (s) => s.figures.widthMm),
  row('height_mm', 'Height', 'mm', 1, null, (s) => s.figures.heightMm),
  row('upper_thread_m', 'Upper thread', 'm', 1, true, (s) => s.figures.upperThreadM),
  row('pieces', 'Pieces', '', 0, null, (s) => s.job.pieces.length),
];
