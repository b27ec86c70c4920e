import { jobOf, piece } from '@/core/pieces/fixtures';
import { withBlockMoved, withSequence } from './orderCommands';

const { pieces } = jobOf(['a', 'a', 'b', 'c', 'c'].map((thread) => piece('fill', { thread, area: 'M0,0 h5 v5 h-5 Z' })));
const ids = (all: readonly { id: string }[]): string => all.map((p) => p.id).join(' ');

test('a whole colour trades places with its neighbour', () => {
  expect(ids(withBlockMoved(pieces, 'p3', -1))).toBe('p3 p1 p2 p4 p5');
  expect(ids(withBlockMoved(pieces, 'p1', 1))).toBe('p3 p1 p2 p4 p5');
  expect(ids(withBlockMoved(pieces, 'p1', -1))).toBe('p1 p2 p3 p4 p5');
});

test('chosen pieces follow one another from where the first of them stands, and are bound so', () => {
  const bound = withSequence(pieces, ['p2', 'p5', 'p1']);
  expect(ids(bound)).toBe('p2 p5 p1 p3 p4');
  expect(bound.map((p) => p.sewAfter ?? '-').join(' ')).toBe('- p2 p5 - -');
});
