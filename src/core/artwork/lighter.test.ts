import { drawingOf } from './readSvg';
import { lighterDrawing, MOST_LIGHT, type LighterWay } from './lighter';
import { placeArt } from './place';
import { areaOf, intersect, subtract, unite } from '../geometry/area';
import type { Area } from '../geometry/point';

const svg = (inside: string, size = 100): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${size}mm" height="${size}mm" viewBox="0 0 ${size} ${size}">${inside}</svg>`;
const rect = (x: number, y: number, w: number, h: number, fill: string): string =>
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" fill="${fill}"/>`;
const lighter = (text: string, way: LighterWay) => lighterDrawing(drawingOf(text), way, 80);

/** What is seen of each colour, painted back to front. */
function seen(text: string): Map<string, Area> {
  const out = new Map<string, Area>();
  for (const { hex, area } of placeArt(drawingOf(text), {}).items) {
    for (const [other, known] of out) out.set(other, subtract(known, area));
    out.set(hex, unite(out.get(hex) ?? [], area));
  }
  return out;
}

const random = (seed: number) => () => (seed = (seed * 1_103_515_245 + 12_345) % 2 ** 31) / 2 ** 31;

test.each([3, 11, 29, 71])('merged, the picture is painted as before: seed %i', (seed) => {
  const next = random(seed);
  const colours = ['#aa0000', '#00aa00', '#0000aa'];
  const shapes = Array.from({ length: 60 }, () =>
    rect(
      Math.round(next() * 80),
      Math.round(next() * 80),
      4 + Math.round(next() * 14),
      4 + Math.round(next() * 14),
      colours[Math.floor(next() * 3)]!,
    ),
  );
  const text = svg(rect(0, 0, 1, 1, '#aa0000') + rect(99, 99, 1, 1, '#aa0000') + shapes.join(''));
  const [before, made] = [seen(text), lighter(text, 'merge')];
  const after = seen(made.svg);
  expect(made.after).toBeLessThanOrEqual(made.before);
  for (const [hex, area] of before) {
    const kept = after.get(hex) ?? [];
    // Corners of gaps narrower than a needle leaves are closed.
    expect(areaOf(subtract(area, kept))).toBeLessThan(0.01 * areaOf(area) + 0.05);
    expect(areaOf(intersect(area, kept))).toBeGreaterThan(0.98 * areaOf(kept));
  }
});

test('what touches in one colour becomes one part; another colour painted between keeps them apart', () => {
  const row = Array.from({ length: 30 }, (_, i) => rect(i * 3, 0, 3, 5, '#aa0000')).join('');
  expect(lighter(svg(row), 'merge').after).toBe(1);
  const between = rect(0, 0, 20, 20, '#aa0000') + rect(5, 5, 20, 20, '#00aa00') + rect(10, 10, 20, 20, '#aa0000');
  expect(lighter(svg(between), 'merge').after).toBe(3);
});

test('only the largest are taken, in the order that they were painted, and what is lost is told', () => {
  const n = MOST_LIGHT + 200;
  const dots = Array.from({ length: n }, (_, i) => rect((i % 40) * 4, Math.floor(i / 40) * 4, i % 6 === 0 ? 1 : 3, 2, '#00aa00')).join('');
  const made = lighter(svg(dots, 200), 'largest');
  expect([made.before, made.after]).toEqual([n, MOST_LIGHT]);
  const wide = Array.from({ length: n }, (_, i) => (i % 6 === 0 ? 2 : 6));
  const all = wide.reduce((a, b) => a + b, 0);
  const kept = [...wide]
    .sort((a, b) => b - a)
    .slice(0, MOST_LIGHT)
    .reduce((a, b) => a + b, 0);
  expect(made.lost).toBeCloseTo(1 - kept / all, 2);
});

test('a drawing without a size is as wide as was guessed; nothing to sew is refused as ever', () => {
  const bare = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10">${rect(0, 0, 10, 5, '#aa0000')}</svg>`;
  expect(placeArt(drawingOf(lighter(bare, 'merge').svg), {}).width).toBeCloseTo(80, 1);
  expect(() => lighter(svg('<g/>'), 'merge')).toThrow();
});
