/**
 * Whether this browser keeps anything. `silent`: its database has not answered for some seconds, work goes on in memory and is
 * put away when it does answer. `absent`: it has none, or refuses; what is made lives in this page only.
 */
export type Health = 'fine' | 'silent' | 'absent';

/** Longer than a busy machine takes, shorter than a person waits before pressing again. */
export const SILENT_AFTER_MS = 2000;

let health: Health = 'fine';
const listeners = new Set<() => void>();
const late = new Set<Promise<unknown>>();

export const storageHealth = (): Health => health;

/** @returns a function that stops listening */
export function onStorageHealth(changed: () => void): () => void {
  listeners.add(changed);
  return () => void listeners.delete(changed);
}

export function setHealth(next: Health): void {
  if (health === next || (health === 'absent' && next === 'silent')) return;
  health = next;
  for (const listener of listeners) listener();
}

/** Passes a promise through; while it takes too long the storage counts as silent. */
export async function watched<T>(work: Promise<T>): Promise<T> {
  const timer = setTimeout(() => {
    late.add(work);
    setHealth('silent');
  }, SILENT_AFTER_MS);
  try {
    return await work;
  } finally {
    clearTimeout(timer);
    if (late.delete(work) && late.size === 0 && health === 'silent') setHealth('fine');
  }
}
