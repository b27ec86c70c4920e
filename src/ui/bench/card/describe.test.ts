import { recipeOf } from '@/core/cloth/recipes';
import { piece } from '@/core/pieces/fixtures';
import { resolveSettings } from '@/core/pieces/registry';
import { describe as sentence } from './describe';

const planned = (p: ReturnType<typeof piece>, widthMm: number) => ({
  link: null,
  id: p.id,
  from: 0,
  to: 1,
  stitches: 1,
  areaMm2: 1,
  widthMm,
  settings: resolveSettings(p, { widthMm, angleDeg: 45 }, { recipe: recipeOf('pique'), settings: {}, threadWeight: 40 }),
});

test('pieces are described as a practitioner would', () => {
  const satin = piece('satin', {});
  expect(sentence(satin, planned(satin, 4))).toBe(
    'Satin, mostly 4.0 wide, rows 0.40 apart over a centre run and a zigzag, 0.35 wider at each side.',
  );
  const fill = piece('fill', {}, { angle: 30, underlay: [] });
  expect(sentence(fill, planned(fill, 20))).toBe('Fill at 30°, stitches 3.5, rows 0.40 apart, nothing beneath, 0.35 wider at each side.');
  const bean = piece('run', {}, { style: 'bean', passes: 5 });
  expect(sentence(bean, planned(bean, 0.4))).toBe('Bean, 5 passes, stitches up to 2.5 mm.');
});

test('a piece that could not be sewn says why', () => {
  expect(sentence(piece('fill', {}), { ...planned(piece('fill', {}), 1), settings: null, problem: 'its shape is empty' })).toBe(
    'Not sewn: its shape is empty.',
  );
});
