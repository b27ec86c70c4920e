import type { Point } from '../geometry/point';
import type { Shaped } from '../pieces/prepare/shaped';
import type { Link } from '../route/link';
import type { StitchColumns } from '../stitches/buffer';
import { Command } from '../stitches/roles';
import type { PlannedPiece, StitchPlan } from './plan';

/** A piece with its own stitches. */
export type Sewn = Shaped & { columns: StitchColumns | null; problem: string | null };

/** How the needle is brought to a piece. */
export interface Arrival {
  kind: 'first' | 'thread' | 'stop' | 'link';
  waits: boolean;
  link: Link | null;
}

/** What a piece became in a plan, with its joint, and all that this depended on beside the piece itself. */
export interface Block {
  /** First event of the joint, and the one after the piece's last. */
  from: number;
  to: number;
  index: number;
  current: number;
  before: Sewn | null;
  arrival: Arrival;
  thread: number;
  threadBefore: number;
  planned: PlannedPiece;
}

/** A plan made before, whose blocks are taken over where nothing about them has changed. */
export interface Before {
  blocks: ReadonlyMap<Sewn, Block>;
  plan: StitchPlan;
}

/** The first penetrations from event `i` on, as far as the thread is not interrupted. */
export function firstPoints(c: StitchColumns, i: number): Point[] {
  const out: Point[] = [];
  for (let k = i; k < Math.min(c.x.length, i + 4) && c.command[k] === Command.stitch; k++) out.push({ x: c.x[k]!, y: c.y[k]! });
  return out;
}

const samePlaces = (a: readonly Point[], b: readonly Point[]): boolean =>
  a.length === b.length && a.every((p, i) => p.x === b[i]!.x && p.y === b[i]!.y);

export function sameArrival(a: Arrival, b: Arrival): boolean {
  if (a.kind !== b.kind || a.waits !== b.waits) return false;
  const [p, q] = [a.link, b.link];
  if (p === q || !p || !q) return p === q;
  return p.how === q.how && p.reason === q.reason && p.shownMm === q.shownMm && p.bareMm === q.bareMm && samePlaces(p.way, q.way);
}
