import type { PieceKindName } from './kinds';
import type { CopyPlace, Hoop, NameInText, SheetOrder } from './floorTypes';
import type { Approval, GarmentSize, JobStage, Question } from './folderTypes';
import type { TracedFrom } from './pictureTypes';
import type { Sewout } from './sewoutTypes';

export { SHEET_ORDERS } from './floorTypes';
export { GARMENT_SIZES, JOB_STAGES } from './folderTypes';
export type { CopyPlace, Hoop, NameInText, SheetOrder } from './floorTypes';
export type { Approval, GarmentSize, JobStage, Question } from './folderTypes';
export type { DroppedSpeck, PicturePlace, PicturePreparation, TracedFigures, TracedFrom, TracingChoices } from './pictureTypes';

/** The job record (`job.json`, version 1). Lengths mm, origin at the hoop's centre, x right, y down. */
export const JOB_VERSION = 1;

export const CLOTH_KEYS = [
  'twill',
  'pique',
  'jersey',
  'fleece',
  'cap',
  'soft-cap',
  'terry',
  'felt',
  'patch',
  'leather',
  'sheer',
  'soluble-film',
] as const;
export type ClothKey = (typeof CLOTH_KEYS)[number];

export const PLACES = [
  'left-chest',
  'right-chest',
  'sleeve',
  'cap-front',
  'full-front',
  'jacket-back',
  'apron',
  'patch',
  'edging',
  'other',
] as const;
export type Place = (typeof PLACES)[number];

/** What a shop changed in a cloth's recipe, under a name of its own. Absent values are the cloth's. */
export interface RecipeChange {
  id: string;
  name: string;
  pullComp?: number;
  fillSpacing?: number;
  satinSpacing?: number;
  fillLength?: number;
  satinFoundation?: UnderlayKind[];
  fillFoundation?: UnderlayKind[];
  stabilizer?: string;
  topping?: string;
  needle?: string;
  speed?: number;
  /** Tension of the stitches, as a share of the usual. */
  tension?: number;
  /** What the shop's sew-outs told of how the cloth gives way. */
  learned?: LearnedCloth;
}

/** How a cloth over its stabilizer gives way, against what the starting values say: factors, all 1 where nothing was learned. */
export interface ClothFactors {
  shortening: number;
  push: number;
  bite: number;
  stiffness: number;
}

/** Learned from so many measurements on so many sew-outs. */
export interface LearnedCloth extends ClothFactors {
  measured: number;
  sewouts: number;
}

export interface Brief {
  cloth: ClothKey;
  /** The shop's own values for the cloth, as they were when the job took them. */
  recipe?: RecipeChange;
  place: Place;
  hoop: Hoop;
  /** Finished size; one side given fixes the other by the artwork's shape. */
  size: { width?: number; height?: number };
  quantity: number;
  notes: string;
  garment?: string;
  clothHex?: string;
  due?: string;
  units?: 'mm' | 'in';
  /** Size of the garment, for the distances of the usual place; M when absent. */
  garmentSize?: GarmentSize;
  /** On the wearer's other side. */
  otherSide?: boolean;
}

export interface Thread {
  id: string;
  code: string;
  name: string;
  hex: string;
  weight: number;
}

export const ART_PLACES = ['thin', 'narrow', 'opening', 'gap'] as const;
/** What is too small to sew well: a place thinner than two threads, a narrow satin, a narrow opening, a narrow gap. */
export type ArtPlaceKind = (typeof ART_PLACES)[number];
export const ART_ANSWERS = ['widen', 'drop', 'merge', 'leave'] as const;
export type ArtAnswerKind = (typeof ART_ANSWERS)[number];

/** What a person decided for one place of the size report. */
export interface ArtAnswer {
  /** The place, in the drawing's own units, so that it holds at any size. */
  at: [number, number];
  place: ArtPlaceKind;
  answer: ArtAnswerKind;
  /** Width to widen to, mm. */
  toMm?: number;
}

export const SEWN_AS = ['run', 'satin', 'fill', 'drop'] as const;
/** What a person would rather have a region sewn as than what was proposed. */
export interface ArtChoice {
  /** A point of the region, in the drawing's own units, so that it holds at any size. */
  at: [number, number];
  as: (typeof SEWN_AS)[number];
}

/** A piece as it was made from a drawing: what tells whether it was changed since. */
export interface MadePiece {
  id: string;
  mark: string;
}

export interface ArtworkRef {
  id: string;
  file: string;
  picture?: TracedFrom;
  transform: [number, number, number, number, number, number];
  locked: boolean;
  /** How the drawing lies: mirrored left and right, then turned, degrees counter-clockwise. */
  mirror?: boolean;
  turn?: number;
  answers?: ArtAnswer[];
  sewnAs?: ArtChoice[];
  /** The decisions that the pieces on the bench were made with, as one text. */
  madeWith?: string;
  /** The pieces as they were made of a picture's shapes. */
  made?: MadePiece[];
  /** Size of the artwork, mm, that the pieces on the bench were made at or scaled to. */
  madeAt?: { width: number; height: number };
}

export const UNDERLAY_KINDS = ['centre-run', 'edge-run', 'zigzag', 'double-zigzag', 'lattice'] as const;
export type UnderlayKind = (typeof UNDERLAY_KINDS)[number];

export interface UnderlayLayer {
  kind: UnderlayKind;
  spacing?: number;
  length?: number;
  inset?: number;
  /** Direction of its rows, measured from the cover's rows, degrees: 90 lies across them, 0 along. */
  angle?: number;
}

export type RunStyle = 'plain' | 'double' | 'bean' | 'backstitch' | 'zigzag' | 'motif';
export type Stagger = 'mixed' | 'brick' | 'quarter' | 'carved';
export type Corners = 'turn' | 'butt' | 'mitre' | 'cap';
/** What becomes of a column's open end: shortened for push, run on under a neighbour, or closed with a cap of cross stitches. */
export type ColumnEnds = 'open' | 'covered' | 'capped';
/** How thread is locked: see `stitches/ties`. */
export const TIE_SHAPES = ['line', 'half-back', 'back-stitch', 'outside', 'cross'] as const;
export type TieShape = (typeof TIE_SHAPES)[number];

/** What a person chose for a piece. Absent means resolved from cloth recipe and rules. */
export interface PieceSettings {
  spacing?: number;
  stitchLength?: number;
  angle?: number;
  pullComp?: number;
  pullCompPercent?: number;
  /** Compensation on the left and on the right of the column, instead of one for both, mm. */
  pullCompSides?: [number, number];
  pushComp?: number;
  underlay?: UnderlayLayer[];
  style?: RunStyle;
  passes?: number;
  satinLimit?: number;
  overLimit?: 'split' | 'fill';
  corners?: Corners;
  ends?: ColumnEnds;
  stagger?: Stagger;
  /** Spacing at the far side of a fill whose rows open gradually, mm. */
  spacingTo?: number;
  zigzagWidth?: number;
  motifSpacing?: number;
  /** The piece is hand-drawn underlay or a bridge: it is sewn as foundation. */
  foundation?: boolean;
  /** Thickness of raised foam under the piece, mm; 0 or absent means none. */
  foam?: number;
  tieIn?: boolean;
  tieOff?: boolean;
  tieShape?: TieShape;
  tieLength?: number;
  tieCount?: number;
  openings?: 'carve' | 'sew-over';
}

export const LETTER_LINES = ['straight', 'arc-up', 'arc-down', 'circle', 'path', 'between'] as const;
export const ALIGNMENTS = ['left', 'centre', 'right'] as const;
/** A line along the middle of the strokes, a line round the letters, rows over them, or cloth laid on. */
export const LETTER_STYLES = ['line', 'outline', 'fill', 'applique'] as const;
export const LETTER_DIRECTIONS = ['left-to-right', 'right-to-left', 'centre-out'] as const;

/** What one letter of a text has for itself. */
export interface LetterOwn {
  thread?: string;
  /** Height of capitals that it is drawn for, mm. */
  height?: number;
  /** Moved along its base line and up from it, mm. */
  shift?: [number, number];
  /** The thread is cut before it. */
  cut?: boolean;
}

/**
 * Letters of an outline face that a text uses, so that a job needs no font file. Path data with y downward from the base line; lengths in
 * hundredths of the height of capitals.
 */
export interface FaceOutlines {
  name: string;
  /** By what is written, several signs for a ligature. */
  glyphs: Record<string, { d: string; advance: number }>;
  /** Between two of them, added to the advance, by both with a line feed between. */
  kern: Record<string, number>;
  /** Of a space. */
  space: number;
}

/** Text that is sewn as letters. Absent values are the face's and the rules'. */
export interface Lettering {
  /** One line or several. */
  text: string;
  face: string;
  /** Height of capitals, mm. */
  height: number;
  /** The middle of its base line (of several lines: of the middle one), the middle of its circle, or the origin of its lines, mm. */
  at?: [number, number];
  /** Turn of the whole, degrees counter-clockwise. */
  turn?: number;
  /** Added between letters, % of the height. */
  spacing?: number;
  /** Added after single signs, mm, by their place in the text. */
  pairs?: Record<string, number>;
  /** Factors of the usual distance of words and lines, of the letters' widths and of their strokes' width. */
  wordSpacing?: number;
  lineSpacing?: number;
  wide?: number;
  weight?: number;
  align?: (typeof ALIGNMENTS)[number];
  /** Degrees from the upright, to the right. */
  slant?: number;
  line?: (typeof LETTER_LINES)[number];
  /** Of an arc or a circle, mm. */
  radius?: number;
  /** The line that it stands on, and the one that it reaches up to when it stands between two; path data in mm from `at`, before the turn. */
  path?: string;
  upper?: string;
  /** Of a face that Cobble does not draw itself: the letters in use. */
  outlines?: FaceOutlines;
  /** Single letters, by their place in the text. */
  letters?: Record<string, LetterOwn>;
  direction?: (typeof LETTER_DIRECTIONS)[number];
  /** Rules for small letters that a person switched off (false), or on again. */
  rules?: { spread?: boolean; thicken?: boolean; line?: boolean };
  /** Sewn otherwise than as columns. */
  style?: (typeof LETTER_STYLES)[number];
}

/** Shapes of a border round a text; one that hugs its letters where none is said. */
export const FRAMES = ['circle', 'diamond', 'square'] as const;

/** How a piece follows a text. */
export interface Follows {
  /** Id of the text. */
  text: string;
  /** A shadow: how far it lies to the right of the text and below it, mm. */
  shift?: [number, number];
  /** A border: how far it stands off the letters, mm, and its shape. */
  gap?: number;
  frame?: (typeof FRAMES)[number];
}

/**
 * One piece of sewing. Shapes are SVG path data in mm:
 * run: `line`; satin: `sides`, or `line` with `width`, or `area`; fill: `area`; border and applique: `area` with the `width`
 * of the satin along its edge. Slants turn the rows of satins and fills; `carve` are lines on which a fill's penetrations
 * fall; `motif` is the small shape that a run repeats.
 */
export interface Piece {
  id: string;
  name: string;
  kind: PieceKindName;
  thread: string;
  line?: string;
  /** Width of a satin along a line, mm, with its cap and join. */
  width?: number;
  cap?: 'butt' | 'round' | 'square';
  join?: 'miter' | 'round' | 'bevel';
  sides?: [string, string];
  area?: string;
  slants?: string[];
  lettering?: Lettering;
  /** Row direction that was decided with the pieces around it when the piece was made from artwork, degrees, and why. */
  rows?: { angle: number; why: string };
  /** Why it is sewn as this kind, when that was decided from artwork. */
  why?: string;
  /** Pieces of one shape, wherever they lie, turned or mirrored: an edit is offered to all of them. */
  alike?: string;
  carve?: string;
  motif?: string;
  start?: [number, number];
  end?: [number, number];
  /** Places in openings of a fill that its rows go over, while its other openings stay open. */
  sewnOver?: [number, number][];
  /** How the needle is to come to the piece, instead of what the router finds: cut, or sewn visibly along a way (path data). */
  approach?: { how: 'trim' | 'travel'; way?: string };
  /** The machine waits before the piece. */
  stopBefore?: boolean;
  /** Id of the piece that this one is to be sewn right after. */
  sewAfter?: string;
  /** Of a shadow of a text or a border round one: made anew with the text. */
  follows?: Follows;
  /** Pieces of one group are chosen together. */
  group?: string;
  /** A locked piece is neither moved nor shaped. */
  locked?: boolean;
  settings: PieceSettings;
}

export const ROUTE_POLICIES = ['registration', 'stops', 'cap', 'sections'] as const;
/** What an order of pieces is sought by: outlines soon after their fills, fewest stops, upward and outward, or part by part. */
export type RoutePolicy = (typeof ROUTE_POLICIES)[number];

export const TIES_WHEN = ['trims', 'always', 'distance', 'never'] as const;
export type TieWhen = (typeof TIES_WHEN)[number];

/** How the shop works where good people differ; absent means the default school. */
export interface JobSettings {
  satinLimit?: number;
  /** The longest stitch that the shop's machine makes, mm; its manual says so. */
  longestStitch?: number;
  tieWhen?: TieWhen;
  /** Thread that lies bare for so long between two pieces is locked at both ends, to be cut by hand, mm; with ties by distance. */
  tieDistance?: number;
  /** Of pieces that have none of their own. */
  tieShape?: TieShape;
  trimDistance?: number;
  /** Regions that satin could sew but that are broad: sewn as satin, or as fill. */
  broad?: 'satin' | 'fill';
  /** Corners of block shapes: one turning piece, or parts that butt. */
  corners?: 'turn' | 'butt';
  /** Under columns too thin for the usual underlay. */
  thinUnderlay?: 'none' | 'centre-run';
  /** Fills whose thread is of the cloth's own colour: light or full cover. */
  sameColour?: 'light' | 'full';
  /** What an order is sought by. */
  policy?: RoutePolicy;
  /** Between letters: one thread with stitches that barely show, or every letter cut. */
  lettering?: 'travel' | 'clean';
  /** Where large areas begin: wherever suits, low working up, or neighbours at opposite sides. */
  areaStart?: 'free' | 'low' | 'opposite';
  /** What carries clothing. */
  stabilizer?: 'cutaway' | 'tear-away';
}

/** A finding that a person lives with, told by its rule and its pieces. */
export interface AcceptedFinding {
  rule: string;
  pieces: string[];
  reason: string;
}

/** Another design that may lie in the hoop: a job as it stood when it was laid beside this one, or a name in place of one of this job's texts. */
export interface Beside {
  /** What copies of it name. */
  id: string;
  name: string;
  job?: Job;
  /** Id of the job on the shelf that it was taken from. */
  from?: string;
  text?: NameInText;
}

/** How the job is made: what was chosen on the Floor. */
export interface JobFloor {
  /** Copies in one hoop; one where the design lies when absent. */
  copies?: CopyPlace[];
  /** Designs that copies may be of, beside the job's own. */
  beside?: Beside[];
  /** The hoop that the copies lie in; the brief's when absent. */
  hoop?: Hoop;
  /** What is quicker when absent. */
  order?: SheetOrder;
  /** Between copies, mm. */
  gap?: number;
  /** Of the quotation: wanted soon, sewn on the shop's garments, digitized before. */
  rush?: boolean;
  withGarments?: boolean;
  repeat?: boolean;
}

export interface Guides {
  level: number[];
  upright: number[];
}

export interface Job {
  cobble: typeof JOB_VERSION;
  id: string;
  name: string;
  brief: Brief;
  threads: Thread[];
  artwork: ArtworkRef[];
  pieces: Piece[];
  settings: JobSettings;
  /** Lines to draw and measure by: level ones at their y, upright ones at their x, mm. */
  guides?: Guides;
  /** Findings of the proof that a person accepted, with the reason. */
  accepted?: AcceptedFinding[];
  floor?: JobFloor;
  stage?: JobStage;
  /** What is asked of the customer. */
  questions?: Question[];
  approval?: Approval;
  /** Tests that were sewn, the first one first. */
  sewouts: Sewout[];
  repeat: unknown;
}
