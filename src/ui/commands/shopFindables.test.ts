/** @jest-environment jsdom */
import { matching } from './matching';
import { keyCommand } from './keys';
import { shopFindables, type ShopPlace } from './shopFindables';

jest.mock('localforage', () => jest.requireActual<object>('@/platform/storage/fakeForage.fixture'));

const went: string[] = [];
const commands = [keyCommand('Mirror a copy', 'X', () => void went.push('mirrored'))];
const from = (at: ShopPlace) =>
  shopFindables(commands, { at, own: [], others: [{ id: 'h1', name: 'Heron badge' }], go: (href) => void went.push(href) });
const best = (typed: string, at: ShopPlace = 'shelf') => matching(from(at), typed)[0]!;

beforeEach(() => went.splice(0));

test.each([
  ['cloth', '/library#cloths'],
  ['glossary', '/library#words'],
  ['schedule', '/day'],
  ['heron', '/job/h1/bench'],
  ['hours', '/library#shop'],
])('‘%s’ leads to %s', (typed, href) => {
  const found = matching(from('shelf'), typed).filter((f) => f.whyNot() === null)[0]!;
  found.run();
  expect(went).toEqual([href]);
});

test('what needs a job says so and does nothing', () => {
  for (const typed of ['worksheet', 'bench', 'mirror', 'price']) {
    const found = best(typed);
    if (found.whyNot() === null) throw new Error(`${typed}: ${found.name} applies`);
    expect(found.whyNot()).toBe('Open a job first.');
    found.run();
  }
  expect(went).toEqual([]);
});

test('the page that one is on says so', () => {
  expect(matching(from('day'), 'day')[0]!.whyNot()).toBe('You are here.');
  expect(matching(from('shelf'), 'day')[0]!.whyNot()).toBeNull();
});
