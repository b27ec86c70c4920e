import type { Sewout } from '@/core/document/sewoutTypes';
import type { Beside, Job, Piece } from '@/core/document/types';

/** Something large that is sent once and told by a number from then on. */
type Numbered<T> = number | { number: number; piece: T };

/** A job on its way to a worker. Pieces, designs that lie beside it and tests that the worker has are told by the numbers they were sent under. */
export interface WiredJob {
  job: Omit<Job, 'pieces'>;
  pieces: Numbered<Piece>[];
  /** Absent where nothing lies beside it. */
  beside?: Numbered<Beside>[];
  /** Tests with what was sewn in them; absent where there is none. */
  sewouts?: Numbered<Sewout>[];
  /** Numbers that will not be used again. */
  forget: number[];
}

/** So many pieces more than the job at hand has are remembered, for going back and forth. */
const SPARE = 4000;

/**
 * Sends jobs to one worker. After an edit almost all pieces are the objects they were: those travel as numbers, and the worker
 * gets the same objects again, so that what it keeps for them holds on. Pieces must not be changed once they were sent.
 */
export class JobSender {
  /** The longest unused first. */
  private readonly numbers = new Map<object, number>();
  private next = 0;

  wire({ pieces, ...job }: Job): WiredJob {
    const wired = pieces.map((piece) => this.numbered(piece));
    const { beside, ...floor } = job.floor ?? {};
    const bare = { ...job, ...(beside ? { floor } : {}), sewouts: [] };
    const laid = {
      job: bare,
      ...(beside ? { beside: beside.map((b) => this.numbered(b)) } : {}),
      ...(job.sewouts.length > 0 ? { sewouts: job.sewouts.map((s) => this.numbered(s)) } : {}),
    };
    return { ...laid, pieces: wired, forget: this.forget(pieces.length + SPARE) };
  }

  private numbered<T extends object>(piece: T): Numbered<T> {
    const number = this.numbers.get(piece) ?? this.next;
    const isNew = number === this.next;
    if (isNew) this.next++;
    this.numbers.delete(piece);
    this.numbers.set(piece, number);
    return isNew ? { number, piece } : number;
  }

  private forget(most: number): number[] {
    const gone: number[] = [];
    for (const [piece, number] of this.numbers) {
      if (this.numbers.size <= most) break;
      this.numbers.delete(piece);
      gone.push(number);
    }
    return gone;
  }
}

/** The other end of a `JobSender`. */
export class JobReceiver {
  private readonly held = new Map<number, object>();

  unwire({ job, pieces, beside, sewouts, forget }: WiredJob): Job {
    const whole = pieces.map((p) => this.known(p));
    const laid = beside?.map((b) => this.known(b));
    const tests = sewouts?.map((s) => this.known(s));
    for (const number of forget) this.held.delete(number);
    return { ...job, ...(laid ? { floor: { ...job.floor, beside: laid } } : {}), ...(tests ? { sewouts: tests } : {}), pieces: whole };
  }

  private known<T extends object>(sent: Numbered<T>): T {
    if (typeof sent === 'number') return this.held.get(sent) as T;
    this.held.set(sent.number, sent.piece);
    return sent.piece;
  }
}
