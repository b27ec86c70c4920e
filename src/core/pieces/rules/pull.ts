/**
 * How much is added at each end of a row, by the row's length: what the needle's holes give, which long rows feel in full, and
 * what the cloth as a whole is drawn in, which grows with the row (craft §4, Pull compensation).
 */
export interface PullLaw {
  /** The same at every row, mm. */
  constant: number;
  /** At the holes of a long row, mm. */
  end: number;
  /** For every mm of the row, mm. */
  perMm: number;
}

/** Rows this long feel half of what a long row feels at its holes, mm. */
const HALF_MM = 0.6;
/** Longer rows are drawn in no further: the hoop holds the cloth, mm. */
const LONGEST_MM = 100;
/** Recipes say what rows of this length need, mm (craft §4: 8 to 12). That much is never cut. */
export const RECIPE_ROW_MM = 10;
/**
 * A free edge sewn this much outside the drawing is seen to be fat; from there on it is rather left so much short, which nobody
 * sees, until what is missing would be seen by everybody, mm.
 */
const PLAIN_MM = 0.45;
const LEFT_SHORT_MM = 0.8;
const SEEN_SHORT_MM = { from: 1.4, wholly: 2.1 };

export function pulledAt(law: PullLaw, rowMm: number): number {
  const drawn = drawnIn(law, rowMm);
  const plain = Math.max(PLAIN_MM, drawnIn(law, RECIPE_ROW_MM));
  const { from, wholly } = SEEN_SHORT_MM;
  const short = LEFT_SHORT_MM * Math.min(1, Math.max(0, (wholly - drawn) / (wholly - from)));
  return law.constant + Math.min(drawn, Math.max(plain, drawn - short));
}

const drawnIn = ({ end, perMm }: PullLaw, rowMm: number): number => (end * rowMm) / (rowMm + HALF_MM) + perMm * Math.min(rowMm, LONGEST_MM);

/** A law of one value for every row: what a person set. */
export const evenPull = (mm: number): PullLaw => ({ constant: mm, end: 0, perMm: 0 });

/** The law that grows by so much a mm and comes to a value at rows of a length. */
export function pullThrough(mm: number, atMm: number, perMm: number): PullLaw {
  const grows = Math.min(perMm, (0.6 * mm) / atMm);
  return { constant: 0, end: ((mm - grows * atMm) * (atMm + HALF_MM)) / atMm, perMm: grows };
}
