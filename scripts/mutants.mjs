// `npm run mutants [units ties …]`: see stryker.config.mjs.
import { spawnSync } from 'node:child_process';

const run = spawnSync('node_modules/.bin/stryker', ['run'], {
  stdio: 'inherit',
  env: { ...process.env, MUTANTS: process.argv.slice(2).join(' ') },
});
process.exit(run.status ?? 1);
