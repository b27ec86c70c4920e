import { RECIPES } from '../cloth/recipes';
import { clothSample, COLUMN_MM } from './clothSample';

type Key = (typeof RECIPES)[number]['key'];
const column = (cloth: Key) => clothSample({ cloth }).widths.column;

/** Breadth of a piece by its penetrations alone, mm. */
function breadth(plan: ReturnType<typeof clothSample>['plan'], piece: number): number {
  const xs = Array.from(plan.x).filter((_, i) => plan.piece[i] === piece && Math.abs(plan.y[i]!) < 6);
  return Math.max(...xs) - Math.min(...xs);
}

it.each(RECIPES.map((r) => [r.key, r] as const))('%s: thread draws the column in, compensation gives it back', (key, recipe) => {
  const { plan, widths } = clothSample({ cloth: key });
  const { drawnMm, sewnMm, outMm, plainMm } = widths.column;
  expect(drawnMm).toBe(COLUMN_MM);
  expect(Math.abs(sewnMm - breadth(plan, 0))).toBeLessThan(0.1);
  expect(plainMm).toBeLessThan(COLUMN_MM);
  expect(plainMm).toBeGreaterThan(0.7 * COLUMN_MM);
  expect(outMm).toBeLessThan(sewnMm);
  if (recipe.pullComp > 0) {
    expect(outMm).toBeGreaterThan(plainMm);
    expect(Math.abs(outMm - COLUMN_MM)).toBeLessThan(COLUMN_MM - plainMm);
  }
});

it('knit gives way more than canvas', () => {
  expect(column('jersey').plainMm).toBeLessThan(column('twill').plainMm);
});

it('follows what the shop changed in the recipe', () => {
  const changed = clothSample({ cloth: 'twill', recipe: { id: 'twill', name: 'Ours', pullComp: 0.6 } });
  expect(changed.widths.column.outMm).toBeGreaterThan(column('twill').outMm + 0.3);
  expect(breadth(changed.plan, 0)).toBeGreaterThan(breadth(clothSample({ cloth: 'twill' }).plan, 0) + 0.3);
});
