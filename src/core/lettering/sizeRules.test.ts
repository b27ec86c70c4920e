import { layOut } from './layout';
import { sizeRules } from './sizeRules';
import { styleOf } from './styleOf';

const text = { text: 'Harbour', face: 'thimble', height: 4.5 };

test('small letters are spread and thickened, each with its figures, and each can be switched off', () => {
  const rules = sizeRules(text);
  expect(rules.map((r) => [r.key, r.on])).toEqual([
    ['spread', true],
    ['thicken', true],
  ]);
  const [spread, thicken] = rules;
  // Six gaps, each 30 % of 0.18 heights wider.
  expect(spread!.with - spread!.without).toBeCloseTo(6 * 0.3 * 0.18 * 4.5, 1);
  expect([thicken!.without, thicken!.with]).toEqual([expect.closeTo(0.125 * 4.5, 3), 0.6]);
  const off = { ...text, rules: { spread: false, thicken: false } };
  expect(layOut(off).strokeMm).toBeCloseTo(0.125 * 4.5, 3);
  expect(sizeRules(off).every((r) => !r.on)).toBe(true);
});

test('below four millimetres the face for small letters is lines, as high as asked, unless that is switched off or something else chosen', () => {
  const low = { ...text, height: 3.5 };
  const rule = sizeRules(low).find((r) => r.key === 'line')!;
  expect([rule.on, rule.with < rule.without]).toEqual([true, true]);
  expect([styleOf(low), styleOf({ ...low, height: 4 })]).toEqual(['line', undefined]);
  expect(styleOf({ ...low, rules: { line: false } })).toBeUndefined();
  expect(sizeRules({ ...low, rules: { line: false } }).find((r) => r.key === 'line')!.on).toBe(false);
  expect(styleOf({ ...low, style: 'fill' })).toBe('fill');
  expect(styleOf({ ...low, face: 'treadle' })).toBeUndefined();
  const { letters } = layOut({ ...low, text: 'H' });
  const ys = letters[0]!.glyph.strokes.flatMap((s) => s.middle.map((p) => p.y * low.height));
  expect(Math.max(...ys) - Math.min(...ys)).toBeCloseTo(3.5, 1);
});

test('where they change nothing they are not told', () => {
  expect(sizeRules({ ...text, height: 6 })).toEqual([]);
  expect(sizeRules({ ...text, height: 5.9 }).map((r) => r.key)).toEqual(['spread']);
  expect(sizeRules({ ...text, text: 'H', height: 5.5 })).toEqual([]);
});
