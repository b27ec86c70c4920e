import type { Piece } from '../document/types';
import type { PreparedShape } from '../pieces/kind';
import type { ResolvedSettings } from '../pieces/resolve';
import type { ProofContext } from './context';
import type { Found, Severity } from './finding';

/** One rule of the proof. Adding one is one file and one entry in the registry. */
export interface Check {
  /** Stable name: people and bars rely on it. */
  readonly rule: string;
  readonly severity: Severity;
  /** What it looks for, in a few words. */
  readonly title: string;
  find(context: ProofContext): Found[];
}

/** A piece that is sewn, with its shape and settings. */
export interface SewnPiece {
  piece: Piece;
  /** Its index in the job. */
  index: number;
  shape: PreparedShape;
  settings: ResolvedSettings;
}

/** A finding about one piece; it lies at the piece's middle unless it says otherwise. */
type PieceFound = Omit<Found, 'pieces' | 'at'> & Partial<Pick<Found, 'pieces' | 'at'>>;

/** Looks at each sewn piece by itself. */
export const perPiece =
  (look: (sewn: SewnPiece, context: ProofContext) => PieceFound | null): Check['find'] =>
  (context) =>
    context.job.pieces.flatMap((piece, index) => {
      const { shape, settings } = context.shaped[index]!;
      const found = shape && settings ? look({ piece, index, shape, settings }, context) : null;
      return found ? [{ pieces: [piece.id], at: context.middleOf(index), ...found }] : [];
    });

/** Looks at each piece that lies over foam. */
export const overFoam = (look: (sewn: SewnPiece, context: ProofContext) => PieceFound | null): Check['find'] =>
  perPiece((sewn, context) => ((sewn.settings.foam?.value ?? 0) > 0 ? look(sewn, context) : null));
