import { recipeOf } from '@/core/cloth/recipes';
import { piece } from '@/core/pieces/fixtures';
import { resolveSettings } from '@/core/pieces/registry';
import { mergedSettings } from './mergedSettings';

const resolved = (kind: 'satin' | 'fill', settings = {}) =>
  resolveSettings(piece(kind, {}, settings), { widthMm: 4, angleDeg: 30 }, { recipe: recipeOf('pique'), settings: {}, threadWeight: 40 });

test('what is the same stays; what differs says so', () => {
  const merged = mergedSettings([resolved('satin', { spacing: 0.4 }), resolved('satin', { spacing: 0.45 })]);
  expect(merged.pullComp).toMatchObject({ value: 0.26 });
  expect(merged.spacing).toMatchObject({ value: 0.4, from: 'hand', why: 'mixed: 0.4 to 0.45' });
});

test('only settings that all of them have can be set for all', () => {
  const merged = mergedSettings([resolved('satin'), resolved('fill')]);
  expect(merged.angle).toBeUndefined();
  expect(merged.pushComp).toBeUndefined();
  expect(merged.spacing).toBeDefined();
});
