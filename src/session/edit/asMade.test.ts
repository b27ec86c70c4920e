import { jobOf, piece } from '@/core/pieces/fixtures';
import { isAsMade, tellMade } from './asMade';

const block = (x: number) => piece('fill', { area: `M${x},0 h10 v10 h-10 Z` });
const job = jobOf([block(0), block(20)]);

it('knows pieces that nobody changed, however often they were saved and read', () => {
  expect(isAsMade(job)).toBe(false);
  tellMade(job);
  expect(isAsMade(structuredClone(job))).toBe(true);
  expect(isAsMade({ ...job, id: 'another' })).toBe(false);
});

it.each([
  ['a setting', { ...job, pieces: job.pieces.map((p) => ({ ...p, settings: { ...p.settings, spacing: 0.5 } })) }],
  ['the order', { ...job, pieces: job.pieces.toReversed() }],
  ['a piece taken away', { ...job, pieces: job.pieces.slice(1) }],
  ['all taken away', { ...job, pieces: [] }],
  ['a thread', { ...job, threads: job.threads.map((t) => ({ ...t, name: 'Another' })) }],
])('takes %s for work of the person', (_, changed) => {
  tellMade(job);
  expect(isAsMade(changed)).toBe(false);
});
