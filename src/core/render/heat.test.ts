import { Planner } from '../plan/planner';
import { jobOf, piece } from '../pieces/fixtures';
import { weigh } from '../stitches/weight';
import { heatAreas, heatPixels, HEAT_STEPS, layersOf } from './heat';

const weight = weigh(
  new Planner().plan(jobOf([piece('fill', { area: 'M-20,-20 h40 v40 h-40 Z' }, { underlay: [], angle: 0, pullComp: 0 })])),
);
const layers = layersOf(weight);

test('inside a fill at 0.40 there is about one layer, and the sum of all is the thread that was sewn', () => {
  const middle = layers[Math.floor(weight.rows / 2) * weight.columns + Math.floor(weight.columns / 2)]!;
  expect(middle).toBeGreaterThan(0.85);
  expect(middle).toBeLessThan(1.2);
  const thread = weight.thread.reduce((a, b) => a + b, 0);
  expect(thread).toBeGreaterThan(40 * 100 * 0.98);
  expect(thread).toBeLessThan(40 * 100 * 1.06);
});

test('areas add up to the square, and every sewn cell has a colour of the legend', () => {
  const area = heatAreas(layers).reduce((a, b) => a + b, 0);
  expect(Math.abs(area - 1600)).toBeLessThan(200);
  const pixels = heatPixels(layers);
  const colours = new Set(HEAT_STEPS.map(({ rgb }) => `${rgb.r} ${rgb.g} ${rgb.b}`));
  for (let i = 0; i < pixels.length; i += 4)
    if (pixels[i + 3]! > 0) expect(colours.has(`${pixels[i]} ${pixels[i + 1]} ${pixels[i + 2]}`)).toBe(true);
});
