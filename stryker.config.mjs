// `npm run mutants [FOLDER …]`: small faults put into the core one at a time, to see which of them the tests find. By hand, not in CI.
import jest from './jest.config.mjs';

/** Folders and files that are worth it, each with the tests that stand for them. */
const CHOSEN = {
  units: { code: 'src/core/units', tests: ['src/core/units/*.test.ts'] },
  ties: { code: 'src/core/stitches/ties.ts', tests: ['src/core/stitches/ties.test.ts', 'src/core/pieces/{school,resolve}.test.ts'] },
  underlay: { code: 'src/core/pieces/rules/underlay.ts', tests: ['src/core/pieces/rules/*.test.ts', 'src/core/pieces/resolve.test.ts'] },
  compensation: {
    code: 'src/core/pieces/rules/{compensation,pull}.ts',
    tests: ['src/core/pieces/rules/*.test.ts', 'src/core/pieces/resolve.test.ts'],
  },
  stitches: { code: 'src/core/stitches', tests: ['src/core/stitches/*.test.ts'] },
  // The route in parts, each with the tests beside it: all together would take hours.
  grid: { code: 'src/core/route/{coverGrid,cells}.ts', tests: ['src/core/route/{coverGrid,cells,betweenLetters,ways}.test.ts'] },
  ends: {
    code: 'src/core/route/{startsAndEnds,choices,ways,link,item}.ts',
    tests: ['src/core/route/{startsAndEnds,choices,ways,routeMemory}.test.ts'],
  },
  orders: {
    code: 'src/core/route/{greedy,improve,moves,rough,order,constraints}.ts',
    tests: ['src/core/route/{greedy,improve,moves,rough,route}.test.ts'],
  },
  threads: { code: 'src/core/route/threadBlocks.ts', tests: ['src/core/route/threadBlocks.test.ts'] },
  judging: {
    code: 'src/core/route/{objectives,policy,seconds,routeMemory}.ts',
    tests: ['src/core/route/{objectives,routeMemory,policy}.test.ts'],
  },
  places: { code: 'src/core/route/{nearby,morePlaces}.ts', tests: ['src/core/route/{nearby,morePlaces}.test.ts'] },
  // Slow: every order of a few pieces is judged.
  search: {
    code: 'src/core/route/{search,exact,polish,clusters,leastOf,order}.ts',
    tests: ['src/core/route/{search,polish,leastOf,order}.test.ts'],
  },
  // Without the tests that sew whole jobs: those would take hours.
  proof: {
    code: 'src/core/proof',
    tests: ['src/core/proof/{checksOf,letter,gather,withFix,layersStacked,satinTooWide,underlayAlong}*.test.ts'],
  },
};

const asked = (process.env.MUTANTS ?? '').split(' ').filter(Boolean);
const names = asked.length > 0 ? asked : Object.keys(CHOSEN);
const unknown = names.filter((n) => !CHOSEN[n]);
if (unknown.length > 0) throw new Error(`There is no ${unknown.join(', ')}; choose among ${Object.keys(CHOSEN).join(', ')}.`);
const parts = names.map((n) => CHOSEN[n]);

export default {
  testRunner: 'jest',
  plugins: ['@stryker-mutator/jest-runner'],
  coverageAnalysis: 'perTest',
  mutate: [
    ...parts.map(({ code }) => (code.endsWith('.ts') ? code : `${code}/**/*.ts`)),
    '!**/*.test.ts',
    '!**/*Fixtures.ts',
    '!**/registry.ts',
  ],
  jest: {
    config: {
      ...jest,
      roots: ['<rootDir>/src'],
      setupFiles: [...jest.setupFiles, '<rootDir>/tests/endOnFailure.cjs'],
      testMatch: parts.flatMap(({ tests }) => tests.map((t) => `<rootDir>/${t}`)),
      testTimeout: 20_000,
    },
    enableFindRelatedTests: false,
  },
  // What is worked out once when a file is loaded would need the whole suite for each.
  ignoreStatic: true,
  mutator: { excludedMutations: ['StringLiteral'] },
  reporters: ['clear-text', 'progress-append-only'],
  clearTextReporter: { allowColor: false, logTests: false, allowEmojis: false },
  tempDirName: '.cache/stryker',
  concurrency: 2,
  timeoutMS: 8000,
  ignorePatterns: ['.next', '.cache', 'docs', 'public'],
};
