// Bundles the headless tool into one file; starting it then costs no more than Node itself.
import { build } from 'esbuild';

await build({
  entryPoints: ['src/cli/main.ts'],
  outfile: '.cache/cobble.mjs',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  minify: true,
  logLevel: 'error',
  banner: { js: "import { createRequire as cobbleRequire } from 'node:module'; const require = cobbleRequire(import.meta.url);" },
});
