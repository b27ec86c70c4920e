import { readPlanArgs } from './args';
import { outputsOf } from './planMany';

test('files are named after the inputs; two of one name are numbered', () => {
  const made = outputsOf({ inputs: ['a/flag.svg', 'b/flag.png', 'c.job.json'], dir: 'out', as: ['csv', 'cobble'] });
  expect(made).toEqual([
    { input: 'a/flag.svg', out: ['out/flag.csv', 'out/flag.cobble'] },
    { input: 'b/flag.png', out: ['out/flag-2.csv', 'out/flag-2.cobble'] },
    { input: 'c.job.json', out: ['out/c.job.csv', 'out/c.job.cobble'] },
  ]);
});

test('what is said beside the folder holds for each input', () => {
  const { many } = readPlanArgs(['a.svg', 'b.svg', '--out-dir', 'd', '--as', 'csv,.svg', '--width', '80', '--quick', '--cloth=cap']);
  expect(many).toMatchObject({ inputs: ['a.svg', 'b.svg'], dir: 'd', as: ['csv', 'svg'] });
  expect([...many!.options].sort()).toEqual(['--cloth=cap', '--quick', '--width=80']);
  expect(readPlanArgs(['a.svg', '--out-dir', 'd']).many!.as).toEqual(['cobble']);
  expect(readPlanArgs(['a.svg', '--out', 'a.csv']).many).toBeUndefined();
});

test.each([
  [['a.svg', 'b.svg'], /--out-dir/],
  [['a.svg', '--as', 'csv'], /--out-dir/],
  [['a.svg', '--out-dir', 'd', '--out', 'x.csv'], /--as/],
  [['a.svg', '--out-dir', 'd', '--report', 'x.json'], /--as/],
  [['--out-dir', 'd'], /Give the files/],
  [['a.svg', 'b.svg', '--out-dir', 'd', '--width', 'wide'], /--width takes a number/],
])('%j is refused with what to do', (argv, words) => {
  expect(() => readPlanArgs(argv)).toThrow(words);
});
