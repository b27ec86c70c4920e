import type { PlanColumns } from '../stitches/buffer';
import type { Point } from '../geometry/point';
import type { CutReason } from '../route/link';
import type { ResolvedSettings } from '../pieces/resolve';

/** The whole job as needle events in sewing order. */
export interface StitchPlan extends PlanColumns {
  /** The job's pieces in sewing order, with what was decided for each. */
  pieces: PlannedPiece[];
}

/** Why the thread is cut before a piece. */
export type PlannedCut = CutReason | 'thread' | 'stop';

/** How the needle comes to a piece from the one sewn before it. */
export interface PlannedLink {
  /** Piece index it comes from. */
  from: number;
  how: 'stitch' | 'travel' | 'trim';
  /** Set for cuts. */
  reason?: PlannedCut;
  /** Where the needle left and where it arrives, mm. */
  leaves: Point;
  arrives: Point;
  /** How much of a straight way would stay visible, mm. */
  shownMm: number;
  /** How much of the way that the thread takes lies on bare cloth, mm. */
  bareMm: number;
}

export interface PlannedPiece {
  /** Null for the piece sewn first, and for pieces that are not sewn. */
  link: PlannedLink | null;
  id: string;
  /** Set when the piece could not be sewn, with the reason. */
  problem?: string;
  /** First event of the piece, and the one after its last. */
  from: number;
  to: number;
  /** All that belong to the piece: its own, the way to it and its ties. Those of all pieces are those of the plan. */
  stitches: number;
  areaMm2: number;
  /** How broad it usually is where a row crosses it. */
  widthMm: number;
  settings: ResolvedSettings | null;
}
