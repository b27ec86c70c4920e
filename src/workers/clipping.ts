import { clipCompiled } from '@/core/geometry/clipping/load';

/** Fetches the compiled clipping library; where that fails, the one in TypeScript goes on doing the work, only slower. */
export async function clippingLoaded(): Promise<void> {
  try {
    const found = await fetch(new URL('clipper2-wasm/dist/es/clipper2z.wasm', import.meta.url));
    if (found.ok) await clipCompiled(await found.arrayBuffer());
  } catch (error) {
    console.warn('The compiled clipping library could not be loaded:', error);
  }
}
