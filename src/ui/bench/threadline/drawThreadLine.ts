import type { Job } from '@/core/document/types';
import { hexToRgb } from '@/core/render/raster';
import type { StitchPlan } from '@/core/plan/plan';
import { Command } from '@/core/stitches/roles';
import { eventAt, peaks, type Timeline, type TimeWindow } from '@/core/plan/timeline';

const TOP = 26;
const BOTTOM = 12;
/** Stitch length that reaches the top of the strip, mm: the usual machine limit. */
const FULL_MM = 12;
export const RULES_MM = [3, 6, 9, 12];

/** Height above the strip's foot at which a stitch of this length ends, as a length of CSS. */
export const heightOfLength = (mm: number): string => `calc(${BOTTOM}px + ${mm / FULL_MM} * (100% - ${TOP + BOTTOM}px))`;

function darker(hex: string, k: number): string {
  const { r, g, b } = hexToRgb(hex);
  return `rgb(${Math.round(r * k)} ${Math.round(g * k)} ${Math.round(b * k)})`;
}

/** Draws the strip: stitch length over machine time in thread colour, underlay darker, snips and stops where the thread is cut. */
export function drawThreadLine(
  canvas: HTMLCanvasElement,
  width: number,
  job: Job,
  plan: StitchPlan,
  timeline: Timeline,
  view: TimeWindow,
): void {
  const ratio = Math.min(2, window.devicePixelRatio || 1);
  const height = canvas.clientHeight;
  canvas.width = Math.round(width * ratio);
  canvas.height = Math.round(height * ratio);
  const c = canvas.getContext('2d')!;
  c.scale(ratio, ratio);
  const base = height - BOTTOM;
  const tall = base - TOP;
  for (const mm of RULES_MM) {
    const y = base - (mm / FULL_MM) * tall;
    c.fillStyle = '#e4e7e2';
    c.fillRect(0, y, width, 1);
  }
  const perPixel = (view.to - view.from) / width;
  let from = eventAt(timeline, view.from);
  for (let x = 0; x < width; x++) {
    const to = Math.max(from, eventAt(timeline, view.from + (x + 1) * perPixel));
    const last = Math.max(from + 1, to);
    const hex = job.threads[plan.thread[Math.min(from, plan.thread.length - 1)]!]?.hex ?? '#888888';
    const { cover, underlay } = peaks(plan, timeline, from, Math.min(last, plan.x.length));
    column(c, x, base, (cover / FULL_MM) * tall, hex);
    column(c, x, base, (underlay / FULL_MM) * tall * 0.6, darker(hex, 0.62));
    from = to;
  }
  c.fillStyle = '#858f8c';
  c.fillRect(0, base, width, 1);
  cuts(c, plan, timeline, view, width, base);
}

function column(c: CanvasRenderingContext2D, x: number, base: number, tall: number, fill: string): void {
  if (tall <= 0) return;
  c.fillStyle = fill;
  c.fillRect(x, base - tall, 1, tall);
  // A dark top keeps pale threads readable on the pale strip.
  c.fillStyle = 'rgb(29 40 44 / 0.55)';
  c.fillRect(x, base - tall, 1, 1);
}

/** A snip for each trim; a line from top to bottom where the thread changes. */
function cuts(c: CanvasRenderingContext2D, plan: StitchPlan, timeline: Timeline, view: TimeWindow, width: number, base: number): void {
  const toX = (s: number): number => ((s - view.from) / (view.to - view.from)) * width;
  c.lineWidth = 1.4;
  for (let i = 0; i < plan.x.length; i++) {
    if (plan.command[i] !== Command.trim && plan.command[i] !== Command.stop) continue;
    const x = toX(timeline.at[i]!);
    if (x < -6 || x > width + 6) continue;
    c.strokeStyle = '#1d282c';
    c.beginPath();
    if (plan.command[i] === Command.stop) {
      c.moveTo(x, 4);
      c.lineTo(x, base + 8);
    } else {
      c.moveTo(x - 3.5, base + 2);
      c.lineTo(x, base + 9);
      c.lineTo(x + 3.5, base + 2);
    }
    c.stroke();
  }
}
