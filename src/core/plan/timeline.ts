import type { StitchPlan } from './plan';
import { Command, Role } from '../stitches/roles';
import { hypot } from '../units/trig';
import { SECONDS_PER_CHANGE, SECONDS_PER_TRIM } from '../route/seconds';

/** The plan laid out in machine time. */
export interface Timeline {
  /** Seconds at which each event is done; one more entry than events, the first 0. */
  at: Float32Array;
  seconds: number;
  /** Length of the stitch that each event ends, mm; 0 for others. */
  length: Float32Array;
  /** Stitches among the events before each, as the totals count them; one more entry than events. */
  stitches: Uint32Array;
}

/** The part of the machine time that is in view, seconds. */
export interface TimeWindow {
  from: number;
  to: number;
}

const known = new WeakMap<StitchPlan, Map<number, Timeline>>();

/** The timeline of a plan; worked out once however many ask. */
export function timelineOf(plan: StitchPlan, stitchesPerMinute: number): Timeline {
  const own = known.get(plan) ?? new Map<number, Timeline>();
  known.set(plan, own);
  const found = own.get(stitchesPerMinute) ?? layOut(plan, stitchesPerMinute);
  own.set(stitchesPerMinute, found);
  return found;
}

function layOut(plan: StitchPlan, stitchesPerMinute: number): Timeline {
  const n = plan.x.length;
  const at = new Float32Array(n + 1);
  const length = new Float32Array(n);
  const stitches = new Uint32Array(n + 1);
  const each = 60 / stitchesPerMinute;
  for (let i = 0; i < n; i++) {
    const command = plan.command[i]!;
    const cost =
      command === Command.stitch ? each : command === Command.trim ? SECONDS_PER_TRIM : command === Command.stop ? SECONDS_PER_CHANGE : 0;
    at[i + 1] = at[i]! + cost;
    stitches[i + 1] = stitches[i]! + (command === Command.stitch ? 1 : 0);
    if (i > 0 && command === Command.stitch && plan.command[i - 1] === Command.stitch) {
      length[i] = hypot(plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!);
    }
  }
  return { at, seconds: at[n]!, length, stitches };
}

/** The event that is being sewn at a time. */
export function eventAt(timeline: Timeline, seconds: number): number {
  let low = 0;
  let high = timeline.at.length - 1;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (timeline.at[middle]! < seconds) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Longest cover stitch and longest underlay stitch among the events of a range. */
export function peaks(plan: StitchPlan, timeline: Timeline, from: number, to: number): { cover: number; underlay: number } {
  let cover = 0;
  let underlay = 0;
  for (let i = from; i < to; i++) {
    const l = timeline.length[i]!;
    if (plan.role[i] === Role.cover) cover = Math.max(cover, l);
    else underlay = Math.max(underlay, l);
  }
  return { cover, underlay };
}

/** Where a piece dropped at a time belongs in the order: the number of other pieces whose middle comes before. */
export function dropPosition(stretches: readonly { id: string; from: number; to: number }[], dragged: string, seconds: number): number {
  return stretches.filter((s) => s.id !== dragged && (s.from + s.to) / 2 < seconds).length;
}
