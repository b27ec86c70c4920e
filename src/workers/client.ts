import type { FromWorker, Protocol, RequestName } from './protocol';

/** A failure whose message is fit for people. */
export class WorkerError extends Error {
  constructor(
    message: string,
    readonly known: boolean,
  ) {
    super(message);
    this.name = 'WorkerError';
  }
}

export interface CallOptions {
  signal?: AbortSignal;
  progress?: (done: number) => void;
  transfer?: Transferable[];
}

interface Waiting {
  resolve: (value: never) => void;
  reject: (reason: Error) => void;
  progress: ((done: number) => void) | undefined;
}

const abortError = (): Error => new DOMException('cancelled', 'AbortError');

/** Typed calls to one worker. A cancelled call rejects at once; a worker that dies rejects all its calls and is replaced. */
export class WorkerClient {
  private worker: Worker | null = null;
  private next = 1;
  private readonly waiting = new Map<number, Waiting>();

  constructor(private readonly start: () => Worker) {}

  call<K extends RequestName>(name: K, input: Protocol[K]['in'], options: CallOptions = {}): Promise<Protocol[K]['out']> {
    const { signal, progress, transfer = [] } = options;
    if (signal?.aborted) return Promise.reject(abortError());
    const id = this.next++;
    return new Promise<Protocol[K]['out']>((resolve, reject) => {
      this.waiting.set(id, { resolve: resolve, reject, progress });
      signal?.addEventListener('abort', () => this.cancel(id), { once: true });
      this.running().postMessage({ id, name, input }, transfer);
    });
  }

  /** Starts the worker before it is needed, so that its program is loaded while something else is awaited. */
  warm(): void {
    this.running();
  }

  private cancel(id: number): void {
    const call = this.waiting.get(id);
    if (!call) return;
    this.waiting.delete(id);
    call.reject(abortError());
    // The work itself cannot be interrupted from outside, so a worker with nothing else to do is replaced.
    if (this.waiting.size === 0) this.stop();
  }

  private running(): Worker {
    if (this.worker) return this.worker;
    const worker = this.start();
    worker.onmessage = ({ data }: MessageEvent<FromWorker>) => this.receive(data);
    worker.onerror = () => {
      const calls = [...this.waiting.values()];
      this.waiting.clear();
      this.stop();
      for (const call of calls) call.reject(new WorkerError('The calculation stopped unexpectedly; try again.', true));
    };
    this.worker = worker;
    return worker;
  }

  private stop(): void {
    this.worker?.terminate();
    this.worker = null;
  }

  private receive(message: FromWorker): void {
    const call = this.waiting.get(message.id);
    if (!call) return;
    if (message.kind === 'progress') {
      call.progress?.(message.done);
      return;
    }
    this.waiting.delete(message.id);
    if (message.kind === 'result') call.resolve(message.output as never);
    else call.reject(new WorkerError(message.message, message.known));
  }
}

/** Artwork, plans and files. */
export const engine = new WorkerClient(() => new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' }));
/** What will go wrong and how the cloth will move: apart, so that an edit never waits for it. */
export const prover = new WorkerClient(() => new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' }));
/** Pictures of thread, apart so that drawing never waits for planning. */
export const painter = new WorkerClient(() => new Worker(new URL('./painter.worker.ts', import.meta.url), { type: 'module' }));
