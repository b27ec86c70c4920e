import type { PieceKindName } from '../document/kinds';
import { appliqueKind } from './applique';
import { borderKind } from './border';
import { fillKind } from './fill';
import type { PieceKind } from './kind';
import { letteringKind } from './lettering';
import { runKind } from './run';
import { satinKind } from './satin';

/** How each kind of piece that a record may name is sewn. */
export const KINDS = {
  run: runKind,
  satin: satinKind,
  fill: fillKind,
  border: borderKind,
  applique: appliqueKind,
  lettering: letteringKind,
} satisfies Record<PieceKindName, unknown> as unknown as Readonly<Record<PieceKindName, PieceKind<never>>>;
