import { showGuide } from '../guide/guideStore';
import { SETTINGS } from '@/core/document/catalogue';
import type { Job } from '@/core/document/types';
import { EXPORTS } from '@/core/formats/registry';
import { changeBrief } from '@/session/edit/commands';
import { select, useView } from '@/session/view/viewStore';
import { takeAway } from '../components/takeAwayFile';
import { PLACES, placeHref, type PlaceKey } from '../places';
import type { KeyCommand } from './keys';
import { bare, type Findable } from './matching';

/** A job of the shelf, as far as it is looked for. */
export interface NamedJob {
  id: string;
  name: string;
}

export interface Whereabouts {
  place: PlaceKey;
  job: Job;
  /** Other jobs of the shelf. */
  others: readonly NamedJob[];
  go(href: string): void;
}

export const PLACE_WORDS: Record<PlaceKey, string> = {
  brief: 'size cloth fabric hoop garment units customer questions approval versions settings',
  art: 'artwork picture colours trace size report',
  bench: 'stitches pieces draw edit',
  sewouts: 'sample test photo gap fault calibration card learn',
  floor: 'production machine copies worksheet price',
};
export const FLOOR_PARTS: readonly [part: string, name: string, words: string][] = [
  ['hoop', 'Copies in the hoop', 'layout sheet names array'],
  ['garment', 'Where it lies on the garment', 'placement chest position'],
  ['sheet', 'Worksheet', 'print pdf operator threads stops'],
  ['run', 'Time and thread', 'minutes cones bobbin metres'],
  ['price', 'Price and quotation', 'cost quote money offer'],
  ['machine', 'Machine', 'sew run send'],
];
export const LIBRARY_PARTS: readonly [part: string, name: string, words: string][] = [
  ['ways', 'Library: ways of sewing', 'gallery samples stitches'],
  ['faces', 'Library: faces', 'fonts letters'],
  ['cloths', 'Library: cloths', 'recipes fabric values'],
  ['threads', 'Library: threads', 'chart cones colours'],
  ['hoops', 'Library: hoops and needles', 'field frame'],
  ['shop', 'Library: shop', 'hours rates paper name settings'],
  ['words', 'Library: words of the craft', 'glossary meaning help terms what is'],
  ['schools', 'Library: schools', 'habits preferences defaults settings'],
];

function places({ job, place, go }: Whereabouts): Findable[] {
  return [
    bare('Shelf', 'jobs home all', () => go('/')),
    ...PLACES.map(
      (p) =>
      bare(`${p.name}: ${p.question}`, PLACE_WORDS[p.key], () => go(placeHref(job.id, p.key)), () => (p.key === place ? 'You are here.' : null)), // prettier-ignore
    ),
    ...FLOOR_PARTS.map(([part, name, words]) => bare(`Floor: ${name}`, words, () => go(`${placeHref(job.id, 'floor')}#${part}`), () => (job.pieces.length === 0 ? 'It needs a job that has pieces.' : null))), // prettier-ignore
    ...LIBRARY_PARTS.map(([part, name, words]) => bare(name, words, () => go(`/library#${part}`))),
    bare('Guide: what is next', 'help first steps tutorial how', () => showGuide(true)),
    bare('The day’s work', 'machines schedule', () => go('/day')),
    bare('Compare with another version or job', 'difference versions', () =>
      go(`/compare?left=${encodeURIComponent(`opened ${job.id}`)}&right=${encodeURIComponent(`now ${job.id}`)}`),
    ),
  ];
}

const exportsOf = ({ job }: Whereabouts): Findable[] =>
  EXPORTS.map(
    (f) =>
    bare(`Take away: ${f.name} (.${f.extension})`, `export download file save ${f.use}`, () => void takeAway(f.extension), () => (job.pieces.length === 0 && f.extension !== 'cobble' ? 'Stitches can be taken away once the job has pieces.' : null)), // prettier-ignore
  );

export const UNITS = { mm: 'Lengths in millimetres', in: 'Lengths in inches' } as const;

const ofTheJob = ({ job }: Whereabouts): Findable[] =>
  (['mm', 'in'] as const).map(
    (units) =>
    bare(UNITS[units], 'units metric', () => void changeBrief('Units', { units }), () => ((job.brief.units ?? 'mm') === units ? 'They are.' : null)), // prettier-ignore
  );

/** The row of a setting on the stitch card, where the chosen piece has it. */
const rowOf = (label: string): HTMLElement | null => document.querySelector(`[data-setting=${JSON.stringify(label)}]`);

function whyNoSetting(place: PlaceKey, label: string): string | null {
  if (place !== 'bench') return 'On the Bench.';
  if (useView.getState().selected === null) return 'Choose a piece first.';
  return rowOf(label) ? null : 'The chosen piece has no such setting.';
}

function settings({ place }: Whereabouts): Findable[] {
  const labels = [...new Set(Object.values(SETTINGS).map((s) => s.label))];
  return labels.map(
    (label) =>
    bare(`${label} of the chosen piece`, 'setting', () => {
      const row = rowOf(label);
      row?.scrollIntoView({ block: 'center' });
      row?.querySelector<HTMLElement>('input, select, button:not([title])')?.focus();
    }, () => whyNoSetting(place, label)), // prettier-ignore
  );
}

const pieces = ({ job, place, go }: Whereabouts): Findable[] =>
  job.pieces.map(
    (p) =>
    bare(`Choose ‘${p.name}’`, `piece ${p.kind} ${job.threads.find((t) => t.id === p.thread)?.name ?? ''}`, () => {
      if (place !== 'bench') go(placeHref(job.id, 'bench'));
      select(p.id);
    }), // prettier-ignore
  );

export const jobs = ({ others, go }: Pick<Whereabouts, 'others' | 'go'>): Findable[] =>
  others.map(({ id, name }) => bare(`Open ‘${name}’`, 'job', () => go(placeHref(id, 'bench'))));

/** Everything that can be found from a place of a job, commands of the Bench first. */
export function findables(commands: readonly KeyCommand[], bench: readonly KeyCommand[], here: Whereabouts): Findable[] {
  const elsewhere = (c: KeyCommand): Findable => (here.place === 'bench' ? c : { ...c, whyNot: () => 'On the Bench.' });
  return [
    ...commands.filter((c) => !bench.includes(c)),
    ...bench.map(elsewhere),
    ...places(here),
    ...exportsOf(here),
    ...ofTheJob(here),
    ...settings(here),
    ...pieces(here),
    ...jobs(here),
  ];
}
