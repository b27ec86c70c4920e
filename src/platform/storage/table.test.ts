import { disk } from './fakeForage.fixture';

jest.mock('localforage', () => jest.requireActual<object>('./fakeForage.fixture'));

import { setHealth, SILENT_AFTER_MS, storageHealth } from './health';
import { tableOf } from './table';

let tables = 0;
const fresh = () => {
  const name = `t${++tables}`;
  return { table: tableOf<string>(name, 'x'), rows: disk.table(name, 'x') };
};
beforeEach(() => {
  jest.useFakeTimers();
  disk.full = disk.absent = false;
  disk.silent = null;
  setHealth('fine');
});
afterEach(() => jest.useRealTimers());

test('what is put in is there, and taken out is not', async () => {
  const { table } = fresh();
  await table.set('a', 'one');
  expect([await table.get('a'), await table.keys()]).toEqual(['one', ['a']]);
  await table.remove('a');
  expect([await table.get('a'), await table.keys()]).toEqual([null, []]);
});

test('a full store says so, and keeps what it had', async () => {
  const { table } = fresh();
  await table.set('a', 'one');
  disk.full = true;
  await expect(table.set('a', 'two')).rejects.toMatchObject({
    name: 'StorageError',
    fault: 'full',
    message: expect.stringMatching(/no room/) as string,
  });
  expect(await table.get('a')).toBe('one');
});

test('without a database work goes on in memory, and it is said', async () => {
  disk.absent = true;
  const { table, rows } = fresh();
  await table.set('a', 'one');
  expect([await table.get('a'), await table.keys(), storageHealth()]).toEqual(['one', ['a'], 'absent']);
  await table.remove('a');
  expect(await table.get('a')).toBeNull();
  expect(rows.size).toBe(0);
});

test('a database that does not answer is said so within three seconds; what it takes over when it does is what was made meanwhile', async () => {
  let answer = (): void => undefined;
  disk.silent = new Promise((done) => (answer = done));
  const { table, rows } = fresh();
  rows.set('old', 'kept before');
  const written = Promise.all([table.set('new', 'made meanwhile'), table.set('old', 'a stranger')]);
  await jest.advanceTimersByTimeAsync(SILENT_AFTER_MS + 1);
  await written;
  expect([SILENT_AFTER_MS < 3000, storageHealth(), await table.get('new')]).toEqual([true, 'silent', 'made meanwhile']);
  answer();
  await jest.advanceTimersByTimeAsync(10);
  expect(storageHealth()).toBe('fine');
  expect(Object.fromEntries(rows)).toEqual({ old: 'kept before', new: 'made meanwhile' });
  expect(await table.get('old')).toBe('kept before');
});
