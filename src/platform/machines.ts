import type { Asked } from '@/core/machine/command';
import type { MachineStatus } from '@/core/machine/status';

/** A refusal in the machine's own words, fit for people. */
export class MachineRefusal extends Error {}

const BASE = '/api/machine';

async function answered<T>(path: string, init: RequestInit = {}): Promise<T> {
  let answer: Response;
  try {
    answer = await fetch(`${BASE}${path}`, init);
  } catch {
    throw new MachineRefusal('The machine does not answer. It keeps what it has sewn, and goes on from there when the connection is back.');
  }
  const data = (await answer.json().catch(() => null)) as (T & { error?: { message?: string } }) | null;
  if (!answer.ok || !data) throw new MachineRefusal(data?.error?.message ?? 'The machine could not answer; try again.');
  return data;
}

export const machinesHere = async (): Promise<MachineStatus[]> => (await answered<{ machines: MachineStatus[] }>('')).machines;

export const askMachine = (id: string, asked: Asked): Promise<MachineStatus> =>
  answered(`/${id}/ask`, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(asked) });

export const sendJob = (id: string, name: string, csv: string): Promise<MachineStatus> =>
  answered(`/${id}/job?name=${encodeURIComponent(name)}`, { method: 'PUT', headers: { 'Content-Type': 'text/csv' }, body: csv });

export const takeJobOut = (id: string): Promise<MachineStatus> => answered(`/${id}/job`, { method: 'DELETE' });

export const machineLog = (id: string): Promise<unknown> => answered(`/${id}/log`);

/** Its states as they come; the browser takes a lost connection up again by itself. @returns how to stop listening */
export function listenTo(id: string, told: (status: MachineStatus) => void, connected: (is: boolean) => void): () => void {
  const source = new EventSource(`${BASE}/${id}/events`);
  source.onopen = () => connected(true);
  source.onerror = () => connected(false);
  source.onmessage = ({ data }: MessageEvent<string>) => told(JSON.parse(data) as MachineStatus);
  return () => source.close();
}
