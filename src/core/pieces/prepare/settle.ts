import { recipeFor } from '../../cloth/house';
import { colourDifference } from '../../cloth/threads';
import type { Job, Piece } from '../../document/types';
import { formOf, prepareShape, resolveSettings, underSchool } from '../registry';
import type { ResolveContext } from '../resolve';
import { Grounds, groundRows, reaches, type GroundRows } from './beneath';
import type { Shaped } from './shaped';

/** Thread and cloth nearer than this are one colour to the eye (CIEDE2000). */
const SAME_COLOUR = 5;

/** What a piece came to, and what it depended on beside itself. */
interface Known {
  context: string;
  beneathDeg: number | undefined;
  shaped: Shaped;
  ground: GroundRows | null;
}

/** All of a job that its stitches depend on beside its pieces, as text to compare. */
export const surroundingsOf = ({ brief, settings, threads }: Job): string => JSON.stringify([brief, settings, threads]);

/**
 * Gives pieces their shapes and settings. A piece that is the same object as before, in the same surroundings, comes to the
 * same object as before: whatever is kept for that object holds on.
 */
export class Settler {
  private readonly known = new WeakMap<Piece, Known>();
  /** What the pieces of the last job came to, in its order. */
  private last: readonly Known[] = [];

  /** @param progress called with the share done, 0 to 1; may throw to cancel */
  settle(job: Job, progress: (done: number) => void): Shaped[] {
    const context = surroundingsOf(job);
    const contextOf = contextsIn(job);
    const below = new Below(this.last);
    this.last = job.pieces.map((piece, i) => {
      progress(i / job.pieces.length);
      const settled = this.settleOne(piece, context, contextOf, below);
      below.lay(settled);
      return settled;
    });
    return this.last.map((k) => k.shaped);
  }

  private settleOne(piece: Piece, context: string, contextOf: (p: Piece) => ResolveContext, below: Below): Known {
    const known = this.known.get(piece);
    const same = known?.context === context;
    if (same && below.isAsBefore(known)) return known;
    const surroundings = contextOf(piece);
    const laid = same ? known.shaped.laid : underSchool(piece, surroundings.settings);
    const shape = same ? known.shaped.shape : prepareShape(laid);
    const beneathDeg = shape && formOf(piece) === 'rows' ? below.grounds.directionBeneath(shape) : undefined;
    if (same && known.beneathDeg === beneathDeg) return known;
    const given = { ...surroundings, ...(beneathDeg === undefined ? {} : { beneathDeg }) };
    const settings = shape ? resolveSettings(piece, shape.facts, given) : null;
    const made = { context, beneathDeg, shaped: { piece, laid, shape, settings }, ground: groundRows(shape, settings) };
    this.known.set(piece, made);
    return made;
  }
}

/** Fields of rows laid so far, and in what they differ from those of the job before. */
class Below {
  readonly grounds = new Grounds();
  private readonly changed: GroundRows[] = [];
  private laid = 0;

  constructor(private readonly last: readonly Known[]) {}

  lay(settled: Known): void {
    const before = this.last[this.laid++];
    if (settled.ground) this.grounds.lay(settled.ground);
    if (before === settled) return;
    for (const { ground } of before ? [before, settled] : [settled]) if (ground) this.changed.push(ground);
  }

  /** Whether the next piece stands where it stood, and nothing has changed that it could lie on. */
  isAsBefore(known: Known): boolean {
    const { shape, piece } = known.shaped;
    if (this.last[this.laid] !== known) return false;
    return formOf(piece) !== 'rows' || !shape || !this.changed.some((ground) => reaches(ground, shape));
  }
}

/** What the rules need to know of a piece's surroundings, worked out once for each thread. */
function contextsIn(job: Job): (piece: Piece) => ResolveContext {
  const recipe = recipeFor(job.brief);
  const { clothHex } = job.brief;
  const byThread = new Map<string, ResolveContext>();
  return ({ thread: id }) => {
    const known = byThread.get(id);
    if (known) return known;
    const thread = job.threads.find((t) => t.id === id);
    const sameColour = clothHex !== undefined && thread !== undefined && colourDifference(clothHex, thread.hex) < SAME_COLOUR;
    const made = { recipe, settings: job.settings, threadWeight: thread?.weight ?? 40, sameColour };
    byThread.set(id, made);
    return made;
  };
}
