import { EMPTY_LIBRARY, parseLibrary, type ShopLibrary } from '@/core/cloth/library';
import { tableOf } from './table';

const preferences = tableOf<unknown>('cobble', 'preferences');

/** What the shop keeps beside its jobs; an empty library when there is none or it is damaged. */
export async function loadLibrary(): Promise<ShopLibrary> {
  try {
    return parseLibrary(await preferences.get('library'));
  } catch {
    return EMPTY_LIBRARY;
  }
}

/** @throws StorageError with a sentence for people */
export const saveLibrary = (library: ShopLibrary): Promise<void> => preferences.set('library', library);

export const preference = <T>(key: string): Promise<T | null> => preferences.get(key).catch(() => null) as Promise<T | null>;

export const keepPreference = (key: string, value: unknown): Promise<void> => preferences.set(key, value).catch(() => undefined);
