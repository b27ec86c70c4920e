import type { Job } from '../document/types';
import { forecast } from '../forecast/forecast';
import { jobOf, piece } from '../pieces/fixtures';
import { Planner } from '../plan/planner';
import { letterHeightsOf } from './letterForecast';

const bar = (x: number) => piece('satin', { area: `M${x},-6 h2.4 v12 h-2.4 Z` }, { pullComp: 0, pushComp: 0 });
/** A round letter as high as the bars, or higher at both ends. */
const ring = (x: number, more = 0) => {
  const [r, inner] = [6 + more, 3.6];
  return piece(
    'satin',
    { area: `M${x},${-r} a${r},${r} 0 1 0 0.01,0 Z M${x},${-inner} a${inner},${inner} 0 1 1 -0.01,0 Z` },
    { pullComp: 0, pushComp: 0 },
  );
};
const word = (more = 0): Job => {
  const job = jobOf([bar(-16), ring(-6, more), bar(3), bar(9)]);
  return { ...job, brief: { ...job.brief, cloth: 'pique' } };
};
const heights = (job: Job) => letterHeightsOf(job, new Planner().shape(job), forecast(job));

test('round letters drawn as high as flat ones come out lower, by the pull of their rows', () => {
  const [row] = heights(word());
  expect(row!.pieces).toHaveLength(4);
  expect(row!.flatMm).toBeGreaterThan(11.7);
  expect(row!.flatMm).toBeLessThan(12.7);
  expect(row!.flatMm - row!.roundMm).toBeGreaterThan(0.1);
  expect(row!.flatMm - row!.roundMm).toBeLessThan(0.8);
});

test('drawn taller they come out taller by as much', () => {
  const [as, taller] = [heights(word())[0]!, heights(word(0.2))[0]!];
  expect(taller.roundMm - as.roundMm).toBeGreaterThan(0.25);
  expect(taller.roundMm - as.roundMm).toBeLessThan(0.55);
});

test('pieces that are no letters have no heights', () => {
  expect(heights(jobOf([piece('fill', { area: 'M-20,-20 h40 v40 h-40 Z' })]))).toEqual([]);
});
