import type { StitchColumns } from './buffer';

/** Needle events as a file holds them: what is not in it is unknown. */
export interface StitchList extends Omit<StitchColumns, 'threads'> {
  /** Index into `pieces` and `threads` of each event. */
  piece: Uint16Array<ArrayBuffer>;
  thread: Uint8Array<ArrayBuffer>;
  pieces: string[];
  /** What the file calls its threads, in the order in which they first sew. */
  threads: string[];
}

/** More events than any machine holds in one job. */
export const MOST_LISTED = 1_000_000;
/** What the columns of a list can tell apart. */
export const MOST_LISTED_THREADS = 255;
export const MOST_LISTED_PIECES = 65_535;

/** Collects rows of a list. */
export class StitchRows {
  private readonly x: number[] = [];
  private readonly y: number[] = [];
  private readonly command: number[] = [];
  private readonly role: number[] = [];
  private readonly piece: number[] = [];
  private readonly thread: number[] = [];
  private readonly pieces = new Names();
  private readonly threads = new Names();

  get length(): number {
    return this.x.length;
  }

  get threadCount(): number {
    return this.threads.list.length;
  }

  get pieceCount(): number {
    return this.pieces.list.length;
  }

  push(at: { x: number; y: number }, what: { command: number; role: number; piece: string; thread: string }): void {
    this.x.push(at.x);
    this.y.push(at.y);
    this.command.push(what.command);
    this.role.push(what.role);
    this.piece.push(this.pieces.indexOf(what.piece));
    this.thread.push(this.threads.indexOf(what.thread));
  }

  list(): StitchList {
    return {
      x: Float32Array.from(this.x),
      y: Float32Array.from(this.y),
      command: Uint8Array.from(this.command),
      role: Uint8Array.from(this.role),
      piece: Uint16Array.from(this.piece),
      thread: Uint8Array.from(this.thread),
      pieces: this.pieces.list,
      threads: this.threads.list,
    };
  }
}

/** Names in the order in which they first come. */
class Names {
  readonly list: string[] = [];
  private readonly known = new Map<string, number>();

  indexOf(name: string): number {
    const known = this.known.get(name);
    if (known !== undefined) return known;
    this.known.set(name, this.list.length);
    return this.list.push(name) - 1;
  }
}
