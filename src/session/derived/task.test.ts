import { Task, type TaskState } from './task';

/** A calculation that the test ends. */
function slow<T>() {
  let tell!: { signal: AbortSignal; progress: (done: number) => void; end: (result: T) => void; fail: (error: Error) => void };
  const work = ({ signal, progress }: { signal: AbortSignal; progress: (done: number) => void }): Promise<T> =>
    new Promise<T>((end, fail) => {
      tell = { signal, progress, end, fail };
      signal.addEventListener('abort', () => fail(new DOMException('cancelled', 'AbortError')));
    });
  return {
    work,
    get is() {
      return tell;
    },
  };
}

let shown: TaskState;
const task = () => {
  shown = { progress: null, problem: null };
  return new Task((state) => (shown = { ...shown, ...state }));
};

test('a task shows how far it is, hands over its result and rests', async () => {
  const [t, calculation, results] = [task(), slow<string>(), [] as string[]];
  const run = t.run(calculation.work, (r) => results.push(r));
  expect([shown.progress, t.isRunning]).toEqual([0, true]);
  calculation.is.progress(0.4);
  expect(shown.progress).toBe(0.4);
  calculation.is.end('found');
  await run;
  expect([results, shown, t.isRunning]).toEqual([['found'], { progress: null, problem: null }, false]);
});

test('a new asking stops the one before, of which nothing is shown any more', async () => {
  const [t, first, second, results] = [task(), slow<string>(), slow<string>(), [] as string[]];
  const a = t.run(first.work, (r) => results.push(r));
  const b = t.run(second.work, (r) => results.push(r));
  expect(first.is.signal.aborted).toBe(true);
  second.is.progress(0.2);
  first.is.progress(0.9);
  expect(await a).toBe(false);
  expect(shown).toEqual({ progress: 0.2, problem: null });
  second.is.end('latest');
  await b;
  expect(results).toEqual(['latest']);
});

test('a result that comes although its work was given up is nobody’s', async () => {
  const [t, results] = [task(), [] as string[]];
  let end!: (r: string) => void;
  const deaf = t.run(
    () => new Promise<string>((resolve) => (end = resolve)),
    (r) => results.push(r),
  );
  t.cancel();
  end('late');
  await deaf;
  expect([results, shown.progress]).toEqual([[], null]);
});

test('a failure is said, a giving up is not, and the next asking clears it', async () => {
  const [t, failing, next] = [task(), slow<string>(), slow<string>()];
  const run = t.run(failing.work, () => undefined);
  failing.is.fail(new Error('Too large.'));
  expect(await run).toBe(true);
  expect(shown).toEqual({ progress: null, problem: 'Too large.' });
  const again = t.run(next.work, () => undefined);
  expect(shown.problem).toBeNull();
  t.cancel();
  expect(await again).toBe(false);
  expect(shown).toEqual({ progress: null, problem: null });
});

test('a result that cannot be taken is a failure, and is said', async () => {
  const t = task();
  const failed = await t.run(
    () => Promise.resolve('broken'),
    () => {
      throw new Error('This result does not fit.');
    },
  );
  expect([failed, shown, t.isRunning]).toEqual([true, { progress: null, problem: 'This result does not fit.' }, false]);
});
