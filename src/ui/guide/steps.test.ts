import { emptyJob } from '@/core/document/job';
import type { Piece } from '@/core/document/types';
import type { PlanFigures } from '@/core/plan/measure';
import { nextPlace, stepAt, WAY, type Known } from './steps';

const piece = (id: string, kind: 'fill' | 'satin'): Piece => ({ id, name: id, kind, thread: 't1', settings: {} });
const known = (over: Partial<Known> = {}): Known => ({
  job: { ...emptyJob('j', 'J'), pieces: [piece('a', 'fill'), piece('b', 'satin'), piece('c', 'satin')] },
  figures: { stitches: 1234, trims: 1 } as PlanFigures,
  findings: { stops: 0, others: 0 },
  ...over,
});

test('the way leads from the brief to the floor, one place after the other, in three steps', () => {
  const walked = [WAY[0]!];
  for (let next = nextPlace(walked[0]!); next; next = nextPlace(next)) walked.push(next);
  expect(walked).toEqual(['brief', 'art', 'bench', 'floor']);
  expect(nextPlace('floor')).toBeNull();
});

test('every place of the way says what is next and why; sew-outs are no part of it', () => {
  for (const place of WAY) {
    const step = stepAt(place, known())!;
    expect(step.title.length).toBeGreaterThan(10);
    expect(step.why.length).toBeGreaterThan(20);
  }
  expect(stepAt('sewouts', known())).toBeNull();
});

test('the brief tells what follows from the cloth', () => {
  const pique = stepAt('brief', known())!.decided;
  const job = known().job;
  const terry = stepAt('brief', known({ job: { ...job, brief: { ...job.brief, cloth: 'terry' } } }))!.decided;
  expect(pique).toMatch(/\d\.\d\d mm apart/);
  expect(terry).not.toBe(pique);
});

test('art tells how many pieces of which kind were made', () => {
  expect(stepAt('art', known())!.decided).toMatch(/^3 pieces .*1 × .*2 × /);
  expect(stepAt('art', known({ job: emptyJob('j', 'J') }))!.decided).toMatch(/No pieces/);
});

test('the bench does not promise what the proof has not looked at, and puts severe findings first', () => {
  expect(stepAt('bench', known({ figures: null }))!.decided).toMatch(/being laid/);
  expect(stepAt('bench', known({ findings: null }))!.decided).toMatch(/1,234 stitches, 1 trim\. The proof is looking/);
  expect(stepAt('bench', known({ findings: { stops: 2, others: 1 } }))!.decided).toMatch(/2 severe findings/);
  expect(stepAt('bench', known({ findings: { stops: 0, others: 3 } }))!.decided).toMatch(/Nothing severe; 3 smaller/);
  expect(stepAt('bench', known())!.decided).toMatch(/finds nothing/);
});
