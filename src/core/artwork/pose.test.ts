import { apply } from '../geometry/path';
import { boundsOf } from '../geometry/point';
import { digitize } from './digitize';
import { readSvg } from './readSvg';

// An arm to the right of a block: 40 by 20 units, so its height and side tell how it lies.
const DRAWING =
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 20"><path d="M0,0 H20 V20 H0 Z" fill="#123456"/><path d="M22,0 H40 V8 H22 Z" fill="#c02030"/></svg>';
const options = { width: 40, cloth: 'twill', settings: {} } as const;
const boxOf = (hex: string, pose: { turn?: number; mirror?: boolean }, size: object = {}) => {
  const made = digitize(readSvg(DRAWING), { ...options, ...size, pose });
  return { ...boundsOf(made.report.regions.find((r) => r.hex === hex)!.area), art: made.art };
};

test('mirrored artwork has its right side at the left, at the same size', () => {
  const arm = boxOf('#c02030', { mirror: true });
  expect([arm.minX, arm.maxX, arm.minY, arm.maxY].map((v) => Math.round(v * 100) / 100)).toEqual([-20, -2, -10, -2]);
});

test('artwork turned by a quarter stands upright, and the width asked for is that of what stands there', () => {
  const arm = boxOf('#c02030', { turn: 90 }, { width: 20 });
  expect(arm.art.height).toBeCloseTo(40, 2);
  // Counter-clockwise: what lay to the right is on top, and what was on top lies to the left.
  expect([arm.minX, arm.maxX, arm.minY, arm.maxY].map((v) => Math.round(v * 100) / 100)).toEqual([-10, -2, -20, -2]);
});

test('the map of posed artwork leads from the drawing to the cloth, so that decisions stay where they were made', () => {
  const { art } = boxOf('#c02030', { turn: 90, mirror: true }, { width: 20 });
  // The arm's outer upper corner: mirrored to the left, then turned to the foot, at the left.
  const p = apply(art.matrix, { x: 40, y: 0 });
  expect(p.x).toBeCloseTo(-10, 2);
  expect(p.y).toBeCloseTo(20, 2);
});
