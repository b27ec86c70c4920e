import type { Piece } from '../../document/types';
import type { ResolveContext, ShapeFacts, WithoutTies } from '../resolve';
import { foundationOf } from '../rules/underlay';
import { satinCover, usualSatinSpacing } from '../satin/settings';

/** Settings of the satin along the edge of cloth that is laid on. */
export const appliqueSettings = (piece: Piece, facts: ShapeFacts, ctx: ResolveContext): WithoutTies =>
  satinCover(piece, facts, ctx, {
    spacing: usualSatinSpacing(piece, ctx),
    thinBars: false,
    underlay: (spacingMm) => foundationOf(piece.settings, spacingMm, [], 'the tack-down is its foundation'),
  });
