// Tests of the core clip with the compiled library, as workers and the headless tool do.
const { readFileSync } = require('node:fs');
const { clipCompiled } = require('../src/core/geometry/clipping/load');

module.exports = () => clipCompiled(readFileSync(require.resolve('clipper2-wasm/dist/umd/clipper2z.wasm')));
