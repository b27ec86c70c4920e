import type { CallOptions } from '@/workers/client';

/** What is shown of a task. */
export interface TaskState {
  /** Share done while it runs, 0 to 1; null when it does not. */
  progress: number | null;
  /** Why there is no result; null while there is, or is going to be. */
  problem: string | null;
}

export const IDLE: TaskState = { progress: null, problem: null };

/** Whether somebody gave a task up, rather than that it failed. */
export const isGivenUp = (error: unknown): boolean => (error as Error).name === 'AbortError';

/**
 * One result that is worked out elsewhere for what is on the screen. Only the latest asking counts: a new one stops the work of
 * the one before, and nothing of that is shown any more.
 */
export class Task {
  private control: AbortController | null = null;

  constructor(private readonly show: (state: Partial<TaskState>) => void) {}

  get isRunning(): boolean {
    return this.control !== null;
  }

  /**
   * @param work the calculation, which tells its progress and stops when its signal does
   * @param done takes the result, unless another was asked for meanwhile
   * @returns whether it failed; what was given up, or asked for anew, did not
   */
  async run<T>(
    work: (options: Required<Pick<CallOptions, 'signal' | 'progress'>>) => Promise<T>,
    done: (result: T) => void,
  ): Promise<boolean> {
    this.control?.abort();
    const own = new AbortController();
    this.control = own;
    const isLatest = (): boolean => this.control === own;
    this.show({ progress: 0, problem: null });
    try {
      const result = await work({ signal: own.signal, progress: (progress) => isLatest() && this.show({ progress }) });
      if (!isLatest()) return false;
      // What goes wrong with a result is said like what goes wrong on the way to it.
      done(result);
      if (isLatest()) this.end({});
      return false;
    } catch (error) {
      const failed = isLatest() && !isGivenUp(error);
      if (isLatest()) this.end(failed ? { problem: (error as Error).message } : {});
      return failed;
    }
  }

  /** Stops the work, if there is any; what is shown of earlier results stays. */
  cancel(): void {
    this.control?.abort();
    if (this.control) this.end({});
  }

  private end(state: Partial<TaskState>): void {
    this.control = null;
    this.show({ progress: null, ...state });
  }
}
