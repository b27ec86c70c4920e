import { useLibrary } from '@/session/shop/libraryStore';
import type { TakenAs } from '@/session/derived/takeAwayStore';

/** Whose paper it is, and of which size. */
export function usePaper(): Pick<TakenAs, 'shop' | 'paper'> {
  const { name, address, paper } = useLibrary((s) => s.library.shop);
  return { shop: { name, address }, paper };
}
