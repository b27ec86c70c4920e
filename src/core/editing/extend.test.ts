import { areaOf, offset } from '../geometry/area';
import { dataToRings } from '../geometry/path';
import { outlineOf } from '../geometry/outline';
import type { Piece } from '../document/types';
import { random } from '../units/random';
import { placesAlong } from './edgePlaces';
import { extendedUnder } from './extend';

it.each([1, 2, 3, 4, 5, 6, 7, 8])('extends a whole rim evenly, without a slot where its places begin (%d)', (seed) => {
  const r = random(seed);
  const [rx, ry, mm] = [8 + 20 * r(), 8 + 20 * r(), 0.4 + 1.2 * r()];
  const [x, y] = [rx * Math.cos(7 * seed), ry * Math.sin(7 * seed)];
  const area = `M${x},${y} A${rx},${ry} 0 1 1 ${-x},${-y} A${rx},${ry} 0 1 1 ${x},${y} Z`;
  const piece: Piece = { id: 'a', name: 'a', kind: 'fill', thread: 't', area, settings: {} };
  const drawn = outlineOf(area).area;
  const made = extendedUnder(
    piece,
    piece,
    offset(drawn, 5),
    placesAlong(drawn)[0]!.map((place) => ({ place, mm })),
  );
  const [got, want] = [dataToRings(made.area!), offset(drawn, mm)];
  // Chords between places a millimetre apart lie a little inside the curve: far less than a slot takes away.
  expect(areaOf(want) - areaOf(got)).toBeLessThan(0.1 * mm + 0.004 * areaOf(want));
  // What opening and closing by a quarter of a millimetre would fill is a slot.
  expect(areaOf(offset(offset(got, 0.6), -0.6)) - areaOf(got)).toBeLessThan(0.12 * mm);
});
