import type { JobSettings, Piece } from '../document/types';
import type { Area, Line, Point } from '../geometry/point';
import type { StitchBuffer } from '../stitches/buffer';
import type { StartEnd } from '../stitches/startEnd';
import type { ResolveContext, ResolvedSettings, ShapeFacts, WithoutTies } from './resolve';

/** A piece's shape made ready for stitching; what it holds beside the common part is its kind's own affair. */
export interface PreparedShape {
  facts: ShapeFacts;
  /** What the piece covers, for hiding travels under it; empty for runs. */
  cover: Area;
  /** Everything the piece paints when drawn, for measuring and choosing by click. */
  painted: Area;
  areaMm2: number;
  /** Where it may begin and end; a kind that ends where it begins gives equal pairs. */
  ends: readonly { start: Point; end: Point }[];
  /** Whether a column may begin and end anywhere on its outline too. */
  anywhere?: boolean;
  /** Lines that the piece sews along. */
  lines?: readonly Line[];
  /** Direction of its rows near a place, as a unit vector; null where it has none. */
  rowAt?(p: Point): Point | null;
  /** Of a column: rows that are drawn longer than a limit; null where none is. */
  rowsOver?(limitMm: number): LongRows | null;
  /** Of a lone column: both halves, divided lengthwise and lapping, as their sides' path data; null where it cannot be. */
  halves?(): [[string, string], [string, string]] | null;
}

/** Where a column is wider than some limit: its longest row there, and along how much of it. */
export interface LongRows {
  mm: number;
  alongMm: number;
  at: Point;
}

/**
 * What a piece is sewn as, which is what rules about sewing speak of: a line; a column, with rows between two sides; rows over
 * an area; or an edge, a column that goes round an area.
 */
export type Form = 'line' | 'column' | 'rows' | 'edge';

/** The surface that each kind of piece offers to the rest of the engine. */
export interface PieceKind<S extends PreparedShape = PreparedShape> {
  readonly form: Form;
  /** A kind that is sewn in several manners: the one of a piece, where it is not the usual one. */
  inStyle?(piece: Pick<Piece, 'lettering'>): PieceKind<never> | null;
  /** A piece as the shop's school shapes it, where a school has a say. */
  underSchool?(piece: Piece, school: JobSettings): Piece;
  /** What it is sewn with: a person's choice, else a rule, else the cloth's recipe. */
  settings(piece: Piece, facts: ShapeFacts, ctx: ResolveContext): WithoutTies;
  /** How broad it usually is where a row crosses it, mm; by its facts where absent. */
  usualWidthMm?(shape: S, settings: ResolvedSettings): number;
  /** A piece in one sentence, as a practitioner would say it; `widthMm` as in its facts. */
  sentence(settings: ResolvedSettings, widthMm: number): string;
  /** Whether its lines hide a run that goes exactly along them. */
  hidesAlong?(settings: ResolvedSettings): boolean;
  /** Whether it is a text, whose letters are joined by a stitch or two. */
  readonly isText?: true;
  /** Cloth that it lays on the work, in layers of cover. */
  readonly laidOnLayers?: number;
  /** Reads the shape from the record; null when it is missing or has no extent. */
  prepare(piece: Piece): S | null;
  /** Appends the piece's stitches, from its first penetration to its last; ties and links are added later. */
  stitch(out: StitchBuffer, shape: S, settings: ResolvedSettings, ends: StartEnd): void;
}
