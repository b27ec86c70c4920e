import type { Lettering } from '../../../document/types';
import type { PieceKind } from '../../kind';
import { appliqueLettering } from './applique';
import { filledLettering } from './fill';
import { ALONG_MIDDLES, lineLettering, ROUND_OUTLINES } from './lineStyles';

/** How texts are sewn that are not columns. */
const STYLES = {
  line: lineLettering(ALONG_MIDDLES),
  outline: lineLettering(ROUND_OUTLINES),
  fill: filledLettering,
  applique: appliqueLettering,
} satisfies Record<NonNullable<Lettering['style']>, unknown> as unknown as Record<NonNullable<Lettering['style']>, PieceKind<never>>;

/** The kind that sews a text in some style; null for columns. */
export const styledKind = (style: Lettering['style']): PieceKind<never> | null => (style ? STYLES[style] : null);
