export default {
  testEnvironment: 'node',
  // Jest leaves a core free by itself; on a machine of two that doubles the time.
  maxWorkers: '100%',
  // A busy machine is slow, not wrong: speed is measured by the bench, never judged here.
  testTimeout: 180_000,
  roots: ['<rootDir>/src', '<rootDir>/tests'],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  setupFiles: ['<rootDir>/tests/clipping.cjs', '<rootDir>/tests/printing.cjs'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  transform: {
    '^.+\\.(t|j|mj)sx?$': [
      '@swc/jest',
      {
        jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true }, transform: { react: { runtime: 'automatic' } } },
        module: { type: 'commonjs' },
      },
    ],
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(clipper2-ts|flatbush|flatqueue|d3-[a-z-]+|delaunator|robust-predicates|internmap|css-tree|css-select|css-what|domhandler|domutils|domelementtype|dom-serializer|entities|nth-check|boolbase|culori|fast-png|fast-bmp|iobuffer|fflate|source-map-js)/)',
  ],
};
