import { SETTING_KEYS, SETTINGS, waysOf, type ChoiceKey } from './catalogue';
import { settingsSchema } from './schema';

const takes = (key: string, value: unknown): boolean => settingsSchema.validate({ [key]: value }).error === undefined;

test.each(SETTING_KEYS)('%s is read within its limits and refused beyond them', (key) => {
  const setting = SETTINGS[key];
  if (setting.as === 'number') {
    const { min, max, step, whole } = setting;
    for (const inside of [min, max]) expect(takes(key, inside)).toBe(true);
    for (const outside of [min - step / 10, max + step / 10, 'much', null]) expect(takes(key, outside)).toBe(false);
    expect(takes(key, min + 0.5 * step)).toBe(!whole || Number.isInteger(min + 0.5 * step));
  } else if (setting.as === 'choice') {
    const ways = waysOf(key as ChoiceKey);
    expect(ways.length).toBeGreaterThan(1);
    for (const way of ways) expect(takes(key, way)).toBe(true);
    for (const other of ['', 'otherwise', 3, null]) expect(takes(key, other)).toBe(false);
  } else if (setting.as === 'switch') {
    expect([true, false, 3, null].map((v) => takes(key, v))).toEqual([true, true, false, false]);
  } else if (setting.as === 'layers') {
    const layers = (n: number): unknown => Array.from({ length: n }, () => ({ kind: 'zigzag' }));
    expect([0, setting.most, setting.most + 1].map((n) => takes(key, layers(n)))).toEqual([true, true, false]);
    expect(takes(key, [{ kind: 'moss' }])).toBe(false);
  } else {
    const { max } = SETTINGS[setting.each];
    expect([[0, max], [0], [0, max + 0.1], [-0.1, 0]].map((v) => takes(key, v))).toEqual([true, false, false, false]);
  }
});

test('every setting has a name of its own but the two ways to say compensation', () => {
  const labels = SETTING_KEYS.filter((key) => key !== 'pullCompPercent').map((key) => SETTINGS[key].label);
  expect(new Set(labels).size).toBe(labels.length);
});

test('a setting that nobody knows is kept', () => {
  expect(settingsSchema.validate({ glow: 3 }).value).toEqual({ glow: 3 });
});
