import type { SeenMark } from '../../document/sewoutTypes';
import type { Job } from '../../document/types';
import { forecast } from '../../forecast/forecast';
import { random } from '../../units/random';
import { madeJob, threeFields } from '../fixtures';
import { foreseenAt, type Measured } from '../measured';
import { applied } from './apply';

const EXTEND = { label: 'extend', extend: true } as const;

it.each([3, 4, 5, 6, 7, 8])('closes measured gaps under 0.15 mm at random sizes, rows and places (%d)', (seed) => {
  const r = random(seed);
  const [w, h] = [18 + 22 * r(), 18 + 22 * r()];
  const angle = Math.round(180 * r());
  const rim = 2.6 + 1.5 * r();
  const out = rim - 0.3;
  const field = `M${-w / 2},${-h / 2} h${w} v${h} h${-w} Z`;
  const job = madeJob([
    { id: 'field', kind: 'fill', area: field, settings: { angle, pullComp: 0.1 } },
    {
      id: 'rim',
      kind: 'border',
      thread: 't2',
      area: `M${-w / 2 - out},${-h / 2 - out} h${w + 2 * out} v${h + 2 * out} h${-w - 2 * out} Z`,
      width: rim,
    },
  ]);
  const side = [[w / 2, 0], [-w / 2, 0], [0, h / 2], [0, -h / 2]][Math.floor(4 * r())] as [number, number]; // prettier-ignore
  const mark: Measured = { kind: 'gap', piece: 'field', against: 'rim', at: side, mm: Math.round(10 * (0.5 + 0.7 * r())) / 10 };
  const made = applied(job, [{ mark, remedy: EXTEND }]);
  // Held against a forecast of its own, at the mark.
  expect(foreseenAt(made.job, forecast(made.job), mark)!).toBeLessThan(0.15);
  expect(made.at[0]!.expectedMm!).toBeLessThan(0.15);
  expect(made.changed).toEqual(['field']);
  // The outline is the very record that it was.
  expect(made.job.pieces[1]).toBe(job.pieces[1]);
});

it('leaves the job alone where nothing is accepted, and a locked piece always', () => {
  const job = threeFields();
  expect(applied(job, []).job.pieces).toEqual(job.pieces);
  const locked: Job = { ...job, pieces: job.pieces.map((p) => ({ ...p, locked: true })) };
  const mark: Omit<SeenMark, 'id'> = { kind: 'gap', piece: 'a', against: 'a-rim', at: [-45, -25], mm: 0.8 };
  expect(applied(locked, [{ mark, remedy: EXTEND }]).changed).toEqual([]);
});

it('makes several in one step: settings, order and edges', () => {
  const job = threeFields();
  const made = applied(job, [
    { mark: { kind: 'gap', piece: 'b', against: 'b-rim', at: [38, -30], mm: 1 }, remedy: EXTEND },
    {
      mark: { kind: 'stiff', piece: 'c' },
      remedy: { label: 'open', fix: { label: 'open', pieces: [{ id: 'c', settings: { spacing: 0.5 } }] } },
    },
    {
      mark: { kind: 'gap', piece: 'a' },
      remedy: { label: 'order', fix: { label: 'order', sewRightAfter: [{ piece: 'a-rim', after: 'a' }] } },
    },
  ]);
  expect(made.job.pieces.map((p) => p.id)).toEqual(['a', 'a-rim', 'b', 'c', 'b-rim', 'c-rim']);
  expect(made.job.pieces.find((p) => p.id === 'c')!.settings.spacing).toBe(0.5);
  expect(made.at[0]!.expectedMm!).toBeLessThan(0.15);
  for (const id of ['a-rim', 'b-rim', 'c-rim']) expect(made.job.pieces.find((p) => p.id === id)).toBe(job.pieces.find((p) => p.id === id));
});
