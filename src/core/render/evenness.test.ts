import { piece, jobOf } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { hexToRgb, makeRaster } from './raster';
import { drawThreads } from './thread';

/** What the eye takes together: the mean over this much of the cloth, mm. Six rows, so that no row counts by itself. */
const TOGETHER_MM = 2.4;
const CLOTH = 234;
const SIDE_MM = 44;

/** How much the mean grey over a few rows changes across an even fill, at an enlargement: bands that are not in the thread. */
function bandsOf(angle: number, scale: number, hex: string): number {
  const plan = new Planner().plan(jobOf([piece('fill', { area: 'M-25,-25 h50 v50 h-50 Z' }, { angle, underlay: [] })]));
  const n = Math.round(SIDE_MM * scale);
  const raster = makeRaster(n, n, scale, -SIDE_MM / 2, -SIDE_MM / 2);
  drawThreads(raster, plan, [{ rgb: hexToRgb(hex), widthMm: 0.4 }]);
  const grey = (x: number, y: number): number => {
    const i = 4 * (y * n + x);
    const alpha = raster.data[i + 3]! / 255;
    return alpha * (0.3 * raster.data[i]! + 0.59 * raster.data[i + 1]! + 0.11 * raster.data[i + 2]!) + (1 - alpha) * CLOTH;
  };
  const across = Array.from({ length: n }, (_, i) => {
    let sum = 0;
    for (let j = 0; j < n; j++) sum += angle === 90 ? grey(i, j) : grey(j, i);
    return sum / n;
  });
  const few = Math.max(2, Math.round(TOGETHER_MM * scale));
  const means = across.slice(0, n - few + 1).map((_, i) => across.slice(i, i + few).reduce((a, b) => a + b, 0) / few);
  return Math.max(...means) - Math.min(...means);
}

describe('an even fill has no bands', () => {
  const SCALES = [2, 2.31, 2.7, 3.13, 3.7, 4.4, 5, 5.3, 6.2, 7.1, 9.3, 12.8, 15.9, 16.1, 21, 30];

  it.each([0, 30, 90])('with its rows at %i°, at any enlargement from 2 to 30 pixels a mm', (angle) => {
    SCALES.forEach((scale, i) => {
      const hex = i % 2 === 0 ? '#0b5563' : '#c8452d';
      expect([scale, hex, bandsOf(angle, scale, hex) < 3]).toEqual([scale, hex, true]);
    });
  });
});
