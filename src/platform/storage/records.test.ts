import fc from 'fast-check';
import { produceWithPatches } from 'immer';
import { jobOf, piece } from '@/core/pieces/fixtures';
import type { Job } from '@/core/document/types';
import { disk } from './fakeForage.fixture';

jest.mock('localforage', () => jest.requireActual<object>('./fakeForage.fixture'));

import {
  changeKept,
  journal,
  keepNewJob,
  keepPicture,
  keptArtwork,
  keptJob,
  keptJobs,
  keptPicture,
  keptStamp,
  removeKept,
  saveJob,
  shelfEntries,
  type Shown,
} from './records';
import { headOf } from './heads';
import { keepPlan, keptPlan, type KeptPlan } from './plans';
import { freshMark, includes, lineOfMarks, type JobStamp } from './stamp';

const job = (id: string, name = id): Job => ({ ...jobOf([piece('fill', { area: 'M0,0 h10 v10 h-10 Z' })]), id, name });
const jobsTable = disk.table('cobble', 'jobs');
const renamed = (from: Job, name: string) => {
  const [next, patches] = produceWithPatches(from, (draft) => void (draft.name = name));
  return { next, patches };
};
const nameKept = async (id: string): Promise<string> => (await keptJob(id))!.job.name;
beforeEach(() => disk.wipe());

test('a job comes back with its artwork', async () => {
  await keepNewJob(job('a'), { 'a.svg': '<svg/>' }, 5);
  expect((await keptJob('a'))!).toMatchObject({ job: job('a'), updated: 5 });
  expect(await keptArtwork('a')).toEqual({ 'a.svg': '<svg/>' });
  expect(await keptJob('b')).toBeNull();
  await expect(keepNewJob(job('a', 'other'), {}, 6)).rejects.toMatchObject({ fault: 'changed' });
});

test('saving from a version that the store no longer holds is refused, and what is there stays', async () => {
  const from = await keepNewJob(job('a'), {}, 1);
  const mine = await saveJob({ job: job('a', 'mine'), from, mark: freshMark(), updated: 2 });
  await expect(saveJob({ job: job('a', 'late'), from, mark: freshMark(), updated: 3 })).rejects.toMatchObject({
    fault: 'changed',
    found: mine,
  });
  await expect(
    journal('a', from, { patches: renamed(job('a'), 'late').patches, mark: freshMark(), updated: 3, head: null }),
  ).rejects.toMatchObject({ fault: 'changed' });
  expect(await nameKept('a')).toBe('mine');
});

test('two that save from one version at once: one is kept, the other is told', async () => {
  const from = await keepNewJob(job('a'), {}, 1);
  const both = await Promise.allSettled(['x', 'y'].map((name) => saveJob({ job: job('a', name), from, mark: freshMark(), updated: 2 })));
  expect(both.map((r) => r.status)).toEqual(['fulfilled', 'rejected']);
  expect(await nameKept('a')).toBe('x');
});

test('a journal entry counts as a version: a save from before it is refused', async () => {
  const from = await keepNewJob(job('a'), {}, 1);
  await journal('a', from, { patches: renamed(job('a'), 'noted').patches, mark: freshMark(), updated: 2, head: null });
  await expect(saveJob({ job: job('a', 'late'), from, mark: freshMark(), updated: 3 })).rejects.toMatchObject({ fault: 'changed' });
  expect(await nameKept('a')).toBe('noted');
});

test('a removed job does not come back, by a save or by a journal entry', async () => {
  const from = await keepNewJob(job('a'), { 'a.svg': 'x' }, 1);
  await removeKept('a');
  await expect(saveJob({ job: job('a'), from, mark: freshMark(), updated: 2 })).rejects.toMatchObject({ fault: 'removed' });
  await expect(journal('a', from, { patches: [], mark: freshMark(), updated: 2, head: null })).rejects.toMatchObject({ fault: 'removed' });
  expect(await keptJobs()).toEqual([]);
  expect([...disk.tables.values()].reduce((n, t) => n + t.size, 0)).toBe(0);
});

test('a crash between the record and its journal loses nothing and doubles nothing', async () => {
  const first = await keepNewJob(job('a'), {}, 1);
  const { next, patches } = renamed(job('a'), 'noted');
  const noted = await journal('a', first, { patches, mark: freshMark(), updated: 2, head: null });
  const old = structuredClone(disk.table('cobble-journal', 'journal').get('a'));
  const saved = await saveJob({ job: { ...next, name: 'whole' }, from: noted, mark: freshMark(), updated: 3 });
  disk.table('cobble-journal', 'journal').set('a', old);
  expect(await nameKept('a')).toBe('whole');
  expect(await keptStamp('a')).toEqual(saved);
  await journal('a', saved, { patches: renamed({ ...next, name: 'whole' }, 'after').patches, mark: freshMark(), updated: 4, head: null });
  expect(await nameKept('a')).toBe('after');
});

test('any mixture of entries and whole saves gives the job as it was last', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.array(
        fc.record({ whole: fc.boolean(), name: fc.string({ minLength: 1, maxLength: 8 }), quantity: fc.integer({ min: 1, max: 99 }) }),
      ),
      async (steps) => {
        disk.wipe();
        let now = job('a');
        let stamp: JobStamp = await keepNewJob(now, {}, 0);
        for (const { whole, name, quantity } of steps) {
          const [next, patches] = produceWithPatches(now, (draft) => {
            draft.name = name;
            draft.brief.quantity = quantity;
            draft.pieces.push({ ...draft.pieces[0]!, id: `p${draft.pieces.length + 1}` });
          });
          now = next;
          stamp = whole
            ? await saveJob({ job: now, from: stamp, mark: freshMark(), updated: 1 })
            : await journal('a', stamp, { patches, mark: freshMark(), updated: 1, head: null });
          expect((await keptJob('a'))!.job).toEqual(now);
        }
      },
    ),
    { numRuns: 40, seed: 7, endOnFailure: true },
  );
});

test('a change from elsewhere, the library for one, includes the journal and is a version of its own', async () => {
  const from = await keepNewJob(job('a'), {}, 1);
  const noted = await journal('a', from, { patches: renamed(job('a'), 'noted').patches, mark: freshMark(), updated: 2, head: null });
  await changeKept('a', (j) => ({ ...j, brief: { ...j.brief, quantity: 7 } }));
  expect((await keptJob('a'))!.job).toMatchObject({ name: 'noted', brief: { quantity: 7 } });
  await expect(saveJob({ job: job('a', 'late'), from: noted, mark: freshMark(), updated: 3 })).rejects.toMatchObject({ fault: 'changed' });
  expect(await changeKept('gone', (j) => j)).toBeNull();
});

test('artwork is written only when it changes, and never left behind', async () => {
  const from = await keepNewJob(job('a'), { 'a.svg': 'one' }, 1);
  const table = disk.table('cobble-artwork', 'artwork');
  const key = [...table.keys()][0];
  const same = await saveJob({ job: job('a'), from, mark: freshMark(), updated: 2 });
  expect([...table.keys()]).toEqual([key]);
  await saveJob({ job: job('a'), from: same, mark: freshMark(), updated: 3, artwork: { 'b.svg': 'two' } });
  expect(table.size).toBe(1);
  expect(await keptArtwork('a')).toEqual({ 'b.svg': 'two' });
});

describe('a shelf of an earlier version', () => {
  const picture = new Blob(['png']);
  const figures = { stitches: 3 } as Shown['figures'];
  beforeEach(() => void jobsTable.set('old', { job: job('old'), artwork: { 'a.svg': 'one' }, updated: 9, picture, figures }));

  it('is read as it is, picture and all, and lifted by the first save', async () => {
    const kept = (await keptJob('old'))!;
    expect(kept.job).toEqual(job('old'));
    expect((await keptPicture('old', kept.stamp.mark))!.figures).toEqual(figures);
    const noted = await journal('old', kept.stamp, {
      patches: renamed(kept.job, 'noted').patches,
      mark: freshMark(),
      updated: 10,
      head: null,
    });
    expect(await nameKept('old')).toBe('noted');
    await saveJob({ job: job('old', 'new'), from: noted, mark: freshMark(), updated: 11 });
    expect(await nameKept('old')).toBe('new');
    expect(await keptArtwork('old')).toEqual({ 'a.svg': 'one' });
  });

  it('can be changed from the library at once', async () => {
    await changeKept('old', (j) => ({ ...j, name: 'altered' }));
    expect(await nameKept('old')).toBe('altered');
    expect(await keptArtwork('old')).toEqual({ 'a.svg': 'one' });
  });
});

test('one damaged record keeps its text and leaves the others on the shelf', async () => {
  await keepNewJob(job('a'), {}, 1);
  await keepNewJob(job('b'), {}, 2);
  for (const [i, bad] of [
    null,
    7,
    'text',
    {},
    { job: null, revision: 1 },
    { job: { cobble: 1 }, revision: 3, mark: 'x:1' },
    { job: job('z'), revision: 1 },
  ].entries())
    jobsTable.set(`bad${i}`, bad);
  const all = await keptJobs();
  expect(all.filter((k) => 'kept' in k).map((k) => k.id)).toEqual(expect.arrayContaining(['b', 'a']));
  const damaged = all.flatMap((k) => ('damaged' in k ? [k] : []));
  expect(damaged.length).toBeGreaterThan(3);
  expect(damaged.every((d) => d.damaged.message.length > 10)).toBe(true);
  expect(damaged.find((d) => d.id === 'bad5')!.damaged.raw).toContain('"cobble": 1');
});

test('a journal that does not fit its record does not hide the job', async () => {
  const from = await keepNewJob(job('a'), {}, 1);
  await journal('a', from, {
    patches: [{ op: 'replace', path: ['pieces', 99, 'name'], value: 'x' }],
    mark: freshMark(),
    updated: 2,
    head: null,
  });
  await expect(keptJob('a')).rejects.toMatchObject({ name: 'DamagedJob' });
  expect((await keptJobs())[0]).toHaveProperty('damaged');
});

describe('the index', () => {
  const reads = (): number => disk.reads('cobble', 'jobs');
  const shown = async () =>
    (await shelfEntries()).map((e) => ('head' in e ? `${e.head.name} ${e.updated} ${e.stamp.entries}` : `${e.id} damaged`));

  it('shows every job as it stands, the latest first, without reading one', async () => {
    const from = await keepNewJob(job('a'), {}, 1);
    await keepNewJob(job('b'), {}, 2);
    const { next, patches } = renamed(job('a'), 'noted');
    await journal('a', from, { patches, mark: freshMark(), updated: 3, head: headOf(next) });
    const before = reads();
    expect(await shown()).toEqual(['noted 3 1', 'b 2 0']);
    expect(reads()).toBe(before);
    for (const entry of await shelfEntries()) {
      const kept = (await keptJob(entry.id))!;
      expect(entry).toEqual({ id: entry.id, head: headOf(kept.job), stamp: kept.stamp, updated: kept.updated });
    }
  });

  it('a job that it does not know, or not rightly, is read', async () => {
    const from = await keepNewJob(job('a'), {}, 1);
    await journal('a', from, { patches: renamed(job('a'), 'noted').patches, mark: freshMark(), updated: 2, head: null });
    expect(await shown()).toEqual(['noted 2 1']);
    const journals = disk.table('cobble-journal', 'journal');
    for (const head of [7, {}, { name: 'x' }, { name: 'x', brief: { cloth: 'moon' } }]) {
      journals.set('a', { ...(journals.get('a') as object), head });
      expect(await shown()).toEqual(['noted 2 1']);
    }
    jobsTable.set('bad', { job: null, revision: 1 });
    expect(await shown()).toEqual(['noted 2 1', 'bad damaged']);
  });
});

test('a picture is of one state only', async () => {
  await keepPicture('a', { mark: 'm:1', picture: new Blob(['x']), figures: { stitches: 1 } as Shown['figures'] });
  expect(await keptPicture('a', 'm:2')).toBeNull();
  expect((await keptPicture('a', 'm:1'))!.mark).toBe('m:1');
});

test('marks of one line follow one another; others say nothing about each other', () => {
  const next = lineOfMarks();
  const [one, two, other] = [next(), next(), freshMark()];
  expect([includes(two, one), includes(one, one), includes(one, two), includes(other, one)]).toEqual([true, true, false, false]);
});

test('a plan is of one state only, and goes with its job', async () => {
  const plan = { mark: 'm:1', plan: { version: 'v', base: null } as KeptPlan['plan'], figures: {} as KeptPlan['figures'], outlines: [] };
  await keepNewJob(job('a'), {}, 1);
  await keepPlan('a', plan);
  expect(await keptPlan('a', 'm:2')).toBeNull();
  expect(await keptPlan('a', 'm:1')).toMatchObject(plan);
  const table = disk.table('cobble-plans', 'plans');
  table.set('a', { ...(table.get('a') as object), build: 'another' });
  expect(await keptPlan('a', 'm:1')).toBeNull();
  await removeKept('a');
  expect(table.size).toBe(0);
});
