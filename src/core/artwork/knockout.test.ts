import fc from 'fast-check';
import { areaOf, components } from '../geometry/area';
import { dataToRings } from '../geometry/path';
import { findRegions } from './artRegions';
import { carveBeneath } from './knockout';
import { placeArt } from './place';
import { readSvg } from './readSvg';
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

describe('a stack of details', () => {
  const oval = (rx: number, ry: number, x = 0) =>
    dataToRings(`M${x - rx},0 A${rx},${ry} 0 1 1 ${x + rx},0 A${rx},${ry} 0 1 1 ${x - rx},0 Z`);
  const eye = (rx: number, ry: number): PlacedItem => ({ ...item(''), area: oval(rx, ry) });
  const opening = (own: PlacedItem, iris: number, pupil: number, x: number): number =>
    areaOf(own.area) - areaOf(carveBeneath(own, oval(iris, iris, x), oval(pupil, pupil, x)).area);

  it('is not sewn on columns: they keep an overlap round an opening beneath it, wherever it lies within them', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 4.2, max: 7, noNaN: true }),
        fc.double({ min: 3.2, max: 4.3, noNaN: true }),
        fc.double({ min: 2.4, max: 3, noNaN: true }),
        fc.double({ min: -0.6, max: 0.6, noNaN: true }),
        (rx, ry, iris, aside) => {
          const left = opening(eye(rx, ry), iris, 1.4, aside * (rx - iris));
          expect(left).toBeLessThan(Math.PI * (iris - 0.75) ** 2);
          expect(left).toBeGreaterThan(0.6 * Math.PI * (iris - 1) ** 2);
        },
      ),
      { numRuns: 40, seed: 5 },
    );
  });

  it('is where it is small, where only one lies on the columns, and on a fill, which weighs half', () => {
    expect(opening(eye(6, 4), 3, 0.9, 0)).toBeCloseTo(0, 3);
    expect(opening(eye(6, 4), 3, 1.1, 0)).toBeGreaterThan(8);
    const one = eye(6, 4);
    expect(areaOf(carveBeneath(one, oval(3, 3)).area)).toBeCloseTo(areaOf(one.area), 3);
    expect(opening(eye(14, 12), 3, 2, 0)).toBeCloseTo(0, 3);
    expect(opening(eye(6, 4), 1.8, 1.2, 0)).toBeCloseTo(0, 3);
  });

  it('is counted without what is left out above', () => {
    // White, iris, pupil, gleam on a face: the white is opened under the iris, and the face then bears two.
    const layer = (data: string, hex: string) => `<path fill="${hex}" d="${data}"/>`;
    const disc = (r: number): string => `M${-r},0 A${r},${r} 0 1 1 ${r},0 A${r},${r} 0 1 1 ${-r},0 Z`;
    const art = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="-30 -30 60 60">${layer(disc(30), '#d9a066')}${layer(disc(4.2), '#fefefe')}${layer(disc(2.8), '#6b4a2b')}${layer(disc(1.6), '#101010')}</svg>`;
    const { regions } = findRegions(placeArt(readSvg(art), { width: 60 }));
    const [face, white, iris, pupil] = ['#d9a066', '#fefefe', '#6b4a2b', '#101010'].map((hex) => regions.find((r) => r.hex === hex)!);
    expect(face!.areaMm2).toBeCloseTo(Math.PI * 900, -1);
    expect(Math.abs(white!.areaMm2 - Math.PI * (4.2 ** 2 - 1.8 ** 2))).toBeLessThan(0.5);
    expect(Math.abs(iris!.areaMm2 - Math.PI * 2.8 ** 2)).toBeLessThan(0.3);
    expect(Math.abs(pupil!.areaMm2 - Math.PI * 1.6 ** 2)).toBeLessThan(0.3);
  });
});
