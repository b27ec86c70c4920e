import type { Resolved } from '../document/resolved';
import type { ClothRecipe } from '../cloth/recipes';
import type { JobSettings, Piece, PieceSettings, UnderlayLayer } from '../document/types';
import { underlayFor } from '../underlay/choose';
import { THREAD_WIDTH_MM } from '../units/tolerances';

/** Every setting of a piece with its source; what does not apply to its kind is absent. */
export interface ResolvedSettings {
  spacing?: Resolved<number>;
  stitchLength: Resolved<number>;
  angle?: Resolved<number>;
  pullComp?: Resolved<number>;
  underlay?: Resolved<readonly UnderlayLayer[]>;
  style?: Resolved<'plain' | 'double' | 'bean'>;
  passes?: Resolved<number>;
  satinLimit?: Resolved<number>;
  stagger?: Resolved<'mixed' | 'brick' | 'quarter'>;
}

/** What the rules need to know of a piece's shape. */
export interface ShapeFacts {
  /** Usual width of a column or area, mm. */
  widthMm: number;
  /** Direction proposed from the shape, degrees. */
  angleDeg: number;
}

export interface ResolveContext {
  recipe: ClothRecipe;
  settings: JobSettings;
  threadWeight: number;
}

/** Width of a thread on cloth by its weight number, mm (craft §4). */
export function threadWidth(weight: number): number {
  if (weight >= 60) return 0.3;
  if (weight <= 12) return 0.8;
  return weight <= 30 ? 0.48 : THREAD_WIDTH_MM;
}

function pick<T>(hand: T | undefined, otherwise: Resolved<T>): Resolved<T> {
  return hand === undefined ? otherwise : { value: hand, from: 'hand', why: 'set by hand' };
}

const rule = <T>(value: T, why: string): Resolved<T> => ({ value, from: 'rule', why });
const recipe = <T>(value: T, why: string): Resolved<T> => ({ value, from: 'recipe', why });

function spacingFor(base: number, weight: number, cloth: string): Resolved<number> {
  const ratio = threadWidth(weight) / THREAD_WIDTH_MM;
  if (ratio === 1) return recipe(base, cloth);
  return rule(Math.round(base * ratio * 100) / 100, `${cloth}, scaled for ${weight} wt thread`);
}

function compFor(own: PieceSettings, facts: ShapeFacts, ctx: ResolveContext, thinBars: boolean): Resolved<number> {
  const cloth = ctx.recipe.name;
  if (own.pullCompPercent !== undefined) {
    const value = Math.round(facts.widthMm * (own.pullCompPercent / 100 - 1) * 500) / 1000;
    return { value, from: 'hand', why: `${own.pullCompPercent} % of a ${facts.widthMm.toFixed(1)} mm column` };
  }
  const thin = thinBars && facts.widthMm < 2.5 && ctx.recipe.unstable && ctx.recipe.pullComp < 0.5;
  const given = thin ? rule(0.5, `bars under 2.5 mm sink into ${cloth}`) : recipe(ctx.recipe.pullComp, cloth);
  return pick(own.pullComp, given);
}

/** All settings of a piece: the person's choice, else a rule, else the cloth's recipe. */
export function resolveSettings(piece: Piece, facts: ShapeFacts, ctx: ResolveContext): ResolvedSettings {
  const own = piece.settings;
  const cloth = ctx.recipe.name;
  if (piece.kind === 'run') {
    const style = pick(own.style, rule('double', 'out and back: bold, and ends where it began'));
    return {
      stitchLength: pick(own.stitchLength, rule(2.5, 'usual run; shorter in curves')),
      style,
      passes: pick(own.passes, rule(style.value === 'bean' ? 3 : style.value === 'double' ? 2 : 1, 'by style')),
    };
  }
  const satin = piece.kind === 'satin';
  const base = satin ? ctx.recipe.satinSpacing : ctx.recipe.fillSpacing;
  const spacing = pick(own.spacing, spacingFor(base, ctx.threadWeight, cloth));
  const common = {
    spacing,
    pullComp: compFor(own, facts, ctx, satin),
    underlay: pick<readonly UnderlayLayer[]>(own.underlay, underlayFor(piece.kind, facts.widthMm, spacing.value, ctx.recipe)),
  };
  if (satin) {
    return {
      ...common,
      stitchLength: pick(own.stitchLength, rule(2.5, 'usual run of the underlay')),
      satinLimit: pick(own.satinLimit ?? ctx.settings.satinLimit, rule(9, 'widest satin of the default school')),
    };
  }
  return {
    ...common,
    stitchLength: pick(own.stitchLength, recipe(ctx.recipe.fillLength, cloth)),
    angle: pick(own.angle, rule(facts.angleDeg, 'rows run the shorter way of the shape')),
    stagger: pick(own.stagger, rule('mixed', 'no groove shows')),
  };
}
