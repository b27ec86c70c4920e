/** A face that Cobble ships as an openly licensed font file. */
export interface ShippedFace {
  key: string;
  name: string;
  says: string;
  /** In `public/faces`, with its licence beside it. */
  file: string;
  /** Heights of capitals, mm, from which its letters stay open, by weight of the thread; worked out by `pieces/lettering/smallest`. */
  smallest: Readonly<Record<40 | 60, number>>;
  /** The height of capitals from which most of its letters bear foam, mm; worked out by `pieces/lettering/foamOutlines`. */
  foam: number;
}

/** Named by what they look like; who made them, and under which licence, stands beside the files. */
export const SHIPPED_FACES: readonly ShippedFace[] = [
  { key: 'soft', name: 'Soft', says: 'round-ended letters of even strokes', file: 'soft.ttf', smallest: { 40: 5.5, 60: 5 }, foam: 21 },
  { key: 'narrow', name: 'Narrow', says: 'tall slim letters for long words', file: 'narrow.ttf', smallest: { 40: 5.5, 60: 5 }, foam: 25 },
  { key: 'slab', name: 'Slab', says: 'letters with heavy square feet', file: 'slab.ttf', smallest: { 40: 6, 60: 5.5 }, foam: 21 },
  {
    key: 'book',
    name: 'Book',
    says: 'letters with thick and thin strokes, as in print',
    file: 'book.ttf',
    smallest: { 40: 5, 60: 4.5 },
    foam: 24,
  },
  {
    key: 'poster',
    name: 'Poster',
    says: 'letters of circles and straight lines',
    file: 'poster.ttf',
    smallest: { 40: 7.5, 60: 6.5 },
    foam: 22,
  },
  { key: 'hand', name: 'Hand', says: 'joined letters as with a brush', file: 'hand.ttf', smallest: { 40: 8.5, 60: 7.5 }, foam: 54 },
];

export const shippedFace = (key: string): ShippedFace | undefined =>
  SHIPPED_FACES.find((f) => f.key === key || f.name.toLowerCase() === key.toLowerCase());
