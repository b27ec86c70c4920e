// Faces for print lie where the build lays them out; see scripts/print-fonts.mjs.
const { readFileSync } = require('node:fs');
const { join } = require('node:path');
const { providePrinting } = require('../src/core/formats/print/fonts.ts');

const FOLDER = join(__dirname, '..', 'public', 'print');
providePrinting({
  index: async () => JSON.parse(readFileSync(join(FOLDER, 'index.json'), 'utf8')),
  load: async (file) => readFileSync(join(FOLDER, file)),
});
