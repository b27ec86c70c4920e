import { clean } from '../../geometry/area';
import { dataToRings } from '../../geometry/path';
import { indexEdges } from './outlineEdges';
import { centreLine, makeTrack, medianWidth, widenRow } from './track';

const RING = indexEdges(
  clean(dataToRings('M10,0 A10,10 0 1 1 -10,0 A10,10 0 1 1 10,0 Z M6,0 A6,6 0 1 0 -6,0 A6,6 0 1 0 6,0 Z'), 'evenodd'),
);

test('a row across a ring is cut where it leaves the ring, on both sides', () => {
  const found = RING.stretch({ x: 8, y: 0 }, { x: 1, y: 0 }, 30, 30)!;
  expect(found[0]).toBeCloseTo(-2, 1);
  expect(found[1]).toBeCloseTo(2, 1);
});

test('the reach limits a row', () => {
  expect(RING.stretch({ x: 8, y: 0 }, { x: 1, y: 0 }, 1, 0.5)).toEqual([-1, 0.5]);
});

test('from outside, the nearest part counts; beyond the reach there is none', () => {
  const found = RING.stretch({ x: 0, y: 0 }, { x: 1, y: 0 }, 5, 7)!;
  expect(found[0]).toBeCloseTo(6, 1);
  expect(RING.stretch({ x: 0, y: 0 }, { x: 1, y: 0 }, 5, 5)).toBeNull();
});

test('a track’s advance follows the side that moves more', () => {
  const arc = (r: number) =>
    Array.from({ length: 91 }, (_, i) => ({ x: r * Math.cos((i * Math.PI) / 180), y: r * Math.sin((i * Math.PI) / 180) }));
  const track = makeTrack(arc(10), arc(4));
  expect(track.advance[90]).toBeCloseTo((10 * Math.PI) / 2, 1);
  expect(medianWidth([track])).toBeCloseTo(6, 6);
  expect(Math.hypot(centreLine(track)[45]!.x, centreLine(track)[45]!.y)).toBeCloseTo(7, 6);
});

test('a jump of a side along its own row does not count as advance', () => {
  const left = [
    { x: 0, y: -2 },
    { x: 0.1, y: -2 },
    { x: 0.2, y: -9 },
    { x: 0.3, y: -9 },
  ];
  const right = left.map((p) => ({ x: p.x, y: 2 }));
  expect(makeTrack(left, right).advance[3]).toBeCloseTo(0.3, 6);
});

test('rows are widened about their middle, and never come out narrower than the least', () => {
  expect(widenRow({ x: 0, y: -1 }, { x: 0, y: 1 }, 0.3, 0.3, 1)).toEqual([
    { x: 0, y: -1.3 },
    { x: 0, y: 1.3 },
  ]);
  const [a, b] = widenRow({ x: 0, y: -0.1 }, { x: 0, y: 0.1 }, 0, 0, 1);
  expect(b.y - a.y).toBeCloseTo(1, 9);
});
