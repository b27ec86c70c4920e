import type { Job } from '../document/types';
import { mostLayers, type Weight } from '../stitches/weight';
import { measurePlan } from './measure';
import type { StitchPlan } from './plan';

const round = (v: number, decimals: number): number => Math.round(v * 10 ** decimals) / 10 ** decimals;

/** What was found beside the figures; nothing of it is reported where nobody looked. */
interface Judged {
  findings: readonly object[];
  forecast: object;
}

interface Measured {
  plan: StitchPlan;
  /** Thread and what is laid under it, on cells. */
  weight: Weight;
  timingMs: Record<string, number>;
  judged: Judged | null;
}

/** The report of `bin/cobble plan`: plain data, snake_case, lengths mm. */
export function planReport(job: Job, { plan, weight, timingMs, judged }: Measured) {
  const f = measurePlan(job, plan);
  return {
    stitches: f.stitches,
    trims: f.trims,
    jumps: f.jumps,
    colour_changes: f.colourChanges,
    hand_stops: f.handStops,
    threads: f.threads,
    width_mm: round(f.widthMm, 2),
    height_mm: round(f.heightMm, 2),
    longest_stitch_mm: round(f.longestStitchMm, 3),
    shortest_stitch_mm: round(f.shortestStitchMm, 3),
    longest_satin_mm: round(f.longestSatinMm, 3),
    run_minutes: round(f.runSeconds / 60, 2),
    upper_thread_m: round(f.upperThreadM, 2),
    bobbin_thread_m: round(f.bobbinThreadM, 2),
    max_layers: round(mostLayers(weight), 2),
    pieces: plan.pieces.map((p, i) => ({
      id: p.id,
      name: job.pieces[i]!.name,
      kind: job.pieces[i]!.kind,
      thread: job.pieces[i]!.thread,
      stitches: p.stitches,
      area_mm2: round(p.areaMm2, 2),
      settings: settingsOf(p.settings),
      ...(p.problem ? { problem: p.problem } : {}),
    })),
    ...(judged ? { findings: judged.findings, forecast: judged.forecast } : {}),
    timing_ms: Object.fromEntries(Object.entries(timingMs).map(([k, v]) => [k, round(v, 1)])),
  };
}

function settingsOf(settings: object | null): Record<string, { value: unknown; from: string }> {
  if (!settings) return {};
  return Object.fromEntries(
    Object.entries(settings as Record<string, { value: unknown; from: string }>).map(([name, s]) => [
      name,
      { value: s.value, from: s.from },
    ]),
  );
}
