import { madeJob } from '../fixtures';
import { rowLengthAt, sceneOf, sewnScene } from './scene';

test.each([
  ['right', [15, 3], 0, 30],
  ['left', [-15, -4], 0, 30],
  ['top', [2, -9], 90, 18],
  ['bottom', [-3, 9], 90, 18],
] as const)('the row that ends at a gap is as long as the field is wide along it (%s)', (_, at, angle, length) => {
  const job = madeJob([
    { id: 'field', kind: 'fill', area: 'M-15,-9 h30 v18 h-30 Z', settings: { angle } },
    { id: 'rim', kind: 'border', thread: 't2', area: 'M-17,-11 h34 v22 h-34 Z', width: 2.6 },
  ]);
  const scene = sceneOf(sewnScene(job, {}), { kind: 'gap', piece: 'rim', against: 'field', at: [...at], mm: 0.5 });
  expect(scene.piece!.id).toBe('field');
  expect(scene.against!.id).toBe('rim');
  expect(Math.abs(rowLengthAt(scene)! - length)).toBeLessThan(2.5);
});

test('a mark that names no piece is on what lies on top there', () => {
  const job = madeJob([
    { id: 'ground', kind: 'fill', area: 'M-20,-20 h40 v40 h-40 Z' },
    { id: 'detail', kind: 'fill', thread: 't2', area: 'M-5,-5 h10 v10 h-10 Z' },
  ]);
  const sewn = sewnScene(job, {});
  expect(sceneOf(sewn, { kind: 'lump', at: [0, 0] }).piece!.id).toBe('detail');
  expect(sceneOf(sewn, { kind: 'lump', at: [-15, 12] }).piece!.id).toBe('ground');
  expect(sceneOf(sewn, { kind: 'lump', at: [40, 40] }).piece).toBeNull();
});
