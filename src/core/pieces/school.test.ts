import { recipeOf } from '../cloth/recipes';
import { stabilizerFor } from '../cloth/house';
import type { JobSettings } from '../document/types';
import { Planner } from '../plan/planner';
import { jobOf, piece } from './fixtures';

const planOf = (p: ReturnType<typeof piece>, settings: JobSettings, brief: object = {}) => {
  const job = jobOf([p]);
  return new Planner().plan({ ...job, settings, brief: { ...job.brief, ...brief } });
};
const ELL = piece('satin', { area: 'M0,0 H4 V16 H20 V20 H0 Z' });

test('corners of an outline follow the school unless the piece says otherwise', () => {
  const turn = planOf(ELL, {});
  const butt = planOf(ELL, { corners: 'butt' });
  expect(turn.pieces[0]!.settings!.corners).toMatchObject({ value: 'turn', from: 'rule' });
  expect(butt.pieces[0]!.settings!.corners).toMatchObject({ value: 'butt', from: 'rule' });
  expect([...butt.x]).not.toEqual([...turn.x]);
  const own = planOf({ ...ELL, settings: { corners: 'turn' } }, { corners: 'butt' });
  expect([...own.x]).toEqual([...turn.x]);
});

test('a fill in the colour of the cloth is light, where the brief tells that colour', () => {
  const square = piece('fill', { area: 'M0,0 H20 V20 H0 Z' });
  const spacing = (settings: JobSettings, clothHex?: string) =>
    planOf(square, settings, clothHex ? { clothHex } : {}).pieces[0]!.settings!.spacing!.value;
  expect(spacing({}, '#0b5563')).toBe(1.2);
  expect(spacing({}, '#ffffff')).toBe(0.4);
  expect(spacing({})).toBe(0.4);
  expect(spacing({ sameColour: 'full' }, '#0b5563')).toBe(0.4);
});

test('thin letters get their centre run from the school that wants one', () => {
  const thin = piece('satin', { sides: ['M0,0 H12', 'M0,1.3 H12'] });
  const kinds = (settings: JobSettings) => planOf(thin, settings).pieces[0]!.settings!.underlay!.value.map((l) => l.kind);
  expect(kinds({})).toEqual([]);
  expect(kinds({ thinUnderlay: 'centre-run' })).toEqual(['centre-run']);
});

test('two tear-aways replace a cutaway only', () => {
  expect(stabilizerFor(recipeOf('pique'), { stabilizer: 'tear-away' })).toBe('two light tear-aways');
  expect(stabilizerFor(recipeOf('pique'), {})).toBe('cutaway, 1 medium');
  expect(stabilizerFor(recipeOf('felt'), { stabilizer: 'tear-away' })).toBe('tear-away');
});
