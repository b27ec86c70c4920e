import { stabilizerThickness } from './thickness';

test('two layers are twice one, and heavy is more than light', () => {
  expect(stabilizerThickness('two light tear-aways')).toBeCloseTo(2 * stabilizerThickness('light tear-away'));
  expect(stabilizerThickness('cap tear-away, 2')).toBeCloseTo(2 * stabilizerThickness('cap tear-away'));
  expect(stabilizerThickness('heavy cutaway')).toBeGreaterThan(stabilizerThickness('cutaway, 1 medium'));
  expect(stabilizerThickness('soluble film')).toBeLessThan(0.1);
});
