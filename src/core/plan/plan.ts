import type { StitchColumns } from './buffer';
import type { ResolvedSettings } from '../pieces/resolve';

/** The whole job as needle events in sewing order. */
export interface StitchPlan extends StitchColumns {
  /** Index into `pieces` of each event. */
  piece: Uint16Array<ArrayBuffer>;
  /** Index into the job's threads of each event. */
  thread: Uint8Array<ArrayBuffer>;
  /** The job's pieces in sewing order, with what was decided for each. */
  pieces: PlannedPiece[];
}

export interface PlannedPiece {
  id: string;
  /** Set when the piece could not be sewn, with the reason. */
  problem?: string;
  /** First event of the piece, and the one after its last. */
  from: number;
  to: number;
  stitches: number;
  areaMm2: number;
  widthMm: number;
  settings: ResolvedSettings | null;
}
