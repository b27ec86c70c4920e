import { apart } from '../units/directions';
import { piece } from '../pieces/fixtures';
import { alikeOf, sewnLike } from './alike';
import { transformedPiece, turnedAbout, mirroredAbout } from './transform';

const FLAG = 'M0,0 L14,1 L11,5 L14,9 L0,12 Z';
const model = piece('fill', { id: 'a', area: FLAG, alike: 's1', why: 'as told' }, { angle: 30, spacing: 0.45 });

test('pieces of one shape are found by what the artwork said, others stand alone', () => {
  const others = [
    piece('fill', { id: 'b', area: FLAG, alike: 's1' }),
    piece('fill', { id: 'c', area: FLAG, alike: 's2' }),
    piece('fill', { id: 'd', area: FLAG }),
  ];
  expect(alikeOf([model, ...others], model)).toEqual(['a', 'b']);
  expect(alikeOf([model, ...others], others[2]!)).toEqual(['d']);
});

test.each([
  ['turned', turnedAbout({ x: 3, y: 2 }, 40)],
  ['mirrored', mirroredAbout('vertical', 3)],
  ['moved', turnedAbout({ x: 300, y: 2 }, 0)],
])('rows set by hand lie on a %s piece as they lie on the model', (_, map) => {
  const laid = transformedPiece(model, map);
  const bare = { ...laid, id: 'b', thread: 't9', settings: {} };
  const made = sewnLike(bare, model);
  expect(made.settings.spacing).toBe(0.45);
  expect(made.thread).toBe(model.thread);
  expect(apart(made.settings.angle!, laid.settings.angle!)).toBeLessThan(1.5);
  expect(made.area).toBe(laid.area);
});

test('a piece that becomes another kind no longer says why it was the first', () => {
  const satin = piece('satin', { id: 'b', area: FLAG, why: '3 mm at its widest' });
  expect(sewnLike(satin, model).why).toBeUndefined();
  expect(sewnLike({ ...satin, kind: 'fill' }, model).why).toBe('3 mm at its widest');
});
