import { create } from 'zustand';
import type { Job } from '@/core/document/types';
import type { Point } from '@/core/geometry/point';
import { engine } from '@/workers/client';
import { IDLE, Task, type TaskState } from './task';
import type { WeightView } from '@/workers/protocol/engine';

interface WeightState extends TaskState {
  view: (WeightView & { href: string }) | null;
  /** The job that `view` is of. */
  of: Job | null;
  /** Where the pointer is over the cloth. */
  pointer: Point | null;
}

/** Thread and holes of the open job, while the Weight look is on. */
export const useWeight = create<WeightState>(() => ({ view: null, of: null, pointer: null, ...IDLE }));

export const pointWeight = (pointer: Point | null): void => useWeight.setState({ pointer });

const task = new Task((state) => useWeight.setState(state));

/** Weighs a planned job, unless it is weighed already. */
export function requestWeight(job: Job): void {
  if (useWeight.getState().of === job) return;
  useWeight.setState({ of: job });
  void task.run(
    (options) => engine.call('weight', { job }, options),
    (made) => {
      const { view: before } = useWeight.getState();
      if (before) URL.revokeObjectURL(before.href);
      useWeight.setState({ view: { ...made, href: URL.createObjectURL(made.png) } });
    },
  );
}

/** Tries once more what failed. */
export function weighAgain(): void {
  const { of } = useWeight.getState();
  useWeight.setState({ of: null });
  if (of) requestWeight(of);
}

/** Side of the square in which holes are counted, cells: a millimetre. */
const HOLES_SIDE = 4;

/** Layers and holes per mm² at a place; null beside the work. */
export function weightAt(
  view: Pick<WeightView, 'left' | 'top' | 'columns' | 'rows' | 'cellMm' | 'layers' | 'holes'>,
  p: Point,
): { layers: number; holes: number } | null {
  const column = Math.floor((p.x - view.left) / view.cellMm);
  const row = Math.floor((p.y - view.top) / view.cellMm);
  if (column < 0 || row < 0 || column >= view.columns || row >= view.rows) return null;
  let holes = 0;
  for (let r = Math.max(0, row - HOLES_SIDE / 2); r < Math.min(view.rows, row + HOLES_SIDE / 2); r++) {
    for (let c = Math.max(0, column - HOLES_SIDE / 2); c < Math.min(view.columns, column + HOLES_SIDE / 2); c++) {
      holes += view.holes[r * view.columns + c]!;
    }
  }
  return { layers: view.layers[row * view.columns + column]!, holes };
}
