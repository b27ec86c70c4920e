import fc from 'fast-check';
import type { Lettering, Piece } from '../../document/types';
import { boundsOf } from '../../geometry/point';
import { ringsToData } from '../../geometry/path';
import { FACES } from '../../lettering/faces';
import { layOut } from '../../lettering/layout';
import { piece } from '../fixtures';
import { placedLetters } from './placed';
import { textOverShapes } from './overShapes';

const lettered = (lettering: Lettering): Piece => piece('lettering', { lettering });
/** The letters of a text as outlined shapes, as a drawing has them. */
const outlined = (lettering: Lettering): Piece[] =>
  placedLetters(lettered(lettering)).map(({ letter }, i) => piece('fill', { id: `s${i}`, area: ringsToData(letter.painted) }));
const boxes = (lettering: Lettering) => placedLetters(lettered(lettering)).map(({ letter }) => boundsOf(letter.painted));

test('outlined letters are found again in their face, place, size and distances', () => {
  const faces = FACES.filter((f) => !f.script).map((f) => f.key);
  fc.assert(
    fc.property(
      fc.record({
        face: fc.constantFrom(...faces),
        height: fc.double({ min: 8, max: 40, noNaN: true }),
        spacing: fc.integer({ min: 0, max: 40 }),
        wide: fc.double({ min: 0.8, max: 1.3, noNaN: true }),
        at: fc.tuple(fc.double({ min: -50, max: 50, noNaN: true }), fc.double({ min: -50, max: 50, noNaN: true })),
        text: fc.constantFrom('HARBOUR', 'Net Loft', 'No 85', 'mussel', 'Quill jig'),
      }),
      (asked) => {
        const wanted: Lettering = { ...asked, at: [asked.at[0], asked.at[1]] };
        const { lettering, likeness } = textOverShapes(wanted.text, outlined(wanted))!;
        expect([wanted, likeness > 0.9]).toEqual([wanted, true]);
        const [a, b] = [boxes(wanted), boxes(lettering)];
        b.forEach((box, i) => {
          expect(Math.abs(box.minX + box.maxX - a[i]!.minX - a[i]!.maxX) / 2).toBeLessThan(0.02 * wanted.height + 0.1);
          expect(Math.abs(box.maxY - a[i]!.maxY)).toBeLessThan(0.04 * wanted.height);
        });
      },
    ),
    { numRuns: 4, seed: 5, endOnFailure: true },
  );
});

test('a word that the shapes do not say is as large as they are, and less like them', () => {
  const shapes = outlined({ text: 'HARBOUR', face: 'gable', height: 20 });
  const said = textOverShapes('HARBOUR', shapes)!;
  const other = textOverShapes('ABC', shapes)!;
  expect(said.lettering.face).toBe('gable');
  expect(other.likeness).toBeLessThan(said.likeness);
  expect(layOut(other.lettering).letters).toHaveLength(3);
});

test('shapes of nothing, or signs that no face has, are no text', () => {
  expect(textOverShapes('A', [])).toBeNull();
  expect(textOverShapes('漢', outlined({ text: 'A', face: 'treadle', height: 20 }))).toBeNull();
});
