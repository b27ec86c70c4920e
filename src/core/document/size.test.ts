import { jobOf, piece } from '../pieces/fixtures';
import { sizeGap } from './size';
import type { ArtworkRef, Job } from './types';

const art = (more: Partial<ArtworkRef> = {}): ArtworkRef => ({
  id: 'a1',
  file: 'a.svg',
  transform: [1, 0, 0, 1, 0, 0],
  locked: true,
  ...more,
});
const made = (size: Job['brief']['size'], ref: ArtworkRef | null): Job => {
  const job = jobOf([piece('fill', { area: 'M-40,-20 h80 v40 h-80 Z' })]);
  return { ...job, brief: { ...job.brief, size }, artwork: ref ? [ref] : [] };
};

test('a size that reached the pieces is no gap; one that did not is told with both figures', () => {
  const ref = art({ madeAt: { width: 80, height: 40 } });
  expect(sizeGap(made({ width: 80 }, ref))).toBeNull();
  expect(sizeGap(made({ width: 80.1 }, ref))).toBeNull();
  expect(sizeGap(made({ width: 150 }, ref))).toEqual({ side: 'width', askedMm: 150, madeMm: 80 });
  expect(sizeGap(made({ height: 44 }, ref))).toEqual({ side: 'height', askedMm: 44, madeMm: 40 });
});

test('a job of an earlier version is measured by its pieces, roughly', () => {
  expect(sizeGap(made({ width: 83 }, art()))).toBeNull();
  expect(sizeGap(made({ width: 150 }, art()))!.madeMm).toBeCloseTo(80, 1);
});

test('drawn jobs, jobs without pieces and pieces of another drawing have no such gap', () => {
  expect(sizeGap(made({ width: 150 }, null))).toBeNull();
  expect(sizeGap({ ...made({ width: 150 }, art()), pieces: [] })).toBeNull();
  expect(sizeGap(made({ width: 150 }, art({ madeWith: 'another drawing' })))).toBeNull();
  expect(sizeGap(made({}, art()))).toBeNull();
});
