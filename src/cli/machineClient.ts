import { InputError } from '../core/document/errors';
import type { Asked } from '../core/machine/command';
import type { MachineStatus } from '../core/machine/status';

export type MachineTold = MachineStatus;

/** What a machine answered; a refusal is an error in its own words. */
async function answered(to: string, path: string, init: RequestInit = {}): Promise<unknown> {
  let answer: Response;
  try {
    answer = await fetch(`${to}${path}`, init);
  } catch {
    throw new InputError('bad-machine', `No machine answers at ${to}; is Cobble running there (bin/demo)?`);
  }
  const data = (await answer.json().catch(() => null)) as { error?: { message?: string } } | null;
  if (!answer.ok || !data)
    throw new InputError('bad-machine', data?.error?.message ?? `What answers at ${to} is no machine (${answer.status}).`);
  return data;
}

export const askMachine = (to: string, { path = '', ask }: { path?: string; ask?: Asked }): Promise<unknown> =>
  ask
    ? answered(to, '/ask', { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(ask) })
    : answered(to, path);

export const sendToMachine = (
  to: string,
  { name, type, body }: { name: string; type: string; body: Uint8Array | string },
): Promise<MachineTold> =>
  answered(to, `/job?name=${encodeURIComponent(name)}`, {
    method: 'PUT',
    headers: { 'Content-Type': type },
    body: body as BodyInit,
  }) as Promise<MachineTold>;

const TRIES = 20;
const AGAIN_MS = 500;

/** Its states as they come; when the connection is lost it is asked again. */
export async function* machineEvents(to: string): AsyncGenerator<MachineTold> {
  for (let lost = 0; lost < TRIES; lost++) {
    try {
      const answer = await fetch(`${to}/events`);
      if (!answer.ok || !answer.body) throw new Error('no events');
      let text = '';
      for await (const part of answer.body) {
        text += new TextDecoder().decode(part, { stream: true });
        const lines = text.split('\n\n');
        text = lines.pop()!;
        for (const line of lines) if (line.startsWith('data: ')) yield JSON.parse(line.slice(6)) as MachineTold;
        lost = 0;
      }
    } catch {
      // It is asked again below.
    }
    await new Promise((later) => setTimeout(later, AGAIN_MS));
  }
  throw new InputError(
    'bad-machine',
    `The connection to ${to} was lost; the machine keeps what it has sewn. Ask again with bin/cobble machine status.`,
  );
}
