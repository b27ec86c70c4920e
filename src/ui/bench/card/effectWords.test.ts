import type { PlanFigures } from '@/core/plan/measure';
import { effectWords } from './effectWords';

const figures = (stitches: number, trims: number, runSeconds: number) => ({ stitches, trims, runSeconds }) as PlanFigures;

test('the effect of a change is told by its differences only', () => {
  expect(effectWords(figures(1000, 3, 100), figures(2200, 2, 165.2))).toBe('+1,200 stitches · −1 trim · +1 min 05 s');
  expect(effectWords(figures(1000, 3, 100), figures(990, 3, 100.2))).toBe('−10 stitches');
  expect(effectWords(figures(1000, 3, 100), figures(1000, 5, 114))).toBe('+2 trims · +14 s');
  expect(effectWords(figures(1000, 3, 100), figures(1000, 3, 100))).toBe('changes no count');
});
