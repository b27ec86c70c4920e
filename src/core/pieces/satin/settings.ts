import type { Resolved } from '../../document/resolved';
import type { ColumnEnds, Corners, JobSettings, Piece, UnderlayLayer } from '../../document/types';
import { pick, rule, spacingForThread, type ResolveContext, type ShapeFacts, type WithoutTies } from '../resolve';
import { pullCompFor, pulledRows, pushCompFor } from '../rules/compensation';
import { FOAM_SPACING_MM } from '../rules/foam';
import { columnUnderlay } from '../rules/underlay';
import { WIDEST_SATIN_MM } from '../../units/craft';
import { LONGEST_MACHINE_MM, MACHINE_LIMIT_MM } from '../../units/tolerances';

/** The widest that foam carries, and the widest without it, mm. */
const widestOnFoam = ({ longestStitch = MACHINE_LIMIT_MM }: JobSettings): Resolved<number> =>
  rule(Math.min(LONGEST_MACHINE_MM, longestStitch), 'foam carries satin up to what the machine makes');
const WIDEST = rule(WIDEST_SATIN_MM, 'widest satin of the default school');

/** What satin has of every sort: its cover and what lies beneath. */
export function satinCover(
  { settings: own }: Piece,
  facts: ShapeFacts,
  ctx: ResolveContext,
  usual: { spacing: Resolved<number>; thinBars: boolean; underlay(spacingMm: number): Resolved<readonly UnderlayLayer[]> },
): WithoutTies {
  const spacing = pick(own.spacing, usual.spacing);
  return {
    spacing,
    pullComp: pullCompFor({ ...pulledRows(own, facts, 0, ctx), thinBars: usual.thinBars }),
    ...(own.pullCompSides ? { pullCompSides: pick<readonly [number, number]>(own.pullCompSides, rule([0, 0], '')) } : {}),
    underlay: pick<readonly UnderlayLayer[]>(own.underlay, usual.underlay(spacing.value)),
    stitchLength: pick(own.stitchLength, rule(2.5, 'usual run of the underlay')),
  };
}

/** Spacing of satin by cloth and thread, and over foam. */
export function usualSatinSpacing({ settings }: Piece, ctx: ResolveContext): Resolved<number> {
  if ((settings.foam ?? 0) > 0) return rule(FOAM_SPACING_MM, 'foam shows through anything more open');
  return spacingForThread(ctx.recipe.satinSpacing, ctx);
}

/** Settings of a satin column. */
export function satinSettings(
  piece: Piece,
  facts: ShapeFacts,
  ctx: ResolveContext,
  { spacing = usualSatinSpacing(piece, ctx), thinBars = true }: { spacing?: Resolved<number>; thinBars?: boolean } = {},
): WithoutTies {
  const own = piece.settings;
  const foam = own.foam ?? 0;
  const cover = satinCover(piece, facts, ctx, {
    spacing,
    thinBars,
    underlay: (spacingMm) => columnUnderlay(own, facts.widthMm, spacingMm, ctx.recipe, ctx.settings),
  });
  return {
    ...cover,
    pushComp: pushCompFor(own, cover.spacing!.value),
    ends: pick(
      own.ends,
      foam > 0 ? rule<ColumnEnds>('capped', 'foam tears clean at a capped end') : rule<ColumnEnds>('open', 'nothing lies over them'),
    ),
    ...(piece.sides ? {} : { corners: pick(own.corners, cornersFor(piece, ctx.settings)) }),
    satinLimit: pick(own.satinLimit ?? (foam > 0 ? undefined : ctx.settings.satinLimit), foam > 0 ? widestOnFoam(ctx.settings) : WIDEST),
    overLimit: pick(own.overLimit, rule<'split' | 'fill'>('split', 'rows get staggered points inside')),
    foam: pick(own.foam, rule(0, 'flat on the cloth')),
  };
}

function cornersFor(piece: Piece, school: JobSettings): Resolved<Corners> {
  if (!piece.area || school.corners === 'butt') return rule<Corners>('butt', 'crisp');
  return rule<Corners>('turn', 'blends better');
}

/** A piece as the shop's school shapes it: what the piece does not say of its corners, the school does. */
export function cornersOfSchool(piece: Piece, school: JobSettings): Piece {
  if (piece.settings.corners !== undefined || school.corners !== 'butt') return piece;
  return { ...piece, settings: { ...piece.settings, corners: 'butt' } };
}
