import type { Resolved } from '../../document/resolved';
import type { Piece, Stagger, UnderlayLayer } from '../../document/types';
import { LEAST_CROSSING_DEG } from '../../units/craft';
import { apart, normalDirection } from '../../units/directions';
import { byHand, pick, recipe, rule, spacingForThread, type ResolveContext, type ShapeFacts, type WithoutTies } from '../resolve';
import { pullCompFor, pulledRows } from '../rules/compensation';
import { FOAM_SPACING_MM } from '../rules/foam';
import { fillUnderlay } from '../rules/underlay';

/** Of fills in the colour of the cloth, mm (craft §4). */
const LIGHT_SPACING_MM = 1.2;

function usualSpacing({ settings }: Piece, ctx: ResolveContext): Resolved<number> {
  if (ctx.sameColour && ctx.settings.sameColour !== 'full') return rule(LIGHT_SPACING_MM, 'light: the thread has the colour of the cloth');
  if ((settings.foam ?? 0) > 0) return rule(FOAM_SPACING_MM, 'foam shows through anything more open');
  return spacingForThread(ctx.recipe.fillSpacing, ctx);
}

const openingWords = ({ count, edgeMm }: { count: number; edgeMm: number }): string =>
  `${count} ${count === 1 ? 'opening' : 'openings'}: gaps may open along ${Math.round(edgeMm)} mm of edge; sewn over, none can`;

/** A fill's settings: by the cloth, its shape and what it lies on. */
export function fillSettings(piece: Piece, facts: ShapeFacts, ctx: ResolveContext): WithoutTies {
  const own = piece.settings;
  const spacing = pick(own.spacing, usualSpacing(piece, ctx));
  const turning = (piece.slants?.length ?? 0) > 1;
  const angle = own.angle === undefined ? directionFor(piece, facts, ctx.beneathDeg) : byHand(own.angle);
  return {
    spacing,
    ...(own.spacingTo !== undefined ? { spacingTo: pick(own.spacingTo, spacing) } : {}),
    pullComp: pullCompFor({ ...pulledRows(own, facts, angle.value, ctx), thinBars: false }),
    underlay: pick<readonly UnderlayLayer[]>(
      own.underlay,
      fillUnderlay(own, facts.widthMm, Math.max(spacing.value, own.spacingTo ?? 0), ctx.recipe),
    ),
    stitchLength: pick(own.stitchLength, recipe(ctx.recipe.fillLength, ctx.recipe.name)),
    ...(turning ? {} : { angle }),
    ...(facts.openings ? { openings: pick(own.openings, rule<'carve' | 'sew-over'>('carve', openingWords(facts.openings))) } : {}),
    stagger: pick(own.stagger, piece.carve ? rule<Stagger>('carved', 'along the carved lines') : rule<Stagger>('mixed', 'no groove shows')),
  };
}

const USUAL_CROSSING_DEG = 45;

function directionFor(piece: Piece, facts: ShapeFacts, beneathDeg: number | undefined): Resolved<number> {
  const slant = piece.slants?.[0];
  if (slant && facts.angleDeg !== undefined && piece.slants!.length === 1)
    return { value: facts.angleDeg, from: 'hand', why: 'along the slant' };
  const usual = piece.rows ?? { angle: facts.angleDeg, why: 'rows run the shorter way of the shape' };
  if (beneathDeg === undefined || apart(usual.angle, beneathDeg) >= LEAST_CROSSING_DEG) return rule(usual.angle, usual.why);
  const turned = [beneathDeg + USUAL_CROSSING_DEG, beneathDeg - USUAL_CROSSING_DEG].sort(
    (a, b) => apart(a, usual.angle) - apart(b, usual.angle),
  )[0]!;
  return rule(normalDirection(turned), `turned to cross the rows beneath, which lie at ${Math.round(beneathDeg)}°`);
}
