/** @jest-environment jsdom */
import { jobOf, piece } from '@/core/pieces/fixtures';

jest.mock('localforage', () => jest.requireActual<object>('@/platform/storage/fakeForage.fixture'));
jest.mock('@/platform/tabs', () => ({ tellTabs: () => undefined }));
jest.mock('@/workers/client', () => {
  const never = { call: () => new Promise(() => undefined), replaced: null };
  return { engine: never, easel: never, prover: never, painter: never };
});
jest.mock('@/session/notice', () => ({ toast: Object.assign(() => undefined, { error: () => undefined }) }));
jest.useFakeTimers();

import { EMPTY_HISTORY } from '@/session/job/history';
import { useJob } from '@/session/job/jobStore';
import { select, selectAll, useView } from '@/session/view/viewStore';
import type { PlaceKey } from '../places';
import { findables } from './findables';
import { matching, type Findable } from './matching';
import { BENCH_KEYS, COMMANDS } from './registry';

const went: string[] = [];
const from = (place: PlaceKey): Findable[] =>
  findables(COMMANDS, BENCH_KEYS, {
    place,
    job: useJob.getState().job!,
    others: [{ id: 'other', name: 'Heron badge' }],
    go: (href) => void went.push(href),
  });
const found = (typed: string, place: PlaceKey = 'bench'): string[] => matching(from(place), typed).map((f) => f.name);

beforeEach(() => {
  went.splice(0);
  const job = jobOf([{ ...piece('fill', { area: 'M0,0 h10 v10 h-10 Z' }), name: 'Far hill' }]);
  useJob.setState({ job, status: 'ready', history: EMPTY_HISTORY });
  selectAll([]);
});

test.each([
  ['worksheet', 'Floor: Worksheet'],
  ['pdf', 'Take away: Worksheet (.pdf)'],
  ['export', 'Take away: Bundle (.cobble)'],
  ['cloth', 'Brief: What must it be?'],
  ['density', 'Spacing of the chosen piece'],
  ['units', 'Lengths in inches'],
  ['inches', 'Lengths in inches'],
  ['rotate', 'Direction of the chosen piece'],
  ['trim', 'The path: a better order, and why the thread is cut'],
  ['delete', 'Remove what is chosen'],
  ['hoop', 'Floor: Copies in the hoop'],
  ['price', 'Floor: Price and quotation'],
  ['quote', 'Floor: Price and quotation'],
  ['font', 'Library: faces'],
  ['fabric', 'Library: cloths'],
  ['zoom in', 'Nearer'],
  ['heron', 'Open ‘Heron badge’'],
  ['far hill', 'Choose ‘Far hill’'],
  ['undo', 'Undo'],
])('‘%s’ finds ‘%s’ among the first eight', (typed, wanted) => {
  const names = found(typed);
  expect(names).toContain(wanted);
  expect(names.indexOf(wanted)).toBeLessThan(8);
});

test('places, parts of places, pieces and other jobs are gone to', () => {
  const all = from('brief');
  const run = (name: string): void => all.find((f) => f.name === name)!.run();
  run('Shelf');
  run('Floor: Price and quotation');
  run('Choose ‘Far hill’');
  run('Open ‘Heron badge’');
  const { id } = useJob.getState().job!;
  expect(went).toEqual(['/', `/job/${id}/floor#price`, `/job/${id}/bench`, '/job/other/bench']);
  expect(useView.getState().selected).toBe('p1');
});

test('what does not apply now says why', () => {
  const why = (name: string, place: PlaceKey): string | null =>
    from(place)
      .find((f) => f.name === name)!
      .whyNot();
  expect(why('Nearer', 'brief')).toBe('On the Bench.');
  expect(why('Nearer', 'bench')).toBeNull();
  expect(why('Brief: What must it be?', 'brief')).toBe('You are here.');
  expect(why('Spacing of the chosen piece', 'floor')).toBe('On the Bench.');
  expect(why('Spacing of the chosen piece', 'bench')).toBe('Choose a piece first.');
  select('p1');
  expect(why('Spacing of the chosen piece', 'bench')).toBe('The chosen piece has no such setting.');
  document.body.innerHTML = '<div data-setting="Spacing"><input /></div>';
  expect(why('Spacing of the chosen piece', 'bench')).toBeNull();
  expect(why('Lengths in millimetres', 'bench')).toBe('They are.');
  useJob.setState({ job: { ...useJob.getState().job!, pieces: [] } });
  expect(why('Floor: Worksheet', 'bench')).toMatch(/pieces/);
  expect(why('Take away: Stitch list (.csv)', 'bench')).toMatch(/pieces/);
  expect(why('Take away: Bundle (.cobble)', 'bench')).toBeNull();
});

test('a setting gets the focus on its card, and lengths change at once', () => {
  document.body.innerHTML = '<div data-setting="Spacing"><button title="like">Spacing</button><input /></div>';
  Element.prototype.scrollIntoView = () => undefined;
  select('p1');
  const run = (name: string): void =>
    from('bench')
      .find((f) => f.name === name)!
      .run();
  run('Spacing of the chosen piece');
  expect(document.activeElement).toBe(document.querySelector('input'));
  run('Lengths in inches');
  expect(useJob.getState().job!.brief.units).toBe('in');
});
