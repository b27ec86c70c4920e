import type { Clipping } from './library';
import { portableClipping } from './portable';

let inUse: Clipping = portableClipping;

/** The clipping library in use. */
export const clipping = (): Clipping => inUse;

/** From now on another build of the library does the work. */
export function clipWith(other: Clipping): void {
  inUse = other;
}
