import type { Job, Lettering } from '../document/types';
import { hexOfRow, jobForName, readNames } from './names';
import { extentOf, jobOfText } from './textJob';
import { THREAD_CHART } from '../cloth/threads';

const job: Job = jobOfText({
  id: 'x',
  name: 'Crew',
  text: { text: 'ADA', face: 'treadle', height: 12, pairs: { 0: 3 }, letters: { 1: { cut: true } } },
});
const nameIn = (of: Job): Lettering => of.pieces[0]!.lettering!;
const width = (t: Lettering): number => {
  const b = extentOf(t)!;
  return b.maxX - b.minX;
};

test.each([
  ['Ada\nBo\n\nCy Quill\n', ['Ada', 'Bo', 'Cy Quill'], [1, 2, 4]],
  ['name,size\nAda,12\n"Quill, Cy",9\n', ['Ada', 'Quill, Cy'], [2, 3]],
  ['Size;Name\r\n12;Ada\r\n;Bo', ['Ada', 'Bo'], [2, 3]],
  ['', [], []],
])('%j is a list', (text, names, rows) => {
  expect(readNames(text).map((r) => r.name)).toEqual(names);
  expect(readNames(text).map((r) => r.row)).toEqual(rows);
});

test('a table without names is refused', () => expect(() => readNames('a,b\n1,2')).toThrow(/column ‘name’/));

test('a list longer than anybody sews is refused', () => {
  expect(() => readNames('A\n'.repeat(5001))).toThrow(/5001 names/);
});

test('a name takes the place of a text, without what its single letters had', () => {
  const made = jobForName(job, 'p1', { row: 1, name: 'BO' }, { fit: 'height' });
  expect(made.name).toBe('Crew, BO');
  expect(nameIn(made)).toMatchObject({ text: 'BO', height: 12, at: nameIn(job).at });
  expect('pairs' in nameIn(made) || 'letters' in nameIn(made)).toBe(false);
  expect(nameIn(job).text).toBe('ADA');
});

test('fitted to the width a longer name gets lower, a shorter one stays', () => {
  const long = nameIn(jobForName(job, 'p1', { row: 1, name: 'MAXIMILIAN' }, { fit: 'width' }));
  expect(long.height).toBeLessThan(8);
  expect(width(long)).toBeCloseTo(width(nameIn(job)), 0);
  expect(nameIn(jobForName(job, 'p1', { row: 1, name: 'BO' }, { fit: 'width' })).height).toBe(12);
});

test('a row’s own size and thread count', () => {
  const { code, hex } = THREAD_CHART[5]!;
  const made = jobForName(job, 'p1', { row: 1, name: 'BO', size: '8', thread: code.toLowerCase() }, { fit: 'width' });
  expect(nameIn(made).height).toBe(8);
  expect(made.threads.find((t) => t.id === made.pieces[0]!.thread)!.code).toBe(code);
  expect(hexOfRow({ thread: code })).toBe(hex);
  expect(job.threads).toHaveLength(1);
});

test.each([
  [{ name: '' }, /no name/],
  [{ name: 'B漢' }, /has no ‘漢’/],
  [{ name: 'BO', size: 'tall' }, /height from 2 to 500 mm, not ‘tall’/],
  [{ name: 'BO', thread: 'pink' }, /not ‘pink’/],
  [{ name: 'WILHELMINA-WILHELMINA' }, /out of the hoop/],
])('%j is refused in a sentence', (row, why) => {
  expect(() => jobForName(job, 'p1', { row: 1, ...row }, { fit: 'height' })).toThrow(why);
});
