import type { InputError } from '@/core/document/errors';
import { JobSender } from './jobWire';
import type { EngineRequest, FromWorker, PainterRequest, PartOf, Protocol, Request, RequestName, ToWorker } from './protocol/messages';
import { raiseStop, stopSigns } from './stopping';

/** A failure whose message is fit for people. */
export class WorkerError extends Error {
  constructor(
    message: string,
    readonly known: boolean,
    readonly code?: InputError['code'],
  ) {
    super(message);
    this.name = 'WorkerError';
  }
}

export interface CallOptions<Part = never> {
  signal?: AbortSignal;
  progress?: (done: number) => void;
  /** Told of what there is of the answer so far. */
  part?: (part: Part) => void;
  transfer?: Transferable[];
}

interface Waiting {
  request: Request;
  resolve: (value: never) => void;
  reject: (reason: Error) => void;
  progress: ((done: number) => void) | undefined;
  part: ((part: never) => void) | undefined;
  /** What it was asked with has left this thread, so it cannot be asked again. */
  onlyOnce: boolean;
  tries: number;
}

const MOST_TRIES = 2;
const DIED = 'The calculation stopped twice and was given up. Your job is unharmed; change it or reload the page and try again.';
const abortError = (): Error => new DOMException('cancelled', 'AbortError');

/** Work looks whether it is still wanted far more often than this; what does not is stopped with its worker, ms. */
const STOPS_WITHIN_MS = 1500;

/**
 * Typed calls to one worker, which answers them one after the other; one that it does not serve is a type error. A cancelled call
 * rejects at once, and its work stops at its next progress point; where that cannot be told, or does not come, the worker is
 * replaced. A worker that dies or does not load is replaced, and what it had to do is tried once more.
 */
export class WorkerClient<Served extends RequestName = RequestName> {
  private worker: Worker | null = null;
  private started = false;
  /** What the worker knows of jobs; a new worker knows nothing. */
  private jobs = new JobSender();
  private next = 1;
  private readonly waiting = new Map<number, Waiting>();
  /** Calls whose work is to stop. */
  private readonly stopping = new Set<number>();
  private patience: ReturnType<typeof setTimeout> | null = null;
  private signs: Int32Array | null = null;

  /** @param replaced told of every new worker after the first: it knows nothing of what the one before was told */
  constructor(
    private readonly start: () => Worker,
    public replaced: (() => void) | null = null,
  ) {}

  call<K extends Served>(name: K, input: Protocol[K]['in'], options: CallOptions<PartOf<K>> = {}): Promise<Protocol[K]['out']> {
    const { signal, progress, part, transfer = [] } = options;
    if (signal?.aborted) return Promise.reject(abortError());
    const id = this.next++;
    return new Promise<Protocol[K]['out']>((resolve, reject) => {
      const request = { id, name, input } as Request;
      this.waiting.set(id, { request, resolve, reject, progress, part, onlyOnce: transfer.length > 0, tries: 1 });
      signal?.addEventListener('abort', () => this.cancel(id), { once: true });
      const worker = this.theWorker();
      worker.postMessage(this.wired(request), transfer);
    });
  }

  private wired({ id, name, input }: Request): ToWorker {
    return { id, name, input: 'job' in input ? { ...input, job: this.jobs.wire(input.job) } : input, signs: this.signs } as ToWorker;
  }

  /** Starts the worker before it is needed, so that its program is loaded while something else is awaited. */
  warm(): void {
    this.theWorker();
  }

  private cancel(id: number): void {
    const call = this.waiting.get(id);
    if (!call) return;
    const isRunning = this.running() === id;
    this.waiting.delete(id);
    call.reject(abortError());
    if (this.signs) {
      raiseStop(this.signs, id);
      this.stopping.add(id);
      this.bePatient();
    } else if (isRunning) this.replaceIfFree();
  }

  /** The call that is being worked on: they are answered in order. */
  private running(): number {
    return Math.min(...[this.waiting, this.stopping].map((calls) => calls.keys().next().value ?? Infinity));
  }

  /** Waits for the work to stop, if what is being worked on is to. */
  private bePatient(): void {
    if (this.patience) clearTimeout(this.patience);
    const isStopping = this.stopping.has(this.running());
    this.patience = isStopping ? setTimeout(() => this.replaceIfFree(), STOPS_WITHIN_MS) : null;
  }

  /** Stops the work with its worker, unless what else it has to do cannot be asked again. */
  private replaceIfFree(): void {
    if (![...this.waiting.values()].some((w) => w.onlyOnce)) this.replace();
  }

  /** Stops the worker, and asks a new one for whatever is still awaited. */
  private replace(): void {
    this.worker?.terminate();
    this.worker = null;
    this.stopping.clear();
    this.bePatient();
    const again = [...this.waiting.values()];
    if (again.length === 0) return;
    const worker = this.theWorker();
    for (const { request } of again) worker.postMessage(this.wired(request));
  }

  private theWorker(): Worker {
    if (this.worker) return this.worker;
    const worker = this.start();
    worker.onmessage = ({ data }: MessageEvent<FromWorker>) => this.receive(data);
    worker.onerror = worker.onmessageerror = (event?: Event) => {
      // It is seen to here: nobody else has to hear of it.
      event?.preventDefault();
      this.died(worker);
    };
    this.worker = worker;
    this.jobs = new JobSender();
    this.signs = stopSigns();
    if (this.started) this.replaced?.();
    this.started = true;
    return worker;
  }

  private died(worker: Worker): void {
    if (worker !== this.worker) return;
    for (const [id, call] of this.waiting) {
      if (!call.onlyOnce && call.tries++ < MOST_TRIES) continue;
      this.waiting.delete(id);
      call.reject(new WorkerError(DIED, true));
    }
    this.replace();
  }

  private receive(message: FromWorker): void {
    const call = this.waiting.get(message.id);
    if (message.kind === 'progress') call?.progress?.(message.done);
    else if (message.kind === 'part') call?.part?.(message.part as never);
    else this.settle(message, call);
  }

  private settle(message: Exclude<FromWorker, { kind: 'progress' | 'part' }>, call: Waiting | undefined): void {
    this.waiting.delete(message.id);
    this.stopping.delete(message.id);
    this.bePatient();
    if (message.kind === 'result') call?.resolve(message.output as never);
    else if (message.kind === 'error') call?.reject(new WorkerError(message.message, message.known, message.code));
  }
}

/** Artwork, plans and files. */
export const engine = new WorkerClient<EngineRequest>(() => new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' }));
/** What will go wrong and how the cloth will move: apart, so that an edit never waits for it. */
export const prover = new WorkerClient<EngineRequest>(() => new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' }));
/** Pictures that become shapes: apart, so that looking at one never waits for what its shapes set going. */
export const easel = new WorkerClient<'trace' | 'page' | 'lift'>(
  () => new Worker(new URL('./engine.worker.ts', import.meta.url), { type: 'module' }),
);
/** Pictures of thread, apart so that drawing never waits for planning. */
export const painter = new WorkerClient<PainterRequest>(
  () => new Worker(new URL('./painter.worker.ts', import.meta.url), { type: 'module' }),
);
