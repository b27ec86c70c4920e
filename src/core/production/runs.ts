import type { WorkHabits } from './work';

/** What a quantity takes: times in seconds from the first garment taken in hand to the last one finished. */
export interface RunsPlan {
  /** Times that the machine is started. */
  runs: number;
  garmentsPerRun: number;
  /** Garments in the last run, and heads that have none in it. */
  inLast: number;
  headsIdleInLast: number;
  runSeconds: number;
  totalSeconds: number;
  /** The machine waits for hands, or the hands for the machine. */
  machineIdleSeconds: number;
  handsIdleSeconds: number;
}

export interface Runs {
  quantity: number;
  /** Machine time of one run. */
  runSeconds: number;
  /** Garments, or patches, that one hoop holds. */
  perHoop: number;
}

/**
 * Sews a quantity run by run. All hands hoop or finish together; hoops of the next run are made ready while the machine sews when there
 * are spare ones, else after it; what was sewn is finished while the next run is being sewn.
 */
export function sewQuantity({ quantity, runSeconds, perHoop }: Runs, habits: WorkHabits): RunsPlan {
  const perRun = perHoop * habits.heads;
  const runs = Math.ceil(quantity / perRun);
  const garments = (r: number): number => Math.min(perRun, quantity - r * perRun);
  const hooped = (r: number): number => (Math.ceil(garments(r) / perHoop) * habits.hoopingS) / habits.operators;
  const finished = (r: number): number => (garments(r) * habits.finishingS) / habits.operators;
  const clock = { hands: 0, machine: 0, busy: 0 };
  const ready = new Float64Array(runs);
  const off = new Float64Array(runs);
  const work = (from: number, seconds: number): number => {
    clock.hands = Math.max(clock.hands, from) + seconds;
    clock.busy += seconds;
    return clock.hands;
  };
  for (let r = 0; r < runs; r++) {
    if (ready[r] === 0) ready[r] = work(r === 0 ? 0 : off[r - 1]!, hooped(r));
    const start = Math.max(clock.machine, ready[r]!);
    off[r] = clock.machine = start + runSeconds;
    if (habits.spareHoops && r + 1 < runs) ready[r + 1] = work(r === 0 ? 0 : off[r - 1]!, hooped(r + 1));
    if (r > 0) work(off[r - 1]!, finished(r - 1));
  }
  const totalSeconds = runs === 0 ? 0 : work(off[runs - 1]!, finished(runs - 1));
  const inLast = runs === 0 ? 0 : garments(runs - 1);
  return {
    ...{ runs, garmentsPerRun: perRun, inLast, headsIdleInLast: habits.heads - Math.ceil(inLast / perHoop), runSeconds, totalSeconds },
    machineIdleSeconds: Math.max(0, clock.machine - runs * runSeconds),
    handsIdleSeconds: Math.max(0, totalSeconds - clock.busy),
  };
}
