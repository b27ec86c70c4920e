import { SETTING_KEYS, SETTINGS, SHAPE_KEYS, waysOf, type ChoiceKey, type SettingKey } from '../document/catalogue';
import type { Piece } from '../document/types';
import { appliqueKind } from './applique';
import { borderKind } from './border';
import { fillKind } from './fill';
import { piece } from './fixtures';
import { runKind } from './run';
import { satinKind } from './satin';

const AREA = 'M0,0 H30 V18 H0 Z M8,6 v6 h6 v-6 Z';
const SHAPES: readonly { prepare(p: Piece): unknown; of: Piece }[] = [
  { prepare: runKind.prepare, of: piece('run', { line: 'M0,0 C10,-8 20,8 30,0', motif: 'M0,0 l2,2 l2,-2' }) },
  { prepare: satinKind.prepare, of: piece('satin', { line: 'M0,0 H20 V14', width: 4 }) },
  { prepare: satinKind.prepare, of: piece('satin', { area: 'M0,0 H26 V5 H5 V22 H0 Z' }) },
  { prepare: satinKind.prepare, of: piece('satin', { sides: ['M0,0 H20', 'M0,11 H20'] }) },
  { prepare: fillKind.prepare, of: piece('fill', { area: AREA, carve: 'M0,9 H30' }) },
  { prepare: borderKind.prepare, of: piece('border', { area: AREA, width: 3 }) },
  { prepare: appliqueKind.prepare, of: piece('applique', { area: AREA, width: 3 }) },
];

function valuesOf(key: SettingKey): unknown[] {
  const setting = SETTINGS[key];
  if (setting.as === 'number')
    return [setting.min, (setting.min + setting.max) / 2, setting.max].map((v) => (setting.whole ? Math.round(v) : v));
  if (setting.as === 'choice') return waysOf(key as ChoiceKey);
  if (setting.as === 'switch') return [true, false];
  return setting.as === 'sides' ? [[0.2, 0.9]] : [[], [{ kind: 'zigzag' }]];
}

/** All that shapes of a setting's values are, as text. */
const shapesWith = (key: SettingKey): string[][] =>
  SHAPES.map(({ prepare, of }) =>
    [undefined, ...valuesOf(key)].map((value) => JSON.stringify(prepare({ ...of, settings: { ...of.settings, [key]: value } }))),
  );

test.each(SETTING_KEYS.filter((key) => !SHAPE_KEYS.includes(key)))('no shape depends on %s, which its key leaves out', (key) => {
  for (const shapes of shapesWith(key)) expect(new Set(shapes).size).toBe(1);
});

test.each(SHAPE_KEYS)('some shape depends on %s, which its key holds', (key) => {
  expect(shapesWith(key).some((shapes) => new Set(shapes).size > 1)).toBe(true);
});
