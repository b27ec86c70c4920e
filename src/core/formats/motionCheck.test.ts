import { DEFAULT_PROFILE } from '../document/shop/profile';
import { patch } from '../production/fixtures';
import { motionCheck } from './motionCheck';

const { job, plan } = patch(12);
const check = (words = {}) => motionCheck(job, plan, { ...DEFAULT_PROFILE.words, ...words });

test('a plan reads back as itself in any words that can be told apart', () => {
  for (const words of [{}, { needle: 'M5', trim: 'M6', stop: 'M1' }, { stop: 'M0.5' }]) expect(check(words).differs).toBeNull();
});

test('words that mean the same, or what the standard means by them, are told before the file is written', () => {
  expect(check({ trim: 'M0' }).differs).toMatch(/two of the words mean the same/);
  expect(check({ needle: 'M102' }).differs).toMatch(/two of the words mean the same/);
  expect(check({ stop: 'G0' }).differs).toMatch(/mean the same/);
  expect(check({ trim: 'M2' }).differs).not.toBeNull();
});

test('the excerpts stand in the file where they say, and show the words', () => {
  const { excerpts, lines } = check({ trim: 'M77' });
  expect(excerpts.map((e) => e.title)).toEqual(['It begins', 'First cut', 'First stop', 'It ends']);
  expect(excerpts[1]!.lines).toContain('M77');
  expect(excerpts[3]!.lines.at(-1)).toBe('M2');
  const last = excerpts[3]!;
  expect(last.from + last.lines.length - 1).toBe(lines);
});
