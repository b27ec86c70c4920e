import { madeJob } from '../sewouts/fixtures';
import { parseJob } from './schema';
import { frozen, jobAsSewn, measuredGaps, newSewout, signOffWords, signedOff, versionNumber } from './sewout';
import type { Sewout } from './sewoutTypes';
import type { Job } from './types';

const job = madeJob([{ id: 'a', kind: 'fill', area: 'M-10,-10 h20 v20 h-20 Z' }]);
const test1: Sewout = newSewout(job, { id: 's1', on: '2026-11-24', by: 'Maren' });
const logged: Job = { ...job, sewouts: [test1] };
const changed: Job = { ...logged, pieces: job.pieces.map((p) => ({ ...p, settings: { spacing: 0.5 } })) };

test('versions are counted: what was sewn keeps its number, what was changed since has the next', () => {
  expect([versionNumber(job), versionNumber(logged), versionNumber(changed)]).toEqual([1, 1, 2]);
  const again: Job = { ...changed, sewouts: [test1, newSewout(changed, { id: 's2', on: '2026-11-25', by: '' })] };
  expect(again.sewouts[1]!.version.number).toBe(2);
  // Back to what was sewn first: that is version 1 again.
  expect(versionNumber({ ...again, pieces: job.pieces })).toBe(1);
});

test('what was sewn is frozen: later changes leave it as it was', () => {
  expect(jobAsSewn(changed, test1).pieces).toEqual(job.pieces);
  expect(frozen(changed, 'opened').note).toBe('opened');
});

test('a test is signed off only for what was sewn in it', () => {
  const signed: Job = { ...logged, sewouts: [{ ...test1, signed: { on: '2026-11-26', by: 'Maren' } }] };
  expect(signedOff(signed)!.id).toBe('s1');
  expect(signOffWords(signed)).toEqual({ words: 'Version 1 approved for production on 2026-11-26 by Maren', still: true });
  const since = { ...signed, pieces: changed.pieces };
  expect(signedOff(since)).toBeNull();
  expect(signOffWords(since)!.still).toBe(false);
  expect(signOffWords(logged)).toBeNull();
});

test('gaps are told the widest first; what was not measured is none', () => {
  const marks: Sewout['marks'] = [
    { id: '1', kind: 'gap', mm: 0.3 },
    { id: '2', kind: 'gap' },
    { id: '3', kind: 'height', mm: 9 },
    { id: '4', kind: 'gap', mm: 1.1 },
  ];
  expect(measuredGaps({ marks }).map((m) => m.mm)).toEqual([1.1, 0.3]);
});

test('the record of a test is read back whole, and what is in it is checked like a job', () => {
  const full: Sewout = {
    ...test1,
    setup: { stabilizer: 'cutaway', layers: 2, backingGsm: 65, hooping: 'drum-flat', tension: 'usual', speed: 700, testThread: true },
    photos: [
      {
        id: 'p',
        file: 'photo-p.jpg',
        width: 3000,
        height: 2000,
        laying: { matrix: [1, 0, 0, 0, 1, 0, 0, 0, 1], bend: 0.01, errorMm: 0.1, by: 'found' },
      },
    ],
    marks: [{ id: 'm', kind: 'gap', piece: 'a', at: [1, 2], to: [1, 3], mm: 1, cause: 'pull' }],
    notes: 'Cloth shows.',
    log: [{ s: 3, what: 'Started.' }],
    outcomes: [{ fault: 'pucker', remedy: 'stretched', helped: true }],
  };
  const read = parseJob(JSON.parse(JSON.stringify({ ...job, sewouts: [full] })));
  expect(read.sewouts).toEqual([full]);
  const refused = (sewout: unknown): string => {
    try {
      parseJob({ ...job, sewouts: [sewout] });
      return '';
    } catch (error) {
      return (error as Error).message;
    }
  };
  expect(refused({ ...full, sewout: 2 })).toMatch(/cannot be used/);
  expect(refused({ ...full, marks: [{ id: 'm', kind: 'hole' }] })).toMatch(/cannot be used/);
  expect(refused({ ...full, photos: [{ ...full.photos[0], file: '../x' }] })).toMatch(/cannot be used/);
  expect(refused({ ...full, version: { ...full.version, pieces: [{ id: 'b', kind: 'fill' }] } })).toMatch(/cannot be used/);
});
