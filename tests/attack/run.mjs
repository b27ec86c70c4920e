// `npm run attack [NAME] [--count=N] [--seed=N]`: drawings, records, bundles, libraries, kill, tabs, stores, monkey, server; all when none is named.
import { fork, spawnSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { bundled } from '../../scripts/bundle.mjs';
import { option, Tally } from './kit.mjs';

const IN_CORE = ['drawings', 'records', 'bundles', 'libraries'];
const IN_BROWSER = ['kill', 'tabs', 'stores', 'monkey', 'server'];
const USUAL = { drawings: 3000, records: 3000, bundles: 500, libraries: 500 };
/** Processor time that a case may take, and how long it is waited for on a machine that does other things too. */
const LONGEST_CPU_MS = 10_000;
const LONGEST_WAIT_MS = 40_000;
const MOST_MB = 1000;
const FOUND = '.cache/attack';

/** One child from case `from` on, until it is through, dies or hangs. @returns the case to go on with */
function runChild(program, name, seed, from, to, tally) {
  return new Promise((done) => {
    const child = fork(program, [name, String(seed), String(from), String(to - from)], {
      stdio: ['ignore', 'ignore', 'pipe', 'ipc'],
      execArgv: ['--max-old-space-size=1500'],
    });
    let now = { i: from, what: '', keep: null };
    let timer = null;
    let over = false;
    let complaint = '';
    child.stderr.on('data', (data) => (complaint = (complaint + data).slice(-2000)));
    const keep = (kind, text) => {
      tally.note(kind, `${name} ${now.i} (seed ${seed}): ${now.what}: ${text}`);
      if (now.keep === null) return;
      mkdirSync(FOUND, { recursive: true });
      writeFileSync(`${FOUND}/${name}-${seed}-${now.i}`, now.keep);
    };
    const go = (next) => {
      if (over) return;
      over = true;
      clearTimeout(timer);
      child.kill('SIGKILL');
      done(next);
    };
    child.on('message', (m) => {
      clearTimeout(timer);
      if (m.begins !== undefined) {
        now = { i: m.begins, what: m.what, keep: m.keep };
        timer = setTimeout(() => {
          tally.tried++;
          keep('hung', `no answer in ${LONGEST_WAIT_MS / 1000} s`);
          go(now.i + 1);
        }, LONGEST_WAIT_MS);
        return;
      }
      tally.tried++;
      if (m.problem !== null) keep(m.crashed ? 'crashed' : 'wrong', m.problem);
      if (m.cpuMs > LONGEST_CPU_MS) keep('hung', `${(m.cpuMs / 1000).toFixed(1)} s of processor time`);
      if (m.rssMb > MOST_MB) {
        keep('wrong', `${Math.round(m.rssMb)} MB`);
        go(now.i + 1);
      }
    });
    child.on('exit', (code) => {
      if (over) return;
      if (code === 0) return go(to);
      tally.tried++;
      keep('crashed', `the process ended (${code}) ${complaint.split('\n').find((l) => /error/i.test(l)) ?? ''}`);
      go(now.i + 1);
    });
  });
}

const names = process.argv.slice(2).filter((a) => !a.startsWith('--'));
const unknown = names.find((n) => ![...IN_CORE, ...IN_BROWSER].includes(n));
if (unknown) {
  console.error(`There is no attack ‘${unknown}’: ${[...IN_CORE, ...IN_BROWSER].join(', ')}.`);
  process.exit(2);
}
const program = '.cache/attack-child.mjs';
await bundled('tests/attack/child.ts', program);
for (const name of names.length > 0 ? names : [...IN_CORE, ...IN_BROWSER]) {
  console.log(`== ${name}`);
  if (IN_BROWSER.includes(name)) {
    const { status } = spawnSync('node', [`tests/attack/${name}.mjs`, ...process.argv.slice(2).filter((a) => a.startsWith('--'))], {
      stdio: 'inherit',
    });
    if (status !== 0) process.exitCode = 1;
    continue;
  }
  const tally = new Tally();
  const to = option('from', 0) + option('count', USUAL[name]);
  for (let i = option('from', 0); i < to;) i = await runChild(program, name, option('seed', 1), i, to, tally);
  tally.end();
}
