import type { Job, Piece } from '@/core/document/types';

/** A job on its way to a worker. Pieces that the worker has are told by the numbers they were sent under. */
export interface WiredJob {
  job: Omit<Job, 'pieces'>;
  pieces: (number | { number: number; piece: Piece })[];
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
  private readonly numbers = new Map<Piece, number>();
  private next = 0;

  wire({ pieces, ...job }: Job): WiredJob {
    const wired = pieces.map((piece) => {
      const number = this.numbers.get(piece) ?? this.next;
      const isNew = number === this.next;
      if (isNew) this.next++;
      this.numbers.delete(piece);
      this.numbers.set(piece, number);
      return isNew ? { number, piece } : number;
    });
    return { job, pieces: wired, forget: this.forget(pieces.length + SPARE) };
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
  private readonly held = new Map<number, Piece>();

  unwire({ job, pieces, forget }: WiredJob): Job {
    const whole = pieces.map((p) => {
      if (typeof p === 'number') return this.held.get(p)!;
      this.held.set(p.number, p.piece);
      return p.piece;
    });
    for (const number of forget) this.held.delete(number);
    return { ...job, pieces: whole };
  }
}
