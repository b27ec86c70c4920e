/*
 * A worker that computes hears no message, so a call is given up through memory that both sides see: the asker writes the
 * call's number into its place there, and the work looks at it whenever it tells its progress.
 */

const PLACES = 256;

/** Shared between one asker and its worker; null where the browser shares no memory (pages that are not isolated). */
export function stopSigns(): Int32Array | null {
  const shared = typeof SharedArrayBuffer === 'function' && globalThis.crossOriginIsolated;
  return shared ? new Int32Array(new SharedArrayBuffer(PLACES * Int32Array.BYTES_PER_ELEMENT)) : null;
}

export const raiseStop = (signs: Int32Array, id: number): void => void Atomics.store(signs, id % PLACES, id);

export const isStopped = (signs: Int32Array | null, id: number): boolean => signs !== null && Atomics.load(signs, id % PLACES) === id;

/** Thrown by a progress point of work that nobody waits for any more. */
export class Stopped extends Error {
  constructor() {
    super('stopped');
    this.name = 'Stopped';
  }
}
