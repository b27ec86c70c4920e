import { distance, type Bounds, type Point } from '../geometry/point';
import { hypot } from '../units/trig';
import { CELL_MM, cellOf, centreOf, type Spans } from './cells';
import type { RouteItem } from './item';

/** A gap that one stitch bridges without being seen, mm. */
export const TOUCHING_MM = 1;
/** Between columns of lettering a stitch may show this far where nobody says otherwise: people leave it (craft §6), mm. */
const LETTER_GAP_MM = 2;
/** Elsewhere than along their base line letters are joined over so much cloth at most, other columns over less: it is seen, mm. */
const BETWEEN_LETTERS_MM = 3;
const SHOWN_MM = 2;
/**
 * Letters stand on one line when they are up to so high, mm, their feet, heights and the widths of their bars differ by less than
 * these shares, the bars are at most so much of the height (dots and squares are no letters), and the gap is; a place is on the line so near.
 */
const BASE = { mostMm: 60, feet: 0.12, heights: 0.3, widths: 0.35, bar: 0.4, gap: 0.8, place: 0.25 };
/** A thread may lie on finished rows of its own colour for so short a way, when it runs with them, mm. */
const OVER_OWN_MM = 5;
/** Any direction looks alike over so short a way, mm. */
const OVER_ANYHOW_MM = 2.2;
const WITH_ROWS_COS = 0.9;
const PROBE_MM = 0.25;
/** How far a place may lie from a cell that counts as its own, cells. */
const NEAR_CELLS = 3;
/** A stitch over finished rows or a touching gap leads to it, mm. */
const NEAR_MM = 1.4;

/** What stitches may show between columns. */
export interface MayShow {
  /** Cleanest gaps: nothing between columns that could be seen. */
  clean: boolean;
  /** Otherwise so far between letters, mm. */
  letterGapMm?: number;
  /** So much less than that, because the needle will not stand quite where it was asked to, mm. */
  slackMm?: number;
}

/** How much of a stitch between two columns may show: letters of a line are joined along their feet, mm. */
function mostShown(from: Point, a: RouteItem, to: Point, b: RouteItem, letterGapMm: number): number {
  const [tall, other] = [a.box.maxY - a.box.minY, b.box.maxY - b.box.minY];
  const feet = Math.abs(a.box.maxY - b.box.maxY) < BASE.feet * tall;
  const level = (feet || Math.abs(a.box.minY - b.box.minY) < BASE.feet * tall) && Math.abs(tall - other) < BASE.heights * tall;
  const slender = tall < BASE.mostMm && Math.max(a.widthMm, b.widthMm) < BASE.bar * tall;
  const letters = level && slender && Math.abs(a.widthMm - b.widthMm) < BASE.widths * a.widthMm;
  if (!letters || distance(from, to) > BASE.gap * tall) return Math.min(letterGapMm, SHOWN_MM);
  const low = feet && a.box.maxY - from.y < BASE.place * tall && b.box.maxY - to.y < BASE.place * tall;
  return low ? letterGapMm : Math.min(letterGapMm, BETWEEN_LETTERS_MM);
}

/** What a straight stitch from place to place would show, mm. */
interface Straight {
  bareMm: number;
  overMm: number;
  /** A place in the middle of what lies over own rows. */
  over: { piece: number; at: Point } | null;
  barred: boolean;
}

/** The hidden way near a place: a number that all places on it share, and how far the place lies from it, mm. */
export interface HiddenNear {
  way: number;
  awayMm: number;
}

/** Rows and columns that what hangs together reaches to, at its root. */
interface Reach {
  top: Int16Array;
  bottom: Int16Array;
  left: Int16Array;
  right: Int16Array;
}

interface Cells {
  latest: Int16Array;
  barred: Uint8Array;
  parent: Int32Array;
  next: Int32Array;
  reach: Reach;
}

const cellsOf = (n: number): Cells => ({
  latest: new Int16Array(n),
  barred: new Uint8Array(n),
  parent: new Int32Array(n),
  next: new Int32Array(n),
  reach: { top: new Int16Array(n), bottom: new Int16Array(n), left: new Int16Array(n), right: new Int16Array(n) },
});

/**
 * The cloth as cells, each knowing the last piece in an order whose cover hides it. A travel before piece k is hidden
 * where that piece is k or later. Read from the last piece to the first, hidden cells only ever become more, so what
 * hangs together is kept in a union-find.
 */
export class CoverGrid {
  private readonly left: number;
  private readonly top: number;
  readonly columns: number;
  readonly rows: number;
  /** Position in the order of the last piece that hides a cell; -1 when none does. */
  readonly latest: Int16Array;
  private readonly barred: Uint8Array;
  private readonly parent: Int32Array;
  private readonly next: Int32Array;
  private readonly heads: Int32Array;
  private readonly cells: Cells;
  private readonly reach: Reach;
  private threads: readonly string[] = [];
  private sequence: readonly RouteItem[] = [];
  private active = 0;
  private link: { from: RouteItem; to: RouteItem } | null = null;

  /** @param spent a grid that will not be used again, whose memory may be taken over */
  constructor(
    private readonly items: readonly RouteItem[],
    spent: CoverGrid | null = null,
  ) {
    let [minR, maxR, minC, maxC] = [Infinity, -Infinity, Infinity, -Infinity];
    for (const item of items) {
      for (const spans of [item.hides, item.tracks]) {
        for (let i = 0; i < spans.length; i += 3) {
          minR = Math.min(minR, spans[i]!);
          maxR = Math.max(maxR, spans[i]!);
          minC = Math.min(minC, spans[i + 1]!);
          maxC = Math.max(maxC, spans[i + 2]!);
        }
      }
    }
    const empty = maxR < minR;
    this.left = empty ? 0 : minC - 1;
    this.top = empty ? 0 : minR - 1;
    this.columns = empty ? 3 : maxC - minC + 3;
    this.rows = empty ? 3 : maxR - minR + 3;
    const n = this.columns * this.rows;
    const cells = spent?.latest.length === n ? spent.cells : cellsOf(n);
    this.cells = cells;
    this.latest = cells.latest;
    this.barred = cells.barred.fill(0);
    this.parent = cells.parent;
    this.next = cells.next;
    this.reach = cells.reach;
    this.heads = new Int32Array(items.length + 1);
    for (const item of items) if (item.barred) this.paint(item.painted, (cell) => (this.barred[cell] = 1));
  }

  private paint(spans: Spans, put: (cell: number) => void): void {
    for (let i = 0; i < spans.length; i += 3) {
      const row = spans[i]! - this.top;
      if (row < 0 || row >= this.rows) continue;
      const from = Math.max(0, spans[i + 1]! - this.left);
      const to = Math.min(this.columns - 1, spans[i + 2]! - this.left);
      for (let c = row * this.columns + from; c <= row * this.columns + to; c++) put(c);
    }
  }

  /** Lays the pieces in an order; afterwards `reveal` goes from the last to the first. */
  lay(order: readonly number[]): void {
    this.latest.fill(-1);
    order.forEach((item, position) => {
      const { hides, tracks } = this.items[item]!;
      for (const spans of [hides, tracks]) {
        for (let i = 0; i < spans.length; i += 3) {
          const at = (spans[i]! - this.top) * this.columns - this.left;
          this.latest.fill(position, at + spans[i + 1]!, at + spans[i + 2]! + 1);
        }
      }
    });
    this.sequence = order.map((i) => this.items[i]!);
    this.threads = this.sequence.map((i) => i.thread);
    this.heads.fill(-1);
    const { latest, barred } = this;
    for (let cell = 0; cell < latest.length; cell++) {
      const position = latest[cell]!;
      if (position < 0 || barred[cell] === 1) continue;
      this.next[cell] = this.heads[position]!;
      this.heads[position] = cell;
      // What follows in the row and is hidden by the same piece goes with it; the outermost cells are never hidden.
      while (latest[cell + 1] === position && barred[cell + 1] === 0) cell++;
    }
    this.parent.fill(-1);
    this.active = order.length;
    this.link = null;
  }

  /**
   * Lets another piece than the order says be left and reached at the present place. What is hidden there stays the same
   * as long as the same pieces come later.
   */
  lead(from: RouteItem, to: RouteItem): void {
    this.link = { from, to };
  }

  /** Makes everything that piece `k` and later ones hide known to `hiddenNear`. Goes down only. */
  reveal(k: number): void {
    while (this.active > k) {
      this.active--;
      for (let cell = this.heads[this.active]!; cell >= 0; cell = this.next[cell]!) this.revealRun(cell, this.active);
    }
  }

  /** The cells in a row from `first` on that a piece hides, joined to all that is known around them. */
  private revealRun(first: number, position: number): void {
    const { latest, barred, parent, columns } = this;
    let last = first;
    while (latest[last + 1] === position && barred[last + 1] === 0) last++;
    parent.fill(first, first, last + 1);
    const { reach } = this;
    reach.top[first] = reach.bottom[first] = Math.floor(first / columns);
    reach.left[first] = first % columns;
    reach.right[first] = last % columns;
    if (parent[first - 1]! >= 0) this.join(first, first - 1);
    if (parent[last + 1]! >= 0) this.join(first, last + 1);
    for (let row = first - columns; row <= first + columns; row += 2 * columns) {
      // Known cells side by side hang together already: the first of them stands for all.
      let known = false;
      for (let other = row - 1; other <= row + 1 + last - first; other++) {
        const here = parent[other]! >= 0;
        if (here && !known) this.join(first, other);
        known = here;
      }
    }
  }

  private join(a: number, b: number): void {
    const [p, q] = [this.root(a), this.root(b)];
    if (p === q) return;
    const [kept, given] = [Math.min(p, q), Math.max(p, q)];
    const { top, bottom, left, right } = this.reach;
    this.parent[given] = kept;
    if (top[given]! < top[kept]!) top[kept] = top[given]!;
    if (bottom[given]! > bottom[kept]!) bottom[kept] = bottom[given]!;
    if (left[given]! < left[kept]!) left[kept] = left[given]!;
    if (right[given]! > right[kept]!) right[kept] = right[given]!;
  }

  /** The box of a hidden way (its number from `hiddenNear`), mm. */
  extentOf(way: number): Bounds {
    const { top, bottom, left, right } = this.reach;
    const mm = (cell: number, from: number): number => (cell + from) * CELL_MM;
    return {
      minX: mm(left[way]!, this.left),
      maxX: mm(right[way]! + 1, this.left),
      minY: mm(top[way]!, this.top),
      maxY: mm(bottom[way]! + 1, this.top),
    };
  }

  private root(cell: number): number {
    const { parent } = this;
    while (parent[cell] !== cell) {
      parent[cell] = parent[parent[cell]!]!;
      cell = parent[cell]!;
    }
    return cell;
  }

  cellAt(p: Point): number {
    return this.cellOver(p.x, p.y);
  }

  private cellOver(x: number, y: number): number {
    const r = Math.floor(y / CELL_MM) - this.top;
    const c = Math.floor(x / CELL_MM) - this.left;
    return r < 0 || c < 0 || r >= this.rows || c >= this.columns ? -1 : r * this.columns + c;
  }

  placeOf(cell: number): Point {
    return { x: centreOf((cell % this.columns) + this.left), y: centreOf(Math.floor(cell / this.columns) + this.top) };
  }

  hidden(cell: number, k: number): boolean {
    return cell >= 0 && this.latest[cell]! >= k && this.barred[cell] === 0;
  }

  /**
   * The nearest cell to a place that is hidden before piece `k`; -1 when none is near.
   * @param slackMm so much farther away it may lie, because the needle does not stand quite where it was asked to
   */
  nearHidden(p: Point, k: number, slackMm = 0): number {
    const own = this.cellAt(p);
    if (this.hidden(own, k)) return own;
    const [row, column] = [cellOf(p.y) - this.top, cellOf(p.x) - this.left];
    const cells = slackMm > 0 ? NEAR_CELLS + 1 : NEAR_CELLS;
    const [fromC, toC] = [Math.max(0, column - cells), Math.min(this.columns - 1, column + cells)];
    let best = -1;
    let least = Infinity;
    for (let r = Math.max(0, row - cells); r <= Math.min(this.rows - 1, row + cells); r++) {
      const dy = centreOf(r + this.top) - p.y;
      for (let c = fromC; c <= toC; c++) {
        const cell = r * this.columns + c;
        if (this.latest[cell]! < k || this.barred[cell] !== 0) continue;
        const d = hypot(centreOf(c + this.left) - p.x, dy);
        if (d < least && d <= NEAR_MM + slackMm) [best, least] = [cell, d];
      }
    }
    return best;
  }

  /**
   * The hidden way near a place before piece `k` (which must be revealed): a number that all places on it share, and how
   * far the place lies from it, mm; null when there is none.
   */
  hiddenNear(p: Point, k: number): HiddenNear | null {
    const cell = this.nearHidden(p, k);
    if (cell < 0) return null;
    return { way: this.root(cell), awayMm: this.cellAt(p) === cell ? 0 : distance(p, this.placeOf(cell)) };
  }

  /** Whether one straight way to piece `k` needs no cut: hidden, over own rows a little, or across a gap nobody minds. */
  goesStraight(from: Point, to: Point, k: number, { clean, letterGapMm = LETTER_GAP_MM, slackMm = 0 }: MayShow): boolean {
    const gap = distance(from, to);
    if (gap <= 0.05) return true;
    const { from: left, to: reached } = this.link ?? { from: this.sequence[k - 1], to: this.sequence[k] };
    const letters = !clean && reached?.column === true && left?.column === true;
    const most = letters ? mostShown(from, left, to, reached, letterGapMm) - slackMm : TOUCHING_MM;
    const mostOver = clean ? OVER_ANYHOW_MM : OVER_OWN_MM;
    const seen = this.straight(from, to, k);
    if (seen.barred || seen.bareMm > most || seen.overMm > mostOver) return false;
    return seen.overMm <= OVER_ANYHOW_MM || this.withRows(seen, from, to);
  }

  /** What a straight stitch before piece `k` would show. */
  straight(from: Point, to: Point, k: number): Straight {
    const gap = distance(from, to);
    const steps = Math.max(1, Math.ceil(gap / PROBE_MM));
    const step = gap / steps;
    const [dx, dy] = [(to.x - from.x) / steps, (to.y - from.y) / steps];
    const seen: Straight = { bareMm: 0, overMm: 0, over: null, barred: false };
    const thread = this.link?.to.thread ?? this.threads[k];
    for (let s = 0; s < steps; s++) {
      const [x, y] = [from.x + dx * (s + 0.5), from.y + dy * (s + 0.5)];
      const cell = this.cellOver(x, y);
      const last = cell < 0 ? -1 : this.latest[cell]!;
      if (cell >= 0 && this.barred[cell] === 1) seen.barred = true;
      else if (last >= k) continue;
      else if (last >= 0 && this.threads[last] === thread) {
        seen.overMm += step;
        // The middle of what lies over own rows stands for all of it.
        if (seen.overMm <= OVER_OWN_MM / 2) seen.over = { piece: last, at: { x, y } };
      } else seen.bareMm += step;
    }
    return seen;
  }

  private withRows({ over }: Straight, from: Point, to: Point): boolean {
    const row = over && this.sequence[over.piece]!.rowAt(over.at);
    const gap = distance(from, to);
    return !row || Math.abs(row.x * (to.x - from.x) + row.y * (to.y - from.y)) >= WITH_ROWS_COS * gap;
  }
}
