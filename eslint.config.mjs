import next from '@next/eslint-plugin-next';
import prettier from 'eslint-config-prettier/flat';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

// Engines may differ in the last bit of these; the core has its own (src/core/units/trig.ts).
const INEXACT = ['sin', 'cos', 'tan', 'atan', 'atan2', 'asin', 'acos', 'hypot', 'pow', 'exp', 'log', 'cbrt'];

export default tseslint.config(
  // AssemblyScript has types and built-ins of its own; its compiler checks it.
  { ignores: ['src/core/forecast/assembly/', '.next/', '.cache/', 'node_modules/', 'next-env.d.ts', 'coverage/', '**/*.mjs', '**/*.cjs'] },
  ...tseslint.configs.recommendedTypeChecked,
  reactHooks.configs.flat['recommended-latest'],
  { plugins: { '@next/next': next }, rules: { ...next.configs.recommended.rules, '@next/next/no-img-element': 'off' } },
  { languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } } },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      'max-lines': ['error', 500],
      // Component props are written as methods; none of them uses 'this'.
      '@typescript-eslint/unbound-method': 'off',
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts', 'src/core/render/**'],
    rules: {
      'no-restricted-properties': [
        'error',
        ...INEXACT.map((property) => ({ object: 'Math', property, message: 'Use units/trig: plans must be the same on every engine.' })),
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'performance', 'fetch', 'setTimeout'],
      'no-restricted-syntax': [
        'error',
        { selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']", message: 'The core is deterministic.' },
      ],
    },
  },
  prettier,
);
