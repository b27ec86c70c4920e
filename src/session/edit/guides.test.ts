import { onGuides } from './guides';

const guides = { level: [10, 4, 10.5], upright: [-3] };

test('a place near a guide lands on it, each way by itself', () => {
  expect(onGuides({ x: -2.8, y: 30 }, guides, 0.5)).toEqual({ x: -3, y: 30 });
  expect(onGuides({ x: 7, y: 3.7 }, guides, 0.5)).toEqual({ x: 7, y: 4 });
});

test('of two guides in reach the nearer one counts, and without any the place stays', () => {
  expect(onGuides({ x: 0, y: 10.3 }, guides, 0.5).y).toBe(10.5);
  expect(onGuides({ x: 0, y: 10.2 }, guides, 0.5).y).toBe(10);
  expect(onGuides({ x: 1, y: 2 }, undefined, 0.5)).toEqual({ x: 1, y: 2 });
});
