import {
  readCompareArgs,
  readFacesArgs,
  readForecastArgs,
  readLetterArgs,
  readPlanArgs,
  readProofArgs,
  readRouteArgs,
  readTraceArgs,
} from './args';
import { readMachineArgs } from './machineArgs';
import { readPlaceArgs, readProduceArgs } from './productionArgs';
import { readSewoutArgs } from './sewoutArgs';
import { HELP, helpOf, overview, type CommandName } from './help';

const READ: Record<CommandName, (argv: readonly string[]) => unknown> = {
  plan: (argv) => readPlanArgs([...argv, ...(argv.some((a) => a.startsWith('--as')) ? ['--out-dir', 'd'] : [])]),
  proof: readProofArgs,
  route: readRouteArgs,
  forecast: readForecastArgs,
  compare: readCompareArgs,
  // A list of names stands in for the text.
  letter: (argv) =>
    readLetterArgs([...argv.filter((a) => !LISTED.test(argv.join(' ')) || a !== '"TEXT"'), ...listed(argv), ...sized(argv)]),
  faces: readFacesArgs,
  // Several designs have no grid, and names take one job.
  place: (argv) => readPlaceArgs(argv.filter((a) => a !== '…')),
  produce: readProduceArgs,
  sewout: (argv) => readSewoutArgs([...argv, ...(argv.some((a) => a.startsWith('--marks')) ? [] : ['--marks', 'a.json'])]),
  machine: ([, , ...argv]) =>
    readMachineArgs(['send', 'FILE', ...argv, ...(argv.some((a) => a.startsWith('--to')) ? [] : ['--to', LOCAL])]),
  trace: (argv) => readTraceArgs([...argv, ...(argv.some((a) => a.startsWith('--width')) ? [] : ['--width', '80'])]),
};
const LOCAL = 'http://127.0.0.1:4173/api/machine/window';
const LISTED = /--names|--out-dir|--together/;
const sized = (argv: readonly string[]): string[] => (/--(width|height)/.test(argv.join(' ')) ? [] : ['--height', '10']);
const listed = (argv: readonly string[]): string[] =>
  argv.some((a) => a.startsWith('--together')) ? ['--names', 'a.csv', '--out-dir', 'd', '--hoop', '100x100'] : listOrFolder(argv);
const listOrFolder = (argv: readonly string[]): string[] =>
  argv.some((a) => a.startsWith('--names')) ? ['--out-dir', 'd'] : argv.some((a) => a.startsWith('--out-dir')) ? ['--names', 'a.csv'] : [];

/** A value that an option takes, by what its help shows for it. */
const VALUES: Record<string, string> = {
  MM: '80',
  WxH: '100x100',
  N: '60',
  FILE: 'a.csv',
  'FILE.json': 'a.json',
  'OUT.cobble': 'a.cobble',
  'EXT[,EXT]': 'csv,svg',
  'LIST.csv': 'a.csv',
  'LIBRARY.json': 'a.json',
  DIR: 'd',
  PERCENT: '5',
  DEGREES: '-10',
  CxR: '8x8',
  URL: LOCAL,
  'PROFILE.json': 'a.json',
  '#rrggbb': '#aa0011',
};
const NAMES: Record<string, string> = {
  '--cloth': 'cap',
  '--tolerance': '0.1',
  '--policy': 'cap',
  '--order': 'thread',
  '--alternate': 'turn',
  '--grid NAME': 'proof',
  '--face': 'gable',
  '--line': 'arc-up',
  '--style': 'fill',
  '--align': 'left',
  '--direction': 'centre-out',
  '--text': 'p1',
  '--fit': 'height',
  '--ties': 'distance',
  '--tie-shape': 'half-back',
  '--tie-distance': '3',
};

test.each(Object.keys(HELP) as CommandName[])('every option that the help of %s names is understood', (name) => {
  for (const [flag] of HELP[name].options) {
    const [option, value] = flag.split(' ') as [string, string?];
    const words = [
      ...HELP[name].takes.split(' ').filter(Boolean),
      ...(value ? [`${option}=${NAMES[`${option} ${value}`] ?? NAMES[option] ?? VALUES[value]!}`] : [option]),
    ];
    expect(() => READ[name](words)).not.toThrow();
  }
});

test('help is short and its columns stand below each other', () => {
  for (const text of [overview(), ...(Object.keys(HELP) as CommandName[]).map(helpOf)]) {
    expect(text.split('\n').length).toBeLessThan(26);
    const columns = text
      .split('\n')
      .filter((l) => l.startsWith('  '))
      .map((l) => /^ {2}\S.*?\S {2,}/.exec(l)?.[0].length);
    expect(new Set(columns).size).toBe(1);
  }
});
