import type { SavedJob } from '@/platform/storage';
import { jobOf, piece } from '@/core/pieces/fixtures';
import type { Job } from '@/core/document/types';

const disk = new Map<string, SavedJob>();
let full = false;
let draft: Job | null = null;
jest.mock('@/platform/storage', () => ({
  loadJob: (id: string) => Promise.resolve(disk.get(id) ?? null),
  saveJob: (saved: SavedJob) => {
    if (full) return Promise.reject(new Error('This browser has no room left.'));
    disk.set(saved.job.id, saved);
    return Promise.resolve();
  },
  keepDraft: (job: Job) => void (draft = job),
  dropDraft: () => void (draft = null),
  takeDraft: (id: string) => (draft?.id === id ? draft : null),
}));
const announced: string[] = [];
jest.mock('@/platform/tabs', () => ({ announceSaved: (id: string) => announced.push(id) }));

import { useJob } from './jobStore';

const job = (id: string): Job => ({ ...jobOf([piece('fill', { area: 'M0,0 h10 v10 h-10 Z' })]), id });
const put = (id: string): void => void disk.set(id, { job: job(id), artwork: { 'a.svg': '<svg/>' }, updated: 1 });
const rename = (name: string): void => useJob.getState().change('Rename', (j) => void (j.name = name));
const state = () => useJob.getState();
const settle = () => jest.advanceTimersByTimeAsync(1000);

beforeEach(async () => {
  jest.useFakeTimers();
  full = false;
  draft = null;
  announced.length = 0;
  disk.clear();
  put('one');
  put('two');
  await state().load('two');
  await state().load('one');
});
afterEach(() => jest.useRealTimers());

test('a job is loaded with its artwork, and one that is not there is missing', async () => {
  expect(state()).toMatchObject({ status: 'ready', saved: 'saved', artwork: { 'a.svg': '<svg/>' } });
  await state().load('gone');
  expect(state().status).toBe('missing');
  await state().load('one');
  expect(state().job!.id).toBe('one');
});

test('changes are saved a moment after the last one, all at once, and other tabs hear of it', async () => {
  rename('A');
  rename('B');
  expect(state().saved).toBe('waiting');
  expect(disk.get('one')!.job.name).not.toBe('B');
  await settle();
  expect(state().saved).toBe('saved');
  expect(disk.get('one')!.job.name).toBe('B');
  expect(announced).toEqual(['one']);
});

test('opening another job saves the one before it first', async () => {
  rename('Unsaved');
  await state().load('two');
  expect(disk.get('one')!.job.name).toBe('Unsaved');
  expect(state().job!.id).toBe('two');
  expect(state().history.past).toHaveLength(0);
});

test('a store without room says so, keeps the work, and saves it once there is room', async () => {
  full = true;
  rename('Large');
  await settle();
  expect(state()).toMatchObject({ saved: 'failed', problem: 'This browser has no room left.' });
  expect(state().job!.name).toBe('Large');
  full = false;
  rename('Larger');
  await settle();
  expect(state()).toMatchObject({ saved: 'saved', problem: null });
  expect(disk.get('one')!.job.name).toBe('Larger');
});

test('what was unsaved when the page went away is there when it comes back', async () => {
  full = true;
  rename('In the middle');
  state().leave();
  await settle();
  expect(draft!.name).toBe('In the middle');
  full = false;
  // The page comes back: nothing of it is left but what the browser keeps.
  useJob.setState({ status: 'idle', job: null, saved: 'saved' });
  expect(disk.get('one')!.job.name).not.toBe('In the middle');
  await state().load('one');
  expect(state()).toMatchObject({ saved: 'waiting' });
  await settle();
  expect(state().job!.name).toBe('In the middle');
  expect(disk.get('one')!.job.name).toBe('In the middle');
  expect(draft).toBeNull();
});

test('undo and redo are saved too, and a change that changes nothing is not', async () => {
  const first = state().job!.name;
  rename('B');
  await settle();
  state().undo();
  expect(state()).toMatchObject({ saved: 'waiting' });
  await settle();
  expect(disk.get('one')!.job.name).toBe(first);
  state().redo();
  await settle();
  expect(disk.get('one')!.job.name).toBe('B');
  const writes = announced.length;
  rename('B');
  await settle();
  expect(announced).toHaveLength(writes);
});

test('a gesture is one step, and given up it leaves nothing', () => {
  const before = state().job;
  for (const n of [1, 2, 3]) state().change('Drag', (j) => void (j.name = `at ${n}`), 'g');
  expect(state().history.past).toHaveLength(1);
  state().rollBack('g');
  expect(state().job).toEqual(before);
  expect(state().history.past).toHaveLength(0);
});

test('a change made while a save is under way is saved after it', async () => {
  rename('first');
  const saving = state().flush();
  rename('second');
  await saving;
  expect(disk.get('one')!.job.name).toBe('first');
  await settle();
  expect(disk.get('one')!.job.name).toBe('second');
  expect(state().saved).toBe('saved');
});
