import { InputError } from '@/core/document/errors';
import { JobReceiver } from './jobWire';
import type { FromWorker, PartOf, Protocol, RequestName, ToWorker } from './protocol';

export interface Answer<T> {
  output: T;
  transfer?: Transferable[];
}

export type Handlers<K extends RequestName> = {
  [N in K]: (
    input: Protocol[N]['in'],
    progress: (done: number) => void,
    part: (part: PartOf<N>, transfer: Transferable[]) => void,
  ) => Answer<Protocol[N]['out']> | Promise<Answer<Protocol[N]['out']>>;
};

const PROGRESS_EVERY_MS = 60;

/** Answers requests with the given handlers, one after the other. */
export function serve<K extends RequestName>(handlers: Handlers<K>): void {
  const post = (message: FromWorker, transfer: Transferable[] = []): void => self.postMessage(message, { transfer });
  const jobs = new JobReceiver();
  const answer = async ({ id, name, input: wired }: ToWorker): Promise<void> => {
    const input = 'job' in wired ? { ...wired, job: jobs.unwire(wired.job) } : wired;
    let last = 0;
    const progress = (done: number): void => {
      const now = performance.now();
      if (now - last < PROGRESS_EVERY_MS) return;
      last = now;
      post({ id, kind: 'progress', done });
    };
    try {
      const handler = handlers[name as K] as (
        input: unknown,
        progress: (done: number) => void,
        part: (part: unknown, transfer: Transferable[]) => void,
      ) => Answer<unknown> | Promise<Answer<unknown>>;
      const { output, transfer } = await handler(input, progress, (part, of) => post({ id, kind: 'part', part }, of));
      post({ id, kind: 'result', output }, transfer);
    } catch (error) {
      const known = error instanceof InputError;
      const message = known ? error.message : `Something unforeseen went wrong (${(error as Error).message}); nothing was changed.`;
      post({ id, kind: 'error', message, known, ...(known ? { code: error.code } : {}) });
    }
  };
  self.onmessage = ({ data }: MessageEvent<ToWorker>) => void answer(data);
}
