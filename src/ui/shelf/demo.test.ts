import { DEMOS, PICTURE_DEMOS } from '@/core/gallery/demos';
import { emptyJob } from '@/core/document/job';
import { disk } from '@/platform/storage/fakeForage.fixture';

jest.mock('localforage', () => jest.requireActual<object>('@/platform/storage/fakeForage.fixture'));
jest.mock('../intake/newJob', () => ({ jobFromDrawing: jest.fn() }));
jest.mock('@/session/derived/tracePicture', () => ({ tracePicture: () => Promise.resolve({ svg: '<svg/>', picture: '', found: {} }) }));

import { keepNewJob, keptJobs, removeKept } from '@/platform/storage/records';
import { layOutDemos } from './demo';
import { jobFromDrawing, type NewJob } from '../intake/newJob';

const make = jest.mocked(jobFromDrawing);
const keeping = async ({ id, name, updated }: NewJob) => {
  const job = emptyJob(id!, name, {});
  await keepNewJob(job, {}, updated!);
  return job;
};
const shelf = async (): Promise<string[]> => (await keptJobs()).flatMap((k) => ('kept' in k ? [k.kept.job.name] : []));
const all = [...DEMOS, ...PICTURE_DEMOS].map((d) => d.name);
const nothing = (): Promise<void> => Promise.resolve();

const answering = (status: (url: string) => number): typeof fetch =>
  jest.fn((url: string) => Promise.resolve(new Response('<svg/>', { status: status(url) }))) as never;

/** From the n-th write on nothing is written any more, as when the page goes away. */
function endAfter(writes: number): () => void {
  let left = writes;
  Object.defineProperty(disk, 'full', { configurable: true, get: () => left-- <= 0, set: () => undefined });
  return () => Object.defineProperty(disk, 'full', { configurable: true, writable: true, value: false });
}

beforeEach(() => {
  disk.wipe();
  make.mockReset().mockImplementation(keeping);
  global.fetch = answering(() => 200);
});

test('all demo jobs are laid out, in the order of their list, once', async () => {
  await layOutDemos(nothing);
  expect(await shelf()).toEqual(all);
  await layOutDemos(nothing);
  expect(make).toHaveBeenCalledTimes(all.length);
});

test('wherever the page goes away, the next visit lays out the rest', async () => {
  for (let writes = 0; writes < 5 * all.length; writes++) {
    disk.wipe();
    const mend = endAfter(writes);
    await layOutDemos(nothing).catch(() => undefined);
    mend();
    await layOutDemos(nothing);
    expect(await shelf()).toEqual(all);
  }
});

test('two tabs that lay them out at once do not stop each other', async () => {
  await Promise.all([layOutDemos(nothing), layOutDemos(nothing)]);
  expect(await shelf()).toEqual(all);
});

test('what the person removed stays removed', async () => {
  await layOutDemos(nothing);
  await removeKept('demo-kettle');
  await layOutDemos(nothing);
  expect(await shelf()).not.toContain('Pottery café apron');
});

test('a drawing that cannot be fetched is left for the next visit, and one that cannot be kept is said', async () => {
  global.fetch = answering((url) => (url.includes('limpet') ? 503 : 200));
  await layOutDemos(nothing);
  expect(await shelf()).toEqual(all.filter((n) => n !== 'Tide-pool club patch'));
  global.fetch = answering(() => 200);
  make.mockRejectedValueOnce(new Error('no room'));
  await expect(layOutDemos(nothing)).rejects.toThrow('no room');
  await layOutDemos(nothing);
  expect(await shelf()).toHaveLength(all.length);
});
