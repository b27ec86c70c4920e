// Runs a TypeScript program of this repository: bundle it to the cache, then start it in this process.
import { basename, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';
import { bundled } from './bundle.mjs';

const [entry, ...rest] = process.argv.slice(2);
if (!entry) throw new Error('usage: run-ts.mjs PROGRAM.ts [words]');
const outfile = resolve('.cache', basename(entry).replace(/\.ts$/, '.mjs'));
await bundled(entry, outfile);
process.argv = [process.argv[0], outfile, ...rest];
await import(pathToFileURL(outfile).href);
