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
import { selectAll } from '@/session/view/viewStore';
import { run as runTool } from '../bench/tools/draw';
import { putAway, takeTool } from '../bench/tools/inHand';
import { COMMANDS } from './registry';

const named = (name: string) => COMMANDS.find((c) => c.name === name)!;
const applies = (...names: string[]): boolean[] => names.map((n) => named(n).whyNot() === null);

beforeEach(() => {
  const block = (x: number) => piece('fill', { area: `M${x},0 h10 v10 h-10 Z` });
  useJob.setState({ job: jobOf([block(0), block(20)]), status: 'ready', history: EMPTY_HISTORY });
  selectAll([]);
  putAway();
});

test('no two commands answer to one key', () => {
  const keys = COMMANDS.map((c) => c.keys);
  expect(keys.filter((k, i) => keys.indexOf(k) !== i)).toEqual([]);
});

test('what changes pieces says that one has to be chosen, what joins them that two have', () => {
  expect(applies('Nudge left by 0.1 mm', 'Join what is chosen')).toEqual([false, false]);
  expect(named('Nudge left by 0.1 mm').whyNot()).toMatch(/Choose a piece/);
  selectAll(['p1']);
  expect(applies('Nudge left by 0.1 mm', 'Join what is chosen')).toEqual([true, false]);
  selectAll(['p1', 'p2']);
  expect(applies('Nudge left by 0.1 mm', 'Join what is chosen')).toEqual([true, true]);
});

test('undo, redo and putting a copy in say when there is nothing', () => {
  expect(applies('Undo', 'Redo', 'Put the copy in, in place')).toEqual([false, false, false]);
  selectAll(['p1']);
  named('Nudge left by 0.1 mm').run();
  named('Keep a copy of what is chosen').run();
  expect(applies('Undo', 'Redo', 'Put the copy in, in place')).toEqual([true, false, true]);
  named('Undo').run();
  expect(applies('Undo', 'Redo')).toEqual([false, true]);
});

test('a line can be done only while something is drawn', () => {
  expect(applies('Line done')).toEqual([false]);
  takeTool(runTool);
  expect(applies('Line done')).toEqual([true]);
});
