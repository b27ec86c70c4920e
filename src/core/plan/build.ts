import { recipeFor } from '../cloth/house';
import type { ClothRecipe } from '../cloth/recipes';
import { reasonOf } from '../document/errors';
import type { Job, Piece } from '../document/types';
import { distance, type Point } from '../geometry/point';
import { resample } from '../geometry/line';
import type { PreparedShape, StartEnd } from '../pieces/kind';
import { prepareShape, shapeKey, shapeProblem, stitchShape } from '../pieces/registry';
import { resolveSettings, type ResolvedSettings } from '../pieces/resolve';
import { underSchool } from '../pieces/school';
import { colourDifference } from '../cloth/threads';
import { directionBeneath, groundRows, type GroundRows } from './beneath';
import { Router, type PlanRoute } from './route';
import type { Shaped } from './shaped';
import { usualTies } from '../ties/choose';
import { isTied, tieIn, tieOff, type Tie } from '../ties/ties';
import { MACHINE_LIMIT_MM } from '../units/tolerances';
import { StitchBuffer, type StitchColumns } from './buffer';
import type { PlannedLink, PlannedPiece, StitchPlan } from './plan';
import { Command, Role } from './roles';

/** Thread and cloth nearer than this are one colour to the eye (CIEDE2000). */
const SAME_COLOUR = 5;

/**
 * A job becomes a stitch plan by passes that run in order:
 * shapes → settings → starts and ends → stitches per piece → links, trims and ties between them.
 * Shapes and stitches are kept by content, so that editing one piece works on that piece and its links only.
 */
export class Planner {
  private readonly stitches = new Map<string, StitchColumns>();
  private readonly router = new Router();

  /**
   * @param progress called with the share done, 0 to 1; may throw to cancel
   */
  plan(job: Job, progress: (done: number) => void = () => undefined): StitchPlan {
    const threads = new Map(job.threads.map((t, i) => [t.id, i]));
    const shaped = this.shape(job, progress);
    const route = this.router.routeOf(job, shaped);
    const ends = shaped.map((_, i): StartEnd => route.endsOf(i));
    const sewn = shaped.map((s, i) => {
      progress(0.5 + (0.5 * i) / job.pieces.length);
      return { ...s, ...this.sewn(s, ends[i]!) };
    });
    this.forget(job.pieces.length);
    return new Assembly(job, sewn, threads, route).run();
  }

  /** All pieces with their shapes and settings, not yet stitched. */
  shape(job: Job, progress: (done: number) => void = () => undefined): Shaped[] {
    const recipe = recipeFor(job.brief);
    const grounds: GroundRows[] = [];
    return job.pieces.map((piece, i) => {
      progress((0.5 * i) / job.pieces.length);
      const settled = this.settle(job, piece, recipe, grounds);
      const ground = groundRows(settled.shape, settled.settings);
      if (ground) grounds.push(ground);
      return settled;
    });
  }

  private settle(job: Job, piece: Piece, recipe: ClothRecipe, grounds: readonly GroundRows[]): Shaped {
    const laid = underSchool(piece, job.settings);
    const shape = prepareShape(laid);
    const thread = job.threads.find((t) => t.id === piece.thread);
    const threadWeight = thread?.weight ?? 40;
    const beneathDeg = shape && piece.kind === 'fill' ? directionBeneath(shape, grounds) : undefined;
    const { clothHex } = job.brief;
    const sameColour = clothHex !== undefined && thread !== undefined && colourDifference(clothHex, thread.hex) < SAME_COLOUR;
    const context = { recipe, settings: job.settings, threadWeight, sameColour, ...(beneathDeg === undefined ? {} : { beneathDeg }) };
    const settings = shape ? resolveSettings(piece, shape.facts, context) : null;
    return { piece, laid, shape, settings };
  }

  /** A piece that cannot be stitched is told; the others are sewn without it. */
  private sewn({ laid, shape, settings }: Shaped, ends: StartEnd): Pick<Sewn, 'columns' | 'problem'> {
    if (!shape || !settings) return { columns: null, problem: shapeProblem(laid) };
    try {
      return { columns: this.sew(laid, shape, settings, ends), problem: null };
    } catch (error) {
      return { columns: null, problem: reasonOf(error, 'it cannot be stitched as it is; draw or set it anew') };
    }
  }

  private sew(piece: Piece, shape: PreparedShape, settings: ResolvedSettings, ends: StartEnd): StitchColumns {
    const values = Object.entries(settings).map(([name, s]) => [name, (s as { value: unknown }).value]);
    const key = `${shapeKey(piece)}|${JSON.stringify(values)}|${JSON.stringify(ends)}`;
    const known = this.stitches.get(key);
    if (known) return known;
    const out = new StitchBuffer();
    stitchShape(piece, out, shape, settings, ends);
    const made = out.columns();
    this.stitches.set(key, made);
    return made;
  }

  /** Keeps the memory bounded: a few versions of each piece are enough for going back and forth. */
  private forget(pieces: number): void {
    const surplus = this.stitches.size - (6 * pieces + 100);
    let n = 0;
    for (const key of this.stitches.keys()) if (n++ < surplus) this.stitches.delete(key);
  }
}

type Sewn = Shaped & { columns: StitchColumns | null; problem: string | null };

/** Needle events of one job: more than any machine holds. */
const MOST_JOB_EVENTS = 2_000_000;

const overFoam = (s: Sewn): boolean => (s.settings?.foam?.value ?? 0) > 0;

/** The first penetrations from event `i` on, as far as the thread is not interrupted. */
function firstPoints(c: StitchColumns, i: number): Point[] {
  const out: Point[] = [];
  for (let k = i; k < Math.min(c.x.length, i + 4) && c.command[k] === Command.stitch; k++) out.push({ x: c.x[k]!, y: c.y[k]! });
  return out;
}

/** Joins the pieces' stitches into one plan. */
class Assembly {
  private readonly out = new StitchBuffer(Infinity);
  private pieceOf = new Uint16Array(4096);
  private threadOf = new Uint8Array(4096);
  /** Events that have an owner. */
  private marked = 0;
  private readonly planned: PlannedPiece[] = [];
  private thread = -1;
  /** The piece that was sewn last. */
  private current = 0;

  constructor(
    private readonly job: Job,
    private readonly sewn: readonly Sewn[],
    private readonly threads: ReadonlyMap<string, number>,
    private readonly route: PlanRoute,
  ) {}

  run(): StitchPlan {
    this.sewn.forEach((s, i) => this.addPiece(s, i));
    if (this.out.length > 0) {
      this.cut(this.current);
      const at = this.out.last()!;
      this.out.push(at.x, at.y, Role.travel, Command.end);
      this.mark(this.current, this.thread);
    }
    return {
      ...this.out.columns(),
      piece: this.pieceOf.slice(0, this.marked),
      thread: this.threadOf.slice(0, this.marked),
      pieces: this.planned,
    };
  }

  private addPiece(s: Sewn, index: number): void {
    const planned: PlannedPiece = {
      id: s.piece.id,
      from: this.out.length,
      to: this.out.length,
      stitches: 0,
      areaMm2: s.shape?.areaMm2 ?? 0,
      widthMm: s.shape?.facts.widthMm ?? 0,
      settings: s.settings,
      link: null,
    };
    this.planned.push(planned);
    if (!s.columns || s.columns.x.length === 0) {
      planned.problem = s.problem ?? (s.shape ? 'nothing of it is large enough to sew' : 'its shape is empty');
      return;
    }
    if (this.out.length + s.columns.x.length > MOST_JOB_EVENTS) {
      planned.problem = 'with it the job would have more stitches than any machine holds';
      return;
    }
    const thread = this.threads.get(s.piece.thread) ?? 0;
    const laysFoam = overFoam(s) && !(index > 0 && overFoam(this.sewn[index - 1]!));
    planned.link = this.enter(s.columns, index, thread, laysFoam);
    planned.from = this.out.length;
    this.copy(s.columns, index);
    planned.to = this.out.length;
    this.current = index;
    planned.stitches = this.out.countStitches(planned.from, planned.to);
  }

  /** Gets the needle to the first penetration of a piece. @returns how it came there */
  private enter(columns: StitchColumns, index: number, thread: number, laysFoam: boolean): PlannedLink | null {
    const to = { x: columns.x[0]!, y: columns.y[0]! };
    const here = this.out.last();
    const stops = laysFoam || this.sewn[index]!.piece.stopBefore === true;
    if (!here) {
      this.thread = thread;
      this.jumpTo(to, index);
      if (stops) this.waitAt(to, index);
      return null;
    }
    const link = { from: this.current, leaves: here, arrives: to, shownMm: distance(here, to) };
    if (thread !== this.thread) {
      this.cut(this.current);
      const at = this.out.last()!;
      this.out.push(at.x, at.y, Role.travel, Command.stop);
      this.mark(this.current, this.thread);
      this.thread = thread;
      this.jumpTo(to, index);
      return { ...link, how: 'trim', reason: 'thread' };
    }
    if (stops) {
      this.cut(this.current);
      this.waitAt(here, index);
      this.jumpTo(to, index);
      return { ...link, how: 'trim', reason: 'stop' };
    }
    const { how, way, reason, shownMm } = this.route.link(index, here, to);
    if (how !== 'trim' && this.tieWhen === 'always') this.lock(this.current);
    if (how === 'trim') {
      this.cut(this.current);
      this.jumpTo(to, index);
    } else if (how === 'travel') {
      for (const p of way) this.out.push(p.x, p.y, Role.travel);
      this.mark(index, thread);
    }
    return { ...link, how, shownMm, ...(reason ? { reason } : {}) };
  }

  private jumpTo(p: Point, index: number): void {
    this.out.push(p.x, p.y, Role.travel, Command.jump);
    this.mark(index, this.thread);
  }

  private copy(c: StitchColumns, index: number): void {
    const n = c.x.length;
    for (let i = 0; i < n; i++) {
      const p = { x: c.x[i]!, y: c.y[i]! };
      if (c.command[i] === Command.trim) {
        this.cut(index);
        continue;
      }
      if (c.command[i] === Command.stop) {
        this.stopFor(index);
        continue;
      }
      if (c.command[i] === Command.stitch) this.divideTo(p, c.role[i]!);
      this.out.push(p.x, p.y, c.role[i]!, c.command[i]);
      const fresh = this.startsThread() || (i === 0 && this.tieWhen === 'always');
      if (fresh && i + 1 < n && this.wants(index, 'tieIn') && !isTied(firstPoints(c, i))) {
        this.tie(tieIn(p, { x: c.x[i + 1]!, y: c.y[i + 1]! }, this.tieOf(index)));
      }
      this.mark(index, this.thread);
    }
  }

  /** Cuts the thread and lets the machine wait while something is laid on or cut away. */
  private stopFor(index: number): void {
    this.cut(this.out.commandAt(-1) === Command.stitch ? index : this.current);
    const at = this.out.last();
    if (at) this.waitAt(at, index);
  }

  private waitAt(p: Point, index: number): void {
    this.out.push(p.x, p.y, Role.travel, Command.stop);
    this.mark(index, this.thread);
  }

  /** Puts penetrations on the way to `p` where one stitch would be longer than machines make. */
  private divideTo(p: Point, role: number): void {
    const here = this.out.last();
    if (!here || this.out.commandAt(-1) !== Command.stitch || distance(here, p) <= MACHINE_LIMIT_MM) return;
    for (const q of resample([here, p], MACHINE_LIMIT_MM / 2).slice(1, -1)) this.out.push(q.x, q.y, role);
  }

  /** Whether the last event is the first stitch after a jump. */
  private startsThread(): boolean {
    const before = this.out.commandAt(-2);
    return this.out.commandAt(-1) === Command.stitch && (before === Command.jump || before === Command.stop);
  }

  private get tieWhen(): 'trims' | 'always' | 'never' {
    return this.job.settings.tieWhen ?? usualTies(this.job.brief.cloth);
  }

  /** Whether a piece's thread is to be locked at its start or end. */
  private wants(index: number, which: 'tieIn' | 'tieOff'): boolean {
    return this.tieWhen !== 'never' && (this.sewn[index]?.settings?.[which].value ?? true);
  }

  private tieOf(index: number): Tie {
    const s = this.sewn[index]?.settings;
    return s
      ? { shape: s.tieShape.value, lengthMm: s.tieLength.value, count: s.tieCount.value }
      : { shape: 'line', lengthMm: 0.7, count: 3 };
  }

  private tie(points: readonly Point[]): void {
    for (const p of points) this.out.push(p.x, p.y, Role.tie);
  }

  private lock(owner: number): void {
    if (!this.wants(owner, 'tieOff')) return;
    const at = this.out.last()!;
    const behind = [-1, -2, -3, -4].map((k) => (this.out.commandAt(k) === Command.stitch ? this.out.pointAt(k) : null));
    if (!isTied(behind.filter((p): p is Point => p !== null))) this.tie(tieOff(at, behind[1] ?? at, this.tieOf(owner)));
  }

  /** Locks and cuts the thread where the needle stands. */
  private cut(owner: number): void {
    const at = this.out.last();
    if (!at || this.out.commandAt(-1) !== Command.stitch) return;
    this.lock(owner);
    const end = this.out.last()!;
    this.out.push(end.x, end.y, Role.travel, Command.trim);
    this.mark(owner, this.thread);
  }

  /** Gives all events without an owner to a piece and a thread. */
  private mark(piece: number, thread: number): void {
    const to = this.out.length;
    if (to > this.pieceOf.length) this.widen(to);
    this.pieceOf.fill(Math.max(0, piece), this.marked, to);
    this.threadOf.fill(Math.max(0, thread), this.marked, to);
    this.marked = to;
  }

  private widen(least: number): void {
    const size = Math.max(2 * this.pieceOf.length, least);
    const [pieces, threads] = [new Uint16Array(size), new Uint8Array(size)];
    pieces.set(this.pieceOf);
    threads.set(this.threadOf);
    this.pieceOf = pieces;
    this.threadOf = threads;
  }
}
