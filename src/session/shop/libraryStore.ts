import { create } from 'zustand';
import { briefRecipe, jobsAltered, type HouseRecipe } from '@/core/cloth/house';
import { EMPTY_LIBRARY, mergedLibrary, parseLibrary, type ShopLibrary } from '@/core/cloth/library';
import type { Job } from '@/core/document/types';
import { changeKept, keptJobs } from '@/platform/storage/records';
import { loadLibrary, saveLibrary } from '@/platform/storage/shop';
import { tellTabs } from '@/platform/tabs';

interface LibraryState {
  library: ShopLibrary;
  ready: boolean;
  problem: string | null;
}

/** What the shop keeps beside its jobs. */
export const useLibrary = create<LibraryState>(() => ({ library: EMPTY_LIBRARY, ready: false, problem: null }));

export async function openLibrary(): Promise<void> {
  if (!useLibrary.getState().ready) useLibrary.setState({ library: await loadLibrary(), ready: true });
}

export async function changeLibrary(patch: Partial<ShopLibrary>): Promise<void> {
  const library = { ...useLibrary.getState().library, ...patch };
  useLibrary.setState({ library, problem: null });
  try {
    await saveLibrary(library);
  } catch (error) {
    useLibrary.setState({ problem: (error as Error).message });
  }
}

export const putRecipe = (recipe: HouseRecipe): Promise<void> => {
  const { recipes } = useLibrary.getState().library;
  const known = recipes.some((r) => r.id === recipe.id);
  return changeLibrary({ recipes: known ? recipes.map((r) => (r.id === recipe.id ? recipe : r)) : [...recipes, recipe] });
};

export const removeRecipe = (id: string): Promise<void> =>
  changeLibrary({ recipes: useLibrary.getState().library.recipes.filter((r) => r.id !== id) });

/** Jobs that a recipe as it now is would alter. */
export async function alteredBy(recipe: HouseRecipe): Promise<Job[]> {
  return jobsAltered(
    recipe,
    (await keptJobs()).flatMap((k) => ('kept' in k ? [k.kept.job] : [])),
  );
}

/** Gives the recipe as it now is to the jobs that it alters. */
export async function applyTo(recipe: HouseRecipe, ids: readonly string[]): Promise<void> {
  const follow = async (id: string): Promise<void> => {
    await changeKept(id, (job) => ({ ...job, brief: { ...job.brief, ...briefRecipe(recipe) } }));
    tellTabs('saved', id);
  };
  await Promise.all(ids.map(follow));
}

/** Puts a library file's entries in. @throws InputError with a sentence for people */
export async function importLibrary(text: string): Promise<void> {
  let data: unknown = null;
  try {
    data = JSON.parse(text);
  } catch {
    // parseLibrary says what is wrong.
  }
  await changeLibrary(mergedLibrary(useLibrary.getState().library, parseLibrary(data)));
}
