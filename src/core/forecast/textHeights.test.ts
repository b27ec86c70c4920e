import type { Job, Lettering } from '../document/types';
import { jobOfText } from '../lettering/textJob';
import { forecast } from './forecast';
import { FACES } from '../lettering/faces';
import { random as seeded } from '../units/random';
import { landTexts } from './landTexts';
import { heightsOfTexts, sewnMm, wantedMm, type LetterHeight } from './textHeights';

const job = (over: Partial<Lettering>, cloth: Job['brief']['cloth'] = 'pique'): Job =>
  jobOfText({ id: 'x', name: 'x', text: { text: 'HOSX', face: 'gable', height: 10, ...over }, brief: { cloth } });
const heights = (of: Job): LetterHeight[] => heightsOfTexts(of, forecast(of))[0]!.heights;
const spread = (of: Job): number => {
  const mm = heights(of).map(sewnMm);
  return Math.max(...mm) - Math.min(...mm);
};

test('letters are told with the height that they are wanted at, round ones as high as flat ones', () => {
  const hs = heights(job({ text: 'HOx', face: 'treadle' }));
  expect(hs.map((h) => h.char).join('')).toBe('HOx');
  expect(hs.map(wantedMm)).toEqual([10, 10, expect.closeTo(7.3, 6)]);
  for (const h of hs) expect(Math.abs(sewnMm(h) - wantedMm(h))).toBeLessThan(1);
});

test('after landing they come out nearly alike, on a knit too', () => {
  const before = job({}, 'jersey');
  const after = landTexts(before);
  expect(spread(before)).toBeGreaterThan(0.3);
  expect(spread(after)).toBeLessThan(0.2);
  for (const h of heights(after)) expect(Math.abs(sewnMm(h) - 10)).toBeLessThan(0.15);
});

test('flat, round and slanting letters come out within a tenth of a millimetre of each other in any face, at any size, on a knit or not', () => {
  const random = seeded(41);
  FACES.forEach(({ key: face }, i) => {
    const cloth = i % 2 === 0 ? 'jersey' : 'pique';
    const height = 8 + Math.round(10 * 18 * random()) / 10;
    const landed = spread(landTexts(job({ text: 'HOCNSX', face, height }, cloth)));
    expect([cloth, face, height, landed <= 0.1]).toEqual([cloth, face, height, true]);
  });
});

test('a letter that was raised, or made larger, on purpose stays so', () => {
  const text: Partial<Lettering> = { text: 'HIH', letters: { 1: { shift: [0, 2] }, 2: { height: 14 } } };
  const after = landTexts(job(text)).pieces[0]!.lettering!;
  expect(after.letters![1]!.shift![1]).toBeCloseTo(2, 0);
  expect(after.letters![2]!.height).toBeGreaterThan(13);
  expect(after.letters![2]!.height).toBeLessThan(15);
});

test('only the texts that are asked for change', () => {
  const one = job({});
  expect(landTexts(one, { only: ['other'] })).toEqual(one);
});

test('landing corrects letters, it makes none another: each stays near its height, and none is lost', () => {
  for (const [face, height] of [
    ['bobbin', 9.8],
    ['gable', 9],
    ['treadle', 10],
  ] as const) {
    const job = jobOfText({ id: 'x', name: 'x', text: { text: 'Harbour', face, height }, brief: { cloth: 'pique' } });
    const before = heightsOfTexts(job, forecast(job))[0]!.heights.length;
    const landed = landTexts(job);
    const { letters = {} } = landed.pieces[0]!.lettering!;
    for (const [index, own] of Object.entries(letters))
      expect([face, index, Math.abs((own.height ?? height) / height - 1) <= 0.151]).toEqual([face, index, true]);
    expect(heightsOfTexts(landed, forecast(landed))[0]!.heights.length).toBe(before);
  }
});
