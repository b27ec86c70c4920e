import { ofEach } from '../geometry/known';
import { boundsTouch, emptyBounds, growBounds, type Bounds, type Point } from '../geometry/point';
import { CELL_MM, type Spans } from './cells';
import type { Choices } from './choices';
import type { RouteItem } from './item';
import type { Link } from './link';

/** What it takes to get from a piece to the next one, as far as anybody asked. */
export interface Between {
  here: RouteItem;
  target: RouteItem;
  from: Choices;
  to: Choices;
  /** Seconds by place left (rows) and place reached (columns); NaN where nobody asked. */
  seconds: Float64Array;
  /** All of the cloth that this depends on, mm. */
  box: Bounds;
}

interface KnownLink {
  link: Link;
  here: RouteItem | undefined;
  target: RouteItem;
  box: Bounds;
}

/** With more changes than this nothing is kept. */
const MOST_CHANGED = 24;
/** Farther off nothing is looked at for a place, mm. */
const NEAR_MM = 2.5;
/** What lies so near to a hidden way may come to belong to it, mm. */
const JOINS_MM = 1;

/**
 * What was found out about the ways between the pieces of a job. As long as pieces keep their places in the order, it holds
 * wherever the cloth that it depends on was left alone.
 */
export class RouteMemory {
  private key = '';
  private items: readonly RouteItem[] = [];
  private betweens: (Between | undefined)[] = [];
  private links = new Map<string, KnownLink>();
  private linksBefore = new Map<string, KnownLink>();
  private changed: readonly Bounds[] = [];

  /**
   * Another plan begins: what does not hold any more is forgotten.
   * @param items in sewing order
   * @param key everything else that ways depend on
   */
  follow(items: readonly RouteItem[], key: string): void {
    const changed = this.key === key ? changedBetween(this.items, items) : null;
    if (!changed) this.betweens = [];
    else if (changed.length > 0) this.betweens = this.betweens.map((b) => (b && touches(b.box, changed) ? undefined : b));
    this.linksBefore = changed ? this.links : new Map<string, KnownLink>();
    this.links = new Map();
    this.changed = changed ?? [];
    this.key = key;
    this.items = items;
  }

  /** What is known of the way from the piece at position `k` to the next one. */
  between(k: number, here: RouteItem, target: RouteItem, from: Choices, to: Choices): Between {
    const known = this.betweens[k];
    if (known?.here === here && known.target === target && known.from === from && known.to === to) return known;
    const box = emptyBounds();
    for (const p of [...from.ends, ...to.starts]) growBy(box, p, NEAR_MM);
    const made = { here, target, from, to, seconds: new Float64Array(from.ends.length * to.starts.length).fill(NaN), box };
    this.betweens[k] = made;
    return made;
  }

  /**
   * The link to the piece at position `k`, made only when it is not known.
   * @param make tells beside the link which box of the cloth it depends on
   */
  link(k: number, from: Point, to: Point, make: () => { link: Link; looked: Bounds }): Link {
    const key = `${k} ${from.x} ${from.y} ${to.x} ${to.y}`;
    const [here, target] = [this.items[k - 1], this.items[k]!];
    const known = this.links.get(key) ?? this.stillTrue(key, here, target);
    if (known) {
      this.links.set(key, known);
      return known.link;
    }
    const { link, looked } = make();
    const box = emptyBounds();
    for (const p of [from, to]) growBy(box, p, NEAR_MM);
    if (looked.minX <= looked.maxX) growTo(box, looked);
    this.links.set(key, { link, here, target, box });
    return link;
  }

  private stillTrue(key: string, here: RouteItem | undefined, target: RouteItem): KnownLink | null {
    const known = this.linksBefore.get(key);
    return known && known.here === here && known.target === target && !touches(known.box, this.changed) ? known : null;
  }
}

/** Makes what is known depend on a hidden way too. */
export const dependOn = (between: Between, way: Bounds): void => growTo(between.box, way);

function growTo(box: Bounds, { minX, minY, maxX, maxY }: Bounds): void {
  growBounds(box, minX - JOINS_MM, minY - JOINS_MM);
  growBounds(box, maxX + JOINS_MM, maxY + JOINS_MM);
}

function growBy(box: Bounds, { x, y }: Point, mm: number): void {
  growBounds(box, x - mm, y - mm);
  growBounds(box, x + mm, y + mm);
}

const touches = (box: Bounds, changed: readonly Bounds[]): boolean => changed.some((c) => boundsTouch(c, box));

/** The boxes in which the cloth differs; null when it differs too much to tell. */
function changedBetween(before: readonly RouteItem[], after: readonly RouteItem[]): Bounds[] | null {
  if (before.length !== after.length) return null;
  const out: Bounds[] = [];
  for (let i = 0; i < after.length; i++) {
    if (before[i] === after[i]) continue;
    out.push(coverOf(before[i]!), coverOf(after[i]!));
    if (out.length > 2 * MOST_CHANGED) return null;
  }
  return out;
}

/** The box of all cells that a piece means anything to. */
const coverOf = ofEach((item: RouteItem) => {
  const box = emptyBounds();
  for (const spans of [item.hides, item.tracks, item.painted]) growBySpans(box, spans);
  return box;
});

function growBySpans(box: Bounds, spans: Spans): void {
  for (let i = 0; i < spans.length; i += 3) {
    growBounds(box, spans[i + 1]! * CELL_MM, spans[i]! * CELL_MM);
    growBounds(box, (spans[i + 2]! + 1) * CELL_MM, (spans[i]! + 1) * CELL_MM);
  }
}
