// Bundles the headless tool so that starting it costs little more than Node itself.
import { build } from 'esbuild';

await build({
  entryPoints: { cobble: 'src/cli/main.ts' },
  outdir: '.cache/cli',
  outExtension: { '.js': '.mjs' },
  // What only some calls need, such as writing PDF, is loaded by those.
  splitting: true,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  minify: true,
  logLevel: 'error',
  banner: { js: "import { createRequire as cobbleRequire } from 'node:module'; const require = cobbleRequire(import.meta.url);" },
});
