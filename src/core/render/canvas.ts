import type { PlanPart } from '../plan/delta';
import type { PlanColumns } from '../stitches/buffer';
import { emptyBounds, growBounds, type Bounds } from '../geometry/point';
import { drawNeedle, drawPath, type Look } from './looks';
import { clearBox, makeRaster, type PixelBox, type Raster } from './raster';
import { BESIDE_MM, drawThreads, type ThreadLook } from './thread';

/** What of a plan is to be seen, and how. */
export interface View {
  /** Pixels. */
  width: number;
  height: number;
  /** Pixels per mm, and the mm at the picture's upper left corner. */
  scale: number;
  left: number;
  top: number;
  /** Events to draw, from the first up to, but without, this one. */
  until: number;
  look: Look;
}

/** How many events at the beginning and at the end of a plan are those of the one before. */
interface Changed {
  head: number;
  tail: number;
}

/** A picture of a plan that is still being made. */
interface DrawnAhead {
  version: string;
  view: View;
  style: string;
  raster: Raster;
  /** So many events are drawn. */
  events: number;
}

/** A stitch is drawn from the events up to two before its own. */
const REACHES_EVENTS = 2;
const BESIDE_PX = 3;

/**
 * The picture of a plan as it changes: while sewing on only new stitches are added, and after an edit only the box that the
 * changed stitches lie in is drawn again.
 */
export class Canvas {
  private plan: PlanColumns | null = null;
  private looks: readonly ThreadLook[] = [];
  private hidden = new Set<number>();
  private raster: Raster | null = null;
  private drawn: View | null = null;
  /** Whether what is drawn was drawn at one go. */
  private atOnce = true;
  private ahead: DrawnAhead | null = null;

  /**
   * Draws some events of a plan that is to be shown later, in the view that is shown now.
   * @param part the next events in order; the first ones that overlap with those of the part before are drawn already
   */
  grow({ version, first, overlap, events }: PlanPart, looks: readonly ThreadLook[], hidden: readonly number[]): void {
    const view = this.drawn;
    if (first && view && view.look === 'thread' && view.until === this.plan?.x.length) {
      const raster = makeRaster(view.width, view.height, view.scale, view.left, view.top);
      this.ahead = { version, view, style: styleOf(looks, hidden), raster, events: 0 };
    }
    const { ahead } = this;
    if (ahead?.version !== version) return;
    const unseen = new Set(hidden);
    drawThreads(ahead.raster, events, looks, overlap, events.x.length, (p) => !unseen.has(p));
    ahead.events += events.x.length - overlap;
  }

  /**
   * @param delta how the plan differs from the one shown before; null when it may differ everywhere
   * @param version what its parts were told by
   */
  show(plan: PlanColumns, looks: readonly ThreadLook[], hidden: readonly number[], delta: Changed | null, version = ''): void {
    const before = this.plan;
    const alike = styleOf(looks, hidden) === styleOf(this.looks, [...this.hidden]);
    const grown = this.ahead;
    this.ahead = null;
    this.plan = plan;
    this.looks = looks;
    this.hidden = new Set(hidden);
    if (grown?.version === version && this.drawn && sameButUntil(grown.view, this.drawn) && grown.style === styleOf(looks, hidden)) {
      // What is missing is drawn with the next picture.
      this.raster = grown.raster;
      this.drawn = { ...grown.view, until: grown.events };
      return;
    }
    const whole = this.drawn?.until === before?.x.length && this.atOnce;
    if (!before || !delta || !alike || !whole || !this.raster) this.raster = null;
    else this.redraw(this.raster, changedBox(before, plan, delta));
  }

  hide(hidden: readonly number[]): void {
    this.hidden = new Set(hidden);
    this.raster = null;
  }

  /** Its bytes are the canvas' own and change with the next call. */
  picture(view: View): Raster {
    const { drawn, plan } = this;
    let { raster } = this;
    let from = drawn?.until ?? 0;
    if (!raster || !drawn || !sameButUntil(drawn, view) || view.until < from) {
      raster = makeRaster(view.width, view.height, view.scale, view.left, view.top);
      from = 0;
    }
    // Threads are laid one by one: in parts they come out as at one go.
    if (view.until > from) this.atOnce = from === 0 || view.look === 'thread';
    this.raster = raster;
    this.drawn = { ...view, until: view.until };
    if (plan) this.draw(raster, plan, from, Math.min(view.until, plan.x.length));
    return raster;
  }

  private redraw(raster: Raster, box: Bounds | null): void {
    const plan = this.plan!;
    this.drawn = { ...this.drawn!, until: plan.x.length };
    const clip = box && pixelsOf(raster, box);
    if (!clip) return;
    clearBox(raster, clip);
    this.draw({ ...raster, clip }, plan, 0, plan.x.length);
  }

  private draw(target: Raster, plan: PlanColumns, from: number, to: number): void {
    const { hidden, looks } = this;
    const visible = (p: number): boolean => !hidden.has(p);
    const { look } = this.drawn!;
    if (look === 'thread') return drawThreads(target, plan, looks, from, to, visible);
    const colours = looks.map((l) => l.rgb);
    if (look === 'needle') drawNeedle(target, plan, colours, from, to, visible);
    else drawPath(target, plan, colours, from, to, visible, look === 'path');
  }
}

const styleOf = (looks: readonly ThreadLook[], hidden: readonly number[]): string => JSON.stringify([looks, hidden]);

const sameButUntil = (a: View, b: View): boolean =>
  a.width === b.width && a.height === b.height && a.scale === b.scale && a.left === b.left && a.top === b.top && a.look === b.look;

/** The box in which two plans may look different, mm; null when they look alike. */
function changedBox(before: PlanColumns, after: PlanColumns, { head, tail }: Changed): Bounds | null {
  const box = emptyBounds();
  for (const { x, y } of [before, after]) {
    if (head === x.length - tail && before.x.length === after.x.length) continue;
    const to = Math.min(x.length, x.length - tail + REACHES_EVENTS);
    for (let i = Math.max(0, head - REACHES_EVENTS); i < to; i++) growBounds(box, x[i]!, y[i]!);
  }
  return box.minX <= box.maxX ? box : null;
}

/** The pixels of a box and of what threads in it reach; null when it lies outside. */
function pixelsOf({ scale, left, top, width, height }: Raster, box: Bounds): PixelBox | null {
  const beside = BESIDE_MM * scale + BESIDE_PX;
  const made = {
    left: Math.max(0, Math.floor((box.minX - left) * scale - beside)),
    top: Math.max(0, Math.floor((box.minY - top) * scale - beside)),
    right: Math.min(width, Math.ceil((box.maxX - left) * scale + beside)),
    bottom: Math.min(height, Math.ceil((box.maxY - top) * scale + beside)),
  };
  return made.left < made.right && made.top < made.bottom ? made : null;
}
