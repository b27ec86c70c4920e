import type { PlanColumns } from '../stitches/buffer';
import { Command, Role } from '../stitches/roles';
import { beyond, blend, drawable, type Raster, type Rgb } from './raster';

/** Ways to look at a plan: as sewn, as rows and penetrations, as the needle's way, or (over faint rows) how much thread lies where. */
export type Look = 'thread' | 'needle' | 'path' | 'weight' | 'pull';

const INK: Rgb = { r: 29, g: 40, b: 44 };
const PENETRATION_MM = 0.11;
const DASH_MM = 0.7;
const UNSEWN_ALPHA = 0.2;

/** Rows as thin lines in their thread's colour, underlay paler, and a dot for every penetration. */
export function drawNeedle(
  raster: Raster,
  plan: PlanColumns,
  colours: readonly Rgb[],
  from: number,
  to: number,
  visible: (piece: number) => boolean,
): void {
  const dots = raster.scale * PENETRATION_MM;
  const unseen = beyond(plan, raster, 2 / raster.scale);
  for (let i = Math.max(1, from); i < to; i++) {
    if (unseen(i)) continue;
    if (plan.command[i] !== Command.stitch || !visible(plan.piece[i]!)) continue;
    const colour = colours[plan.thread[i]!] ?? INK;
    if (plan.command[i - 1]! <= Command.jump) drawHairline(raster, plan, i, colour, plan.role[i] === Role.underlay ? 0.45 : 0.9, 0);
  }
  // Dots last, so that the next row does not hide them; the one before may have been hidden by the first row drawn now.
  for (let i = Math.max(0, from - 1); i < to && dots >= 0.6; i++) {
    if (plan.command[i] === Command.stitch && visible(plan.piece[i]!)) drawDot(raster, plan.x[i]!, plan.y[i]!, dots, INK, 0.75);
  }
}

/** Cover and ways inside pieces faint, ways between pieces and jumps as dotted ink: how the needle goes; without `way` only the faint cover. */
export function drawPath(
  raster: Raster,
  plan: PlanColumns,
  colours: readonly Rgb[],
  from: number,
  to: number,
  visible: (piece: number) => boolean,
  way = true,
): void {
  const unseen = beyond(plan, raster, 2 / raster.scale);
  const first = Math.max(1, from);
  let inside = beganBefore(plan, first);
  for (let i = first; i < to; i++) {
    if (plan.piece[i] !== plan.piece[i - 1]) inside = false;
    if (plan.role[i] === Role.cover || plan.role[i] === Role.underlay) inside = true;
    if (unseen(i)) continue;
    if (!visible(plan.piece[i]!)) continue;
    const command = plan.command[i]!;
    if (command > Command.jump || plan.command[i - 1]! > Command.jump) continue;
    if (!way && (command === Command.jump || plan.role[i] === Role.travel)) continue;
    if (command === Command.jump) {
      // No thread lies here: the needle only gets from one place to the next.
      drawHairline(raster, plan, i, INK, UNSEWN_ALPHA, DASH_MM);
      continue;
    }
    const travels = plan.role[i] === Role.travel && !inside;
    drawHairline(raster, plan, i, travels ? INK : (colours[plan.thread[i]!] ?? INK), travels ? 0.95 : 0.3, travels ? DASH_MM : 0);
  }
}

/** Whether the piece of an event has begun to be sewn before it: what travels from there on are ways inside the piece. */
function beganBefore({ piece, role }: PlanColumns, event: number): boolean {
  for (let i = event - 1; i >= 0 && piece[i] === piece[event]; i--) if (role[i] === Role.cover || role[i] === Role.underlay) return true;
  return false;
}

/** A line one pixel wide from the event before to event `i`; dotted when `dashMm` is not 0. */
function drawHairline(raster: Raster, plan: PlanColumns, i: number, c: Rgb, alpha: number, dashMm: number): void {
  const { scale, left, top, width, data } = raster;
  const within = drawable(raster);
  const x0 = (plan.x[i - 1]! - left) * scale;
  const y0 = (plan.y[i - 1]! - top) * scale;
  const dx = (plan.x[i]! - left) * scale - x0;
  const dy = (plan.y[i]! - top) * scale - y0;
  if (Math.max(x0, x0 + dx) < within.left || Math.min(x0, x0 + dx) > within.right) return;
  if (Math.max(y0, y0 + dy) < within.top || Math.min(y0, y0 + dy) > within.bottom) return;
  const steps = Math.max(1, Math.ceil(Math.max(Math.abs(dx), Math.abs(dy))));
  const dash = Math.max(2, Math.round(dashMm * scale * 0.5));
  for (let k = 0; k <= steps; k++) {
    if (dashMm > 0 && Math.floor(k / dash) % 2 === 1) continue;
    const x = Math.floor(x0 + (dx * k) / steps);
    const y = Math.floor(y0 + (dy * k) / steps);
    if (x >= within.left && y >= within.top && x < within.right && y < within.bottom)
      blend(data, (y * width + x) * 4, c.r, c.g, c.b, alpha);
  }
}

function drawDot(raster: Raster, x: number, y: number, radius: number, c: Rgb, alpha: number): void {
  const px = (x - raster.left) * raster.scale;
  const py = (y - raster.top) * raster.scale;
  const within = drawable(raster);
  for (let v = Math.max(within.top, Math.floor(py - radius)); v <= Math.min(within.bottom - 1, Math.ceil(py + radius)); v++) {
    for (let u = Math.max(within.left, Math.floor(px - radius)); u <= Math.min(within.right - 1, Math.ceil(px + radius)); u++) {
      const d = Math.sqrt((u + 0.5 - px) ** 2 + (v + 0.5 - py) ** 2);
      if (d < radius + 0.5) blend(raster.data, (v * raster.width + u) * 4, c.r, c.g, c.b, alpha * Math.min(1, radius + 0.5 - d));
    }
  }
}
