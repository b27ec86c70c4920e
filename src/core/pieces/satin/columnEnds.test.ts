import fc from 'fast-check';
import { strokeArea, unite } from '../../geometry/area';
import { ringsToData } from '../../geometry/path';
import { distance, type Area, type Point } from '../../geometry/point';
import { Role } from '../../stitches/roles';
import { piece, stitchesOf } from '../fixtures';

const at = (x: number, y: number): Point => ({ x, y });
const PUSH = { pushComp: 0.24, pullComp: 0, underlay: [] };

const coverOf = (area: Area, settings: object): Point[] => {
  const s = stitchesOf(piece('satin', { area: ringsToData(area) }, settings));
  return Array.from(s.x, (x, i) => ({ x, y: s.y[i]!, role: s.role[i]! })).filter((p) => p.role === Role.cover);
};

test('open ends of crossing and branching bars lie at the edge less the push, whatever their length', () => {
  const long = fc.double({ min: 7, max: 25, noNaN: true });
  fc.assert(
    fc.property(long, long, fc.constantFrom(0, 17, 45, 90), (stem, arm, deg) => {
      const bars = [
        [at(0, 0), at(0, stem)],
        [at(0, stem / 2), at(arm, stem / 2)],
      ].map((l) => strokeArea([l], false, { widthMm: 3, cap: 'butt', join: 'miter', miterLimit: 4 }));
      const turn = (p: Point, by: number): Point => {
        const [c, s] = [Math.cos((by * Math.PI) / 180), Math.sin((by * Math.PI) / 180)];
        return at(c * p.x - s * p.y, s * p.x + c * p.y);
      };
      const area = unite(...bars).map((ring) => ring.map((p) => turn(p, deg)));
      const cover = coverOf(area, PUSH).map((p) => turn(p, -deg));
      const ys = cover.filter((p) => p.x < 1.6).map((p) => p.y);
      for (const away of [Math.min(...ys), stem - Math.max(...ys), arm - Math.max(...cover.map((p) => p.x))]) {
        // The middle line is sampled every 0.12 mm.
        expect(Math.abs(away - 0.24)).toBeLessThan(0.13);
      }
    }),
    { seed: 9, numRuns: 60 },
  );
});

test('round ends go on to a row of about 1.2 mm', () => {
  fc.assert(
    fc.property(fc.double({ min: 1.5, max: 4.4, noNaN: true }), fc.double({ min: 14, max: 30, noNaN: true }), (r, length) => {
      const bar = strokeArea([[at(0, 0), at(length, 0)]], false, { widthMm: 2 * r, cap: 'round', join: 'round', miterLimit: 4 });
      const xs = coverOf(bar, PUSH);
      const [first, second] = xs.slice().sort((a, b) => a.x - b.x) as [Point, Point];
      expect(first.x + r).toBeLessThan(0.24);
      expect(distance(first, second)).toBeGreaterThan(0.8);
      expect(distance(first, second)).toBeLessThan(0.9 * r + 1.4);
    }),
    { seed: 9, numRuns: 60 },
  );
});
