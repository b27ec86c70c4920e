import { stayWarm } from './warm';

test('what is to stay warm is handed back as it is', () => {
  const one = new Map([[1, 2]]);
  expect(stayWarm(one)).toBe(one);
});
