import fc from 'fast-check';
import { areaOf, clean, contains } from '../geometry/area';
import { dataToRings } from '../geometry/path';
import { BLUE, distanceToSegment, noisy, painted, RED, WHITE, type Rgba } from './fixtures';
import { takenRegion, type TakenRegion } from './takenRegion';

const rings = (taken: TakenRegion) => clean(dataToRings(taken.data, 0.002), 'evenodd');
const inDisc = (x: number, y: number, cx: number, cy: number, r: number): boolean => Math.hypot(x - cx, y - cy) < r;
const take = (picture: Parameters<typeof takenRegion>[0], x: number, y: number, tolerance = 0.08) =>
  takenRegion(picture, { at: [x / picture.width, y / picture.height], tolerance, pixelsPerMm: 10 });

describe('a region that is taken by a click', () => {
  it('is the disc that was pointed at, in its size and place', () => {
    fc.assert(
      fc.property(fc.double({ min: 12, max: 60, noNaN: true }), fc.double({ min: 70, max: 90, noNaN: true }), (r, cx) => {
        const taken = take(
          painted(160, 160, (x, y) => (inDisc(x, y, cx, 80, r) ? RED : WHITE)),
          cx,
          80,
        )!;
        expect(taken.hex).toMatch(/^#c[0-9a-f]2/);
        expect(Math.abs(areaOf(rings(taken)) / ((Math.PI * r * r) / 100) - 1)).toBeLessThan(0.03);
        const ring = rings(taken)[0]!;
        for (const p of ring) expect(Math.abs(Math.hypot(p.x - cx / 10, p.y - 8) - r / 10)).toBeLessThan(0.08);
      }),
      { numRuns: 12 },
    );
  });

  it('has the openings that it has, and not those of other discs of its colour', () => {
    const at = (x: number, y: number): Rgba =>
      inDisc(x, y, 80, 80, 60) ? (inDisc(x, y, 80, 80, 25) ? WHITE : BLUE) : inDisc(x, y, 220, 80, 40) ? BLUE : WHITE;
    const area = rings(take(painted(280, 160, at), 35, 80)!);
    expect(Math.abs(areaOf(area) / ((Math.PI * (60 ** 2 - 25 ** 2)) / 100) - 1)).toBeLessThan(0.012);
    expect(contains(area, { x: 22, y: 8 })).toBe(false);
  });

  it('grows with the tolerance, over shades', () => {
    const shades = painted(200, 100, (x) => [40 + x / 2, 70, 160, 255]);
    const narrow = take(shades, 20, 50, 0.03)!;
    const wide = take(shades, 20, 50, 0.12)!;
    expect(areaOf(rings(wide))).toBeGreaterThan(1.5 * areaOf(rings(narrow)));
    expect(areaOf(rings(take(shades, 20, 50, 2)!))).toBeCloseTo(200, 0);
  });

  it('has no pinholes in noise', () => {
    const bar = painted(240, 120, (x, y) => (distanceToSegment(x, y, 60, 60, 180, 60) < 25 ? RED : WHITE));
    const area = rings(take(noisy(bar, 14), 120, 60, 0.1)!);
    expect(area).toHaveLength(1);
    expect(areaOf(area)).toBeCloseTo((120 * 50 + Math.PI * 25 ** 2) / 100, 0);
  });

  it('is nothing beside the picture', () => {
    expect(
      takenRegion(
        painted(20, 20, () => RED),
        { at: [1.2, 0.5], tolerance: 0.1, pixelsPerMm: 10 },
      ),
    ).toBeNull();
  });
});
