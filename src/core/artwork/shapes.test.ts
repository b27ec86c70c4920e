import fc from 'fast-check';
import { parseSvgText } from './xml';
import { areaOf } from '../geometry/area';
import { boundsOf } from '../geometry/point';
import { dataToRings, formatPath } from '../geometry/path';
import { shapePath } from './shapes';
import type { Element } from 'domhandler';

const VIEW = { width: 200, height: 100 };
const shape = (text: string) => {
  const element = parseSvgText(`<svg>${text}</svg>`).children[0] as Element;
  return dataToRings(formatPath(shapePath(element, VIEW)));
};
// Curves are divided finely enough for sewing, at 3 decimals: tiny shapes lose more of their area.
const size = fc.double({ min: 6, max: 90, noNaN: true });

test('rectangles have their area, rounded ones lack their corners', () => {
  fc.assert(
    fc.property(size, size, size, size, (w, h, rx, ry) => {
      expect(areaOf(shape(`<rect x="3" y="4" width="${w}" height="${h}"/>`)) / (w * h)).toBeCloseTo(1, 3);
      const [a, b] = [Math.min(rx, w / 2), Math.min(ry, h / 2)];
      const round = areaOf(shape(`<rect width="${w}" height="${h}" rx="${rx}" ry="${ry}"/>`));
      expect(Math.abs(round - (w * h - (4 - Math.PI) * a * b))).toBeLessThan(0.01 * w * h + 0.05);
    }),
    { seed: 8, numRuns: 60 },
  );
});

test('one radius of a rectangle stands for both', () => {
  const boxed = (text: string): number => Math.round(areaOf(shape(text)) * 10) / 10;
  expect(boxed('<rect width="20" height="10" rx="3"/>')).toBe(boxed('<rect width="20" height="10" rx="3" ry="3"/>'));
  expect(boxed('<rect width="20" height="10" ry="3"/>')).toBe(boxed('<rect width="20" height="10" rx="3" ry="3"/>'));
});

test('circles and ellipses have theirs', () => {
  fc.assert(
    fc.property(size, size, (rx, ry) => {
      expect(Math.abs(areaOf(shape(`<circle r="${rx}"/>`)) / (Math.PI * rx * rx) - 1)).toBeLessThan(0.01);
      expect(Math.abs(areaOf(shape(`<ellipse cx="7" rx="${rx}" ry="${ry}"/>`)) / (Math.PI * rx * ry) - 1)).toBeLessThan(0.01);
    }),
    { seed: 9, numRuns: 30 },
  );
});

test('percentages are of the view: its width, its height, or its diagonal by the root of two', () => {
  expect(boundsOf(shape('<rect x="10%" y="10%" width="50%" height="50%"/>'))).toEqual({ minX: 20, minY: 10, maxX: 120, maxY: 60 });
  const r = Math.sqrt((200 * 200 + 100 * 100) / 2) / 10;
  expect(boundsOf(shape('<circle r="10%"/>')).maxX).toBeCloseTo(r, 2);
});

test('points are read with any separators; an odd last number is left out', () => {
  expect(shape('<polygon points="0,0 10-5 1e1.5.5 7"/>')[0]).toEqual([
    { x: 0, y: 0 },
    { x: 10, y: -5 },
    { x: 10, y: 0.5 },
    { x: 0.5, y: 7 },
  ]);
  expect(shape('<polyline points="0 0 4 0 4"/>')[0]).toHaveLength(2);
});

test('shapes without size, and elements that are no shapes, draw nothing', () => {
  for (const text of [
    '<rect width="0" height="5"/>',
    '<rect width="-3" height="5"/>',
    '<circle r="0"/>',
    '<ellipse rx="4" ry="-1"/>',
    '<polygon points="1,1"/>',
    '<text>hello</text>',
    '<path/>',
  ]) {
    expect(shape(text)).toEqual([]);
  }
});
