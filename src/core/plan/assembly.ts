import type { Job, TieWhen } from '../document/types';
import { resample } from '../geometry/line';
import { distance, type Point } from '../geometry/point';
import type { Link } from '../route/link';
import { usualTies } from '../pieces/rules/tieSettings';
import { isTied, tieIn, tieOff, type Tie } from '../stitches/ties';
import { CUT_BY_HAND_MM } from '../units/craft';
import { MACHINE_LIMIT_MM } from '../units/tolerances';
import { StitchBuffer, type PlanColumns, type StitchColumns } from '../stitches/buffer';
import type { PlannedLink, PlannedPiece, StitchPlan } from './plan';
import { Command, Role } from '../stitches/roles';
import type { PlanRoute } from './links';
import { firstPoints, sameArrival, type Arrival, type Before, type Block, type Sewn } from './blocks';
import { asPlanned, shifted, withStitches } from './sums';
import { usualWidthMm } from '../pieces/registry';

/** Needle events of one job: more than any machine holds. */
const MOST_JOB_EVENTS = 2_000_000;
/** Memory taken for a plan, as a multiple of what the one before took. */
const SPARE_ROOM = 1.05;
/** So far back a joint looks at what was sewn. */
const LOOKS_BACK = 4;

const overFoam = (s: Sewn): boolean => (s.settings?.foam?.value ?? 0) > 0;

/** Penetrations nearer than this share a hole, mm. */
const SAME_HOLE_MM = 0.1;

/**
 * Joins the pieces' stitches into one plan. Where a piece, the one before it and the way between them are what they were in
 * the plan before, its events are taken over from there. A piece that is planned as the same object as in the plan before has
 * the same events at the same places.
 */
export class Assembly {
  private readonly out = new StitchBuffer(Infinity);
  private pieceOf = new Uint16Array(4096);
  private threadOf = new Uint8Array(4096);
  /** Events that have an owner. */
  private marked = 0;
  private readonly planned: PlannedPiece[] = [];
  private readonly sewn: Sewn[] = [];
  private readonly threads: ReadonlyMap<string, number>;
  private readonly tieWhen: TieWhen;
  /** Thread that goes on and lies bare for so long is locked on both sides, mm. */
  private readonly heldFromMm: number;
  /** The longest stitch that the machine makes, mm. */
  private readonly longestMm: number;
  private thread = -1;
  /** The piece that was sewn last. */
  private current = 0;
  /** Whether the thread is locked on both sides of the way to the piece though it goes on. */
  private isHeld = false;
  /** What each sewn piece became, for the next plan. */
  readonly blocks = new Map<Sewn, Block>();

  constructor(
    job: Job,
    private readonly route: PlanRoute,
    private readonly before: Before | null = null,
  ) {
    this.threads = new Map(job.threads.map((t, i) => [t.id, i]));
    this.tieWhen = job.settings.tieWhen ?? usualTies(job.brief.cloth);
    this.heldFromMm = this.tieWhen === 'distance' ? (job.settings.tieDistance ?? CUT_BY_HAND_MM) : CUT_BY_HAND_MM;
    this.longestMm = job.settings.longestStitch ?? MACHINE_LIMIT_MM;
    // Most plans have about as many events as the one before.
    const foreseen = Math.round((before?.plan.x.length ?? 0) * SPARE_ROOM);
    this.out.reserve(foreseen);
    this.makeRoom(foreseen);
  }

  /** Events so far that were not taken over from the plan before. */
  anew = 0;

  /** Events so far. */
  get length(): number {
    return this.out.length;
  }

  /** Copies of the events from `from` on; they will stay as they are. */
  since(from: number): PlanColumns {
    const end = this.out.length;
    return { ...this.out.since(from), piece: this.pieceOf.slice(from, end), thread: this.threadOf.slice(from, end) };
  }

  /** Sews the next piece. */
  add(s: Sewn): void {
    const index = this.sewn.push(s) - 1;
    const { columns } = s;
    if (!columns || columns.x.length === 0) {
      this.leaveOut(s, s.problem ?? (s.shape ? 'nothing of it is large enough to sew' : 'its shape is empty'));
    } else if (this.out.length + columns.x.length > MOST_JOB_EVENTS) {
      this.leaveOut(s, 'with it the job would have more stitches than any machine holds');
    } else this.sewPiece(s, columns, index);
  }

  /** Ends the plan: nothing may be added any more. */
  finish(): StitchPlan {
    if (this.out.length > 0) {
      this.cut(this.current);
      const at = this.out.last()!;
      this.out.push(at.x, at.y, Role.travel, Command.end);
      this.mark(this.current, this.thread);
    }
    const events = {
      ...this.out.given(),
      piece: this.pieceOf.slice(0, this.marked),
      thread: this.threadOf.slice(0, this.marked),
    };
    return asPlanned({ ...events, pieces: withStitches(this.planned, events) });
  }

  private leaveOut(s: Sewn, problem: string): void {
    this.planned.push({ ...this.figuresOf(s), problem });
  }

  private figuresOf(s: Sewn): PlannedPiece {
    return {
      id: s.piece.id,
      from: this.out.length,
      to: this.out.length,
      stitches: 0,
      areaMm2: s.shape?.areaMm2 ?? 0,
      widthMm: s.shape ? usualWidthMm(s.piece, s.shape, s.settings) : 0,
      settings: s.settings,
      link: null,
    };
  }

  private sewPiece(s: Sewn, columns: StitchColumns, index: number): void {
    const thread = this.firstThread(s, columns);
    const made = {
      from: this.out.length,
      index,
      current: this.current,
      before: this.out.length > 0 ? this.sewn[this.current]! : null,
      arrival: this.arrivalAt(columns, index, thread),
      thread,
      threadBefore: this.thread,
    };
    const planned = this.takenOver(s, made) ?? this.sewAnew(s, columns, made);
    this.planned.push(planned);
    this.current = index;
    this.thread = this.out.length > made.from ? this.threadOf[this.out.length - 1]! : thread;
    this.blocks.set(s, { ...made, to: this.out.length, planned });
  }

  private indexOfThread(s: Sewn, thread: string | null): number {
    return this.threads.get(thread ?? s.piece.thread) ?? this.threads.get(s.piece.thread) ?? 0;
  }

  private firstThread(s: Sewn, { threads }: StitchColumns): number {
    return this.indexOfThread(s, threads?.[0]?.at === 0 ? threads[0].thread : null);
  }

  private sewAnew(s: Sewn, columns: StitchColumns, { arrival, index, thread }: Pick<Block, 'arrival' | 'index' | 'thread'>): PlannedPiece {
    const planned = this.figuresOf(s);
    planned.link = this.enter(columns, index, thread, arrival);
    planned.from = this.out.length;
    this.copy(columns, index);
    planned.to = this.out.length;
    this.anew += planned.to - planned.from;
    return planned;
  }

  /** The events that the piece had in the plan before, if it would get the same ones now. */
  private takenOver(s: Sewn, now: Omit<Block, 'to' | 'planned'>): PlannedPiece | null {
    const old = this.before?.blocks.get(s);
    if (!old || old.before !== now.before || old.thread !== now.thread || old.threadBefore !== now.threadBefore) return null;
    if (!sameArrival(old.arrival, now.arrival) || !this.followsTheSame(old.from)) return null;
    const { plan } = this.before!;
    this.out.append(plan, old.from, old.to);
    this.makeRoom(this.out.length);
    this.threadOf.set(plan.thread.subarray(old.from, old.to), now.from);
    if (old.index === now.index && old.current === now.current) this.pieceOf.set(plan.piece.subarray(old.from, old.to), now.from);
    else
      for (let i = old.from, to = now.from; i < old.to; i++, to++) this.pieceOf[to] = plan.piece[i] === old.index ? now.index : now.current;
    this.marked = this.out.length;
    const shift = now.from - old.from;
    if (shift === 0 && old.current === now.current) return old.planned;
    const link = old.planned.link && { ...old.planned.link, from: now.current };
    return shifted(old.planned, shift, link);
  }

  /** Whether what was sewn last is what came before event `from` of the plan before. */
  private followsTheSame(from: number): boolean {
    const { plan } = this.before!;
    for (let k = 1; k <= LOOKS_BACK; k++) {
      const at = this.out.pointAt(-k);
      const i = from - k;
      if (!at || i < 0) return !at && i < 0;
      if (at.x !== plan.x[i] || at.y !== plan.y[i] || this.out.commandAt(-k) !== plan.command[i]) return false;
    }
    return true;
  }

  private arrivalAt(columns: StitchColumns, index: number, thread: number): Arrival {
    const s = this.sewn[index]!;
    const laysFoam = overFoam(s) && !(index > 0 && overFoam(this.sewn[index - 1]!));
    const waits = laysFoam || s.piece.stopBefore === true;
    const here = this.out.last();
    if (!here) return { kind: 'first', waits, link: null };
    if (thread !== this.thread) return { kind: 'thread', waits, link: null };
    if (waits) return { kind: 'stop', waits, link: null };
    return { kind: 'link', waits, link: this.route.link(index, here, { x: columns.x[0]!, y: columns.y[0]! }) };
  }

  /** Gets the needle to the first penetration of a piece. @returns how it came there */
  private enter(columns: StitchColumns, index: number, thread: number, { kind, waits, link }: Arrival): PlannedLink | null {
    const to = { x: columns.x[0]!, y: columns.y[0]! };
    const here = this.out.last();
    this.isHeld = this.tieWhen === 'always' || (link?.bareMm ?? 0) >= this.heldFromMm;
    if (!here) {
      this.thread = thread;
      this.jumpTo(to, index);
      if (waits) this.waitAt(to, index);
      return null;
    }
    const came = { from: this.current, leaves: here, arrives: to, shownMm: distance(here, to), bareMm: 0 };
    if (link) return { ...came, how: link.how, shownMm: link.shownMm, bareMm: link.bareMm, ...this.follow(link, to, index, thread) };
    this.cut(this.current);
    if (kind === 'thread') {
      const at = this.out.last()!;
      this.out.push(at.x, at.y, Role.travel, Command.stop);
      this.mark(this.current, this.thread);
      this.thread = thread;
    } else this.waitAt(here, index);
    this.jumpTo(to, index);
    return { ...came, how: 'trim', reason: kind === 'thread' ? 'thread' : 'stop' };
  }

  private follow({ how, way, reason }: Link, to: Point, index: number, thread: number): Pick<PlannedLink, 'reason'> {
    if (how !== 'trim' && this.isHeld) this.lock(this.current);
    if (how === 'trim') {
      this.cut(this.current);
      this.jumpTo(to, index);
    } else if (how === 'travel') {
      for (const p of way) this.out.push(p.x, p.y, Role.travel);
      this.mark(index, thread);
    }
    return reason ? { reason } : {};
  }

  private jumpTo(p: Point, index: number): void {
    this.out.push(p.x, p.y, Role.travel, Command.jump);
    this.mark(index, this.thread);
  }

  private copy(c: StitchColumns, index: number): void {
    const changes = (c.threads ?? []).filter((t) => t.at > 0);
    let from = 0;
    for (const { at, thread } of changes) {
      this.copyPart(c, from, at, index);
      this.changeThread(this.indexOfThread(this.sewn[index]!, thread), { x: c.x[at]!, y: c.y[at]! }, index);
      from = at;
    }
    this.copyPart(c, from, c.x.length, index);
  }

  /** Another thread within a piece: the machine stops for it like between pieces. */
  private changeThread(thread: number, to: Point, index: number): void {
    if (thread === this.thread) return;
    this.cut(index);
    const at = this.out.last();
    if (at) this.waitAt(at, index);
    this.thread = thread;
    this.jumpTo(to, index);
  }

  private copyPart(c: StitchColumns, from: number, n: number, index: number): void {
    for (let i = from; i < n; i++) {
      const plain = i > from && this.standsAt(c, i - 1) ? plainUntil(c, i, this.longestMm, n) : i;
      if (plain > i) {
        this.out.append(c, i, plain);
        i = plain - 1;
      } else this.copyOne(c, i, index);
    }
    this.mark(index, this.thread);
  }

  private standsAt(c: StitchColumns, i: number): boolean {
    return this.out.commandAt(-1) === Command.stitch && this.out.lastX() === c.x[i] && this.out.lastY() === c.y[i];
  }

  private copyOne(c: StitchColumns, i: number, index: number): void {
    const p = { x: c.x[i]!, y: c.y[i]! };
    if (c.command[i] === Command.trim) return this.cut(index);
    if (c.command[i] === Command.stop) return this.stopFor(index);
    if (c.command[i] === Command.stitch) {
      if (i === 0 && this.standsIn(p)) return this.mark(index, this.thread);
      this.divideTo(p, c.role[i]!);
    }
    this.out.push(p.x, p.y, c.role[i]!, c.command[i]);
    const fresh = this.startsThread() || (i === 0 && this.isHeld);
    if (fresh && i + 1 < c.x.length && this.wants(index, 'tieIn') && !isTied(firstPoints(c, i))) {
      this.tie(tieIn(p, { x: c.x[i + 1]!, y: c.y[i + 1]! }, this.tieOf(index)));
    }
    this.mark(index, this.thread);
  }

  /** Whether the needle went down here just now: a piece that begins in the hole where the last one ended needs no second stitch there. */
  private standsIn(p: Point): boolean {
    const here = this.out.last();
    return here !== null && this.out.commandAt(-1) === Command.stitch && distance(here, p) < SAME_HOLE_MM;
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
    if (!here || this.out.commandAt(-1) !== Command.stitch || distance(here, p) <= this.longestMm) return;
    for (const q of resample([here, p], this.longestMm / 2).slice(1, -1)) this.out.push(q.x, q.y, role);
  }

  /** Whether the last event is the first stitch after a jump. */
  private startsThread(): boolean {
    const before = this.out.commandAt(-2);
    return this.out.commandAt(-1) === Command.stitch && (before === Command.jump || before === Command.stop);
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
    this.makeRoom(to);
    this.pieceOf.fill(Math.max(0, piece), this.marked, to);
    this.threadOf.fill(Math.max(0, thread), this.marked, to);
    this.marked = to;
  }

  private makeRoom(least: number): void {
    if (least <= this.pieceOf.length) return;
    const size = Math.max(2 * this.pieceOf.length, least);
    const [pieces, threads] = [new Uint16Array(size), new Uint8Array(size)];
    pieces.set(this.pieceOf);
    threads.set(this.threadOf);
    this.pieceOf = pieces;
    this.threadOf = threads;
  }
}

/** From event `i` of a piece on, up to where it holds nothing but stitches that any machine makes as they are. */
function plainUntil(c: StitchColumns, i: number, longestMm: number, n: number): number {
  let k = i;
  while (k < n && c.command[k] === Command.stitch && c.command[k - 1] === Command.stitch) {
    const [dx, dy] = [c.x[k]! - c.x[k - 1]!, c.y[k]! - c.y[k - 1]!];
    if (dx * dx + dy * dy > longestMm * longestMm) break;
    k++;
  }
  return k;
}
