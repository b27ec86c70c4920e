import { FACES, faceOf } from './faces';
import { foamHeight, tooThinForFoam } from './foam';
import { layOut } from './layout';

test('from the height that is told strokes are four millimetres wide, and a little below they are not', () => {
  for (const face of FACES) {
    const from = foamHeight(face);
    const strokeAt = (height: number): number => layOut({ text: 'I', face: face.key, height }).strokeMm;
    expect([face.key, strokeAt(from) >= 4, strokeAt(from - 1) < 4]).toEqual([face.key, true, true]);
  }
});

test('letters with thinner strokes are told until they are broad enough too', () => {
  const treadle = faceOf('treadle')!;
  const at = (mm: number): string => tooThinForFoam(treadle, mm).join('');
  // The bar of e has three quarters of a stroke.
  expect(at(foamHeight(treadle))).toBe('e');
  expect(at(Math.ceil(foamHeight(treadle) / 0.75) + 1)).toBe('');
  expect(at(foamHeight(treadle) - 2).length).toBeGreaterThan(50);
});
