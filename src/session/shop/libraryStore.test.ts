import { EMPTY_LIBRARY } from '@/core/cloth/library';
import { recipeOf } from '@/core/cloth/recipes';
import type { HouseRecipe } from '@/core/cloth/house';
import { jobOf, piece } from '@/core/pieces/fixtures';
import type { Brief, Job } from '@/core/document/types';
import { disk } from '@/platform/storage/fakeForage.fixture';
import { keepNewJob, keptJob, keptStamp } from '@/platform/storage/records';
import { loadLibrary } from '@/platform/storage/shop';

jest.mock('localforage', () => jest.requireActual<object>('@/platform/storage/fakeForage.fixture'));
const announced: string[] = [];
jest.mock('@/platform/tabs', () => ({ tellTabs: (_: string, id: string) => announced.push(id) }));

import { alteredBy, applyTo, importLibrary, openLibrary, putRecipe, removeRecipe, useLibrary } from './libraryStore';

const put = async (id: string, brief: Partial<Brief>): Promise<void> => {
  const job = jobOf([piece('fill', { area: 'M0,0 h10 v10 h-10 Z' })]);
  await keepNewJob({ ...job, id, name: id, brief: { ...job.brief, ...brief } }, {}, 1);
};
const kept = async (id: string): Promise<Job> => (await keptJob(id))!.job;
const mark = async (id: string): Promise<string> => (await keptStamp(id))!.mark;
const wider: HouseRecipe = { id: 'pique', name: 'Piqué', cloth: 'pique', pullComp: recipeOf('pique').pullComp + 0.2 };

beforeEach(async () => {
  disk.wipe();
  announced.length = 0;
  await openLibrary();
  await removeRecipe('pique');
  for (const id of ['a', 'b', 'c']) await put(id, { cloth: 'pique' });
  await put('d', { cloth: 'twill' });
});

test('a changed cloth is kept, and taken away it is the starting one again', async () => {
  await putRecipe(wider);
  expect((await loadLibrary()).recipes).toEqual([wider]);
  expect(useLibrary.getState().library.recipes).toEqual([wider]);
  await putRecipe({ ...wider, speed: 500 });
  expect((await loadLibrary()).recipes).toHaveLength(1);
  await removeRecipe('pique');
  expect((await loadLibrary()).recipes).toEqual([]);
});

test('jobs on that cloth would be altered, and others not', async () => {
  expect((await alteredBy(wider)).map((j) => j.id).sort()).toEqual(['a', 'b', 'c']);
  expect(await alteredBy({ id: 'pique', name: 'Piqué', cloth: 'pique' })).toEqual([]);
});

test('they keep their numbers until told to follow; then they are states of their own, so their pictures are old', async () => {
  await putRecipe(wider);
  const [a, b] = [await mark('a'), await mark('b')];
  expect((await kept('a')).brief.recipe).toBeUndefined();
  await applyTo(wider, ['a', 'c']);
  expect((await kept('a')).brief.recipe).toMatchObject({ pullComp: wider.pullComp });
  expect((await kept('b')).brief.recipe).toBeUndefined();
  expect(await mark('a')).not.toBe(a);
  expect(await mark('b')).toBe(b);
  expect(announced.sort()).toEqual(['a', 'c']);
  expect((await alteredBy(wider)).map((j) => j.id)).toEqual(['b']);
});

test('a store without room says so', async () => {
  disk.full = true;
  await expect(applyTo(wider, ['a'])).rejects.toThrow('no room');
});

test('a library file is put in; one that is none changes nothing', async () => {
  const hoop = { width: 90, height: 60, shape: 'rect' as const };
  await importLibrary(JSON.stringify({ ...EMPTY_LIBRARY, hoops: [hoop] }));
  expect((await loadLibrary()).hoops).toEqual([hoop]);
  for (const text of ['', '{', '{"hello": 1}', '[1]']) await expect(importLibrary(text)).rejects.toThrow(/not a Cobble library/);
  expect((await loadLibrary()).hoops).toEqual([hoop]);
});
