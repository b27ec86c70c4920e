import { areaOf, components } from '../geometry/area';
import { dataToRings } from '../geometry/path';
import { carveBeneath } from './knockout';
import { tucked } from './tucks';
import type { PlacedItem } from './place';

const item = (data: string): PlacedItem =>
  ({ area: dataToRings(data), hex: '#445566', opaque: true, stroke: null }) as unknown as PlacedItem;
const cover = dataToRings('M0,-30 H60 V30 H0 Z');

describe('cut away beneath what is painted later', () => {
  it('keeps what is seen and an overlap of a millimetre, no crumbs in the corners under the cover', () => {
    // A spout whose square end lies deep under a pot.
    const spout = carveBeneath(item('M-20,-6 H30 V6 H-20 Z'), cover);
    expect(components(spout.area)).toHaveLength(1);
    const right = Math.max(
      ...tucked(spout.area, spout.hiding!)
        .flat()
        .map((p) => p.x),
    );
    expect(right).toBeGreaterThan(0.9);
    expect(right).toBeLessThan(1.2);
    expect(areaOf(spout.removed)).toBeGreaterThan(250);
  });

  it('keeps no tip under the cover, though hairlines lead to it', () => {
    // A beam whose point lies deep under a round lamp: the opening for it is round, the point is not.
    const lamp = dataToRings('M-12,0 A12,12 0 1 1 12,0 A12,12 0 1 1 -12,0 Z');
    const beam = carveBeneath(item('M0,-6 L30,30 H-30 Z'), lamp);
    expect(Math.min(...beam.area.flat().map((p) => p.y))).toBeGreaterThan(0);
    expect(components(beam.area)).toHaveLength(1);
  });

  it('keeps both ends of what is crossed in the middle', () => {
    const bridge = carveBeneath(item('M-20,-6 H80 V6 H-20 Z'), cover);
    expect(components(bridge.area)).toHaveLength(2);
  });

  it('drops what is wholly hidden, and leaves alone what nothing covers', () => {
    expect(carveBeneath(item('M10,-6 H30 V6 H10 Z'), cover).area).toEqual([]);
    const free = item('M-40,-6 H-30 V6 H-40 Z');
    expect(carveBeneath(free, cover)).toMatchObject({ area: free.area, removed: [] });
  });
});

describe('details on an area', () => {
  const ground = item('M-40,-30 H40 V30 H-40 Z');
  const whole = 80 * 60;
  const disc = (r: number, x: number) => dataToRings(`M${x - r},0 A${r},${r} 0 1 1 ${x + r},0 A${r},${r} 0 1 1 ${x - r},0 Z`);
  const left = (over: ReturnType<typeof dataToRings>) => areaOf(carveBeneath(ground, over).area);

  test.each([2, 4, 8])('%s mm across are sewn on it, it stays closed', (across) => {
    expect(left(disc(across / 2, 0))).toBeCloseTo(whole, 3);
  });

  test.each([16, 24])('%s mm across leave it open, but for the overlap', (across) => {
    expect(whole - left(disc(across / 2, 0))).toBeCloseTo(Math.PI * (across / 2 - 1) ** 2, -1);
  });

  test.each([10, 14, 20])('%s mm across and half beside it stand on cloth with both halves', (across) => {
    expect(whole - left(disc(across / 2, 40))).toBeCloseTo((Math.PI * (across / 2) ** 2) / 2, -1);
  });

  test('a narrow band across is sewn on it, a broad one parts it', () => {
    expect(components(carveBeneath(ground, dataToRings('M-2,-40 H1 V40 H-2 Z')).area)).toHaveLength(1);
    expect(components(carveBeneath(ground, dataToRings('M-7,-40 H7 V40 H-7 Z')).area)).toHaveLength(2);
  });

  test('a narrow limb drawn deep into what covers it ends where it is seen', () => {
    const leg = carveBeneath(item('M-20,-1.5 H30 V1.5 H-20 Z'), cover);
    expect(areaOf(leg.area)).toBeCloseTo(20 * 3, 0);
    expect(areaOf(tucked(leg.area, leg.hiding!))).toBeCloseTo(21 * 3, 0);
  });
});
