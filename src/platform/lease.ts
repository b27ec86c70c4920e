/**
 * One tab at a time edits a job. The right to is a lock of the browser, so it goes with the tab, however that ends. A tab that
 * does not get it waits for it, and meanwhile only shows the job; it may take the right away from a tab that was asked and had
 * the time to put its work away.
 */
export interface Lease {
  /** Takes the right from whoever holds it. */
  take(): void;
  /** Whether this tab has it now. */
  holds(): boolean;
  /** Gives it up, or stops waiting for it. */
  stop(): void;
}

/** @param held told whenever the right is got (true) or lost (false). A browser without locks lets every tab edit. */
export function leaseOf(id: string, held: (got: boolean) => void): Lease {
  const { locks } = globalThis.navigator ?? {};
  if (!locks) {
    held(true);
    return { take: () => undefined, holds: () => true, stop: () => undefined };
  }
  let letGo: (() => void) | null = null;
  let waiting: AbortController | null = null;
  let stopped = false;
  const holding = (): Promise<void> => {
    if (stopped) return Promise.resolve();
    held(true);
    return new Promise<void>((done) => (letGo = done));
  };
  const lost = (): void => {
    letGo = null;
    if (stopped) return;
    held(false);
    wait();
  };
  const request = (options: LockOptions): void => {
    const gone = locks.request(`cobble-edit ${id}`, options, holding) as Promise<unknown>;
    gone.catch((error: Error) => {
      // Either somebody took the right, or waiting for it was given up.
      if (!options.signal?.aborted) lost();
      else if (error.name !== 'AbortError') throw error;
    });
  };
  const wait = (): void => {
    waiting = new AbortController();
    request({ signal: waiting.signal });
  };
  wait();
  return {
    take: () => {
      waiting?.abort();
      request({ steal: true });
    },
    holds: () => letGo !== null,
    stop: () => {
      stopped = true;
      waiting?.abort();
      letGo?.();
    },
  };
}
