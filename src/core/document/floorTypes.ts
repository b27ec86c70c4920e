export interface Hoop {
  width: number;
  height: number;
  shape: 'rect' | 'round';
}

/** How one copy lies in a hoop: its design mirrored left and right where asked, turned, then its origin laid at a place. */
export interface CopyPlace {
  /** mm from the hoop's middle. */
  x: number;
  y: number;
  /** Degrees, counter-clockwise as seen. */
  turn: number;
  mirror?: boolean;
  /** Id of the design that lies beside the job's own; the job's own when absent. */
  of?: string;
}

/** A name in place of a text of the job. */
export interface NameInText {
  /** Id of the text. */
  piece: string;
  words: string;
  /** As high as the text is, or narrowed to its width. */
  fit: 'height' | 'width';
  /** Height of its capitals instead, mm. */
  height?: number;
  /** Colour of its thread instead. */
  hex?: string;
}

export const SHEET_ORDERS = ['copy', 'thread'] as const;
/** Copy after copy, or thread by thread across all copies. */
export type SheetOrder = (typeof SHEET_ORDERS)[number];
