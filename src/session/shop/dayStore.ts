import { create } from 'zustand';
import { SHIPPED_MACHINES } from '@/core/machine/shipped';
import type { MachineProfile } from '@/core/document/shop/profile';
import { WEEK_HOURS } from '@/core/production/produce';
import type { DayJob, DayMachine } from '@/core/production/day';
import { needleChanges } from '@/core/production/needles';
import { pickList, type PickList } from '@/core/production/pickList';
import type { Schedule } from '@/core/production/schedule';
import { minutesUntil } from '@/core/production/workClock';
import { keptJob, shelfEntries } from '@/platform/storage/records';
import { engine } from '@/workers/client';
import { sewnPicture } from '../derived/sewnPictures';
import { IDLE, Task, type TaskState } from '../derived/task';
import { openLibrary, useLibrary } from './libraryStore';

export interface LinedUp {
  jobs: DayJob[];
  machines: DayMachine[];
  best: Schedule;
  naive: Schedule;
}

interface DayState extends TaskState {
  jobs: DayJob[];
  /** Jobs that wait to be sewn, and are taken into the day. */
  taken: string[];
  from: Date;
  ready: boolean;
  pick: PickList | null;
  lined: LinedUp | null;
}

/** The day's work: jobs that wait, on the machines that there are. */
export const useDay = create<DayState>(() => ({ jobs: [], taken: [], from: new Date(0), ready: false, pick: null, lined: null, ...IDLE }));

const task = new Task((state) => useDay.setState(state));

export const dayMachines = (own: readonly MachineProfile[]): DayMachine[] =>
  own.length > 0 ? own.map((profile, i) => ({ id: `own-${i}`, profile })) : SHIPPED_MACHINES.slice();

/** Reads what lies on the shelf; jobs that are done are left there. */
export async function openDay(): Promise<void> {
  await openLibrary();
  const from = new Date();
  const { shop } = useLibrary.getState().library;
  await task.run(
    async ({ signal }) => {
      const jobs: DayJob[] = [];
      for (const entry of await shelfEntries()) {
        if (!('head' in entry) || entry.head.stage === 'done') continue;
        const shown = await sewnPicture(entry.id, entry.stamp.mark, signal);
        const { name, brief, floor } = entry.head;
        if (shown) jobs.push({ id: entry.id, name, brief, floor, figures: shown.figures, due: minutesUntil(from, brief.due, shop) });
      }
      return jobs;
    },
    (jobs) => useDay.setState({ jobs, from, taken: jobs.map((j) => j.id), ready: true, pick: null }),
  );
}

export function takeIntoDay(id: string, on: boolean): void {
  useDay.setState(({ taken }) => ({ taken: on ? [...taken, id] : taken.filter((t) => t !== id), pick: null }));
}

const lining = new Task((state) => state.problem && useDay.setState({ problem: state.problem }));

/** Seeks the best line-up for the jobs that are taken; what was shown stays until it is there. */
export function lineUp({ jobs, taken }: Pick<DayState, 'jobs' | 'taken'>, own: readonly MachineProfile[]): void {
  const { work } = useLibrary.getState().library;
  const chosen = jobs.filter((j) => taken.includes(j.id));
  const machines = dayMachines(own);
  void lining.run(
    (options) => engine.call('lineUp', { jobs: chosen, machines, habits: work }, options),
    (found) => useDay.setState({ lined: { jobs: chosen, machines, ...found } }),
  );
}

/** Works out everything that the line-up takes from the shelves, job by job. */
export async function gatherPick({ jobs, machines, best }: LinedUp): Promise<void> {
  const { work } = useLibrary.getState().library;
  await task.run(
    async ({ signal, progress }) => {
      const made = [];
      for (const [i, slot] of best.slots.entries()) {
        progress(i / best.slots.length);
        const found = await keptJob(jobs[slot.job]!.id);
        if (!found) continue;
        const habits = { ...work, heads: machines[slot.machine]!.profile.heads };
        made.push({ job: found.job, heads: habits.heads, view: await engine.call('floor', { job: found.job, habits }, { signal }) });
      }
      const needles = needleChanges(
        made.map(({ job, heads, view }) => ({ job, heads, machineHours: view.machineHours })),
        WEEK_HOURS,
      );
      return pickList(
        made.map(({ view }) => view),
        needles,
      );
    },
    (pick) => useDay.setState({ pick }),
  );
}
