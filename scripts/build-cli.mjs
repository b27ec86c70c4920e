// Bundles the headless tool, so that starting it costs little more than Node itself.
import { build } from 'esbuild';
import { execFileSync } from 'node:child_process';
import { copyFileSync, cpSync, mkdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const OUT = '.cache/cli';
rmSync(OUT, { recursive: true, force: true });
mkdirSync(OUT, { recursive: true });
await build({
  entryPoints: { program: 'src/cli/main.ts' },
  outdir: OUT,
  outExtension: { '.js': '.cjs' },
  bundle: true,
  platform: 'node',
  format: 'cjs',
  target: 'node20',
  // The other build starts threads that are not needed here.
  alias: { fflate: 'fflate/browser' },
  // A program of its own beside ours: found in node_modules when a picture is read.
  external: ['sharp'],
  minify: true,
  logLevel: 'error',
});
copyFileSync('scripts/cli-launcher.cjs', join(OUT, 'cobble.cjs'));
cpSync('public/faces', join(OUT, 'faces'), { recursive: true });
cpSync('public/print', join(OUT, 'print'), { recursive: true });
copyFileSync('node_modules/clipper2-wasm/dist/umd/clipper2z.wasm', join(OUT, 'clipper2z.wasm'));

// One run of each command leaves behind what it compiled, for the runs to come.
const [drawing, report] = ['public/demo/heron.svg', join(tmpdir(), `cobble-first-run-${process.pid}.json`)];
execFileSync(join('bin', 'cobble'), ['plan', drawing, '--width', '63.5', '--cloth', 'twill', '--report', report], {
  env: { ...process.env, COBBLE_FIRST_RUN: '1' },
  stdio: ['ignore', 'ignore', 'inherit'],
});
rmSync(report, { force: true });
