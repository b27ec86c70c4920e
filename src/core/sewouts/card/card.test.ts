import { forecast } from '../../forecast/forecast';
import { forecastParameters } from '../../forecast/parameters';
import { Planner } from '../../plan/planner';
import { planBounds } from '../../stitches/planBounds';
import { random } from '../../units/random';
import { foreseenAt, type Measured } from '../measured';
import { learn } from '../learn/learn';
import { adoptedRecipe } from '../learn/adopt';
import { cardJob, cardMeasures, isCard } from './card';

const job = cardJob('card', 'pique');
const planner = new Planner();
const plan = planner.plan(job);

test('the card is sewn whole and lies within its hoop', () => {
  expect(plan.pieces.filter((p) => p.problem)).toEqual([]);
  expect(plan.pieces.every((p) => p.stitches > 0)).toBe(true);
  const { minX, minY, maxX, maxY } = planBounds(plan);
  expect(Math.max(-minX, maxX)).toBeLessThan(65);
  expect(Math.max(-minY, maxY)).toBeLessThan(90);
  expect(isCard(job)).toBe(true);
});

test('pieces lie apart, but for fields and their rims', () => {
  const boxes = planner.shape(job).map(({ piece, shape }) => ({
    id: piece.id,
    ...planBounds({
      x: Float32Array.from(shape!.painted.flat(), (p) => p.x),
      y: Float32Array.from(shape!.painted.flat(), (p) => p.y),
      command: new Uint8Array(shape!.painted.flat().length),
    } as never),
  }));
  for (const a of boxes)
    for (const b of boxes) {
      if (a.id >= b.id || a.id.startsWith(b.id) || b.id.startsWith(a.id)) continue;
      const apart = a.maxX < b.minX || b.maxX < a.minX || a.maxY < b.minY || b.maxY < a.minY;
      expect(apart ? '' : `${a.id} ${b.id}`).toBe('');
    }
});

test('fifteen typed figures give the cloth its recipe: what another cloth would have sewn is recovered', () => {
  const base = forecastParameters(job);
  const by = 1.35;
  const seen = forecast(job, {
    planner,
    plan,
    parameters: { ...base, shortening: by * base.shortening, push: by * base.push, biteMm: by * base.biteMm },
  });
  const r = random(7);
  const measures = cardMeasures();
  expect(measures).toHaveLength(15);
  const marks = measures.map(({ mark }): Measured => {
    const mm = foreseenAt(job, seen, { ...mark, mm: 0 });
    expect(mm).not.toBeNull();
    // Read off to a tenth.
    return { ...mark, mm: Math.round(10 * (mm! + (r() - 0.5) * 0.1)) / 10 };
  });
  const learned = learn([{ job, setup: {}, marks }])!;
  expect(learned.unplaced).toEqual([]);
  expect(Math.abs(learned.factors.shortening / by - 1)).toBeLessThan(0.1);
  expect(learned.errorAfterMm).toBeLessThan(learned.errorBeforeMm / 2);
  const recipe = adoptedRecipe(job, learned);
  expect(recipe.pullComp!).toBeGreaterThan(0.35 * 1.2);
  expect(recipe.pullComp!).toBeLessThan(0.35 * 1.5);
  expect(recipe.learned!.measured).toBe(15);
  // Adopting the same once more changes nothing: it is no factor on top of the last.
  const again = adoptedRecipe({ brief: { ...job.brief, recipe } }, learned);
  expect(again.pullComp).toBeCloseTo(recipe.pullComp!, 2);
});
