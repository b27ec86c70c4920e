import { mkdtempSync, readdirSync, rmSync, writeFileSync, readFileSync, appendFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { jobIn, PATCH_CSV, sewnTimes } from '../core/machine/fixtures';
import type { Entry } from '../core/machine/state';
import { DEFAULT_PROFILE } from '../core/document/shop/profile';
import type { MachineStatus } from '../core/machine/status';
import { random } from '../core/units/random';
import { machineApi } from './machineApi';
import { Machines } from './machines';

let folder: string;
let machines: Machines;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'cobble-machines-'));
  machines = new Machines(folder);
});
afterEach(() => {
  machines.close();
  rmSync(folder, { recursive: true, force: true });
});

const BASE = 'http://127.0.0.1:4173/api/machine';
interface Sent {
  method?: string;
  body?: BodyInit;
  type?: string;
  headers?: Record<string, string>;
}

/** Whatever an answer may hold. */
interface Told extends Partial<MachineStatus> {
  machines?: MachineStatus[];
  entries?: Entry[];
  removed?: string;
}

async function send(path: string, { method = 'GET', body, type, headers = {} }: Sent = {}): Promise<{ status: number; data: Told }> {
  const request = new Request(`${BASE}${path === '' ? '' : `/${path}`}`, {
    method,
    ...(body === undefined ? {} : { body }),
    headers: { host: '127.0.0.1:4173', ...(type ? { 'content-type': type } : {}), ...headers },
  });
  const answer = await machineApi(() => machines, request, path.split('?')[0]!.split('/').filter(Boolean));
  return { status: answer.status, data: (await answer.json()) as Told };
}

const ask = (id: string, what: object) => send(`${id}/ask`, { method: 'POST', body: JSON.stringify(what), type: 'application/json' });
const load = (id: string, csv = PATCH_CSV) => send(`${id}/job?name=Patch`, { method: 'PUT', body: csv, type: 'text/csv' });
const until = async (id: string, condition: string): Promise<MachineStatus> => {
  for (let k = 0; k < 600; k++) {
    const { data } = await send(id);
    if (data.condition === condition) return data as MachineStatus;
    await new Promise((r) => setTimeout(r, 20));
  }
  throw new Error(`never ${condition}`);
};
const ready = async (id: string, timeLapse: number): Promise<void> => {
  expect((await load(id)).status).toBe(200);
  await ask(id, { do: 'setup', setup: { timeLapse, needles: ['t1', 't2'] } });
  await ask(id, { do: 'trace' });
};
/** The server goes away without a word, and another one begins on what is left. */
const restart = (): void => {
  machines.close();
  machines = new Machines(folder);
};
const sewnOnce = async (id: string): Promise<void> => {
  const { data } = await send(`${id}/log`);
  const { times, inOrder } = sewnTimes(data.entries!, jobIn().list.x.length);
  expect(times.every((n) => n === 1)).toBe(true);
  expect(inOrder).toBe(true);
};

test('two machines stand there; a job is sent, traced, sewn, and its log tells it', async () => {
  expect((await send('')).data.machines).toHaveLength(2);
  await ready('window', 5000);
  expect((await ask('window', { do: 'start' })).data.condition).toBe('sewing');
  await until('window', 'done');
  await sewnOnce('window');
});

test('killed while it sews and begun anew, again and again: every stitch once, in order', async () => {
  await ready('window', 200);
  await ask('window', { do: 'start' });
  for (let k = 0; k < 4; k++) {
    await new Promise((r) => setTimeout(r, 130));
    restart();
    const { data } = await send('window');
    expect(['paused', 'done']).toContain(data.condition);
    if (data.condition === 'done') break;
    await ask('window', { do: 'resume' });
  }
  await ask('window', { do: 'setup', setup: { timeLapse: 5000 } });
  await until('window', 'done');
  await sewnOnce('window');
});

test('the bobbin goes on from job to job, also when the server went away between', async () => {
  await ready('window', 5000);
  await ask('window', { do: 'start' });
  const { bobbin_left: left } = await until('window', 'done');
  expect(left).toBeLessThan(25_000);
  await load('window');
  restart();
  expect((await send('window')).data.bobbin_left).toBe(left);
});

test('a line that was cut short in the writing never happened', async () => {
  await ready('window', 200);
  await ask('window', { do: 'start' });
  await new Promise((r) => setTimeout(r, 250));
  await ask('window', { do: 'pause' });
  const { next } = (await send('window')).data.job!;
  const journal = readdirSync(folder).find((f) => f.startsWith('window') && f.endsWith('.journal'))!;
  appendFileSync(join(folder, journal), '{"what":"sewn","t":9e9,"from":');
  restart();
  expect((await send('window')).data).toMatchObject({ condition: 'paused', job: { next } });
});

test('a thread breaks: it waits, is mended, resumes, and nothing is left out', async () => {
  await ready('window', 200);
  await ask('window', { do: 'start' });
  await new Promise((r) => setTimeout(r, 150));
  expect((await ask('window', { do: 'fault', fault: 'thread-break' })).data.condition).toBe('faulty');
  expect((await ask('window', { do: 'resume' })).status).toBe(409);
  restart();
  expect((await send('window')).data.condition).toBe('faulty');
  await ask('window', { do: 'mend' });
  await ask('window', { do: 'setup', setup: { timeLapse: 5000 } });
  await ask('window', { do: 'resume' });
  await until('window', 'done');
  await sewnOnce('window');
});

test('ten machines sew at once', async () => {
  const ids = Array.from({ length: 10 }, (_, i) => `m${i}`);
  for (const id of ids) {
    const made = await send(id, { method: 'PUT', body: JSON.stringify({ name: id, needles: 3 }), type: 'application/json' });
    expect(made.status).toBe(200);
    await ready(id, 5000);
  }
  for (const id of ids) await ask(id, { do: 'start' });
  for (const id of ids) {
    await until(id, 'done');
    await sewnOnce(id);
  }
});

test('progress comes as events, the present state first', async () => {
  await ready('window', 5000);
  const away = new AbortController();
  const request = new Request(`${BASE}/window/events`, { headers: { host: 'localhost:1' }, signal: away.signal });
  const answer = await machineApi(() => machines, request, ['window', 'events']);
  expect(answer.headers.get('content-type')).toMatch(/event-stream/);
  const reader = answer.body!.getReader();
  const next = async (): Promise<MachineStatus> =>
    JSON.parse(new TextDecoder().decode((await reader.read()).value).slice(6)) as MachineStatus;
  expect((await next()).condition).toBe('ready');
  await ask('window', { do: 'start' });
  expect((await next()).condition).toBe('sewing');
  away.abort();
  await ask('window', { do: 'pause' });
});

test('pages of other origins and names bent to this address are refused', async () => {
  await ready('window', 60);
  const strangers: Record<string, string>[] = [
    { origin: 'http://elsewhere.example' },
    { 'sec-fetch-site': 'cross-site' },
    { host: 'elsewhere.example' },
    { origin: 'null' },
  ];
  for (const headers of strangers) {
    const tried = await send('window/ask', { method: 'POST', body: '{"do":"start"}', type: 'application/json', headers });
    expect(tried.status).toBe(403);
    expect((await send('', { headers })).status).toBe(403);
  }
  expect((await send('window')).data.condition).toBe('ready');
  const own = await send('window/ask', {
    method: 'POST',
    body: '{"do":"start"}',
    type: 'application/json',
    headers: { origin: 'http://127.0.0.1:4173', 'sec-fetch-site': 'same-origin' },
  });
  expect(own.data.condition).toBe('sewing');
});

test('a thousand malformed, oversized and hostile requests are refused, and the machine still answers', async () => {
  const chance = random(99);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(chance() * of.length)]!;
  const junk = (): string =>
    Array.from({ length: Math.floor(chance() * 300) }, () => String.fromCharCode(Math.floor(chance() * 400))).join('');
  const paths = [
    'window/ask',
    'window/job',
    'window',
    'nobody/ask',
    '../window',
    'window/job/more',
    '%00',
    'window/',
    'a'.repeat(200),
    'window/log/x',
  ];
  const bodies = [
    () => junk(),
    () => `x_mm,y_mm,command,role,piece,thread\n${junk()}`,
    () => 'x_mm,y_mm,command,role,piece,thread\n1e999,0,stitch,cover,p,t\n',
    () => 'x_mm,y_mm,command,role,piece,thread\n99999,0,stitch,cover,p,t\n',
    () => '{"do":"setup","setup":{"needles":[' + '"a",'.repeat(100) + '"a"]}}',
    () => '['.repeat(5000),
    () => '{"__proto__":{"do":"start"}}',
    () => '('.repeat(2000),
    () => 'G1 X1e9',
    () => `{"name":"${'x'.repeat(30_000)}"}`,
  ];
  const types = ['application/json', 'text/csv', 'text/plain', 'text/html', 'multipart/form-data', ''];
  let refused = 0;
  for (let k = 0; k < 1000; k++) {
    const { status, data }: { status: number; data: Told } = await send(pick(paths), {
      method: pick(['POST', 'PUT', 'PATCH', 'DELETE']),
      body: pick(bodies)(),
      type: pick(types),
    }).catch((error: unknown) => ({ status: error instanceof TypeError ? 400 : 599, data: {} }));
    expect(status).toBeLessThan(500);
    if (status >= 400) refused++;
    else expect(data).toBeDefined();
    if (status === 200 && data.removed === 'window') machines.put('window', { ...DEFAULT_PROFILE, needles: 6 });
  }
  expect(refused).toBeGreaterThan(850);
  await ready('window', 5000);
  await ask('window', { do: 'start' });
  await until('window', 'done');
});

test('a file that is larger than a machine takes is refused before it is read', async () => {
  const tried = await send('window/job', { method: 'PUT', body: 'x', type: 'text/csv', headers: { 'content-length': '99999999' } });
  const long = new ReadableStream<Uint8Array>({
    pull: (c) => c.enqueue(new Uint8Array(1_000_000).fill(65)),
  });
  const request = new Request(`${BASE}/window/job`, {
    method: 'PUT',
    body: long,
    headers: { host: 'localhost', 'content-type': 'text/csv' },
    duplex: 'half',
  } as RequestInit);
  const answer = await machineApi(() => machines, request, ['window', 'job']);
  expect(answer.status).toBe(413);
  expect([413, 422]).toContain(tried.status);
});

test('what is no journal of ours makes no machine, and stops none', () => {
  writeFileSync(join(folder, 'stray.1.journal'), 'not json');
  writeFileSync(join(folder, 'half.1.journal'), '{"profile":null}\n{"what":"sewn"}\n');
  restart();
  expect(machines.list().map((m) => m.id)).toEqual(['corner', 'window']);
  expect(readFileSync(join(folder, 'stray.1.journal'), 'utf8')).toBe('not json');
});
