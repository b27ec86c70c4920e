import { withFix } from '../../proof/withFix';
import { proofContext } from '../../proof/context';
import { tooHeavy } from '../../proof/checks/tooHeavy';
import { madeJob } from '../fixtures';
import { oneLayerMore } from './carrying';
import { causesOf } from './rank';
import { sewnScene } from './scene';

const square = (x: number, y: number, w: number): string => `M${x},${y} h${w} v${w} h${-w} Z`;
const heavy = (covers: number, spacing: number) =>
  madeJob(
    Array.from({ length: covers }, (_, k) => ({
      id: `p${k}`,
      kind: 'fill' as const,
      area: square(-25, -25, 50),
      settings: { angle: 40 * k, spacing },
    })),
    { cloth: 'jersey' },
  );

it.each([
  [3, 0.4],
  [4, 0.42],
  [5, 0.5],
])('offers the lightest stabilizer and cloth that carry the work: then the proof is content (%d covers at %d)', (covers, spacing) => {
  const job = heavy(covers, spacing);
  expect(tooHeavy.find(proofContext(job))).toHaveLength(1);
  const cause = causesOf(sewnScene(job, {}), { kind: 'pucker' }).find((c) => c.id === 'too-dense')!;
  const made = cause.remedies.filter((r) => /carries/.test(r.label));
  expect(made.length).toBeGreaterThan(0);
  for (const { fix } of made) expect(tooHeavy.find(proofContext(withFix(job, fix!)))).toEqual([]);
});

it('counts layers of stabilizer up to three', () => {
  expect(oneLayerMore('cutaway, 1 medium')).toBe('cutaway, 2 medium');
  expect(oneLayerMore('cap tear-away, 2')).toBe('cap tear-away, 3');
  expect(oneLayerMore('two light tear-aways')).toBe('three light tear-aways');
  expect(oneLayerMore('soft cutaway')).toBe('soft cutaway, 2');
  expect(oneLayerMore('cutaway, 3')).toBeNull();
  expect(oneLayerMore('none')).toBe('tear-away, 1 medium');
});
