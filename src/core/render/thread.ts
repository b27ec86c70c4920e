import type { PlanColumns } from '../stitches/buffer';
import { Command, Role } from '../stitches/roles';
import { beyond, drawable, layBeside, type PixelBox, type Raster, type Rgb } from './raster';

/**
 * Draws sewn threads as lit cylinders.
 *
 * Each stitch is a capsule of the thread's width. Across it brightness follows a cylinder's normal; along it the thread
 * bows, so that the highlight sits in the middle and the ends dip into the cloth; and the whole stitch is brighter the
 * more squarely it lies to the light, which is what makes neighbouring directions read as different shades. A dark rim
 * stands for the shadow between threads. Later stitches lie over earlier ones.
 */
const LIGHT = { x: -0.55, y: -0.835 };
const PROFILE_STEPS = 24;
/** Thread twist shows from this enlargement on, pixels per mm. */
const TWIST_FROM = 14;
const TWIST_MM = 0.55;

/** So far beside its line, at most, a thread is drawn, and two pixels more, mm. */
export const BESIDE_MM = 1.2;

export interface ThreadLook {
  rgb: Rgb;
  widthMm: number;
}

/** Draws the events from `from` up to, but without, `to`. */
export function drawThreads(
  raster: Raster,
  plan: PlanColumns,
  looks: readonly ThreadLook[],
  from = 0,
  to = plan.x.length,
  visible: (piece: number) => boolean = () => true,
): void {
  const within = drawable(raster);
  const unseen = beyond(plan, raster, BESIDE_MM + 2 / raster.scale);
  for (let i = Math.max(1, from); i < to; i++) {
    if (unseen(i)) continue;
    if (plan.command[i] !== Command.stitch || plan.command[i - 1]! > Command.jump) continue;
    if (plan.command[i - 1] === Command.jump && plan.x[i] === plan.x[i - 1]) continue;
    const look = looks[plan.thread[i]!];
    if (!look || !visible(plan.piece[i]!)) continue;
    const beside = besideOf(plan, i) * look.widthMm;
    // Cover and what lies beneath it are two layers of their piece.
    const layer = (1 + 2 * plan.piece[i]! + (plan.role[i] === Role.cover ? 1 : 0)) & 0xffff;
    if (beside === 0) {
      drawStitch(raster, plan.x[i - 1]!, plan.y[i - 1]!, plan.x[i]!, plan.y[i]!, look, { within, layer });
      continue;
    }
    const [dx, dy] = [plan.x[i]! - plan.x[i - 1]!, plan.y[i]! - plan.y[i - 1]!];
    const length = Math.sqrt(dx * dx + dy * dy) || 1;
    const [ox, oy] = [(-dy / length) * beside, (dx / length) * beside];
    drawStitch(raster, plan.x[i - 1]! + ox, plan.y[i - 1]! + oy, plan.x[i]! + ox, plan.y[i]! + oy, look, { within, layer });
  }
}

/** How far threads that run back over themselves lie to either side, in thread widths. */
const BESIDE = 0.3;

/** A stitch back over the one before lies beside it, not in it. */
function besideOf(plan: PlanColumns, i: number): number {
  if (i < 2 || plan.x[i] !== plan.x[i - 2] || plan.y[i] !== plan.y[i - 2] || plan.command[i - 2] !== Command.stitch) return 0;
  return BESIDE;
}

const profileOf = new Float32Array(PROFILE_STEPS + 1);
const glossOf = new Float32Array(PROFILE_STEPS + 1);
for (let k = 0; k <= PROFILE_STEPS; k++) {
  const d = k / PROFILE_STEPS;
  const up = Math.sqrt(1 - d * d);
  profileOf[k] = 0.6 + 0.4 * up;
  glossOf[k] = up * up * up * up * up * up;
}

const MEAN_PROFILE = profileOf.reduce((a, b) => a + b, 0) / profileOf.length;

/** The same tables as a pixel sees them, from the middle of a thread to half a pixel beyond its edge. */
interface Seen {
  radius: number;
  profile: Float32Array;
  gloss: Float32Array;
}
const SEEN_STEPS = 48;
let seen: Seen = { radius: 0, profile: profileOf, gloss: glossOf };

/** A pixel so much narrower than a thread sees a point of it. */
const SEES_A_POINT_FROM = 6;
const LOOKS = 16;
/** Of a thread hardly broader than a pixel no pixel sees one side alone, pixels. */
const EVEN = { to: 0.5, from: 1.3 };

/** The mean over a pixel's width, in which what lies beyond the thread does not count. */
function seenAt(radius: number): Seen {
  if (seen.radius === radius) return seen;
  const looks = radius >= SEES_A_POINT_FROM ? 1 : LOOKS;
  const even = Math.min(1, Math.max(0, (radius - EVEN.to) / (EVEN.from - EVEN.to)));
  const mean = (table: Float32Array): Float32Array => {
    const all = table.reduce((a, b) => a + b, 0) / table.length;
    return Float32Array.from({ length: SEEN_STEPS + 1 }, (_, k) => {
      let [sum, n] = [0, 0];
      for (let j = 0; j < looks; j++) {
        const d = Math.abs((k / SEEN_STEPS) * (radius + 0.5) + (j + 0.5) / looks - 0.5) / radius;
        if (d > 1) continue;
        sum += table[Math.round(d * PROFILE_STEPS)]!;
        n++;
      }
      return all + even * ((n > 0 ? sum / n : table[PROFILE_STEPS]!) - all);
    });
  };
  return (seen = { radius, profile: mean(profileOf), gloss: mean(glossOf) });
}

/** Pixels are looked at in their middle. */
const MIDDLE = 0.5;

/** Draws one stitch, mm. */
export function drawStitch(
  raster: Raster,
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  look: ThreadLook,
  { within = drawable(raster), layer = 0 }: { within?: PixelBox; layer?: number } = {},
): void {
  const { width, scale } = raster;
  const ax = (x0 - raster.left) * scale;
  const ay = (y0 - raster.top) * scale;
  const bx = (x1 - raster.left) * scale;
  const by = (y1 - raster.top) * scale;
  const radius = Math.max(0.5, (look.widthMm * scale) / 2);
  const thin = Math.min(1, (look.widthMm * scale) / 2 / radius);
  const reach = radius + 0.5;
  const top = Math.max(within.top, Math.ceil(Math.min(ay, by) - reach - MIDDLE));
  const bottom = Math.min(within.bottom - 1, Math.floor(Math.max(ay, by) + reach - MIDDLE));
  if (top > bottom || Math.max(ax, bx) + reach < within.left || Math.min(ax, bx) - reach > within.right) return;
  const length = Math.sqrt((bx - ax) ** 2 + (by - ay) ** 2) || 1e-6;
  const ux = (bx - ax) / length;
  const uy = (by - ay) / length;
  const square = Math.abs(ux * LIGHT.y - uy * LIGHT.x);
  const base = 0.88 + 0.2 * square;
  const gloss = 44 * square * square;
  const twist = scale >= TWIST_FROM ? (2 * Math.PI) / (TWIST_MM * scale) : 0;
  const { r, g, b } = look.rgb;
  const dull = base * MEAN_PROFILE;
  const lit = { r: 0, g: 0, b: 0, mean: { r: r * dull, g: g * dull, b: b * dull }, layer, atEnd: false };
  const perLength = 2 / length;
  const perStep = SEEN_STEPS / reach;
  const { profile, gloss: shines } = seenAt(radius);
  for (let py = top; py <= bottom; py++) {
    const cy = py + MIDDLE - ay;
    let low = Math.min(ax, bx) - reach;
    let high = Math.max(ax, bx) + reach;
    if (Math.abs(uy) > 1e-3) {
      const mid = ax + (cy * ux) / uy;
      const half = reach / Math.abs(uy);
      low = Math.max(low, mid - half);
      high = Math.min(high, mid + half);
    }
    const first = Math.max(within.left, Math.ceil(low - MIDDLE));
    const last = Math.min(within.right - 1, Math.floor(high - MIDDLE));
    for (let px = first; px <= last; px++) {
      const cx = px + MIDDLE - ax;
      const t = cx * ux + cy * uy;
      const side = cx * uy - cy * ux;
      let d = side < 0 ? -side : side;
      if (t < 0) d = Math.sqrt(d * d + t * t);
      else if (t > length) d = Math.sqrt(d * d + (t - length) * (t - length));
      const cover = reach - d;
      if (cover <= 0) continue;
      const k = (d * perStep + 0.5) | 0;
      const along = t <= 0 ? -1 : t >= length ? 1 : t * perLength - 1;
      const bow = 1 - along * along;
      let light = base * profile[k]! * (0.92 + 0.08 * bow);
      if (twist > 0) light *= 1 + 0.07 * Math.sin(twist * t + (side / radius) * 2.2);
      const shine = gloss * shines[k]! * bow;
      lit.r = r * light + shine;
      lit.g = g * light + shine;
      lit.b = b * light + shine;
      lit.atEnd = t < 0 || t > length;
      layBeside(raster, py * width + px, lit, (cover < 1 ? cover : 1) * thin);
    }
  }
}
