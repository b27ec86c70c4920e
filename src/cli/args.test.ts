import { InputError } from '../core/document/errors';
import { readPlanArgs } from './args';

test('all words are read', () => {
  expect(
    readPlanArgs([
      'a.svg',
      '--width',
      '85',
      '--cloth',
      'cap',
      '--hoop',
      '130x60',
      '--thread-weight',
      '60',
      '--out',
      'a.csv',
      '--out',
      'a.png',
      '--report',
      'r.json',
    ]),
  ).toEqual({
    input: 'a.svg',
    width: 85,
    cloth: 'cap',
    hoop: { width: 130, height: 60, shape: 'rect' },
    threadWeight: 60,
    out: ['a.csv', 'a.png'],
    report: 'r.json',
    quick: false,
  });
  expect(readPlanArgs(['a.svg', '--quick']).quick).toBe(true);
});

test.each([
  [[]],
  [['a.svg', 'b.svg']],
  [['a.svg', '--width', '']],
  [['a.svg', '--width', '-3']],
  [['a.svg', '--width', '12pt']],
  [['a.svg', '--height', 'Infinity']],
  [['a.svg', '--hoop', '100']],
  [['a.svg', '--hoop', '0x0']],
  [['a.svg', '--cloth', 'PIQUE']],
  [['a.svg', '--thread-weight', '4000']],
  [['a.svg', '--fast']],
])('%j is refused', (words) => {
  expect(() => readPlanArgs(words)).toThrow(InputError);
});
