import { recipeOf } from '../cloth/recipes';
import { piece } from './fixtures';
import { resolveSettings, sentenceOf } from './registry';

const sentence = (p: ReturnType<typeof piece>, widthMm: number): string =>
  sentenceOf(p, resolveSettings(p, { widthMm, angleDeg: 45 }, { recipe: recipeOf('pique'), settings: {}, threadWeight: 40 }), widthMm);

test('pieces are described as a practitioner would', () => {
  expect(sentence(piece('satin', {}), 4)).toBe(
    'Satin, mostly 4.0 wide, rows 0.40 apart over a centre run and a zigzag, 0.26 wider at each side.',
  );
  expect(sentence(piece('fill', {}, { angle: 30, underlay: [] }), 20)).toBe(
    'Fill at 30°, stitches 3.5, rows 0.40 apart, nothing beneath, 0.45 wider at each side.',
  );
  expect(sentence(piece('run', {}, { style: 'bean', passes: 5 }), 0.4)).toBe('Bean, 5 passes, stitches up to 2.5 mm.');
});

test('foundation is named with its article', () => {
  expect(sentence(piece('fill', {}, { underlay: [{ kind: 'edge-run' }, { kind: 'lattice' }] }), 20)).toContain(
    'over an edge run and a lattice,',
  );
});
