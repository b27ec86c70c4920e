import { UNDERLAY_WORDS } from '../document/words';
import type { ResolvedSettings } from './resolve';

const joined = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words[words.length - 1]}`;

const named = (word: string): string => `${/^[aeiou]/i.test(word) ? 'an' : 'a'} ${word.toLowerCase()}`;

/** From the shortest row to the longest one, where they differ. */
function pulled(pull: ResolvedSettings['pullComp']): string {
  if (!pull) return '0.00';
  const [least, most] = [pull.least, pull.most].map((mm) => mm.toFixed(2));
  return most === least ? least! : `${least} (shortest rows) to ${most}`;
}

/** Of a piece that is sewn in rows: what its kind says of it, then its rows, what lies beneath and how much wider it is sewn. */
export function rowsSentence(head: string, s: ResolvedSettings): string {
  const layers = new Set((s.underlay?.value ?? []).map((layer) => named(UNDERLAY_WORDS[layer.kind])));
  const over = layers.size === 0 ? ', nothing beneath' : ` over ${joined([...layers])}`;
  const wider = s.pullCompSides
    ? `${s.pullCompSides.value.map((v) => v.toFixed(2)).join(' and ')} wider at its sides`
    : `${pulled(s.pullComp)} wider at each side`;
  const to = s.spacingTo ? ` opening to ${s.spacingTo.value.toFixed(2)}` : ' apart';
  return `${head}, rows ${s.spacing?.value.toFixed(2)}${to}${over}, ${wider}.`;
}
