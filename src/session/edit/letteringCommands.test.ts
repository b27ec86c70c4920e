import { jobOf, piece } from '@/core/pieces/fixtures';
import type { Job } from '@/core/document/types';

jest.mock('localforage', () => jest.requireActual<object>('@/platform/storage/fakeForage.fixture'));
jest.mock('@/platform/tabs', () => ({ tellTabs: () => undefined }));
jest.useFakeTimers();

import { isMonogram } from '@/core/lettering/monogram';
import { EMPTY_HISTORY } from '../job/history';
import { useJob } from '../job/jobStore';
import {
  addBorder,
  addLettering,
  addShadow,
  breakIntoPieces,
  breakIntoLetters,
  editLettering,
  letterInThread,
  makeMonogram,
  threadsByTurns,
  setFollows,
  textInPlaceOf,
} from './letteringCommands';
import { removePieces, reshape, transformPieces } from './commands';

const job = (): Job => useJob.getState().job!;
const steps = (): string[] => useJob.getState().history.past.map((s) => s.label);
const added = (): string => addLettering('Text', { x: 3, y: -4 }, 't1', 'p1');

beforeEach(() =>
  useJob.setState({ job: jobOf([piece('fill', { area: 'M0,0 h10 v10 h-10 Z' })]), status: 'ready', history: EMPTY_HISTORY }),
);

test('a text is set after the chosen piece, in one step', () => {
  const before = job();
  const id = added();
  expect(job().pieces.map((p) => p.id)).toEqual(['p1', id]);
  expect(job().pieces[1]).toMatchObject({ kind: 'lettering', name: 'Text', lettering: { text: 'Text', at: [3, -4] } });
  expect(steps()).toEqual(['Letter a text']);
  useJob.getState().undo();
  expect(job()).toEqual(before);
});

test('typing is one step, names the piece while nobody has, and leaves out what is as usual', () => {
  const id = added();
  for (const text of ['H', 'Ha', 'Harbour']) editLettering(id, { text }, 'one go');
  expect(steps()).toEqual(['Letter a text', 'Change the text']);
  expect(job().pieces[1]!.name).toBe('Harbour');
  editLettering(id, { slant: 10 });
  editLettering(id, { slant: undefined });
  expect('slant' in job().pieces[1]!.lettering!).toBe(false);
  useJob.getState().change('Rename', (j) => void (j.pieces[1]!.name = 'Crew'));
  editLettering(id, { text: 'Quay' });
  expect(job().pieces[1]!.name).toBe('Crew');
});

test('the next text begins with the values of the last', () => {
  editLettering(added(), { height: 14, face: 'gable', spacing: 5, pairs: { 1: 2 } });
  const id = added();
  const next = job().pieces.find((p) => p.id === id)!.lettering!;
  expect(next).toMatchObject({ height: 14, face: 'gable', spacing: 5, text: 'Text' });
  expect(next.pairs).toBeUndefined();
});

test('it breaks apart into letters and columns, one group in its place, and can be put together again', () => {
  const id = added();
  editLettering(id, { text: 'Hi' });
  const before = job();
  const letters = breakIntoLetters(id);
  expect(job().pieces.map((p) => p.id)).toEqual(['p1', ...letters]);
  expect(
    job()
      .pieces.slice(1)
      .map((p) => p.lettering!.text),
  ).toEqual(['H', 'i']);
  expect(
    new Set(
      job()
        .pieces.slice(1)
        .map((p) => p.group),
    ).size,
  ).toBe(1);
  useJob.getState().undo();
  expect(job()).toEqual(before);
  const columns = breakIntoPieces(id);
  expect(columns.length).toBeGreaterThan(4);
  expect(
    job()
      .pieces.slice(1)
      .every((p) => p.kind === 'satin' && p.sides),
  ).toBe(true);
});

test('a locked one stays as it is', () => {
  const id = added();
  useJob.getState().change('Lock', (j) => void (j.pieces[1]!.locked = true));
  const before = job();
  editLettering(id, { text: 'X' });
  expect(breakIntoLetters(id)).toEqual([]);
  expect(job().pieces).toEqual(before.pieces);
});

test('a shadow lies beneath its text and says what it says; a border goes round it; both go with it', () => {
  const id = added();
  const shadow = addShadow(id)!;
  const border = addBorder(id)!;
  expect(job().pieces.map((p) => p.id)).toEqual(['p1', shadow, id, border]);
  const found = (own: string) => job().pieces.find((p) => p.id === own)!;
  expect(found(shadow).thread).not.toBe(found(id).thread);
  const before = found(border).area!;
  editLettering(id, { text: 'A longer text' });
  expect(found(shadow).lettering!.text).toBe('A longer text');
  expect(found(border).area!.length).toBeGreaterThan(before.length);
  useJob.getState().undo();
  expect(found(shadow).lettering!.text).toBe('Text');
  expect(found(border).area).toBe(before);
  transformPieces([id], 'Move', [1, 0, 0, 1, 20, 0]);
  expect(found(shadow).lettering!.at![0] - found(id).lettering!.at![0]).toBeCloseTo(found(shadow).follows!.shift![0]);
  transformPieces([shadow], 'Move', [1, 0, 0, 1, 0, 5]);
  expect(found(shadow).follows!.shift![1]).toBeCloseTo(found(shadow).follows!.shift![0] + 5);
  setFollows(border, { gap: 6 });
  expect(found(border).area).not.toBe(before);
  removePieces([id]);
  expect(job().pieces.map((p) => p.id)).toEqual(['p1']);
});

test('what follows a text stands alone when it is let go, or shaped by hand', () => {
  const id = added();
  const [shadow, border] = [addShadow(id)!, addBorder(id)!];
  setFollows(shadow, undefined);
  reshape(border, 'Shape', (p) => void (p.area = 'M0,0 h9 v9 h-9 Z'));
  editLettering(id, { text: 'Other' });
  expect(job().pieces.find((p) => p.id === shadow)!.lettering!.text).toBe('Text');
  expect(job().pieces.find((p) => p.id === border)!.area).toBe('M0,0 h9 v9 h-9 Z');
});

test('a text takes the place of shapes, in the thread and the order of the first', () => {
  const shape = (id: string, thread: string) => piece('fill', { id, thread, area: 'M0,0 h5 v5 h-5 Z' });
  useJob.setState({ job: { ...job(), pieces: [shape('a', 't1'), shape('b', 't2'), shape('c', 't3'), shape('d', 't1')] } });
  const id = textInPlaceOf(['b', 'c'], { text: 'Hi', face: 'treadle', height: 5 });
  expect(job().pieces.map((p) => p.id)).toEqual(['a', id, 'd']);
  expect(job().pieces[1]).toMatchObject({ kind: 'lettering', name: 'Hi', thread: 't2' });
  useJob.getState().undo();
  expect(job().pieces.map((p) => p.id)).toEqual(['a', 'b', 'c', 'd']);
});

test('three letters become a monogram in a frame, in one step; the frame can take another shape', () => {
  const id = added();
  editLettering(id, { text: 'ABC', letters: { 0: { thread: 't9' } } });
  const before = steps().length;
  const frame = makeMonogram(id)!;
  expect(steps().length).toBe(before + 1);
  const text = job().pieces.find((p) => p.id === id)!.lettering!;
  expect(text.letters![1]!.height!).toBeGreaterThan(text.height);
  const drawn = () => job().pieces.find((p) => p.id === frame)!.area!;
  const circle = drawn();
  setFollows(frame, { frame: 'diamond' });
  expect(drawn()).not.toBe(circle);
  setFollows(frame, { frame: undefined });
  expect(job().pieces.find((p) => p.id === frame)!.follows).toEqual({ text: id, gap: expect.any(Number) as number });
});

test('only two or three letters are a monogram', () => {
  for (const [text, is] of [
    ['A', false],
    ['AB', true],
    ['ABC', true],
    ['ABCD', false],
    ['A B', false],
    ['A\nB', false],
  ] as const)
    // prettier-ignore
    expect([text, isMonogram({ text })]).toEqual([text, is]);
});

test('threads go by turns, letter by letter or word by word, the text’s own first', () => {
  const id = added();
  useJob.getState().change('Threads', (j) => void (j.threads = ['t1', 't2', 't3'].map((t) => ({ ...j.threads[0]!, id: t, code: t }))));
  editLettering(id, { text: 'ab cd\ne' });
  const own = () => Object.fromEntries(Object.entries(job().pieces[1]!.lettering!.letters ?? {}).map(([k, v]) => [k, v.thread]));
  threadsByTurns(id, 'letter');
  expect(own()).toEqual({ 1: 't2', 3: 't3', 6: 't2' });
  threadsByTurns(id, 'word');
  expect(own()).toEqual({ 3: 't2', 4: 't2', 6: 't3' });
});

test('a cone’s thread is taken for a text, or for one letter, and added to the job once', () => {
  const id = added();
  const cone = { code: 'V9', name: 'Rust', hex: '#aa4400', weight: 40 };
  letterInThread(id, null, cone);
  letterInThread(id, 2, cone);
  const rust = job().threads.filter((t) => t.code === 'V9');
  expect(rust).toHaveLength(1);
  expect(job().pieces[1]).toMatchObject({ thread: rust[0]!.id, lettering: { letters: { 2: { thread: rust[0]!.id } } } });
});
