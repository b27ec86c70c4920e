import { create } from 'zustand';
import type { Asked } from '@/core/machine/command';
import type { MachineStatus } from '@/core/machine/status';
import type { Job } from '@/core/document/types';
import { askMachine, listenTo, machineLog, machinesHere, sendJob, takeJobOut } from '@/platform/machines';
import { engine } from '@/workers/client';
import type { MachineFile } from '@/workers/protocol/engine';

interface MachinesState {
  list: MachineStatus[];
  chosen: string | null;
  connected: boolean;
  /** Something is on its way to the machine. */
  busy: boolean;
  problem: string | null;
  /** What the open job is for the chosen machine, to be drawn. */
  file: { of: Job; machine: string; file: MachineFile } | null;
}

/** The machines of this place, and the one that is looked at. */
export const useMachines = create<MachinesState>(() => ({
  list: [],
  chosen: null,
  connected: false,
  busy: false,
  problem: null,
  file: null,
}));

const put = (status: MachineStatus): void =>
  useMachines.setState(({ list }) => ({
    list: list.some((m) => m.id === status.id) ? list.map((m) => (m.id === status.id ? status : m)) : [...list, status],
  }));

export const chosenMachine = ({ list, chosen }: MachinesState): MachineStatus | null => list.find((m) => m.id === chosen) ?? null;

async function doing<T>(work: () => Promise<T>): Promise<T | null> {
  useMachines.setState({ busy: true, problem: null });
  try {
    return await work();
  } catch (error) {
    useMachines.setState({ problem: (error as Error).message });
    return null;
  } finally {
    useMachines.setState({ busy: false });
  }
}

export async function openMachines(): Promise<void> {
  await doing(async () => {
    const list = await machinesHere();
    useMachines.setState((s) => ({
      list,
      chosen: s.chosen ?? list.find((m) => m.job)?.id ?? list.find((m) => m.profile.needles > 1)?.id ?? list[0]?.id ?? null,
    }));
  });
}

export const chooseMachine = (id: string): void => useMachines.setState({ chosen: id, problem: null, file: null });

/** Follows the chosen machine. @returns how to stop */
export function followMachine(id: string): () => void {
  return listenTo(id, put, (connected) => useMachines.setState({ connected }));
}

export async function ask(asked: Asked): Promise<void> {
  const { chosen } = useMachines.getState();
  if (chosen) await doing(async () => put(await askMachine(chosen, asked)));
}

/** The open job as the chosen machine sews it; what is known is not made again. */
export async function fileFor(job: Job): Promise<MachineFile | null> {
  const machine = chosenMachine(useMachines.getState());
  if (!machine) return null;
  const { file } = useMachines.getState();
  if (file?.of === job && file.machine === machine.id) return file.file;
  const made = await engine.call('machineFile', { job, machine: machine.profile });
  useMachines.setState({ file: { of: job, machine: machine.id, file: made } });
  return made;
}

/** Sends the open job, with its threads put on as many needles as there are. */
export async function send(job: Job): Promise<void> {
  await doing(async () => {
    const file = await fileFor(job);
    const machine = chosenMachine(useMachines.getState());
    if (!file || !machine) return;
    put(await sendJob(machine.id, job.name, file.csv));
    const needles = Array.from({ length: machine.profile.needles }, (_, i) => file.order[i] ?? '');
    put(await askMachine(machine.id, { do: 'setup', setup: { needles } }));
  });
}

export async function takeOut(): Promise<void> {
  const { chosen } = useMachines.getState();
  if (chosen) await doing(async () => put(await takeJobOut(chosen)));
}

export async function logOfMachine(): Promise<unknown> {
  const { chosen } = useMachines.getState();
  return chosen ? doing(() => machineLog(chosen)) : null;
}
