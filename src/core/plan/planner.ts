import { reasonOf } from '../document/errors';
import type { Job, Piece } from '../document/types';
import type { PreparedShape } from '../pieces/kind';
import { shapeKey, shapeProblem, stitchShape } from '../pieces/registry';
import type { ResolvedSettings } from '../pieces/resolve';
import { Assembly } from './assembly';
import type { Block, Sewn } from './blocks';
import { StitchBuffer, type StitchColumns } from '../stitches/buffer';
import type { StitchPlan } from './plan';
import { Router } from './links';
import { Settler, surroundingsOf } from '../pieces/prepare/settle';
import type { Shaped } from '../pieces/prepare/shaped';
import type { StartEnd } from '../stitches/startEnd';
import { stayWarm } from '../units/warm';
import { keepClippingWarm } from '../geometry/warm';

/** A plan that is being made: what it holds will stay as it is. */
export type Growing = Pick<Assembly, 'length' | 'anew' | 'since'>;
type Grown = (so: Growing, all: boolean) => void;

/** What a shaped piece was sewn as last. */
interface LastSewn {
  start: StartEnd['start'];
  end: StartEnd['end'];
  goesOn: boolean | undefined;
  sewn: Sewn;
}

/**
 * A job becomes a stitch plan by passes that run in order:
 * shapes → settings → starts and ends → stitches per piece → links, trims and ties between them.
 * Shapes, stitches and their joints are kept, so that editing one piece works on that piece and its links only.
 */
export class Planner {
  private readonly stitches = new Map<string, StitchColumns>();
  private readonly settler = new Settler();
  private readonly router = new Router();
  private readonly lastSewn = new WeakMap<Shaped, LastSewn>();
  private joints: { context: string; blocks: ReadonlyMap<Sewn, Block>; plan: StitchPlan } | null = null;

  /**
   * @param progress called with the share done, 0 to 1; may throw to cancel
   * @param grown called after each piece with what is sewn so far, and whether that is all
   */
  plan(job: Job, progress: (done: number) => void = () => undefined, grown: Grown = () => undefined): StitchPlan {
    const shaped = this.shape(job, progress);
    const route = this.router.routeOf(job, shaped);
    const context = surroundingsOf(job);
    const before = this.joints?.context === context ? this.joints : null;
    const assembly = new Assembly(job, route, before);
    shaped.forEach((s, i) => {
      progress(0.5 + (0.5 * i) / job.pieces.length);
      assembly.add(this.sewn(s, route.endsOf(i)));
      grown(assembly, i === shaped.length - 1);
    });
    this.forget(job.pieces.length);
    const plan = assembly.finish();
    keepClippingWarm();
    this.joints = { context, blocks: assembly.blocks, plan };
    return plan;
  }

  /** All pieces with their shapes and settings, not yet stitched. */
  shape(job: Job, progress: (done: number) => void = () => undefined): Shaped[] {
    return this.settler.settle(job, (done) => progress(0.5 * done));
  }

  /** A piece that cannot be stitched is told; the others are sewn without it. */
  private sewn(shaped: Shaped, ends: StartEnd): Sewn {
    const last = this.lastSewn.get(shaped);
    if (last && same(last.start, ends.start) && same(last.end, ends.end) && last.goesOn === ends.goesOn) return last.sewn;
    const sewn = { ...shaped, ...this.sewnAs(shaped, ends) };
    this.lastSewn.set(shaped, { start: ends.start, end: ends.end, goesOn: ends.goesOn, sewn });
    return sewn;
  }

  private sewnAs({ laid, shape, settings }: Shaped, ends: StartEnd): Pick<Sewn, 'columns' | 'problem'> {
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
    const out = stayWarm(new StitchBuffer());
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

const same = (a: StartEnd['start'], b: StartEnd['start']): boolean => a === b || (a !== null && b !== null && a.x === b.x && a.y === b.y);
