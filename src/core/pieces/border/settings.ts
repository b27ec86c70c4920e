import type { Piece } from '../../document/types';
import { rule, type ResolveContext, type ShapeFacts, type WithoutTies } from '../resolve';
import { foundationOf } from '../rules/underlay';
import { satinCover } from '../satin/settings';

/** Spacing of satin along the edge of a patch, mm (craft §4). */
const BORDER_SPACING_MM = 0.3;

/** Settings of the satin round a patch. */
export const borderSettings = (piece: Piece, facts: ShapeFacts, ctx: ResolveContext): WithoutTies =>
  satinCover(piece, facts, ctx, {
    spacing: rule(BORDER_SPACING_MM, 'patch borders are sewn dense'),
    thinBars: false,
    underlay: (spacingMm) => foundationOf(piece.settings, spacingMm, ['edge-run', 'zigzag'], 'a border holds the edge of the patch'),
  });
