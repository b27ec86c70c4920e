import { EXPORTS } from '@/core/formats/registry';
import { setShopUnits, useUnits } from '@/session/view/unitsStore';
import { PLACES } from '../places';
import { FLOOR_PARTS, jobs, LIBRARY_PARTS, PLACE_WORDS, UNITS, type NamedJob } from './findables';
import type { KeyCommand } from './keys';
import { bare, type Findable } from './matching';

export type ShopPlace = 'shelf' | 'library' | 'day';

export interface ShopWhereabouts {
  at: ShopPlace;
  /** What can be done on this page. */
  own: readonly Findable[];
  others: readonly NamedJob[];
  go(href: string): void;
}

const PAGES: readonly [ShopPlace, string, string, string][] = [
  ['shelf', 'Shelf', 'jobs home all', '/'],
  ['day', 'The day’s work', 'machines schedule today', '/day'],
];
const openFirst = (): string => 'Open a job first.';
const nothing = (): void => undefined;

const units = (): Findable[] =>
  (['mm', 'in'] as const).map((value) =>
    bare(
      `${UNITS[value]}, here and in new jobs`,
      'units metric settings',
      () => setShopUnits(value),
      () => (useUnits.getState().shop === value ? 'They are.' : null),
    ),
  );

/** What an open job has, told so that nobody looks for it in vain. */
const ofAJob = (commands: readonly KeyCommand[]): Findable[] => [
  ...PLACES.map((p) => bare(`${p.name}: ${p.question}`, PLACE_WORDS[p.key], nothing, openFirst)),
  ...FLOOR_PARTS.map(([, name, words]) => bare(`Floor: ${name}`, words, nothing, openFirst)),
  ...EXPORTS.map((f) => bare(`Take away: ${f.name} (.${f.extension})`, `export download file save ${f.use}`, nothing, openFirst)),
  ...commands.map((c) => ({ ...c, run: nothing, whyNot: openFirst })),
];

/** Everything that can be found where no job is open: what the page does, other places, jobs, and what needs a job. */
export function shopFindables(commands: readonly KeyCommand[], { at, own, others, go }: ShopWhereabouts): Findable[] {
  return [
    ...own,
    ...PAGES.map(([page, name, words, href]) =>
      bare(
        name,
        words,
        () => go(href),
        () => (page === at ? 'You are here.' : null),
      ),
    ),
    ...LIBRARY_PARTS.map(([part, name, words]) => bare(name, words, () => go(`/library#${part}`))),
    bare('Compare versions or jobs', 'difference', () => go('/compare')),
    ...units(),
    ...jobs({ others, go }),
    ...ofAJob(commands),
  ];
}
