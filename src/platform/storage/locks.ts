let last: Promise<unknown> = Promise.resolve();

/** Runs the steps of one change of the store with nobody else's between them, in this tab or in another. */
export function alone<T>(steps: () => Promise<T>): Promise<T> {
  const { locks } = globalThis.navigator ?? {};
  if (locks) return locks.request('cobble-store', steps);
  // A browser without locks has at least this page's own order.
  const turn = last.then(steps, steps);
  last = turn.catch(() => undefined);
  return turn;
}
