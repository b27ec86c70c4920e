import { InputError } from '@/core/document/errors';
import { JobReceiver } from './jobWire';
import type { FromWorker, PartOf, Protocol, RequestName, ToWorker } from './protocol/messages';
import { isStopped, Stopped } from './stopping';

export interface Answer<T> {
  output: T;
  transfer?: Transferable[];
}

/** What a handler may tell before it is done. */
export interface Telling<N extends RequestName> {
  /** Tells the share done, 0 to 1; throws where the work is to stop. Whatever takes long calls it often. */
  progress(done: number): void;
  part(part: PartOf<N>, transfer: Transferable[]): void;
}

export type Handler<N extends RequestName> = (
  input: Protocol[N]['in'],
  telling: Telling<N>,
) => Answer<Protocol[N]['out']> | Promise<Answer<Protocol[N]['out']>>;

type AnyHandler = (input: unknown, telling: Telling<never>) => Answer<unknown> | Promise<Answer<unknown>>;

const PROGRESS_EVERY_MS = 60;

/**
 * Answers requests with the given handlers, one after the other.
 * @param ready what has to be there before the first
 */
export function serve<K extends RequestName>(handlers: { [N in K]: Handler<N> }, ready: Promise<void> = Promise.resolve()): void {
  const post = (message: FromWorker, transfer: Transferable[] = []): void => self.postMessage(message, { transfer });
  const jobs = new JobReceiver();
  const answer = async ({ id, name, input: wired, signs }: ToWorker): Promise<void> => {
    // A job counts as received even when nobody waits for its answer: the next tells only what differs from it.
    const input = 'job' in wired ? { ...wired, job: jobs.unwire(wired.job) } : wired;
    let last = 0;
    const progress = (done: number): void => {
      if (isStopped(signs, id)) throw new Stopped();
      const now = performance.now();
      if (now - last < PROGRESS_EVERY_MS) return;
      last = now;
      post({ id, kind: 'progress', done });
    };
    try {
      if (isStopped(signs, id)) throw new Stopped();
      const handler = handlers[name as K] as unknown as AnyHandler;
      const { output, transfer } = await handler(input, { progress, part: (part, of) => post({ id, kind: 'part', part }, of) });
      post({ id, kind: 'result', output }, transfer);
    } catch (error) {
      post(error instanceof Stopped ? { id, kind: 'stopped' } : { id, kind: 'error', ...told(error) });
    }
  };
  self.onmessage = ({ data }: MessageEvent<ToWorker>) => void ready.then(() => answer(data));
}

function told(error: unknown): { message: string; known: boolean; code?: InputError['code'] } {
  if (error instanceof InputError) return { message: error.message, known: true, code: error.code };
  return { message: `Something unforeseen went wrong (${(error as Error).message}); nothing was changed.`, known: false };
}
