import { create } from 'zustand';
import type { Point } from '@/core/geometry/point';
import type { Drawing } from './drawing';

interface DrawingState {
  drawing: Drawing | null;
  /** Where the next node would go. */
  pointer: Point | null;
  /** Stitches of what is being drawn: path data, and how many. */
  preview: { path: string; stitches: number } | null;
  /** The piece that the line being drawn is to be the way to. */
  wayFor: string | null;
}

export const NOTHING_DRAWN: DrawingState = { drawing: null, pointer: null, preview: null, wayFor: null };

/** What is being drawn. */
export const useDrawing = create<DrawingState>(() => NOTHING_DRAWN);
