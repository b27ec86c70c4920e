declare module 'clipper2-wasm' {
  import type { MainModule } from 'clipper2-wasm/dist/clipper2z';

  interface Options {
    instantiateWasm(imports: WebAssembly.Imports, done: (instance: WebAssembly.Instance) => void): WebAssembly.Exports;
  }
  export default function clipper2(options: Options): Promise<MainModule>;
}
