import { create } from 'zustand';
import type { WorkHabits } from '@/core/document/shop/work';
import type { CopyPlace, Job } from '@/core/document/types';
import type { PlaceAsked } from '@/core/production/floor';
import { engine } from '@/workers/client';
import type { DesignView, FloorView } from '@/workers/protocol/engine';
import { IDLE, Task, type TaskState } from './task';

/** A design whose picture the page can show. */
export type ShownDesign = DesignView & { href: string };

interface FloorState extends TaskState {
  view: (Omit<FloorView, 'designs'> & { designs: ShownDesign[] }) | null;
  /** What `view` is of. */
  of: { job: Job; habits: WorkHabits } | null;
}

/** The open job as the Floor makes it. */
export const useFloor = create<FloorState>(() => ({ view: null, of: null, ...IDLE }));

const task = new Task((state) => useFloor.setState(state));

/** Lays out the job and works out its quantity, unless that is done. */
export function requestFloor(job: Job, habits: WorkHabits): void {
  const { of } = useFloor.getState();
  if (of?.job === job && of.habits === habits) return;
  useFloor.setState({ of: { job, habits } });
  void task.run(
    (options) => engine.call('floor', { job, habits }, options),
    (made) => {
      const { view: before } = useFloor.getState();
      before?.designs.forEach((d) => URL.revokeObjectURL(d.href));
      useFloor.setState({ view: { ...made, designs: made.designs.map((d) => ({ ...d, href: URL.createObjectURL(d.png) })) } });
    },
  );
}

export function floorAgain(): void {
  const { of } = useFloor.getState();
  useFloor.setState({ of: null });
  if (of) requestFloor(of.job, of.habits);
}

/** Places for copies. @throws WorkerError that says how many would fit */
export const placesFor = (job: Job, asked: PlaceAsked): Promise<CopyPlace[]> => engine.call('place', { job, asked });
