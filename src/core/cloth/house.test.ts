import { emptyJob } from '../document/job';
import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { briefRecipe, jobsAltered, recipeFor, type HouseRecipe } from './house';
import { EMPTY_LIBRARY, mergedLibrary, parseLibrary } from './library';
import { recipeOf } from './recipes';

const HOUSE: HouseRecipe = { id: 'r1', cloth: 'pique', name: 'Heavy school polo', pullComp: 0.5, fillSpacing: 0.36 };

test('a house recipe changes what it says and leaves the rest to its cloth', () => {
  const recipe = recipeFor(briefRecipe(HOUSE));
  expect(recipe).toMatchObject({ name: 'Heavy school polo', pullComp: 0.5, fillSpacing: 0.36 });
  expect(recipe.satinSpacing).toBe(recipeOf('pique').satinSpacing);
});

test('pieces are sewn by it, with it as their source', () => {
  const job = jobOf([piece('fill', { area: 'M0,0 H20 V20 H0 Z' })], 'pique');
  const settings = new Planner().plan({ ...job, brief: { ...job.brief, ...briefRecipe(HOUSE) } }).pieces[0]!.settings!;
  expect(settings.spacing).toMatchObject({ value: 0.36, from: 'recipe', why: 'Heavy school polo' });
  expect(settings.pullComp!.value).toBe(0.5);
});

test('a change alters the jobs sewn by that recipe only, and only when figures differ', () => {
  const own = emptyJob('a', 'A', briefRecipe(HOUSE));
  const plain = emptyJob('b', 'B', { cloth: 'pique' });
  const other = emptyJob('c', 'C', { cloth: 'twill' });
  const jobs = [own, plain, other];
  expect(jobsAltered(HOUSE, jobs)).toEqual([]);
  expect(jobsAltered({ ...HOUSE, name: 'Renamed' }, jobs)).toEqual([]);
  expect(jobsAltered({ ...HOUSE, pullComp: 0.55 }, jobs).map((j) => j.id)).toEqual(['a']);
  expect(jobsAltered({ id: 'pique', cloth: 'pique', name: 'Piqué', speed: 650 }, jobs).map((j) => j.id)).toEqual(['b']);
});

test('a library file is read, checked and merged', () => {
  const file = { cobbleLibrary: 1, recipes: [HOUSE], threads: [{ code: 'Z1', name: 'Own red', hex: '#aa1122' }] };
  const read = parseLibrary(JSON.parse(JSON.stringify(file)));
  expect(read.threads[0]!.weight).toBe(40);
  expect(read.hoops).toEqual([]);
  const merged = mergedLibrary({ ...EMPTY_LIBRARY, recipes: [{ ...HOUSE, pullComp: 0.1 }] }, read);
  expect(merged.recipes).toEqual([HOUSE]);
  expect(() => parseLibrary({ jobs: [] })).toThrow(/not a Cobble library/);
  expect(() => parseLibrary({ ...file, recipes: [{ ...HOUSE, pullComp: 9 }] })).toThrow(/less than or equal to 3/);
});
