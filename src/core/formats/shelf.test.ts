import { EMPTY_LIBRARY } from '../cloth/library';
import { jobOf, piece } from '../pieces/fixtures';
import { packJob, readShelf, writePacked, writeShelf, type ShelfJob } from './shelf';

const job = jobOf([piece('run', { line: 'M0,0 h10' })]);
const older = { ...job, pieces: [piece('run', { line: 'M0,0 h4' })] };
const shelved: ShelfJob = {
  ...{ job, artwork: { 'a.svg': '<svg/>' }, updated: 7 },
  versions: [
    { job: older, kept: 5, name: 'First sample', note: 'too short' },
    { job, kept: 6 },
  ],
};

test('kept versions come back with their names and notes, in the order in which they were', () => {
  const back = readShelf(writeShelf({ jobs: [shelved, { job: { ...job, id: 'two' }, artwork: {}, updated: 8 }], library: EMPTY_LIBRARY }))!;
  expect(back.damaged).toBe(0);
  expect(back.jobs[0]).toEqual(shelved);
  expect(back.jobs[1]).not.toHaveProperty('versions');
});

test('packed job by job the file is the same, byte for byte', () => {
  const whole = writeShelf({ jobs: [shelved], library: EMPTY_LIBRARY });
  expect(Buffer.from(writePacked([packJob(shelved)], EMPTY_LIBRARY)).equals(Buffer.from(whole))).toBe(true);
});

test('a damaged version keeps neither its job nor the other versions away', () => {
  const broken = { ...shelved, versions: [{ job: { ...older, pieces: 3 } as never, kept: 5 }, ...shelved.versions!.slice(1)] };
  const back = readShelf(writeShelf({ jobs: [broken], library: EMPTY_LIBRARY }))!;
  expect([back.damaged, back.jobs.length]).toEqual([0, 1]);
  expect(back.jobs[0]!.versions).toEqual([{ job, kept: 6 }]);
});
