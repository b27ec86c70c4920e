import fc from 'fast-check';
import { areaOf } from '../../geometry/area';
import { outlineOf } from '../../geometry/outline';
import { parsePath, ringsToData } from '../../geometry/path';
import { distance, type Point, type Ring } from '../../geometry/point';
import { madeRound, madeStraight, smoothed, withGapsClosed, withoutOpenings } from './mend';

const ring = (n: number, at: (t: number) => Point): Ring => Array.from({ length: n }, (_, i) => at((2 * Math.PI * i) / n));
const ellipse = (a: number, b: number, turn: number, bump: (t: number) => number = () => 1) =>
  ring(160, (t) => {
    const [u, v] = [a * bump(t) * Math.cos(t), b * bump(t) * Math.sin(t)];
    return { x: 30 + u * Math.cos(turn) - v * Math.sin(turn), y: -12 + u * Math.sin(turn) + v * Math.cos(turn) };
  });
const box = (x0: number, y0: number, x1: number, y1: number): Ring => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
];
const areaMm2 = (data: string): number => areaOf(outlineOf(data).area);
const nodes = (data: string): Point[] => parsePath(data).flatMap((p) => p.segments.map((s) => s.to));
const cornersOf = (data: string): Ring => outlineOf(data).area[0]!;
const size = fc.double({ min: 2, max: 20, noNaN: true });

describe('mending an outline', () => {
  it('makes a lumpy circle a circle of its size and place', () => {
    fc.assert(
      fc.property(size, fc.integer({ min: 3, max: 9 }), (r, waves) => {
        const round = madeRound(ringsToData([ellipse(r, r, 0, (t) => 1 + 0.06 * Math.sin(waves * t))]));
        expect(nodes(round)).toHaveLength(4);
        for (const p of outlineOf(round).area[0]!) expect(Math.abs(distance(p, { x: 30, y: -12 }) / r - 1)).toBeLessThan(0.03);
      }),
      { numRuns: 40 },
    );
  });

  it('keeps an ellipse one, however it is turned', () => {
    fc.assert(
      fc.property(size, fc.double({ min: 1.3, max: 4, noNaN: true }), fc.double({ min: 0, max: 3, noNaN: true }), (b, ratio, turn) => {
        const drawn = ringsToData([ellipse(b * ratio, b, turn)]);
        const round = madeRound(drawn);
        expect(Math.abs(areaMm2(round) / areaMm2(drawn) - 1)).toBeLessThan(0.012);
        const far = Math.max(...outlineOf(round).area[0]!.map((p) => distance(p, { x: 30, y: -12 })));
        expect(far / (b * ratio)).toBeCloseTo(1, 1);
      }),
      { numRuns: 40 },
    );
  });

  it('makes a hand-drawn box square, level where it nearly is', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -0.25, max: 0.25, noNaN: true }), { minLength: 8, maxLength: 8 }), size, size, (d, w, h) => {
        fc.pre(w > 6 && h > 6);
        const corners = box(0, 0, w, h).map((p, i) => ({ x: p.x + d[2 * i]!, y: p.y + d[2 * i + 1]! }));
        const made = cornersOf(madeStraight(ringsToData([corners])));
        expect(made).toHaveLength(4);
        made.forEach((p, i) => {
          const q = made[(i + 1) % 4]!;
          expect(Math.min(Math.abs(p.x - q.x), Math.abs(p.y - q.y))).toBeLessThan(0.003);
        });
      }),
      { numRuns: 60 },
    );
  });

  it('leaves an edge slanting that slants', () => {
    const made = cornersOf(
      madeStraight(
        ringsToData([
          [
            { x: 0, y: 0 },
            { x: 20, y: 0.2 },
            { x: 10, y: 12 },
          ],
        ]),
      ),
    );
    expect(made).toHaveLength(3);
    expect(Math.min(...made.map((p) => distance(p, { x: 10, y: 12 })))).toBeLessThan(0.3);
  });

  it('takes the bumps off, not the size', () => {
    const bumpy = ringsToData([ellipse(12, 12, 0, (t) => 1 + 0.015 * Math.sin(60 * t))]);
    const rms = (data: string): number => {
      const off = outlineOf(data).area[0]!.map((p) => distance(p, { x: 30, y: -12 }) - 12);
      return Math.sqrt(off.reduce((s, v) => s + v * v, 0) / off.length);
    };
    expect(rms(smoothed(bumpy))).toBeLessThan(0.5 * rms(bumpy));
    expect(areaMm2(smoothed(bumpy)) / areaMm2(bumpy)).toBeCloseTo(1, 2);
    expect(nodes(smoothed(bumpy)).length).toBeLessThan(20);
  });

  it('fills openings, and what lay within them is part of it', () => {
    const data = ringsToData([box(0, 0, 20, 20), box(5, 5, 15, 15), box(8, 8, 12, 12)]);
    expect(areaMm2(data)).toBeCloseTo(400 - 100 + 16, 1);
    expect(areaMm2(withoutOpenings(data)!)).toBeCloseTo(400, 1);
    expect(withoutOpenings(ringsToData([box(0, 0, 20, 20)]))).toBeNull();
  });

  it('closes slits up to a width, and no wider ones', () => {
    const slit = (mm: number): string =>
      ringsToData([
        [
          { x: 0, y: 0 },
          { x: 10 - mm / 2, y: 0 },
          { x: 10 - mm / 2, y: 12 },
          { x: 10 + mm / 2, y: 12 },
          { x: 10 + mm / 2, y: 0 },
          { x: 20, y: 0 },
          { x: 20, y: 20 },
          { x: 0, y: 20 },
        ],
      ]);
    expect(areaMm2(withGapsClosed(slit(0.6), 0.8)!)).toBeGreaterThan(399);
    expect(areaMm2(withGapsClosed(slit(3), 0.8) ?? slit(3))).toBeLessThan(366);
    expect(withGapsClosed(ringsToData([box(0, 0, 20, 20)]), 0.8)).toBeNull();
  });
});
