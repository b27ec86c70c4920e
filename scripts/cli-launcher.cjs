// Starts the bundled program beside it, with what an earlier run compiled of it. Without that, or with another Node, it only starts slower.
const { readFileSync, writeFileSync } = require('node:fs');
const { createRequire } = require('node:module');
const { join } = require('node:path');
const { Script } = require('node:vm');

const [program, compiled] = [join(__dirname, 'program.cjs'), join(__dirname, 'program.compiled')];

function kept() {
  try {
    return readFileSync(compiled);
  } catch {
    return undefined;
  }
}

const source = `(function (exports, require, module, __filename, __dirname) {${readFileSync(program, 'latin1')}\n})`;
const script = new Script(source, { filename: program, cachedData: kept() });
script.runInThisContext()({}, createRequire(program), { exports: {} }, program, __dirname);
if (process.env.COBBLE_FIRST_RUN) process.on('exit', () => writeFileSync(compiled, script.createCachedData()));
