import clipper2 from 'clipper2-wasm';
import { clipWith } from '.';
import { withoutEvaluation } from './bindings';
import { CompiledClipping } from './compiled';

/**
 * From now on the clipping library compiled to WebAssembly does the work. Plans are made by it in workers and headless, so
 * that both make the same; pages use the one in TypeScript, which is there at once.
 * @param bytes the library's `clipper2z.wasm`
 */
export async function clipCompiled(bytes: BufferSource): Promise<void> {
  const instantiateWasm = (imports: WebAssembly.Imports, done: (instance: WebAssembly.Instance) => void): WebAssembly.Exports => {
    const instance = new WebAssembly.Instance(new WebAssembly.Module(bytes), imports);
    done(instance);
    return instance.exports;
  };
  clipWith(
    await withoutEvaluation(async () => {
      const made = new CompiledClipping(await clipper2({ instantiateWasm }));
      // Callers out of the library are made at their first use.
      made.union(TRIANGLE, 'nonzero');
      return made;
    }),
  );
}

const TRIANGLE = [[{ x: 0, y: 0 }, { x: 1, y: 0 }, { x: 0, y: 1 }]]; // prettier-ignore
