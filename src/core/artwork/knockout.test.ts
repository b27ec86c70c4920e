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
