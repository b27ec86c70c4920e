import { CLOTH_KEYS } from '../document/types';
import { RECIPES, recipeOf } from './recipes';
import { colourDifference, nearestThreads, THREAD_CHART } from './threads';

test('every cloth has a recipe with values that can be sewn', () => {
  expect(RECIPES.map((r) => r.key)).toEqual([...CLOTH_KEYS]);
  for (const r of RECIPES) {
    expect(r.fillSpacing).toBeGreaterThanOrEqual(0.38);
    expect(r.fillSpacing).toBeLessThanOrEqual(0.5);
    expect(r.pullComp).toBeLessThanOrEqual(0.5);
    expect(r.speed).toBeGreaterThanOrEqual(550);
    expect(r.hex).toMatch(/^#[0-9a-f]{6}$/);
  }
  expect(recipeOf('pique').pullComp).toBe(0.35);
});

test('the chart has at least sixty threads, each with its own code and colour', () => {
  expect(THREAD_CHART.length).toBeGreaterThanOrEqual(60);
  expect(new Set(THREAD_CHART.map((t) => t.code)).size).toBe(THREAD_CHART.length);
  expect(new Set(THREAD_CHART.map((t) => t.hex)).size).toBe(THREAD_CHART.length);
});

test('a thread is nearest to its own colour, no two are hardly to be told apart, and differences agree with published pairs', () => {
  for (const t of THREAD_CHART) {
    const [own, next] = nearestThreads(t.hex);
    expect(own!.thread.code).toBe(t.code);
    expect(next!.difference).toBeGreaterThan(1);
  }
  expect(colourDifference('#ffffff', '#ffffff')).toBe(0);
  expect(colourDifference('#000000', '#ffffff')).toBeCloseTo(100, 0);
});
