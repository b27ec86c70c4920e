import type { Resolved } from '../document/resolved';
import type { ClothRecipe } from '../cloth/recipes';
import { threadWidth } from '../cloth/threadWidth';
import type { ResolvedPull } from './rules/compensation';
import type { ColumnEnds, Corners, JobSettings, RunStyle, Stagger, TieShape, UnderlayLayer } from '../document/types';
import { THREAD_WIDTH_MM } from '../units/tolerances';

/** Every setting of a piece with its source; what does not apply to its kind is absent. */
export interface ResolvedSettings {
  spacing?: Resolved<number>;
  spacingTo?: Resolved<number>;
  stitchLength: Resolved<number>;
  angle?: Resolved<number>;
  pullComp?: ResolvedPull;
  pullCompSides?: Resolved<readonly [number, number]>;
  pushComp?: Resolved<number>;
  underlay?: Resolved<readonly UnderlayLayer[]>;
  style?: Resolved<RunStyle>;
  passes?: Resolved<number>;
  zigzagWidth?: Resolved<number>;
  motifSpacing?: Resolved<number>;
  foundation?: Resolved<boolean>;
  satinLimit?: Resolved<number>;
  overLimit?: Resolved<'split' | 'fill'>;
  corners?: Resolved<Corners>;
  ends?: Resolved<ColumnEnds>;
  foam?: Resolved<number>;
  /** Letters with less bare cloth between them are joined by a stitch or two, mm. */
  joining?: Resolved<number>;
  /** Letters with so much bare cloth between them are tied on both sides of the way, for a hand to cut it, mm; none when absent. */
  held?: Resolved<number>;
  stagger?: Resolved<Stagger>;
  openings?: Resolved<'carve' | 'sew-over'>;
  tieIn: Resolved<boolean>;
  tieOff: Resolved<boolean>;
  tieShape: Resolved<TieShape>;
  tieLength: Resolved<number>;
  tieCount: Resolved<number>;
}

/** What the rules need to know of a piece's shape. */
export interface ShapeFacts {
  /** Usual width of a column or area, mm. */
  widthMm: number;
  /** Direction proposed from the shape, degrees. */
  angleDeg: number;
  /** Length of the shortest and of the longest row, for rows of a direction, mm; all as long as the usual width when absent. */
  rowsMm?(angleDeg: number): readonly [number, number];
  /** Openings in a fill: how many, and the length of their edges, mm. */
  openings?: { count: number; edgeMm: number };
}

export interface ResolveContext {
  recipe: ClothRecipe;
  settings: JobSettings;
  threadWeight: number;
  /** Direction of the rows that lie beneath, degrees; absent when nothing does. */
  beneathDeg?: number;
  /** The thread has the colour of the cloth. */
  sameColour?: boolean;
}

/** What a person chose, or else what is usual. */
export function pick<T>(hand: T | undefined, otherwise: Resolved<T>): Resolved<T> {
  return hand === undefined ? otherwise : byHand(hand);
}

export const byHand = <T>(value: T): Resolved<T> => ({ value, from: 'hand', why: 'set by hand' });

export const rule = <T>(value: T, why: string): Resolved<T> => ({ value, from: 'rule', why });
export const recipe = <T>(value: T, why: string): Resolved<T> => ({ value, from: 'recipe', why });

/** The cloth's spacing for thread of a weight: thicker thread covers with fewer rows. */
export function spacingForThread(spacingMm: number, { recipe: { name }, threadWeight }: ResolveContext): Resolved<number> {
  const ratio = threadWidth(threadWeight) / THREAD_WIDTH_MM;
  if (ratio === 1) return recipe(spacingMm, name);
  return rule(Math.round(spacingMm * ratio * 100) / 100, `${name}, scaled for ${threadWeight} wt thread`);
}

/** Settings of a piece but for how its thread is locked. */
export type WithoutTies = Omit<ResolvedSettings, 'tieIn' | 'tieOff' | 'tieShape' | 'tieLength' | 'tieCount'>;
