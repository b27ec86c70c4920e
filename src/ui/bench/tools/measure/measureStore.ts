import { create } from 'zustand';
import type { Gauge } from '@/core/editing/gauge';
import type { Point } from '@/core/geometry/point';

/** What is being measured: the two ends of a line, and the local width of the shape under the pointer. */
export const useMeasure = create<{ measured: { from: Point; to: Point } | null; gauge: Gauge | null }>(() => ({
  measured: null,
  gauge: null,
}));
