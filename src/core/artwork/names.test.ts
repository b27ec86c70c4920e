import { namesOf, readable, type Named } from './names';

const part = (title: string, thread: string, shape: string, x = 0, y = 0, lightness = 50): Named => ({
  title,
  thread,
  shape,
  lightness,
  at: { x, y },
});

test('machine-made ids are no names', () => {
  expect(['path1234', 'g7', 'rect', 'shape_12', 'a10023', ''].map(readable)).toEqual(['', '', '', '', '', '']);
  expect(readable('heron-wing_left')).toBe('Heron wing left');
});

test('without a name in the artwork a part is called by thread and shape, and numbered among its like', () => {
  const dots = [0, 1, 2].map((k) => part('', 'Old gold', 'dot', k, k));
  expect(namesOf([...dots, part('', 'Old gold', 'band')])).toEqual(['Old gold dot 1', 'Old gold dot 2', 'Old gold dot 3', 'Old gold band']);
});

test('two of one name are told apart by shade, by side and by height', () => {
  expect(namesOf([part('Blade', 'Fern', 'area', 0, 0, 30), part('Blade', 'Lime', 'area', 1, 0, 80)])).toEqual([
    'Blade, dark',
    'Blade, light',
  ]);
  expect(namesOf([part('Ear', 'Fern', 'area', 20), part('Ear', 'Fern', 'area', -20, 3)])).toEqual(['Ear, right', 'Ear, left']);
  expect(namesOf([part('Lip', 'Fern', 'band', 0, 0), part('Lip', 'Fern', 'band', 1, 8)])).toEqual(['Lip, upper', 'Lip, lower']);
  const four = [
    part('Wing', 'Fern', 'area', -9, 0, 30),
    part('Wing', 'Fern', 'area', 9, 0, 30),
    part('Wing', 'Lime', 'area', -5, 0, 80),
    part('Wing', 'Lime', 'area', 5, 0, 80),
  ];
  expect(namesOf(four)).toEqual(['Wing, dark, left', 'Wing, dark, right', 'Wing, light, left', 'Wing, light, right']);
  expect(namesOf([part('Sky', 'Fern', 'area'), part('Sky', 'Lime', 'area'), part('Sky', 'Snow', 'area')])).toEqual([
    'Sky, fern',
    'Sky, lime',
    'Sky, snow',
  ]);
});

test('a body keeps its name, its limbs say what they are', () => {
  expect(namesOf([part('Heron', 'Fern', 'band', 5, 9), part('Heron', 'Fern', 'band', -5, 9), part('Heron', 'Fern', 'area')])).toEqual([
    'Heron band, right',
    'Heron band, left',
    'Heron',
  ]);
});

test('no two parts have one name, whatever the artwork calls them', () => {
  const made = namesOf([
    part('Ear 1', 'Fern', 'area', 0),
    part('Ear', 'Fern', 'area', 1, 1),
    part('Ear', 'Fern', 'area', 2, 2),
    part('Ear', 'Fern', 'area', 3, 3),
  ]);
  expect(new Set(made).size).toBe(4);
});
