import { readFileSync } from 'node:fs';
import { clipCompiled } from '../src/core/geometry/clipping/load';

/** Imported first, so that a program plans as workers and the headless tool do. */
await clipCompiled(readFileSync('node_modules/clipper2-wasm/dist/umd/clipper2z.wasm'));
