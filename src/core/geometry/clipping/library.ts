import type { Line, Ring } from '../point';

/** Decimal places that clipping keeps, in mm: a tenth of the plan's lattice. */
export const PRECISION = 4;

export type FillRuleName = 'nonzero' | 'evenodd';
export type JoinName = 'miter' | 'round' | 'bevel';
export type CapName = 'butt' | 'round' | 'square';
/** How outlines or lines that are grown end: closed areas, closed lines, and open lines by their caps. */
export type EndName = 'polygon' | 'joined' | CapName;

export type Outlines = readonly Line[];

/** What the rest of the geometry asks of a clipping library: mm in and out, on a lattice of `PRECISION`. */
export interface Clipping {
  union(outlines: Outlines, rule: FillRuleName): Ring[];
  difference(outlines: Outlines, without: Outlines): Ring[];
  intersection(outlines: Outlines, within: Outlines): Ring[];
  /** @param arcMm round joins and caps keep within this of true arcs */
  grown(lines: Outlines, mm: number, join: JoinName, end: EndName, miterLimit: number, arcMm: number): Ring[];
  /** Outer rings, each followed by its holes. */
  parts(outlines: Outlines): Ring[][];
  linesWithin(lines: Outlines, outlines: Outlines): Line[];
  linesOutside(lines: Outlines, outlines: Outlines): Line[];
  /** Closed outlines without points that lie nearer than the tolerance to the line of their neighbours. */
  simplified(outlines: Outlines, tolerance: number): Ring[];
}
