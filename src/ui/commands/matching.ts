import type { KeyCommand } from './keys';
import { meaningsOf } from './usualWords';

/** What the palette can find: a command, a place, a file to take away, a setting, a piece or a job. */
export interface Findable extends Pick<KeyCommand, 'name' | 'keys' | 'run' | 'whyNot'> {
  /** Further words that it is looked for by. */
  words?: string;
}

const always = (): null => null;

/** Something to be found that has no key. */
export const bare = (name: string, words: string, run: () => void, whyNot: () => string | null = always): Findable => ({ name, keys: '', words, run, whyNot }); // prettier-ignore

/** How well one typed word fits: its own words before what is only meant by it; 0 where it does not. */
function fit({ name, words = '' }: Findable, typed: string): number {
  const [own, more] = [name.toLowerCase(), words.toLowerCase()];
  if (own.startsWith(typed) || own.includes(` ${typed}`) || own.includes(`‘${typed}`)) return 4;
  if (own.includes(typed)) return 3;
  if (` ${more}`.includes(` ${typed}`)) return 2;
  return meaningsOf(typed).some((w) => own.includes(w) || more.includes(w)) ? 1 : 0;
}

/** What fits every word that was typed, in any order: the best first, else as they come. */
export function matching<F extends Findable>(all: readonly F[], typed: string): F[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  return all
    .map((one) => ({ one, fits: words.map((w) => fit(one, w)) }))
    .filter(({ fits }) => fits.every((f) => f > 0))
    .map(({ one, fits }) => ({ one, score: fits.reduce((a, b) => a + b, 0) }))
    .sort((a, b) => b.score - a.score)
    .map(({ one }) => one);
}
