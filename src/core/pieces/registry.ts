import type { Piece } from '../document/types';
import { fillKind } from './fill';
import type { PieceKind, PreparedShape, StartEnd } from './kind';
import type { ResolvedSettings } from './resolve';
import { runKind } from './run';
import { satinKind } from './satin';
import type { StitchBuffer } from '../plan/buffer';

/** All kinds of piece. Adding one is one folder and one entry here. */
const KINDS: readonly PieceKind<never>[] = [runKind, satinKind, fillKind] as unknown as readonly PieceKind<never>[];

const BY_NAME = new Map(KINDS.map((k) => [k.kind, k]));

/** The shape of a piece, ready for stitching; null when its record holds none. */
export function prepareShape(piece: Piece): PreparedShape | null {
  return BY_NAME.get(piece.kind)!.prepare(piece);
}

/** Stitches a shape prepared from the same piece. */
export function stitchShape(piece: Piece, out: StitchBuffer, shape: PreparedShape, set: ResolvedSettings, ends: StartEnd): void {
  BY_NAME.get(piece.kind)!.stitch(out, shape as never, set, ends);
}
