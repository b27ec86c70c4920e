import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { drawCloth } from './cloth';
import { drawSewn, looksOf } from './picture';
import { blend, hexToRgb, isPale, makeRaster } from './raster';
import { drawStitch, drawThreads } from './thread';
import { planBounds } from '../stitches/planBounds';

const look = { rgb: hexToRgb('#3366cc'), widthMm: 0.4 };
const alphaAt = (r: ReturnType<typeof makeRaster>, x: number, y: number): number => r.data[(y * r.width + x) * 4 + 3]!;

test('a stitch is as wide as its thread and as long as it is', () => {
  const r = makeRaster(200, 60, 20, 0, 0);
  drawStitch(r, 2, 1.5, 8, 1.5, look);
  let tall = 0;
  for (let y = 0; y < 60; y++) if (alphaAt(r, 100, y) > 128) tall++;
  expect(Math.abs(tall - 8)).toBeLessThanOrEqual(1);
  let long = 0;
  for (let x = 0; x < 200; x++) if (alphaAt(r, x, 30) > 128) long++;
  expect(Math.abs(long - 128)).toBeLessThanOrEqual(2);
});

test('light follows direction: two directions differ in brightness', () => {
  const bright = (x1: number, y1: number): number => {
    const r = makeRaster(100, 100, 10, 0, 0);
    drawStitch(r, 5 - x1, 5 - y1, 5 + x1, 5 + y1, look);
    const at = (50 * 100 + 50) * 4;
    return r.data[at]! + r.data[at + 1]! + r.data[at + 2]!;
  };
  expect(Math.abs(bright(3, 0) - bright(0, 3))).toBeGreaterThan(15);
});

test('stitches outside the picture cost nothing and harm nothing', () => {
  const r = makeRaster(10, 10, 5, 0, 0);
  drawStitch(r, -50, -50, -40, -40, look);
  drawStitch(r, 1e6, 0, 1e6, 5, look);
  expect(r.data.every((v) => v === 0)).toBe(true);
});

test('drawing on in parts gives the same picture as drawing at once', () => {
  const job = jobOf([piece('fill', { area: 'M0,0 H12 V12 H0 Z' })]);
  const plan = new Planner().plan(job);
  const whole = makeRaster(160, 160, 10, -2, -2);
  drawThreads(whole, plan, looksOf(job));
  const parts = makeRaster(160, 160, 10, -2, -2);
  for (let from = 0; from < plan.x.length; from += 37) drawThreads(parts, plan, looksOf(job), from, Math.min(plan.x.length, from + 37));
  expect(Buffer.from(parts.data).equals(Buffer.from(whole.data))).toBe(true);
});

test('hidden pieces are not drawn', () => {
  const job = jobOf([piece('fill', { area: 'M0,0 H12 V12 H0 Z' })]);
  const r = makeRaster(40, 40, 3, 0, 0);
  drawThreads(r, new Planner().plan(job), looksOf(job), 0, undefined, () => false);
  expect(r.data.every((v) => v === 0)).toBe(true);
});

test('the cloth fills the picture near its colour', () => {
  const r = makeRaster(60, 60, 12, 0, 0);
  drawCloth(r, '#808080');
  for (let i = 0; i < r.data.length; i += 4) {
    expect(Math.abs(r.data[i]! - 128)).toBeLessThan(20);
    expect(r.data[i + 3]).toBe(255);
  }
});

test('a sewn picture has the size of the design and its margin', () => {
  const job = jobOf([piece('satin', { line: 'M0,0 L20,0', width: 4 })]);
  const plan = new Planner().plan(job);
  const box = planBounds(plan);
  const r = drawSewn(job, plan, 5, 2);
  expect(r.width).toBe(Math.round((box.maxX - box.minX + 4) * 5));
  expect(r.height).toBe(Math.round((box.maxY - box.minY + 4) * 5));
});

test('blending over nothing keeps the colour; opaque hides what was there', () => {
  const data = new Uint8ClampedArray(4);
  blend(data, 0, 200, 100, 50, 0.5);
  expect(Array.from(data)).toEqual([200, 100, 50, 128]);
  blend(data, 0, 1, 2, 3, 1);
  expect(Array.from(data)).toEqual([1, 2, 3, 255]);
});

test('letters on swatches are dark on pale and light on dark', () => {
  expect(isPale('#ffffff')).toBe(true);
  expect(isPale('#14324a')).toBe(false);
});
