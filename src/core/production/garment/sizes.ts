import type { GarmentSize } from '../../document/types';

/** Measures of a made-up, usual garment of a size, mm; and where work usually sits on it. Real garments differ: what is said is advice. */
export interface GarmentMeasures {
  /** Half of the chest as it lies flat. */
  chest: number;
  /** From the collar's lowest point to the hem. */
  length: number;
  /** From the middle to the shoulder's tip, and to where the shoulder meets the collar. */
  shoulder: number;
  neck: number;
  /** From there down to the collar's lowest point. */
  drop: number;
  sleeve: number;
  /** Middle of a chest design: out from the middle, and down from the shoulder seam at the collar. */
  across: number;
  down: number;
  /** Top of a full front below the collar, of a back below the collar's seam. */
  belowCollar: number;
  belowBack: number;
  /** Lower edge of a sleeve's design above its hem. */
  aboveHem: number;
  /** Widest usual design on a chest, and on a front or back. */
  chestMost: number;
  broadMost: number;
}

const of = (
  [chest, length, shoulder, neck, drop, sleeve]: readonly [number, number, number, number, number, number],
  [across, down, belowCollar, belowBack, aboveHem, chestMost, broadMost]: readonly [number, number, number, number, number, number, number],
): GarmentMeasures => ({
  ...{ chest, length, shoulder, neck, drop, sleeve },
  ...{ across, down, belowCollar, belowBack, aboveHem, chestMost, broadMost },
});

export const MEASURES: Record<GarmentSize, GarmentMeasures> = {
  child: of([180, 430, 145, 62, 52, 125], [60, 110, 40, 75, 18, 65, 200]),
  youth: of([215, 520, 175, 70, 62, 155], [75, 140, 50, 95, 20, 80, 240]),
  S: of([250, 620, 212, 80, 78, 195], [90, 175, 65, 115, 25, 90, 280]),
  M: of([270, 645, 226, 84, 82, 205], [100, 190, 75, 125, 25, 100, 300]),
  L: of([290, 665, 240, 88, 86, 215], [105, 200, 75, 130, 25, 100, 310]),
  XL: of([312, 685, 255, 92, 90, 222], [115, 210, 80, 135, 28, 110, 320]),
  '2XL': of([338, 705, 272, 96, 94, 230], [125, 220, 85, 140, 30, 110, 330]),
};

/** Tallest and widest that a cap's front usually bears, and how far its lower edge keeps from the brim's seam, mm. */
export const CAP = { height: 55, childHeight: 45, width: 120, aboveBrim: 15 };
/** The bib of an apron: width, height, and the design's top below its hem, mm. */
export const BIB = { width: 280, height: 300, belowHem: 80, most: 220 };
