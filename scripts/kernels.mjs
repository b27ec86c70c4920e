// Compiles the innermost loops of the forecast to WebAssembly and writes them, as text, where the core finds them.
import asc from 'assemblyscript/asc';
import { writeFileSync } from 'node:fs';

const SOURCE = 'src/core/forecast/assembly/sheet.ts';
const OUT = 'src/core/forecast/kernelBytes.ts';
const OPTIONS = ['--runtime', 'stub', '--importMemory', '--enable', 'simd', '-O3', '--noAssert', '--outFile', 'sheet.wasm'];

/** The text of the file with the compiled loops. */
async function compiled() {
  const files = {};
  const { error, stderr } = await asc.main([SOURCE, ...OPTIONS], {
    writeFile: (name, contents) => (files[name] = contents),
  });
  if (error) throw new Error(`${error.message}\n${stderr.toString()}`);
  const base64 = Buffer.from(files['sheet.wasm']).toString('base64');
  const lines = base64.match(/.{1,120}/g).map((line) => `  '${line}',`);
  return `/** Compiled by scripts/kernels.mjs from ${SOURCE}; not to be changed by hand. WebAssembly in base 64. */
// prettier-ignore
export const KERNEL_BYTES = [
${lines.join('\n')}
].join('');
`;
}

// With a name, writes there: a test compares that with the file in use.
writeFileSync(process.argv[2] ?? OUT, await compiled());
