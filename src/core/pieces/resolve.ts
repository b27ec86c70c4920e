import type { Resolved } from '../document/resolved';
import type { ClothRecipe } from '../cloth/recipes';
import { threadWidth } from '../cloth/threadWidth';
import type { ColumnEnds, Corners, JobSettings, Piece, PieceSettings, RunStyle, Stagger, TieShape, UnderlayLayer } from '../document/types';
import { pullCompFor, pushCompFor } from './rules/compensation';
import { tiesFor } from './rules/ties';
import { underlayFor } from './rules/underlay';
import { THREAD_WIDTH_MM } from '../units/tolerances';

/** Every setting of a piece with its source; what does not apply to its kind is absent. */
export interface ResolvedSettings {
  spacing?: Resolved<number>;
  spacingTo?: Resolved<number>;
  stitchLength: Resolved<number>;
  angle?: Resolved<number>;
  pullComp?: Resolved<number>;
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

function pick<T>(hand: T | undefined, otherwise: Resolved<T>): Resolved<T> {
  return hand === undefined ? otherwise : { value: hand, from: 'hand', why: 'set by hand' };
}

const rule = <T>(value: T, why: string): Resolved<T> => ({ value, from: 'rule', why });
const recipe = <T>(value: T, why: string): Resolved<T> => ({ value, from: 'recipe', why });

/** Spacing of satin along the edge of a patch, and over foam, mm (craft §4). */
const BORDER_SPACING_MM = 0.3;
const FOAM_SPACING_MM = 0.2;
/** Of fills in the colour of the cloth (craft §4). */
const LIGHT_SPACING_MM = 1.2;

function scaled(base: number, weight: number, cloth: string): Resolved<number> {
  const ratio = threadWidth(weight) / THREAD_WIDTH_MM;
  if (ratio === 1) return recipe(base, cloth);
  return rule(Math.round(base * ratio * 100) / 100, `${cloth}, scaled for ${weight} wt thread`);
}

function spacingFor(piece: Piece, ctx: ResolveContext): Resolved<number> {
  const cloth = ctx.recipe.name;
  if (piece.kind === 'border') return rule(BORDER_SPACING_MM, 'patch borders are sewn dense');
  if (piece.kind === 'fill' && ctx.sameColour && ctx.settings.sameColour !== 'full') {
    return rule(LIGHT_SPACING_MM, 'light: the thread has the colour of the cloth');
  }
  if ((piece.settings.foam ?? 0) > 0) return rule(FOAM_SPACING_MM, 'foam shows through anything more open');
  return scaled(piece.kind === 'fill' ? ctx.recipe.fillSpacing : ctx.recipe.satinSpacing, ctx.threadWeight, cloth);
}

/** All settings of a piece: the person's choice, else a rule, else the cloth's recipe. */
export function resolveSettings(piece: Piece, facts: ShapeFacts, ctx: ResolveContext): ResolvedSettings {
  const ties = tiesFor(piece, facts.widthMm, ctx.recipe);
  if (piece.kind === 'run') return { ...runSettings(piece.settings), ...ties };
  if (piece.kind === 'fill') return { ...fillSettings(piece, facts, ctx), ...ties };
  return { ...satinSettings(piece, facts, ctx), ...ties };
}

type WithoutTies = Omit<ResolvedSettings, 'tieIn' | 'tieOff' | 'tieShape' | 'tieLength' | 'tieCount'>;

function runSettings(own: PieceSettings): WithoutTies {
  const foundation = own.foundation ?? false;
  const usual = foundation
    ? rule<RunStyle>('plain', 'foundation: once is enough')
    : rule<RunStyle>('double', 'out and back: bold, and ends where it began');
  const style = pick(own.style, usual);
  const passes = { plain: 1, double: 2, bean: 3, backstitch: 1, zigzag: 1, motif: 1 }[style.value];
  return {
    stitchLength: pick(own.stitchLength, rule(2.5, 'usual run; shorter in curves')),
    style,
    passes: pick(own.passes, rule(passes, 'by style')),
    foundation: pick(own.foundation, rule(false, 'a line to be seen')),
    ...(style.value === 'zigzag'
      ? {
          zigzagWidth: pick(own.zigzagWidth, rule(2, 'loose zigzag')),
          spacing: pick(own.spacing, rule(1.5, 'loose: 1.2 to 2 between its points')),
        }
      : {}),
    ...(style.value === 'motif' ? { motifSpacing: pick(own.motifSpacing, rule(0, 'one after the other')) } : {}),
  };
}

function satinSettings(piece: Piece, facts: ShapeFacts, ctx: ResolveContext): WithoutTies {
  const own = piece.settings;
  const spacing = pick(own.spacing, spacingFor(piece, ctx));
  const foam = own.foam ?? 0;
  const limit = foam > 0 ? rule(12, 'foam carries satin up to what the machine makes') : rule(9, 'widest satin of the default school');
  const columns = piece.kind === 'satin';
  return {
    spacing,
    pullComp: pullCompFor({ own, widthMm: facts.widthMm, recipe: ctx.recipe, thinBars: columns }),
    ...(own.pullCompSides ? { pullCompSides: pick<readonly [number, number]>(own.pullCompSides, rule([0, 0], '')) } : {}),
    underlay: pick<readonly UnderlayLayer[]>(own.underlay, underlayFor(piece, facts.widthMm, spacing.value, ctx.recipe, ctx.settings)),
    stitchLength: pick(own.stitchLength, rule(2.5, 'usual run of the underlay')),
    ...(columns
      ? {
          pushComp: pushCompFor(own, spacing.value, ctx.recipe),
          ends: pick(
            own.ends,
            foam > 0 ? rule<ColumnEnds>('capped', 'foam tears clean at a capped end') : rule<ColumnEnds>('open', 'nothing lies over them'),
          ),
          ...(piece.sides ? {} : { corners: pick(own.corners, cornersFor(piece, ctx.settings)) }),
          satinLimit: pick(own.satinLimit ?? ctx.settings.satinLimit, limit),
          overLimit: pick(own.overLimit, rule<'split' | 'fill'>('split', 'rows get staggered points inside')),
          foam: pick(own.foam, rule(0, 'flat on the cloth')),
        }
      : {}),
  };
}

const openingWords = ({ count, edgeMm }: { count: number; edgeMm: number }): string =>
  `${count} ${count === 1 ? 'opening' : 'openings'}: gaps may open along ${Math.round(edgeMm)} mm of edge; sewn over, none can`;

function cornersFor(piece: Piece, school: JobSettings): Resolved<Corners> {
  if (!piece.area || school.corners === 'butt') return rule<Corners>('butt', 'crisp');
  return rule<Corners>('turn', 'blends better');
}

function fillSettings(piece: Piece, facts: ShapeFacts, ctx: ResolveContext): WithoutTies {
  const own = piece.settings;
  const spacing = pick(own.spacing, spacingFor(piece, ctx));
  const turning = (piece.slants?.length ?? 0) > 1;
  return {
    spacing,
    ...(own.spacingTo !== undefined ? { spacingTo: pick(own.spacingTo, spacing) } : {}),
    pullComp: pullCompFor({ own, widthMm: facts.widthMm, recipe: ctx.recipe, thinBars: false }),
    underlay: pick<readonly UnderlayLayer[]>(
      own.underlay,
      underlayFor(piece, facts.widthMm, Math.max(spacing.value, own.spacingTo ?? 0), ctx.recipe),
    ),
    stitchLength: pick(own.stitchLength, recipe(ctx.recipe.fillLength, ctx.recipe.name)),
    ...(turning ? {} : { angle: pick(own.angle, directionFor(piece, facts, ctx.beneathDeg)) }),
    ...(facts.openings ? { openings: pick(own.openings, rule<'carve' | 'sew-over'>('carve', openingWords(facts.openings))) } : {}),
    stagger: pick(own.stagger, piece.carve ? rule<Stagger>('carved', 'along the carved lines') : rule<Stagger>('mixed', 'no groove shows')),
  };
}

/** Rows of a piece must differ at least this much from those beneath, or its edges sink between them, degrees (craft §7). */
const LEAST_CROSSING_DEG = 30;
const USUAL_CROSSING_DEG = 45;

function directionFor(piece: Piece, facts: ShapeFacts, beneathDeg: number | undefined): Resolved<number> {
  const slant = piece.slants?.[0];
  if (slant && facts.angleDeg !== undefined && piece.slants!.length === 1)
    return { value: facts.angleDeg, from: 'hand', why: 'along the slant' };
  if (beneathDeg === undefined || apart(facts.angleDeg, beneathDeg) >= LEAST_CROSSING_DEG) {
    return rule(facts.angleDeg, 'rows run the shorter way of the shape');
  }
  const turned = [beneathDeg + USUAL_CROSSING_DEG, beneathDeg - USUAL_CROSSING_DEG].sort(
    (a, b) => apart(a, facts.angleDeg) - apart(b, facts.angleDeg),
  )[0]!;
  return rule(normal(turned), `turned to cross the rows beneath, which lie at ${Math.round(beneathDeg)}°`);
}

/** Difference of two row directions, 0 to 90 degrees. */
export function apart(a: number, b: number): number {
  const d = Math.abs(normal(a) - normal(b));
  return Math.min(d, 180 - d);
}

const normal = (deg: number): number => (((Math.round(deg * 10) / 10) % 180) + 180) % 180;
