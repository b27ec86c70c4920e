import { piece, jobOf } from '../pieces/fixtures';
import { fitsHoop, HOOPS, smallestHoop } from './job';
import { briefSchema, parseJob } from './schema';
import { JOB_VERSION } from './types';

const job = jobOf([piece('fill', { area: 'M0,0 H10 V10 Z' })]);
const messageOf = (data: unknown): string => {
  try {
    parseJob(data);
    return 'accepted';
  } catch (error) {
    return (error as Error).message;
  }
};

test('a sound job is taken as it is', () => {
  expect(parseJob(structuredClone(job))).toEqual(job);
});

test.each<[string, (j: typeof job) => unknown, RegExp]>([
  ['a newer version', (j) => ({ ...j, cobble: JOB_VERSION + 1 }), /newer Cobble/],
  ['something else', () => ({ hello: 1 }), /not a Cobble job/],
  ['nothing', () => null, /not a Cobble job/],
  ['negative spacing', (j) => ({ ...j, pieces: [{ ...j.pieces[0], settings: { spacing: -1 } }] }), /spacing.*0\.15/],
  ['a spacing that is no number', (j) => ({ ...j, pieces: [{ ...j.pieces[0], settings: { spacing: NaN } }] }), /spacing.*number/],
  ['an unknown cloth', (j) => ({ ...j, brief: { ...j.brief, cloth: 'chainmail' } }), /cloth/],
  ['a thread that is not there', (j) => ({ ...j, pieces: [{ ...j.pieces[0], thread: 't9' }] }), /t9/],
  ['two pieces of one name', (j) => ({ ...j, pieces: [j.pieces[0], j.pieces[0]] }), /two pieces/],
  ['a piece without a shape', (j) => ({ ...j, pieces: [{ ...j.pieces[0], area: undefined }] }), /no shape/],
  [
    'a file name with a path',
    (j) => ({ ...j, artwork: [{ id: 'a', file: '../x.svg', transform: [1, 0, 0, 1, 0, 0], locked: true }] }),
    /file/,
  ],
])('%s is refused with a reason', (_, make, reason) => {
  const message = messageOf(make(structuredClone(job)));
  expect(message).toMatch(reason);
  expect(message).toMatch(/\.$/);
});

test('a brief outside its ranges is not taken', () => {
  expect(briefSchema.validate({ ...job.brief, quantity: 0 }).error).toBeDefined();
  expect(briefSchema.validate({ ...job.brief, size: { width: Infinity } }).error).toBeDefined();
  expect(briefSchema.validate(job.brief).error).toBeUndefined();
});

test('the smallest hoop that holds a design is found; a round field must hold its corners', () => {
  expect(smallestHoop(95, 95)).toMatchObject({ width: 100 });
  expect(smallestHoop(101, 50)).toMatchObject({ width: 130, height: 60 });
  expect(smallestHoop(500, 500)).toBeNull();
  expect(fitsHoop({ width: 60, height: 60, shape: 'round' }, 50, 50)).toBe(false);
  expect(HOOPS.every((h) => h.width > 0)).toBe(true);
});
