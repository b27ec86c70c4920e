/** A place on a picture as it came: shares of its width and height, from its upper left corner. */
export type PicturePlace = [number, number];

/** How a picture is laid out before it is traced, in this order. */
export interface PicturePreparation {
  /** Four places that are the corners of a rectangle, from the upper left clockwise. */
  corners?: PicturePlace[];
  /** So far it is turned clockwise to be level, degrees. */
  levelDeg?: number;
  /** Left, top, right and bottom of what is kept, shares of the sides of the turned picture. */
  crop?: [number, number, number, number];
  /** A place that should be white. */
  white?: PicturePlace;
}

/** How a picture becomes shapes: what was decided of it. Colours are told as #rrggbb. */
export interface TracingChoices {
  prepared?: PicturePreparation;
  /** Number of colours of what is shown at most; as many as were found when absent. */
  colours?: number;
  /** How far shapes may lie from its edges, mm. */
  toleranceMm?: number;
  keepBackground?: boolean;
  /** Colours so near to the rim's, in OKLab, that reach the rim are background too. */
  backgroundTolerance?: number;
  /** Regions at these places are background. */
  dropped?: PicturePlace[];
  /** Specks at these places are kept. */
  kept?: PicturePlace[];
  /** A colour that becomes another, in this order. */
  merged?: [string, string][];
  /** Colours that are to be among those found. */
  picked?: string[];
  /** Colours that are two. */
  split?: string[];
  /** A colour found and the colour that its shapes have: a cone's. */
  cones?: [string, string][];
  /** Small regions whose colours are near those around them go to these: fewer jumps. */
  fewerJumps?: boolean;
  /** Straight sides that are nearly level, upright, parallel or square become so; false to keep them as they were measured. */
  square?: boolean;
}

/** A region too small to sew that was left out. */
export interface DroppedSpeck {
  at: PicturePlace;
  mm2: number;
  hex: string;
}

/** What a tracing found that its shapes do not tell. */
export interface TracedFigures {
  /** Share of each colour of what is shown: as it was found, and as its shapes have it. */
  colours: { hex: string; as: string; share: number }[];
  droppedSpecks: number;
  /** The largest of them. */
  specks: DroppedSpeck[];
  keptSpots: number;
  /** Small regions of colours near to those around them, which fewer jumps would do without. */
  smallNear: number;
  /** Areas of one colour. */
  areas?: number;
  /** Straight sides made level, upright, parallel or square. */
  squared?: number;
  notes: string[];
}

/** The picture of which a drawing was traced, and how. */
export interface TracedFrom extends TracingChoices {
  /** Its name among the artwork. */
  file: string;
  found?: TracedFigures;
}
