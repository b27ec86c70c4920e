import type { Point } from '@/core/geometry/point';

const round = (v: number): number => Math.round(v * 100) / 100;

/** A slant as the record holds it. */
export const slantData = (a: Point, b: Point): string => `M${round(a.x)},${round(a.y)} L${round(b.x)},${round(b.y)}`;
