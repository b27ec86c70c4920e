import type { Brief, GarmentSize } from '../../document/types';
import { PLACE_WORDS } from '../../document/words';
import type { Point } from '../../geometry/point';
import { formatLength } from '../../units/length';
import { apronFront, capFront, flatSleeve, jacketBack, shirtFront, type GarmentOutline } from './outlines';
import { BIB, CAP, MEASURES, type GarmentMeasures } from './sizes';

/** A distance that is measured on the garment, with the line along which it is. */
export interface Distance {
  mm: number;
  /** What it is measured from. */
  from: string;
  /** What of the design it leads to. */
  to: 'middle' | 'top' | 'lower edge';
  line: [Point, Point];
}

/** Where a design usually sits on a garment. */
export interface Hang {
  /** Place and size, as a heading says them. */
  title: string;
  outline: GarmentOutline;
  /** Middle of the design, in the garment's own mm. */
  at: Point;
  distances: Distance[];
  /** What to know of this place. */
  notes: string[];
}

interface Design {
  widthMm: number;
  heightMm: number;
}

type Rule = (m: GarmentMeasures, design: Design, asked: { size: GarmentSize; otherSide: boolean }) => Omit<Hang, 'title'>;

const across = (mm: number, y: number, side: 1 | -1, from: string): Distance => ({
  ...{ mm, from, to: 'middle' },
  line: [
    { x: 0, y },
    { x: side * mm, y },
  ],
});

const chest =
  (wearers: 'left' | 'right'): Rule =>
  (m, { widthMm }) => {
    // As it is looked at, the wearer's left lies to the right.
    const side = wearers === 'left' ? 1 : -1;
    const at = { x: side * m.across, y: m.down - m.drop };
    return {
      outline: shirtFront(m, true),
      at,
      distances: [
        across(m.across, at.y, side, 'the middle of the placket'),
        { mm: m.down, from: 'the shoulder seam at the collar', to: 'middle', line: [{ x: at.x, y: -m.drop }, at] },
      ],
      notes: widthMm > m.chestMost ? [`Wider than a chest of this size usually bears (${m.chestMost} mm).`] : [],
    };
  };

const centred = (y: number, design: Design, top: number): Point => ({ x: 0, y: y + top + design.heightMm / 2 });

const front: Rule = (m, design) => ({
  outline: shirtFront(m, false),
  at: centred(0, design, m.belowCollar),
  distances: [{ mm: m.belowCollar, from: 'the collar', to: 'top', line: [{ x: 0, y: 0 }, { x: 0, y: m.belowCollar }] }], // prettier-ignore
  notes: design.widthMm > m.broadMost ? [`Wider than a front of this size usually bears (${m.broadMost} mm).`] : [],
});

const back: Rule = (m, design) => ({
  outline: jacketBack(m),
  at: centred(0, design, m.belowBack),
  distances: [{ mm: m.belowBack, from: 'the collar’s seam', to: 'top', line: [{ x: 0, y: 0 }, { x: 0, y: m.belowBack }] }], // prettier-ignore
  notes: design.widthMm > m.broadMost ? [`Wider than a back of this size usually bears (${m.broadMost} mm).`] : [],
});

const sleeve: Rule = (m, { heightMm, widthMm }, { otherSide }) => ({
  outline: flatSleeve(m),
  at: { x: 0, y: -m.aboveHem - heightMm / 2 },
  distances: [{ mm: m.aboveHem, from: 'the sleeve’s hem', to: 'lower edge', line: [{ x: 0, y: 0 }, { x: 0, y: -m.aboveHem }] }], // prettier-ignore
  notes: [
    `The wearer’s ${otherSide ? 'right' : 'left'} sleeve, its middle on the fold.`,
    ...(widthMm > 0.9 * m.sleeve ? ['So wide that it goes round the arm: its ends are not seen from the side.'] : []),
  ],
});

const cap: Rule = (_, { heightMm, widthMm }, { size }) => {
  const most = size === 'child' ? CAP.childHeight : CAP.height;
  return {
    outline: capFront(),
    at: { x: 0, y: -7 - CAP.aboveBrim - heightMm / 2 },
    distances: [{ mm: CAP.aboveBrim, from: 'the brim’s seam', to: 'lower edge', line: [{ x: 0, y: -7 }, { x: 0, y: -7 - CAP.aboveBrim }] }], // prettier-ignore
    notes: [
      'Its middle on the seam; begin beside the seam, not on it.',
      ...(heightMm > most ? [`Taller than the front of a cap usually bears (${most} mm): the frame cannot reach so high.`] : []),
      ...(widthMm > CAP.width ? [`Wider than the front panels (${CAP.width} mm): its ends turn away.`] : []),
    ],
  };
};

const apron: Rule = (_, design) => ({
  outline: apronFront(BIB),
  at: centred(0, design, BIB.belowHem),
  distances: [{ mm: BIB.belowHem, from: 'the bib’s upper hem', to: 'top', line: [{ x: 0, y: 0 }, { x: 0, y: BIB.belowHem }] }], // prettier-ignore
  notes: design.widthMm > BIB.most ? [`Wider than a bib usually bears (${BIB.most} mm).`] : [],
});

const sidesOf = (place: Brief['place'], otherSide: boolean): Brief['place'] =>
  !otherSide ? place : place === 'left-chest' ? 'right-chest' : place === 'right-chest' ? 'left-chest' : place;

const RULES: Partial<Record<Brief['place'], Rule>> = {
  'left-chest': chest('left'),
  'right-chest': chest('right'),
  'full-front': front,
  'jacket-back': back,
  'cap-front': cap,
  sleeve,
  apron,
};

/** Places that there are two of, one on each side of the wearer. */
export const hasSides = (place: Brief['place']): boolean => place.endsWith('chest') || place === 'sleeve';
/** Places whose distances depend on the garment's size. */
export const hasSizes = (place: Brief['place']): boolean => RULES[place] !== undefined && place !== 'apron';

/** Where a design usually sits on the garment that a brief names; null where there is no usual place. */
export function hangOf({ place, garmentSize = 'M', otherSide = false }: Brief, design: Design): Hang | null {
  const seen = sidesOf(place, otherSide);
  const rule = RULES[seen];
  if (!rule) return null;
  const size = hasSizes(place) ? `, ${garmentSize}` : '';
  return { title: `${PLACE_WORDS[seen]}${size}`, ...rule(MEASURES[garmentSize], design, { size: garmentSize, otherSide }) };
}

/** Where it goes, as sentences for the sheet; what is measured on the garment itself goes before them. */
export function hangWords({ distances, notes }: Hang, units: 'mm' | 'in'): string[] {
  const told = distances.map(({ mm, from, to }) => `the ${to} of the design ${formatLength(mm, units, 0)} from ${from}`);
  const [first = '', ...more] = told;
  return [
    `${first.charAt(0).toUpperCase()}${first.slice(1)}${more.map((t) => `, ${t.replace(/^the \S+( edge)? of the design /, '')}`).join('')}.`,
    ...notes,
  ];
}
