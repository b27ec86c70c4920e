import { counted } from './count';

test.each([
  [0, '0 trims'],
  [1, '1 trim'],
  [2, '2 trims'],
  [1234, '1,234 trims'],
])('%d trims', (n, words) => expect(counted(n, 'trim')).toBe(words));

test('a plural of its own', () =>
  expect([counted(1, 'piece lies', 'pieces lie'), counted(3, 'piece lies', 'pieces lie')]).toEqual(['1 piece lies', '3 pieces lie']));
