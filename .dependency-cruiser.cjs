/** One direction of dependence: app → ui → {store, workers client, platform, core}; worker handlers → core; inside the core
 *  units → geometry → document → domain folders → plan. Lower never imports higher. */
module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true, dependencyTypesNot: ['type-only'] } },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^src/core' },
      to: { path: '^src/(app|ui|store|workers|platform|cli)|^(react|next|zustand|localforage)|^node:' },
    },
    {
      name: 'core-has-no-node',
      severity: 'error',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    { name: 'units-lowest', severity: 'error', from: { path: '^src/core/units' }, to: { path: '^src/core/(?!units)' } },
    {
      name: 'geometry-above-units',
      severity: 'error',
      from: { path: '^src/core/geometry', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/(?!units|geometry)' },
    },
    {
      name: 'document-above-geometry',
      severity: 'error',
      from: { path: '^src/core/document', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/(?!units|geometry|document)' },
    },
    {
      name: 'platform-knows-no-interface',
      severity: 'error',
      from: { path: '^src/platform' },
      to: { path: '^src/(app|ui|store|workers)' },
    },
    { name: 'store-knows-no-interface', severity: 'error', from: { path: '^src/store' }, to: { path: '^src/(app|ui)' } },
    {
      name: 'handlers-know-only-core',
      severity: 'error',
      from: { path: '^src/workers/.*\\.worker\\.ts$' },
      to: { path: '^src/(app|ui|store|platform)' },
    },
    { name: 'cli-knows-only-core', severity: 'error', from: { path: '^src/cli' }, to: { path: '^src/(app|ui|store|platform|workers)' } },
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
