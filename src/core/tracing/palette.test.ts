import { perceived, perceivedApart } from './palette';
import { mixOfHex } from './picture';

const apart = (a: string, b: string): number => perceivedApart(perceived(mixOfHex(a)), perceived(mixOfHex(b)));

test('near black nobody tells colours apart, and dark ones are still told from black', () => {
  for (const hex of ['#0a0003', '#060606', '#000a05']) expect([hex, apart('#000000', hex) < 0.05]).toEqual([hex, true]);
  for (const hex of ['#303030', '#401010', '#102040']) expect([hex, apart('#000000', hex) > 0.06]).toEqual([hex, true]);
});

test('light and bright colours lie as far apart as in OKLab', () => {
  // White and black differ by 1 in lightness there, less the toe; red and green by their hues.
  expect(apart('#ffffff', '#000000')).toBeGreaterThan(0.85);
  expect(apart('#ff0000', '#00ff00')).toBeGreaterThan(0.5);
  expect(apart('#fcfcfc', '#ffffff')).toBeCloseTo(0.0091, 2);
});
