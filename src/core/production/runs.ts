import type { WorkHabits } from '../document/shop/work';

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

/** One thing that hands or machine do, seconds from the beginning. */
export interface RunStep {
  what: 'hoop' | 'sew' | 'finish';
  run: number;
  from: number;
  to: number;
}

/**
 * Sews a quantity run by run. All hands hoop or finish together; hoops of the next run are made ready while the machine sews when there
 * are spare ones, else after it; what was sewn is finished while the next run is being sewn.
 */
export function stepsOfRuns({ quantity, runSeconds, perHoop }: Runs, habits: WorkHabits): RunStep[] {
  const perRun = perHoop * habits.heads;
  const runs = Math.ceil(quantity / perRun);
  const garments = (r: number): number => Math.min(perRun, quantity - r * perRun);
  const steps: RunStep[] = [];
  const off = new Float64Array(runs);
  const ready = new Float64Array(runs).fill(-1);
  let [hands, machine] = [0, 0];
  const work = (what: 'hoop' | 'finish', run: number, earliest: number): number => {
    const each = what === 'hoop' ? Math.ceil(garments(run) / perHoop) * habits.hoopingS : garments(run) * habits.finishingS;
    const from = Math.max(hands, earliest);
    hands = from + each / habits.operators;
    steps.push({ what, run, from, to: hands });
    return hands;
  };
  for (let r = 0; r < runs; r++) {
    const before = r === 0 ? 0 : off[r - 1]!;
    if (ready[r]! < 0) ready[r] = work('hoop', r, before);
    const from = Math.max(machine, ready[r]!);
    off[r] = machine = from + runSeconds;
    steps.push({ what: 'sew', run: r, from, to: machine });
    if (habits.spareHoops && r + 1 < runs) ready[r + 1] = work('hoop', r + 1, before);
    if (r > 0) work('finish', r - 1, before);
  }
  if (runs > 0) work('finish', runs - 1, off[runs - 1]!);
  return steps;
}

/** What a quantity takes, and who waits for whom. */
export function sewQuantity(wanted: Runs, habits: WorkHabits): RunsPlan {
  const { quantity, runSeconds, perHoop } = wanted;
  const steps = stepsOfRuns(wanted, habits);
  const perRun = perHoop * habits.heads;
  const runs = Math.ceil(quantity / perRun);
  const inLast = runs === 0 ? 0 : quantity - (runs - 1) * perRun;
  const totalSeconds = steps.reduce((end, s) => Math.max(end, s.to), 0);
  const sewn = steps.reduce((end, s) => (s.what === 'sew' ? Math.max(end, s.to) : end), 0);
  const busy = steps.reduce((sum, s) => (s.what === 'sew' ? sum : sum + s.to - s.from), 0);
  return {
    ...{ runs, garmentsPerRun: perRun, inLast, headsIdleInLast: habits.heads - Math.ceil(inLast / perHoop), runSeconds, totalSeconds },
    machineIdleSeconds: sewn - runs * runSeconds,
    handsIdleSeconds: totalSeconds - busy,
  };
}
