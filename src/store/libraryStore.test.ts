import type { SavedJob } from '@/platform/storage';
import { EMPTY_LIBRARY, type ShopLibrary } from '@/core/cloth/library';
import { recipeOf } from '@/core/cloth/recipes';
import type { HouseRecipe } from '@/core/cloth/house';
import { jobOf, piece } from '@/core/pieces/fixtures';
import type { Brief } from '@/core/document/types';

const disk = new Map<string, SavedJob>();
let library: ShopLibrary = EMPTY_LIBRARY;
let writing = 0;
let mostAtOnce = 0;
jest.mock('@/platform/storage', () => ({
  listJobs: () => Promise.resolve([...disk.values()]),
  loadLibrary: () => Promise.resolve(library),
  saveLibrary: (next: ShopLibrary) => {
    library = next;
    return Promise.resolve();
  },
  saveJob: async (saved: SavedJob) => {
    mostAtOnce = Math.max(mostAtOnce, ++writing);
    await new Promise((done) => setTimeout(done, 1));
    if (saved.job.name === 'full') throw new Error('This browser has no room left.');
    disk.set(saved.job.id, saved);
    writing--;
  },
}));
const announced: string[] = [];
jest.mock('@/platform/tabs', () => ({ announceSaved: (id: string) => announced.push(id) }));

import { alteredBy, applyTo, importLibrary, openLibrary, putRecipe, removeRecipe, useLibrary } from './libraryStore';

const put = (id: string, brief: Partial<Brief>, name = id): void => {
  const job = jobOf([piece('fill', { area: 'M0,0 h10 v10 h-10 Z' })]);
  const record = { ...job, id, name, brief: { ...job.brief, ...brief } };
  disk.set(id, { job: record, artwork: {}, updated: 1, picture: new Blob(['old']) });
};
const wider: HouseRecipe = { id: 'pique', name: 'Piqué', cloth: 'pique', pullComp: recipeOf('pique').pullComp + 0.2 };

beforeEach(async () => {
  disk.clear();
  announced.length = 0;
  mostAtOnce = 0;
  writing = 0;
  library = EMPTY_LIBRARY;
  await openLibrary();
  await removeRecipe('pique');
  for (const id of ['a', 'b', 'c']) put(id, { cloth: 'pique' });
  put('d', { cloth: 'twill' });
});

test('a changed cloth is kept, and taken away it is the starting one again', async () => {
  await putRecipe(wider);
  expect(library.recipes).toEqual([wider]);
  expect(useLibrary.getState().library.recipes).toEqual([wider]);
  await putRecipe({ ...wider, speed: 500 });
  expect(library.recipes).toHaveLength(1);
  await removeRecipe('pique');
  expect(library.recipes).toEqual([]);
});

test('jobs on that cloth would be altered, and others not', async () => {
  expect((await alteredBy(wider)).map((j) => j.id)).toEqual(['a', 'b', 'c']);
  expect(await alteredBy({ id: 'pique', name: 'Piqué', cloth: 'pique' })).toEqual([]);
});

test('they keep their numbers until told to follow; then all are written at once, and their pictures are old', async () => {
  await putRecipe(wider);
  expect(disk.get('a')!.job.brief.recipe).toBeUndefined();
  await applyTo(wider, ['a', 'c']);
  expect(disk.get('a')!.job.brief.recipe).toMatchObject({ pullComp: wider.pullComp });
  expect(disk.get('b')!.job.brief.recipe).toBeUndefined();
  expect(disk.get('a')!.picture).toBeUndefined();
  expect(disk.get('b')!.picture).toBeDefined();
  expect(mostAtOnce).toBe(2);
  expect(announced.sort()).toEqual(['a', 'c']);
  expect((await alteredBy(wider)).map((j) => j.id)).toEqual(['b']);
});

test('a store without room says so', async () => {
  put('x', { cloth: 'pique' }, 'full');
  await expect(applyTo(wider, ['x'])).rejects.toThrow('no room');
});

test('a library file is put in; one that is none changes nothing', async () => {
  const hoop = { width: 90, height: 60, shape: 'rect' as const };
  await importLibrary(JSON.stringify({ ...EMPTY_LIBRARY, hoops: [hoop] }));
  expect(library.hoops).toEqual([hoop]);
  for (const text of ['', '{', '{"hello": 1}', '[1]']) await expect(importLibrary(text)).rejects.toThrow(/not a Cobble library/);
  expect(library.hoops).toEqual([hoop]);
});
