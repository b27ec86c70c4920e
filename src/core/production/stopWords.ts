import type { SewnStop } from './stops';

const MOST_NAMES = 5;
/** Names of parts and copies of one piece are one: `Limpet 2` and `Limpet 3`. */
const stem = (name: string): string => name.replace(/ \d+$/, '');

/** What is done in one stretch, and what a hand does before it. @param pieces names by their numbers */
export function stopSentence({ pieces, byHand }: Pick<SewnStop, 'pieces' | 'byHand'>, names: readonly string[]): string {
  const all = [...new Set(pieces.map((p) => stem(names[p] ?? '?')))];
  const told = all.slice(0, MOST_NAMES).join(', ') + (all.length > MOST_NAMES ? ` and ${all.length - MOST_NAMES} more` : '');
  return byHand ? `By hand first: lay on, or cut away, what the piece asks for. Then ${told}` : told;
}
