import { GARMENT_SIZES, PLACES, type Brief, type GarmentSize, type Place } from '../../document/types';
import { contains } from '../../geometry/area';
import { dataToRings } from '../../geometry/path';
import { hangBounds, hangSvg } from './drawing';
import { hangOf, hangWords, hasSides, type Hang } from './hang';

const brief = (place: Place, over: Partial<Brief> = {}): Brief => ({
  ...{ cloth: 'pique', place, hoop: { width: 100, height: 100, shape: 'rect' }, size: { width: 80 }, quantity: 1, notes: '' },
  ...over,
});
const design = { widthMm: 60, heightMm: 40 };
const hung = PLACES.flatMap((place) =>
  GARMENT_SIZES.flatMap((garmentSize): [string, Hang][] => {
    const hang = hangOf(brief(place, { garmentSize }), design);
    return hang ? [[`${place} ${garmentSize}`, hang]] : [];
  }),
);

test('seven places have a usual one, in every size', () => expect(hung).toHaveLength(7 * GARMENT_SIZES.length));

test.each(hung)('%s: each distance is as long as it says, leads to what it names, and the design lies on the cloth', (_, hang) => {
  const { at } = hang;
  for (const { mm, to, line } of hang.distances) {
    const [p, q] = line;
    expect(Math.hypot(q.x - p.x, q.y - p.y)).toBeCloseTo(mm, 9);
    const edge = { middle: 0, top: -design.heightMm / 2, 'lower edge': design.heightMm / 2 }[to];
    // One that is level leads to the middle by x, others by y.
    if (q.y === p.y) expect(q.x).toBeCloseTo(at.x, 9);
    else expect(q.y).toBeCloseTo(at.y + edge, 9);
  }
  const body = hang.outline.body.flatMap((d) => dataToRings(d, 0.5));
  for (const x of [-1, 1])
    for (const y of [-1, 1]) expect(contains(body, { x: at.x + (x * design.widthMm) / 2, y: at.y + (y * design.heightMm) / 2 })).toBe(true);
});

test('what the wearer has on the left lies to the right as it is looked at, and the other side is its mirror image', () => {
  const [left, right] = (['left-chest', 'right-chest'] as const).map((p) => hangOf(brief(p), design)!);
  expect(left!.at.x).toBeGreaterThan(0);
  expect(right!.at).toEqual({ x: -left!.at.x, y: left!.at.y });
  expect(hangOf(brief('left-chest', { otherSide: true }), design)).toEqual(right);
  expect(hangOf(brief('sleeve', { otherSide: true }), design)!.notes[0]).toMatch(/right sleeve/);
  expect(PLACES.filter(hasSides)).toEqual(['left-chest', 'right-chest', 'sleeve']);
});

test('the larger the garment, the farther out and down; no size is left out of order', () => {
  const at = (garmentSize: GarmentSize) => hangOf(brief('left-chest', { garmentSize }), design)!.distances.map((d) => d.mm);
  for (let i = 1; i < GARMENT_SIZES.length; i++)
    at(GARMENT_SIZES[i]!).forEach((mm, k) => expect(mm).toBeGreaterThan(at(GARMENT_SIZES[i - 1]!)[k]!));
});

test('what is too large for a place is told', () => {
  const large = { widthMm: 130, heightMm: 70 };
  expect(hangOf(brief('left-chest'), large)!.notes.join()).toMatch(/Wider than a chest/);
  expect(hangOf(brief('cap-front'), large)!.notes.join()).toMatch(/Taller than the front of a cap.*Wider/);
  expect(hangOf(brief('cap-front'), design)!.notes).toHaveLength(1);
});

test('the words name every distance, in the units of the job', () => {
  const hang = hangOf(brief('left-chest'), design)!;
  expect(hangWords(hang, 'mm')[0]).toBe(
    'The middle of the design 100 mm from the middle of the placket, 190 mm from the shoulder seam at the collar.',
  );
  expect(hangWords(hang, 'in')[0]).toContain('3.94 in from');
  expect(hangWords(hangOf(brief('sleeve'), design)!, 'mm')[0]).toBe('The lower edge of the design 25 mm from the sleeve’s hem.');
});

test('the drawing for paper shows the design at the scale of the garment', () => {
  const hang = hangOf(brief('jacket-back'), design)!;
  const { svg, ratio } = hangSvg(hang, design, '#204060');
  expect(svg).toContain('width="60" height="40"');
  const b = hangBounds(hang);
  expect(ratio).toBeCloseTo((b.maxY - b.minY) / (b.maxX - b.minX), 9);
});
