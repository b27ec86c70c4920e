import type { Bounds, Line, Point, Area } from '../geometry/point';
import type { Spans } from './cells';

/** How a person wants the needle to come to a piece, instead of what the router would choose. */
export interface Approach {
  how: 'trim' | 'travel';
  /** Where the travel goes; straight when absent. */
  way?: Line;
}

/** What the router knows of a piece. */
export interface RouteItem {
  thread: string;
  candidates: readonly { start: Point; end: Point }[];
  pinnedStart: Point | null;
  pinnedEnd: Point | null;
  /** Cells that its cover hides; none when it is open or has none. */
  hides: Spans;
  /** Cells along lines that it sews over again and again: a run laid exactly there is hidden too. */
  tracks: Spans;
  lines: readonly Line[];
  /** Everything it paints, for knowing what lies over what. */
  painted: Spans;
  box: Bounds;
  /** Nothing may run across it: foam lies there, say. */
  barred: boolean;
  /** A column of lettering or the like: the stitch to the next one may show a little. */
  column: boolean;
  /** Its outline, when it may begin and end anywhere on it: areas and columns. */
  rim: Area | null;
  /** Direction of its rows at a place, as a unit vector; null where nobody knows. */
  rowAt(p: Point): Point | null;
  areaMm2: number;
  widthMm: number;
  approach: Approach | null;
}

/** Rows over an area, as against columns and lines. */
export const isArea = (item: Pick<RouteItem, 'rim' | 'column'>): boolean => item.rim !== null && !item.column;
