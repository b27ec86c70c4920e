/** One direction of dependence: app → ui → {session, workers client, platform, core}; worker handlers → core. */

/** The folders of the core, lowest first: each may import only those that stand before it, types included. */
const FOLDERS = [
  'units',
  'geometry',
  'document',
  'stitches',
  'tracing',
  'cloth',
  'lettering',
  'editing',
  'pieces',
  'route',
  'plan',
  'artwork',
  'forecast',
  'proof',
  'render',
  'sewouts',
  'production',
  'formats',
  'machine',
  'compare',
  'gallery',
];

const order = (folder, i) => ({
  name: `${folder}-imports-only-below`,
  severity: 'error',
  from: { path: `^src/core/${folder}/`, pathNot: '(\\.test\\.ts|/fixtures\\.ts)$' },
  to: { path: `^src/core/(?!(${FOLDERS.slice(0, i + 1).join('|')})/)` },
});

/** A folder that nobody has put in order may not be imported by any other, nor import one. */
const unlisted = {
  name: 'core-folders-are-in-order',
  severity: 'error',
  from: { path: `^src/core/(?!(${FOLDERS.join('|')})/)` },
  to: { path: '^src/' },
};

module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true, dependencyTypesNot: ['type-only'] } },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^src/core' },
      to: { path: '^src/(app|ui|session|workers|platform|cli)|^(react|next|zustand|localforage)|^node:' },
    },
    {
      name: 'core-has-no-node',
      severity: 'error',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    ...FOLDERS.map(order),
    unlisted,
    {
      name: 'platform-knows-no-interface',
      severity: 'error',
      from: { path: '^src/platform' },
      to: { path: '^src/(app|ui|session|workers)' },
    },
    { name: 'session-knows-no-interface', severity: 'error', from: { path: '^src/session' }, to: { path: '^src/(app|ui)' } },
    {
      name: 'handlers-know-only-core',
      severity: 'error',
      from: { path: '^src/workers/.*\\.worker\\.ts$' },
      to: { path: '^src/(app|ui|session|platform)' },
    },
    {
      name: 'server-knows-only-core',
      severity: 'error',
      from: { path: '^src/server' },
      to: { path: '^src/(app|ui|session|platform|workers|cli)' },
    },
    {
      name: 'only-routes-know-the-server',
      severity: 'error',
      from: { path: '^src/(ui|session|platform|workers|core|cli)' },
      to: { path: '^src/server' },
    },
    { name: 'cli-knows-only-core', severity: 'error', from: { path: '^src/cli' }, to: { path: '^src/(app|ui|session|platform|workers)' } },
    {
      name: 'not-to-tests',
      severity: 'error',
      from: { pathNot: '(\\.test\\.tsx?$|^tests/|^scripts/)' },
      to: { path: '(\\.test\\.tsx?$|^tests/)' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] },
  },
};
