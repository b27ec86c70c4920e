import fc from 'fast-check';
import { jobOf, piece } from '../fixtures';
import { Planner } from '../../plan/planner';
import { contains, offset } from '../../geometry/area';
import { Command, Role } from '../../stitches/roles';
import type { JobSettings } from '../../document/types';
import { placedLetters } from './placed';

const text = (words: string, height = 9) => piece('lettering', { lettering: { text: words, face: 'treadle', height } });
const planner = new Planner();
const planOf = (words: string, settings: JobSettings, height?: number) => planner.plan({ ...jobOf([text(words, height)]), settings });
/** How often ties begin. */
const ties = ({ role, command }: ReturnType<typeof planOf>): number =>
  Array.from(role).filter((r, i) => r === Role.tie && command[i] === Command.stitch && role[i - 1] !== Role.tie).length;

test('letters that stand apart are tied on both sides where a hand will cut, and nowhere else', () => {
  // Begin and end only; then two for each of three ways.
  expect(ties(planOf('HIHI', {}))).toBe(2);
  expect(ties(planOf('HIHI', { tieWhen: 'always' }))).toBe(2 + 6);
  expect(ties(planOf('HIHI', { tieWhen: 'distance', tieDistance: 0.5 }))).toBe(2 + 6);
  expect(ties(planOf('HIHI', { tieWhen: 'distance', tieDistance: 20 }))).toBe(2);
  expect(ties(planOf('HIHI', { tieWhen: 'never' }))).toBe(0);
});

test('the shorter the distance asked for, the more ties; they lie in the letters, and the thread is cut no more often', () => {
  const cuts = (plan: ReturnType<typeof planOf>): number => plan.command.filter((c) => c === Command.trim).length;
  fc.assert(
    fc.property(fc.stringMatching(/^[A-Z]{2,6}$/), fc.integer({ min: 6, max: 14 }), (words, height) => {
      const letters = placedLetters(text(words, height)).map((l) => offset(l.letter.painted, 0.9));
      let before = Infinity;
      for (const tieDistance of [0.5, 1.5, 3, 5]) {
        const plan = planOf(words, { tieWhen: 'distance', tieDistance }, height);
        expect(ties(plan)).toBeLessThanOrEqual(before);
        before = ties(plan);
        expect(cuts(plan)).toBe(cuts(planOf(words, {}, height)));
        const outside = Array.from(plan.x, (x, i) => ({ x, y: plan.y[i]! })).filter(
          (p, i) => plan.role[i] === Role.tie && !letters.some((area) => contains(area, p)),
        );
        expect(outside).toEqual([]);
      }
    }),
    { numRuns: 8 },
  );
});
