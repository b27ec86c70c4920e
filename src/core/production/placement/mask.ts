import type { CopyPlace } from '../../document/types';
import type { StitchPlan } from '../../plan/plan';
import { Command } from '../../stitches/roles';
import { copyMatrix, placedPoint } from './copy';

/** Sides of the cells on which outlines are held against each other, mm. */
export const CELL_MM = 0.5;
const WORD = 32;

/** Cells that something covers: rows of bits, the first cell's corner at `left`, `top`, counted in cells. */
export class Mask {
  readonly words: number;
  readonly bits: Uint32Array;
  private rows: Uint32Array | null = null;

  constructor(
    readonly left: number,
    readonly top: number,
    readonly width: number,
    readonly height: number,
  ) {
    this.words = Math.ceil(width / WORD) + 1;
    this.bits = new Uint32Array(this.words * height);
  }

  set(x: number, y: number): void {
    this.bits[y * this.words + (x >>> 5)]! |= 1 << (x & 31);
  }

  /** Sets cells from `a` up to `b` of a row, both among them; those outside are left out. */
  fill(a: number, b: number, y: number): void {
    if (y < 0 || y >= this.height) return;
    for (let x = Math.max(0, a); x <= Math.min(this.width - 1, b); x++) this.set(x, y);
  }

  has(x: number, y: number): boolean {
    return ((this.bits[y * this.words + (x >>> 5)]! >>> (x & 31)) & 1) === 1;
  }

  /** All rows, far ones first: where two masks meet, a row of the middle tells it sooner than the first ones. */
  private get spread(): Uint32Array {
    return (this.rows ??= spreadOut(this.height));
  }

  /** Whether a mask with its upper left cell at a cell of this one covers any that this one covers; it must lie within. */
  meets(other: Mask, x: number, y: number): boolean {
    const shift = x & 31;
    const first = x >>> 5;
    for (const row of other.spread) {
      const own = (y + row) * this.words + first;
      const its = row * other.words;
      let carried = 0;
      for (let w = 0; w < other.words; w++) {
        const bits = other.bits[its + w]!;
        const laid = shift === 0 ? bits : (bits << shift) | carried;
        carried = shift === 0 ? 0 : bits >>> (WORD - shift);
        if ((this.bits[own + w]! & laid) !== 0) return true;
      }
    }
    return false;
  }
}

/** Numbers below `n`: the middle, then the middles of what is left on both sides, and so on. */
function spreadOut(n: number): Uint32Array {
  const out = new Uint32Array(n);
  const ranges: [number, number][] = n > 0 ? [[0, n]] : [];
  for (let k = 0; k < ranges.length; k++) {
    const [a, b] = ranges[k]!;
    const middle = (a + b) >> 1;
    out[k] = middle;
    if (middle > a) ranges.push([a, middle]);
    if (b > middle + 1) ranges.push([middle + 1, b]);
  }
  return out;
}

/** Every cell that the thread of a plan, turned by so many degrees, touches. */
export function stitchedMask(plan: StitchPlan, turn: number, mirror = false): Mask {
  const m = copyMatrix({ x: 0, y: 0, turn, mirror });
  const points = Array.from(plan.x, (x, i) => placedPoint(m, { x: x / CELL_MM, y: plan.y[i]! / CELL_MM }));
  const sewn = points.filter((_, i) => plan.command[i] === Command.stitch);
  const [xs, ys] = [sewn.map((p) => p.x), sewn.map((p) => p.y)];
  const least = (v: readonly number[]): number => Math.floor(v.reduce((a, b) => Math.min(a, b), Infinity)) - 1;
  const most = (v: readonly number[]): number => Math.ceil(v.reduce((a, b) => Math.max(a, b), -Infinity)) + 1;
  const [left, top] = [least(xs), least(ys)];
  const mask = new Mask(left, top, most(xs) - left, most(ys) - top);
  for (let i = 0; i < points.length; i++) {
    if (plan.command[i] !== Command.stitch) continue;
    const [b, a] = [points[i]!, i > 0 && plan.command[i - 1] === Command.stitch ? points[i - 1]! : points[i]!];
    markLine(mask, a, b);
  }
  return mask;
}

/** Marks cells along a line, close enough that none that it crosses for more than a hair is left out. */
function markLine(mask: Mask, a: { x: number; y: number }, b: { x: number; y: number }): void {
  const n = Math.max(1, Math.ceil(4 * Math.max(Math.abs(b.x - a.x), Math.abs(b.y - a.y))));
  for (let k = 0; k <= n; k++) {
    const [x, y] = [a.x + ((b.x - a.x) * k) / n, a.y + ((b.y - a.y) * k) / n];
    mask.set(Math.floor(x) - mask.left, Math.floor(y) - mask.top);
  }
}

/** Which copies have thread on cells where another has some too. */
export function lyingOnOthers(copies: readonly { plan: StitchPlan; at: CopyPlace }[]): boolean[] {
  const masks = new Map<StitchPlan, Map<string, Mask>>();
  const maskOf = (plan: StitchPlan, { turn, mirror = false }: CopyPlace): Mask => {
    const own = masks.get(plan) ?? new Map<string, Mask>();
    masks.set(plan, own);
    const key = `${turn} ${mirror}`;
    const known = own.get(key) ?? stitchedMask(plan, turn, mirror);
    own.set(key, known);
    return known;
  };
  const lying = copies.map(({ plan, at }) => {
    const mask = maskOf(plan, at);
    return { mask, left: Math.round(at.x / CELL_MM) + mask.left, top: Math.round(at.y / CELL_MM) + mask.top };
  });
  const out = copies.map(() => false);
  for (let a = 0; a < lying.length; a++)
    for (let b = a + 1; b < lying.length; b++) if ((!out[a] || !out[b]) && overlap(lying[a]!, lying[b]!)) out[a] = out[b] = true;
  return out;
}

interface Lying {
  mask: Mask;
  left: number;
  top: number;
}

function overlap(a: Lying, b: Lying): boolean {
  const [left, top] = [Math.max(a.left, b.left), Math.max(a.top, b.top)];
  const right = Math.min(a.left + a.mask.width, b.left + b.mask.width);
  const bottom = Math.min(a.top + a.mask.height, b.top + b.mask.height);
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++) if (a.mask.has(x - a.left, y - a.top) && b.mask.has(x - b.left, y - b.top)) return true;
  return false;
}
