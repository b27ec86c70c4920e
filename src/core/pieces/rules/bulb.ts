import { WIDEST_SATIN_MM } from '../../units/craft';
import type { LongRows } from '../kind';

/** A bulb makes up no more of a column than this share, or is no longer than about half a satin's widest. */
const OF_COLUMN = 0.12;
const ALONG_MM = WIDEST_SATIN_MM / 2 + 0.5;
/** Whole rows at a bulb are no longer than this, mm: what cautious shops still call bold (craft §9). */
const LONGEST_MM = 11;

/**
 * Whether rows over the satin limit are but a bulb or a joint of their column. There they are better sewn whole, a little over
 * the limit, than split, or than the whole column sewn as a field.
 * @param areaMm2 of the whole column
 */
export const isBulb = ({ mm, alongMm }: LongRows, areaMm2: number): boolean =>
  mm <= LONGEST_MM && (alongMm <= ALONG_MM || mm * alongMm <= OF_COLUMN * areaMm2);

/** The satin limit at which such rows are sewn whole, mm. */
export const limitFor = (mm: number): number => Math.ceil(2 * mm) / 2;
