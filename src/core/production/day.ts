import { recipeFor } from '../cloth/house';
import type { MachineProfile } from '../document/shop/profile';
import type { WorkHabits } from '../document/shop/work';
import type { Brief, JobFloor } from '../document/types';
import { runSeconds, type PlanFigures } from '../plan/measure';
import type { Queue } from './schedule';
import { sewQuantity } from './runs';

/** A job as the day's work sees it: what was asked, and what its plan came to. */
export interface DayJob {
  id: string;
  name: string;
  brief: Brief;
  floor?: JobFloor | undefined;
  figures: PlanFigures;
  /** Working minutes until it is due. */
  due: number;
}

export interface DayMachine {
  id: string;
  profile: MachineProfile;
}

/** Minutes to bring threads, needles and hoops for another kind of work. */
export const SET_UP_MINUTES = 12;

/**
 * Minutes of a job on a machine: its runs on all heads, with hooping and finishing. Copies in one hoop are counted as sewn thread by thread,
 * with their cuts.
 * @returns null where the hoop does not fit the machine
 */
export function minutesOn({ brief, floor, figures }: DayJob, { profile }: DayMachine, habits: WorkHabits): number | null {
  const hoop = floor?.hoop ?? brief.hoop;
  if (hoop.width > profile.field.width || hoop.height > profile.field.height) return null;
  const perHoop = floor?.copies?.length ?? 1;
  const stops = figures.colourChanges + figures.handStops;
  const speed = Math.min(recipeFor(brief).speed, profile.speed);
  const run = runSeconds({ stitches: figures.stitches * perHoop, trims: figures.trims * perHoop, stops }, speed);
  return sewQuantity({ quantity: brief.quantity, runSeconds: run, perHoop }, { ...habits, heads: profile.heads }).totalSeconds / 60;
}

/** The day's jobs and machines as what a line-up is sought for. */
export function dayQueue(jobs: readonly DayJob[], machines: readonly DayMachine[], habits: WorkHabits): Queue {
  const minutes = jobs.map((job) => machines.map((machine) => minutesOn(job, machine, habits)));
  return {
    jobs: jobs.map(({ id, name, due, brief }) => ({ id, name, due, setting: `${brief.cloth} ${recipeFor(brief).needle}` })),
    machines: machines.map(({ id, profile }) => ({ id, name: profile.name })),
    minutes: (j, m) => minutes[j]![m]!,
    setUp: SET_UP_MINUTES,
  };
}
