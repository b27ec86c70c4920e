import { jobOf, piece } from '@/core/pieces/fixtures';
import type { Job } from '@/core/document/types';
import { disk } from '@/platform/storage/fakeForage.fixture';

jest.mock('localforage', () => jest.requireActual<object>('@/platform/storage/fakeForage.fixture'));
const told: string[] = [];
jest.mock('@/platform/tabs', () => ({ tellTabs: (kind: string, id: string) => told.push(`${kind} ${id}`), onNews: () => () => undefined }));

import { changeKept, journal, keepNewJob, keptArtwork, keptJob, removeKept, saveJob, type KeptJob } from '@/platform/storage/records';
import { listVersions } from '@/platform/storage/versions';
import { allKept, useJob } from './jobStore';

const local = new Map<string, string>();
(globalThis as { localStorage?: unknown }).localStorage = {
  getItem: (k: string) => local.get(k) ?? null,
  setItem: (k: string, v: string) => void local.set(k, v),
  removeItem: (k: string) => void local.delete(k),
};

const job = (id: string): Job => ({ ...jobOf([piece('fill', { area: 'M0,0 h10 v10 h-10 Z' })]), id });
const rename = (name: string): void => useJob.getState().change('Rename', (j) => void (j.name = name));
const state = () => useJob.getState();
const pass = (ms: number) => jest.advanceTimersByTimeAsync(ms);
const kept = async (id = 'one'): Promise<string> => (await keptJob(id))!.job.name;
/** The page went away without a word: nothing of it is left but what the browser keeps. */
const killed = (): void => {
  jest.clearAllTimers();
  useJob.setState({ status: 'idle', job: null, saved: 'saved', conflict: null });
};

beforeEach(async () => {
  jest.useFakeTimers();
  local.clear();
  useJob.setState({ role: 'editor', conflict: null });
  await state().load('nowhere');
  disk.wipe();
  for (const id of ['one', 'two']) await keepNewJob(job(id), { 'a.svg': '<svg/>' }, 1);
  await state().load('one');
  told.length = 0;
});
afterEach(() => jest.useRealTimers());

test('a job is loaded with its artwork, and one that is not there is missing', async () => {
  expect(state()).toMatchObject({ status: 'ready', saved: 'saved', artwork: { 'a.svg': '<svg/>' } });
  await state().load('gone');
  expect(state().status).toBe('missing');
  await state().load('one');
  expect(state().job!.id).toBe('one');
});

test('a damaged record is told, with its text', async () => {
  disk.table('cobble', 'jobs').set('bad', { job: { cobble: 1, id: 'bad' }, revision: 1, mark: 'x:1', updated: 1 });
  await state().load('bad');
  expect(state()).toMatchObject({ status: 'damaged', job: null });
  expect(state().damaged!.raw).toContain('"id": "bad"');
});

test('a change stands in the store a quarter of a second later, however fast others follow', async () => {
  for (let i = 0; i < 60; i++) {
    rename(`at ${i}`);
    await pass(50);
    if (i < 8) continue;
    const name = Number((await kept()).slice(3));
    expect(i - name).toBeLessThanOrEqual(8);
  }
});

test('killed at any moment of continuous editing, at most half a second is lost, and the job is whole', async () => {
  for (let moment = 100; moment < 12_000; moment += 731) {
    await state().load('one');
    let made = 0;
    for (let t = 0; t < moment; t += 100) {
      rename(`n ${++made}`);
      await pass(100);
    }
    killed();
    await state().load('one');
    expect(made - Number(state().job!.name.split(' ')[1] ?? 0)).toBeLessThanOrEqual(5);
    await state().flush();
  }
});

test('when the hands rest everything is in one record, and other tabs hear of it', async () => {
  rename('A');
  rename('B');
  expect(state().saved).toBe('waiting');
  await pass(3000);
  expect(state().saved).toBe('saved');
  expect(await kept()).toBe('B');
  expect((disk.table('cobble-journal', 'journal').get('one') as { patches: unknown[] }).patches).toEqual([]);
  expect(told).toContain('saved one');
});

test('opening another job saves the one before it first', async () => {
  rename('Unsaved');
  await state().load('two');
  expect(await kept()).toBe('Unsaved');
  expect(state().job!.id).toBe('two');
  expect(state().history.past).toHaveLength(0);
});

test('a store without room says so, keeps the work, and saves it once there is room', async () => {
  disk.full = true;
  rename('Large');
  await pass(400);
  expect(state()).toMatchObject({ saved: 'failed', problem: expect.stringMatching(/no room/) as string });
  expect(state().job!.name).toBe('Large');
  disk.full = false;
  await pass(6000);
  expect(state()).toMatchObject({ saved: 'saved', problem: null });
  expect(await kept()).toBe('Large');
});

test('what was unsaved when the page went away is there when it comes back', async () => {
  disk.full = true;
  rename('In the middle');
  state().leave();
  await pass(10);
  killed();
  disk.full = false;
  expect(await kept()).not.toBe('In the middle');
  await state().load('one');
  expect(state().job!.name).toBe('In the middle');
  await pass(3000);
  expect(await kept()).toBe('In the middle');
  expect(local.size).toBe(0);
});

test('another job opened while the store is full does not lose what was unsaved', async () => {
  disk.full = true;
  rename('No room for it');
  await pass(400);
  await state().load('two');
  disk.full = false;
  expect(await kept()).not.toBe('No room for it');
  await state().load('one');
  expect(state().job!.name).toBe('No room for it');
  await pass(3000);
  expect(await kept()).toBe('No room for it');
});

test('a draft of work that was saved after all is forgotten', async () => {
  rename('Saved after all');
  state().leave();
  await pass(3000);
  killed();
  await changeKept('one', (j) => ({ ...j, name: 'Altered in the library' }));
  await state().load('one');
  expect(state().job!.name).toBe('Altered in the library');
});

test('a draft never wins over what was saved since: it is kept beside it as a version', async () => {
  disk.full = true;
  rename('Draft');
  state().leave();
  await pass(10);
  killed();
  disk.full = false;
  await changeKept('one', (j) => ({ ...j, name: 'Newer' }));
  await state().load('one');
  expect(state().job!.name).toBe('Newer');
  expect(state().notice).toMatch(/version/);
  expect((await listVersions('one')).map((v) => v.job.name)).toEqual(['Draft']);
  expect(await kept()).toBe('Newer');
});

test('what the library altered meanwhile is seen when the job is entered again', async () => {
  await changeKept('one', (j) => ({ ...j, name: 'Altered' }));
  await state().load('one');
  expect(state().job!.name).toBe('Altered');
});

describe('a job that another tab has saved', () => {
  beforeEach(async () => {
    rename('Mine');
    await changeKept('one', (j) => ({ ...j, name: 'Theirs' }));
    await pass(3000);
  });

  it('is not written over, however much is changed here', async () => {
    expect(state()).toMatchObject({ conflict: 'changed', saved: 'failed', problem: null });
    rename('Mine too');
    await pass(20_000);
    await state().flush();
    expect(state().job!.name).toBe('Mine');
    expect(await kept()).toBe('Theirs');
  });

  it('is taken exactly as it is there', async () => {
    await state().takeKept();
    expect(state()).toMatchObject({ conflict: null, saved: 'saved' });
    expect(state().job).toEqual((await keptJob('one'))!.job);
    rename('Mine again');
    await pass(3000);
    expect(await kept()).toBe('Mine again');
  });

  it('can be left there, with what is open here as a job of its own', async () => {
    const id = await state().keepAsNew();
    expect([await kept(), await kept(id)]).toEqual(['Theirs', 'Mine (kept)']);
    expect(await keptArtwork(id)).toEqual({ 'a.svg': '<svg/>' });
  });
});

describe('a tab that gave the job up late', () => {
  /** The tab before this one: its journal holds a name, and the whole job is not written yet. */
  async function takenFrom(): Promise<KeptJob> {
    await state().load('two');
    const { job: before, stamp } = (await keptJob('one'))!;
    const theirs = { ...before, name: 'Their last word' };
    await journal('one', stamp, {
      patches: [{ op: 'replace', path: ['name'], value: theirs.name }],
      mark: 'their-line:7',
      updated: 1,
      head: null,
    });
    await state().load('one');
    expect(state().job!.name).toBe('Their last word');
    return (await keptJob('one'))!;
  }

  it('may still write whole what is known here: what is changed here is saved all the same', async () => {
    const { job: theirs, stamp } = await takenFrom();
    rename('Now here');
    await saveJob({ job: theirs, from: stamp, mark: stamp.mark, updated: 2 });
    await pass(3000);
    expect(state()).toMatchObject({ conflict: null, saved: 'saved' });
    expect(await kept()).toBe('Now here');
  });

  it('may save late what was taken over from it before it was saved', async () => {
    const { job: theirs, stamp } = await takenFrom();
    const late = { ...theirs, name: 'Their very last word' };
    local.set('cobble-unsaved one', JSON.stringify({ job: late, from: stamp, mark: 'their-line:8' }));
    await state().takeUp();
    expect(state().job!.name).toBe('Their very last word');
    await saveJob({ job: late, from: stamp, mark: 'their-line:8', updated: 2 });
    rename('Now here');
    await pass(3000);
    expect(state()).toMatchObject({ conflict: null, saved: 'saved' });
    expect(await kept()).toBe('Now here');
  });

  it('is not written over when it saved more than is known here', async () => {
    const { job: theirs, stamp } = await takenFrom();
    rename('Now here');
    await saveJob({ job: { ...theirs, name: 'Unheard of' }, from: stamp, mark: 'their-line:8', updated: 2 });
    await pass(3000);
    expect(state()).toMatchObject({ conflict: 'changed' });
    expect(await kept()).toBe('Unheard of');
  });
});

test('what another tab has not saved yet is left to it, until this one edits', async () => {
  const { job: open, stamp } = (await keptJob('one'))!;
  local.set('cobble-unsaved one', JSON.stringify({ job: { ...open, name: 'Unsaved there' }, from: stamp, mark: 'x:1' }));
  useJob.setState({ role: 'follower' });
  await state().load('two');
  await state().load('one');
  await pass(3000);
  expect([state().job!.name, await kept()]).toEqual([open.name, open.name]);
  useJob.setState({ role: 'editor' });
  await state().takeUp();
  await pass(3000);
  expect([state().job!.name, await kept()]).toEqual(['Unsaved there', 'Unsaved there']);
});

test('whoever gives way writes nothing more, and keeps what was unsaved as a version', async () => {
  rename('Too late');
  await changeKept('one', (j) => ({ ...j, name: 'Theirs' }));
  await state().giveWay();
  await pass(20_000);
  expect(state()).toMatchObject({ conflict: null, job: { name: 'Theirs' } });
  expect(state().notice).toMatch(/version/);
  expect((await listVersions('one')).map((v) => v.job.name)).toEqual(['Too late']);
  expect(await kept()).toBe('Theirs');
});

test('whoever gives way while there is no room for a version keeps what is open', async () => {
  rename('Nowhere to go');
  disk.full = true;
  await state().giveWay();
  disk.full = false;
  await pass(20_000);
  expect(state()).toMatchObject({ conflict: 'changed', job: { name: 'Nowhere to go' } });
});

test('a job removed elsewhere does not come back', async () => {
  await removeKept('one');
  rename('Still here');
  await pass(3000);
  expect(state()).toMatchObject({ conflict: 'removed' });
  expect(await keptJob('one')).toBeNull();
});

test('a tab that only follows changes nothing, and says so', () => {
  useJob.setState({ role: 'follower' });
  const before = state();
  rename('No');
  state().undo();
  expect(state().job).toBe(before.job);
  expect(state().refusals).toBe(before.refusals + 1);
});

test('undo and redo are saved too, and a change that changes nothing is not', async () => {
  const first = state().job!.name;
  rename('B');
  await pass(3000);
  state().undo();
  expect(state()).toMatchObject({ saved: 'waiting' });
  await pass(300);
  expect(await kept()).toBe(first);
  state().redo();
  await pass(3000);
  expect(await kept()).toBe('B');
  const writes = told.length;
  rename('B');
  await pass(3000);
  expect(told).toHaveLength(writes);
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
  await pass(3000);
  expect(await kept()).toBe('second');
  expect(state().saved).toBe('saved');
  expect(allKept()).toBe(true);
});

test('another drawing is kept with the job that names it', async () => {
  state().addArtwork('b.svg', '<svg id="b"/>');
  await pass(300);
  expect(await keptArtwork('one')).toEqual({ 'a.svg': '<svg/>', 'b.svg': '<svg id="b"/>' });
});
