import { hypot } from '../units/trig';

/** A point in mm: x to the right, y down, from the hoop's centre. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A closed outline without a repeated last point. */
export type Ring = readonly Point[];
/** An open line of two or more points. */
export type Line = readonly Point[];
/** Outlines whose inside is given by the even-odd rule; as made by `clean`, they neither cross nor overlap. */
export type Area = readonly Ring[];

export interface Bounds {
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

export const distance = (a: Point, b: Point): number => hypot(a.x - b.x, a.y - b.y);
export const add = (a: Point, b: Point): Point => ({ x: a.x + b.x, y: a.y + b.y });
export const sub = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y });
export const scale = (a: Point, k: number): Point => ({ x: a.x * k, y: a.y * k });
export const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y;
export const cross = (a: Point, b: Point): number => a.x * b.y - a.y * b.x;
export const mix = (a: Point, b: Point, t: number): Point => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t });

/** Unit vector along `a`; (1, 0) for the zero vector, so that no direction is ever NaN. */
export function unit(a: Point): Point {
  const length = hypot(a.x, a.y);
  return length > 0 ? { x: a.x / length, y: a.y / length } : { x: 1, y: 0 };
}

export const emptyBounds = (): Bounds => ({ minX: Infinity, minY: Infinity, maxX: -Infinity, maxY: -Infinity });

export function growBounds(b: Bounds, x: number, y: number): void {
  if (x < b.minX) b.minX = x;
  if (y < b.minY) b.minY = y;
  if (x > b.maxX) b.maxX = x;
  if (y > b.maxY) b.maxY = y;
}

/** Smallest box around all points of the rings or lines. */
export function boundsOf(rings: readonly (readonly Point[])[]): Bounds {
  const b = emptyBounds();
  for (const ring of rings) for (const p of ring) growBounds(b, p.x, p.y);
  return b;
}

export const boundsTouch = (a: Bounds, b: Bounds, margin = 0): boolean =>
  a.minX - margin <= b.maxX && b.minX - margin <= a.maxX && a.minY - margin <= b.maxY && b.minY - margin <= a.maxY;

/** The box about boxes. */
export const boundsAbout = (boxes: readonly Bounds[]): Bounds => ({
  minX: Math.min(...boxes.map((b) => b.minX)),
  minY: Math.min(...boxes.map((b) => b.minY)),
  maxX: Math.max(...boxes.map((b) => b.maxX)),
  maxY: Math.max(...boxes.map((b) => b.maxY)),
});
