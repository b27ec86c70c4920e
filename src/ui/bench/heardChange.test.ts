import { heardChange } from './heardChange';

it('tells what changed, and nothing else', () => {
  const before = { stitches: 12_106, trims: 5, findings: 1 };
  expect(heardChange(before, before)).toBe('');
  expect(heardChange(before, { ...before, stitches: 12_007 })).toBe('12,007 stitches, 99 fewer.');
  expect(heardChange(before, { stitches: 12_106, trims: 1, findings: 0 })).toBe('1 trim, 4 fewer; 0 findings, 1 fewer.');
  expect(heardChange(before, { stitches: 13_106, trims: 6, findings: 2 })).toBe(
    '13,106 stitches, 1,000 more; 6 trims, 1 more; 2 findings, 1 more.',
  );
});
