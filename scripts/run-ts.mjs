// Runs a TypeScript program of this repository: bundle it to the cache, then start it in this process.
import { build } from 'esbuild';
import { basename, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';

const [entry, ...rest] = process.argv.slice(2);
if (!entry) throw new Error('usage: run-ts.mjs PROGRAM.ts [words]');
const outfile = resolve('.cache', basename(entry).replace(/\.ts$/, '.mjs'));
await build({
  entryPoints: [entry],
  outfile,
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  logLevel: 'error',
  banner: { js: "import { createRequire as cobbleRequire } from 'node:module'; const require = cobbleRequire(import.meta.url);" },
});
process.argv = [process.argv[0], outfile, ...rest];
await import(pathToFileURL(outfile).href);
