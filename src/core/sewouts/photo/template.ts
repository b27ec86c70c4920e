import type { Job } from '../../document/types';
import { planBounds } from '../../stitches/planBounds';
import type { PlanColumns } from '../../stitches/buffer';
import { clothColour, looksOf } from '../../render/picture';
import { hexToRgb, makeRaster } from '../../render/raster';
import { drawThreads } from '../../render/thread';
import { labOf, type Field } from './field';

/** What a plan looks like, as differences from its bare cloth, on places of the hoop. */
export interface Template {
  off: Field;
  /** Places per mm, and the first of them, mm. */
  perMm: number;
  left: number;
  top: number;
}

/** Bare cloth about the design that belongs to its picture, mm. */
const ABOUT_MM = 7;

/** The picture of a sewn plan less its cloth. */
export function templateOf(job: Job, plan: PlanColumns, perMm: number): Template {
  const box = planBounds(plan);
  const [left, top] = [box.minX - ABOUT_MM, box.minY - ABOUT_MM];
  const [width, height] = [box.maxX - left + ABOUT_MM, box.maxY - top + ABOUT_MM].map((mm) => Math.max(2, Math.ceil(mm * perMm)));
  const raster = makeRaster(width!, height!, perMm, left, top);
  const { r, g, b } = hexToRgb(clothColour(job));
  for (let i = 0; i < raster.data.length; i += 4) raster.data.set([r, g, b, 255], i);
  drawThreads(raster, plan, looksOf(job));
  const off = labOf(raster);
  const cloth = labOf({ width: 1, height: 1, data: Uint8Array.of(r, g, b, 255) }).data;
  for (let i = 0; i < off.data.length; i++) off.data[i]! -= cloth[i % 3]!;
  return { off, perMm, left, top };
}

/** Only where thread is, not in what colour: for tests that are sewn with a thread of another colour. */
export function asThread(off: Field, noise: number): Field {
  const out = { width: off.width, height: off.height, channels: 1, data: new Float32Array(off.width * off.height) };
  for (let i = 0; i < out.data.length; i++) {
    const [l, a, b] = [off.data[3 * i]!, off.data[3 * i + 1]!, off.data[3 * i + 2]!];
    out.data[i] = Math.min(1, Math.max(0, (Math.sqrt(l * l + a * a + b * b) / noise - 2) / 3));
  }
  return out;
}
