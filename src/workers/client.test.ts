import type { FromWorker, ToWorker } from './protocol/messages';
import { WorkerClient, WorkerError } from './client';
import { serve } from './serve';
import { InputError } from '@/core/document/errors';
import { isStopped, raiseStop } from './stopping';

/** A worker that the test answers for. */
class Stand {
  static all: Stand[] = [];
  onmessage: ((e: { data: FromWorker }) => void) | null = null;
  onerror: (() => void) | null = null;
  readonly asked: ToWorker[] = [];
  ended = false;
  constructor() {
    Stand.all.push(this);
  }
  postMessage(message: ToWorker): void {
    this.asked.push(message);
  }
  terminate(): void {
    this.ended = true;
  }
  say(message: FromWorker): void {
    this.onmessage!({ data: message });
  }
}

const client = (): WorkerClient => new WorkerClient(() => new Stand() as unknown as Worker);
const last = (): Stand => Stand.all[Stand.all.length - 1]!;
const ask = (c: WorkerClient, options = {}) => c.call('hide', { hidden: [1] }, options);
beforeEach(() => (Stand.all = []));

describe('a call', () => {
  it('is answered by its number, whatever order the answers come in', async () => {
    const c = client();
    const [a, b] = [ask(c), ask(c)];
    const [first, second] = last().asked.map((m) => m.id);
    last().say({ id: second!, kind: 'result', output: 'B' });
    last().say({ id: first!, kind: 'result', output: 'A' });
    expect([await a, await b]).toEqual(['A', 'B']);
    expect(Stand.all).toHaveLength(1);
  });

  it('tells how far it is', async () => {
    const done: number[] = [];
    const c = client();
    const call = ask(c, { progress: (d: number) => done.push(d) });
    const { id } = last().asked[0]!;
    last().say({ id, kind: 'progress', done: 0.25 });
    last().say({ id, kind: 'progress', done: 0.75 });
    last().say({ id, kind: 'result', output: null });
    await call;
    expect(done).toEqual([0.25, 0.75]);
  });

  it('hands on what there is of the answer so far', async () => {
    const parts: unknown[] = [];
    const c = client();
    const call = ask(c, { part: (p: unknown) => parts.push(p) });
    const { id } = last().asked[0]!;
    last().say({ id, kind: 'part', part: 'first' });
    last().say({ id, kind: 'part', part: 'second' });
    last().say({ id, kind: 'result', output: 'all' });
    expect(await call).toBe('all');
    expect(parts).toEqual(['first', 'second']);
  });

  it('that fails says what people are to read', async () => {
    const c = client();
    const call = ask(c);
    last().say({ id: last().asked[0]!.id, kind: 'error', message: 'Too large.', known: true });
    await expect(call).rejects.toMatchObject({ name: 'WorkerError', message: 'Too large.', known: true });
  });
});

describe('a call that is cancelled', () => {
  it('ends at once, and a worker with nothing else to do is replaced', async () => {
    const c = client();
    const stop = new AbortController();
    const call = ask(c, { signal: stop.signal });
    stop.abort();
    await expect(call).rejects.toMatchObject({ name: 'AbortError' });
    expect(last().ended).toBe(true);
    const next = ask(c);
    expect(Stand.all).toHaveLength(2);
    last().say({ id: last().asked[0]!.id, kind: 'result', output: 1 });
    expect(await next).toBe(1);
  });

  it('while it runs has its work stopped, and what waits behind it is asked of a new worker', async () => {
    const c = client();
    const stop = new AbortController();
    const [given, kept] = [ask(c, { signal: stop.signal }), ask(c)];
    const old = last();
    stop.abort();
    await expect(given).rejects.toMatchObject({ name: 'AbortError' });
    expect(old.ended).toBe(true);
    expect(last().asked).toEqual([old.asked[1]]);
    last().say({ id: old.asked[1]!.id, kind: 'result', output: 'kept' });
    expect(await kept).toBe('kept');
  });

  it('while it waits leaves the worker to the others; a late answer is nobody’s', async () => {
    const c = client();
    const stop = new AbortController();
    const [kept, given] = [ask(c), ask(c, { signal: stop.signal })];
    stop.abort();
    await expect(given).rejects.toMatchObject({ name: 'AbortError' });
    expect(last().ended).toBe(false);
    const [first, second] = last().asked.map((m) => m.id);
    last().say({ id: second!, kind: 'result', output: 'late' });
    last().say({ id: first!, kind: 'result', output: 'kept' });
    expect(await kept).toBe('kept');
  });

  it('before it begins is not begun', async () => {
    await expect(ask(client(), { signal: AbortSignal.abort() })).rejects.toMatchObject({ name: 'AbortError' });
    expect(Stand.all).toHaveLength(0);
  });
});

describe('a call that is cancelled where page and workers share memory', () => {
  beforeAll(() => void ((globalThis as { crossOriginIsolated?: boolean }).crossOriginIsolated = true));
  afterAll(() => void delete (globalThis as { crossOriginIsolated?: boolean }).crossOriginIsolated);
  beforeEach(() => void jest.useFakeTimers());
  afterEach(() => void jest.useRealTimers());
  const signs = (): Int32Array => last().asked[0]!.signs!;
  /** A call to be given up, and one behind it. */
  const two = (c: WorkerClient) => {
    const stop = new AbortController();
    const [given, kept] = [ask(c, { signal: stop.signal }), ask(c)];
    const [first, second] = last().asked.map((m) => m.id) as [number, number];
    return { stop: () => (stop.abort(), expect(given).rejects.toMatchObject({ name: 'AbortError' })), kept, first, second };
  };

  it('ends at once and is told to stop; the worker goes on with what waits behind it', async () => {
    const { stop, kept, first, second } = two(client());
    expect(isStopped(signs(), first)).toBe(false);
    await stop();
    expect(isStopped(signs(), first)).toBe(true);
    expect(isStopped(signs(), second)).toBe(false);
    last().say({ id: first, kind: 'stopped' });
    jest.advanceTimersByTime(60_000);
    expect(Stand.all).toHaveLength(1);
    last().say({ id: second, kind: 'result', output: 'kept' });
    expect(await kept).toBe('kept');
  });

  it('has its worker replaced when the work does not stop soon', async () => {
    const { stop, second } = two(client());
    const old = last();
    await stop();
    jest.advanceTimersByTime(60_000);
    expect(old.ended).toBe(true);
    expect(last().asked.map((m) => m.id)).toEqual([second]);
  });

  it('behind work that runs long is waited for until its turn has come', async () => {
    const c = client();
    const stop = new AbortController();
    const [, given] = [ask(c), ask(c, { signal: stop.signal })];
    const [first] = last().asked.map((m) => m.id);
    stop.abort();
    await expect(given).rejects.toMatchObject({ name: 'AbortError' });
    jest.advanceTimersByTime(60_000);
    expect(Stand.all).toHaveLength(1);
    last().say({ id: first!, kind: 'result', output: null });
    jest.advanceTimersByTime(60_000);
    expect(Stand.all[0]!.ended).toBe(true);
  });
});

describe('a worker that dies', () => {
  it('is replaced, and what it had to do is tried once more', async () => {
    const c = client();
    const calls = [ask(c), ask(c)];
    last().onerror!();
    expect(Stand.all).toHaveLength(2);
    for (const { id } of [...last().asked]) last().say({ id, kind: 'result', output: id });
    expect(await Promise.all(calls)).toEqual([1, 2]);
  });

  it('twice over the same work fails it in plain words, and the next call has a new one', async () => {
    const c = client();
    const call = ask(c);
    last().onerror!();
    last().onerror!();
    await expect(call).rejects.toBeInstanceOf(WorkerError);
    await expect(call).rejects.toThrow(/job is unharmed/);
    c.warm();
    expect(Stand.all).toHaveLength(3);
  });

  it('with work that has left this thread fails it at once', async () => {
    const c = client();
    const call = ask(c, { transfer: [new ArrayBuffer(1)] });
    last().onerror!();
    await expect(call).rejects.toBeInstanceOf(WorkerError);
  });

  it('tells whoever has to teach the new one', () => {
    let taught = 0;
    const c = new WorkerClient(
      () => new Stand() as unknown as Worker,
      () => taught++,
    );
    void ask(c);
    expect(taught).toBe(0);
    last().onerror!();
    expect(taught).toBe(1);
  });
});

describe('the other side', () => {
  const sent: FromWorker[] = [];
  const self = { postMessage: (m: FromWorker) => sent.push(m), onmessage: null as ((e: { data: ToWorker }) => void) | null };
  const answered = async (name: 'hide' | 'sample'): Promise<FromWorker[]> => {
    sent.length = 0;
    self.onmessage!({ data: { id: 7, name, input: {}, signs: null } as ToWorker });
    await new Promise((r) => setTimeout(r, 0));
    return sent;
  };
  beforeAll(() => {
    (globalThis as unknown as { self: typeof self }).self = self;
  });

  it('answers, or says what went wrong: in its own words where they are fit for people', async () => {
    let fails: Error | null = null;
    serve<'hide' | 'sample'>({
      hide: () => {
        if (fails) throw fails;
        return { output: null };
      },
      sample: () => Promise.reject(new TypeError('x is undefined')),
    });
    expect(await answered('hide')).toEqual([{ id: 7, kind: 'result', output: null }]);
    fails = new InputError('too-large', 'This artwork is 40 MB.');
    expect(await answered('hide')).toEqual([{ id: 7, kind: 'error', message: 'This artwork is 40 MB.', known: true, code: 'too-large' }]);
    const [unforeseen] = await answered('sample');
    expect(unforeseen).toMatchObject({ kind: 'error', known: false });
    expect((unforeseen as { message: string }).message).toMatch(/nothing was changed/);
  });

  it('stops at the next progress point of work that is given up, and does not begin what is given up before', async () => {
    const signs = new Int32Array(256);
    let begun = 0;
    let until = 0;
    serve<'sample'>({
      sample: (_, { progress }) => {
        begun++;
        for (let i = 0; i < 10; i++) {
          until = i;
          if (i === 3) raiseStop(signs, 7);
          progress(i / 10);
        }
        return { output: { png: new Blob(), stitches: 1 } };
      },
    });
    const asked = async (): Promise<FromWorker[]> => {
      sent.length = 0;
      self.onmessage!({ data: { id: 7, name: 'sample', input: { id: 'x', scale: 1 }, signs } });
      await new Promise((r) => setTimeout(r, 0));
      return sent;
    };
    expect((await asked()).at(-1)).toEqual({ id: 7, kind: 'stopped' });
    expect([begun, until]).toEqual([1, 3]);
    expect(await asked()).toEqual([{ id: 7, kind: 'stopped' }]);
    expect(begun).toBe(1);
  });
});
