import { recipeOf } from '../cloth/recipes';
import type { ClothKey, Piece, PieceSettings } from '../document/types';
import { piece } from './fixtures';
import { threadWidth } from '../cloth/threadWidth';
import { resolveSettings } from './registry';

const resolve = (kind: Piece['kind'], widthMm: number, cloth: ClothKey, settings: PieceSettings = {}, weight = 40) =>
  resolveSettings(piece(kind, {}, settings), { widthMm, angleDeg: 45 }, { recipe: recipeOf(cloth), settings: {}, threadWeight: weight });
const kinds = (widthMm: number, cloth: ClothKey = 'twill') => resolve('satin', widthMm, cloth).underlay!.value.map((l) => l.kind);

test('a value set by hand outranks rule and recipe, and says so', () => {
  expect(resolve('fill', 20, 'jersey').spacing).toMatchObject({ value: 0.45, from: 'recipe' });
  expect(resolve('fill', 20, 'jersey', { spacing: 0.6 }).spacing).toMatchObject({ value: 0.6, from: 'hand' });
});

test('underlay of satins by width', () => {
  expect(kinds(1.2)).toEqual([]);
  expect(kinds(2)).toEqual(['centre-run']);
  expect(kinds(4)).toEqual(['edge-run']);
  expect(kinds(4, 'pique')).toEqual(['centre-run', 'zigzag']);
  expect(kinds(6)).toEqual(['edge-run', 'zigzag']);
});

test('light cover gets no underlay', () => {
  expect(resolve('fill', 20, 'pique', { spacing: 1.2 }).underlay).toMatchObject({ value: [], from: 'rule' });
  expect(resolve('fill', 20, 'pique').underlay!.value.map((l) => l.kind)).toEqual(['edge-run', 'lattice']);
});

test('thin bars on knits are widened more', () => {
  expect(resolve('satin', 2, 'pique').pullComp).toMatchObject({ value: 0.5, from: 'rule' });
  expect(resolve('satin', 4, 'pique').pullComp).toMatchObject({ value: 0.26, from: 'recipe' });
  expect(resolve('satin', 2, 'twill').pullComp!.value).toBe(0.12);
});

test('percent compensation is a share of the column', () => {
  expect(resolve('satin', 4, 'twill', { pullCompPercent: 120 }).pullComp!.value).toBeCloseTo(0.4, 6);
});

test('finer thread lies closer', () => {
  expect(threadWidth(60)).toBe(0.3);
  expect(resolve('fill', 20, 'twill', {}, 60).spacing).toMatchObject({ value: 0.3, from: 'rule' });
});
