import { threadWidth } from '../../cloth/threadWidth';
import type { Job } from '../../document/types';
import type { Bounds } from '../../geometry/point';
import type { StitchPlan } from '../../plan/plan';
import { clothColour } from '../../render/picture';
import { hexToRgb } from '../../render/raster';
import { Command, Role } from '../../stitches/roles';

/** What of a thread's width is lit; the rest is its shade, so that rows are told apart. */
const LIT = 0.62;
/** How dark the shade is. */
const SHADE = 0.62;
const SHORT = 100;

/** A stretch in one thread, as path data. */
interface Stretch {
  thread: number;
  d: string;
}

/** Every stitch that passes a box, as lines in the thread's colour on the cloth: a drawing in mm that stays sharp at any size. */
export function stitchedSvg(job: Job, plan: StitchPlan, box: Bounds): string {
  const [w, h] = [box.maxX - box.minX, box.maxY - box.minY];
  const lines = stretchesOf(plan, box).map(({ thread, d }) => {
    const { hex = '#808080', weight = 40 } = job.threads[thread] ?? {};
    const width = threadWidth(weight);
    return `<path d="${d}" stroke="${darker(hex)}" stroke-width="${tidy(width)}"/><path d="${d}" stroke="${hex}" stroke-width="${tidy(width * LIT)}"/>`;
  });
  const view = [box.minX, box.minY, w, h].map(tidy).join(' ');
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${view}"><rect x="${tidy(box.minX)}" y="${tidy(box.minY)}" width="${tidy(w)}" height="${tidy(h)}" fill="${clothColour(job)}"/><g fill="none" stroke-linejoin="round" stroke-linecap="round">${lines.join('')}</g></svg>`;
}

const tidy = (v: number): string => String(Math.round(v * SHORT) / SHORT);

function darker(hex: string): string {
  const { r, g, b } = hexToRgb(hex);
  return `#${[r, g, b].map((c) => Math.round(c * SHADE).toString(16).padStart(2, '0')).join('')}`; // prettier-ignore
}

/** Stitches in their order, those of one piece and thread together, foundation and ways apart from cover. */
function stretchesOf({ x, y, command, thread, role, piece }: StitchPlan, box: Bounds): Stretch[] {
  const out: Stretch[] = [];
  const outside = (i: number): boolean =>
    Math.max(x[i]!, x[i - 1]!) < box.minX || Math.min(x[i]!, x[i - 1]!) > box.maxX || Math.max(y[i]!, y[i - 1]!) < box.minY || Math.min(y[i]!, y[i - 1]!) > box.maxY; // prettier-ignore
  let parts: string[] = [];
  let last = -1;
  const close = (of: number): void => {
    if (parts.length > 0) out.push({ thread: of, d: parts.join('') });
    parts = [];
    last = -1;
  };
  for (let i = 1; i < x.length; i++) {
    // What lies beneath is drawn whole before what covers it: its lit middle must not shine through between rows.
    const covers = (k: number): boolean => role[k] === Role.cover;
    if (thread[i] !== thread[i - 1] || piece[i] !== piece[i - 1] || covers(i) !== covers(i - 1)) close(thread[i - 1]!);
    if (command[i] !== Command.stitch || command[i - 1] !== Command.stitch || outside(i)) continue;
    if (last !== i - 1) parts.push(`M${tidy(x[i - 1]!)},${tidy(y[i - 1]!)}`);
    parts.push(`L${tidy(x[i]!)},${tidy(y[i]!)}`);
    last = i;
  }
  close(thread[x.length - 1] ?? 0);
  return out;
}
