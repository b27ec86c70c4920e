// Bundles a TypeScript program of this repository into one file that Node runs.
import { build } from 'esbuild';

export const bundled = (entry, outfile) =>
  build({
    entryPoints: [entry],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'error',
    banner: {
      js: "import { createRequire as cobbleRequire } from 'node:module'; const require = cobbleRequire(import.meta.url); const __dirname = import.meta.dirname;",
    },
  });
