import { keyCommand } from './keys';
import { matching } from './matching';

const COMMANDS = [
  keyCommand('Draw a run', 'R', () => undefined),
  keyCommand('Draw an area', 'D', () => undefined),
  keyCommand('Undo', 'Ctrl+Z', () => undefined),
];

test('words are found in any order and case', () => {
  expect(matching(COMMANDS, 'area DRAW').map((c) => c.keys)).toEqual(['D']);
  expect(matching(COMMANDS, 'draw')).toHaveLength(2);
  expect(matching(COMMANDS, '')).toHaveLength(3);
  expect(matching(COMMANDS, 'knit')).toEqual([]);
});
