import { KERNEL_BYTES } from './kernelBytes';

/** The innermost loops, compiled; pointers are bytes from the start of their memory. See assembly/sheet.ts. */
export interface Loops {
  sweep(
    u: number,
    f: number,
    k: number,
    kind: number,
    across: number,
    cloth: number,
    c0: number,
    r0: number,
    c1: number,
    r1: number,
    forward: 0 | 1,
  ): void;
  residual(
    u: number,
    f: number,
    r: number,
    k: number,
    kind: number,
    across: number,
    cloth: number,
    c0: number,
    r0: number,
    c1: number,
    r1: number,
  ): void;
  restrict(r: number, f: number, fine: number, coarse: number, c0: number, r0: number, c1: number, r1: number): void;
  addThreads(
    k: number,
    kind: number,
    across: number,
    h: number,
    depth: number,
    columns: number,
    cells: number,
    stiffness: number,
    count: number,
  ): void;
  prolong(from: number, to: number, kind: number, fine: number, coarse: number, c0: number, r0: number, c1: number, r1: number): void;
}

/** Bytes of a page of WebAssembly memory. */
const PAGE = 65536;
/** Vectors are read fastest where they do not straddle lines of the processor's cache. */
const ALIGNED = 64;

/** Memory in which the loops work, and the loops. Arrays in it are taken one after the other. */
export class WasmArena {
  readonly loops: Loops;
  private readonly buffer: ArrayBuffer;
  private taken = 0;

  constructor(readonly size: number) {
    const pages = Math.ceil(size / PAGE);
    const memory = new WebAssembly.Memory({ initial: pages, maximum: pages });
    this.buffer = memory.buffer;
    this.loops = new WebAssembly.Instance(compiled(), { env: { memory } }).exports as unknown as Loops;
  }

  /** So many numbers of 32 bits, all zero. */
  floats(count: number): Float32Array<ArrayBuffer> {
    return new Float32Array(this.buffer, this.take(4 * count), count).fill(0);
  }

  /** So many whole numbers of 32 bits, all zero. */
  integers(count: number): Int32Array<ArrayBuffer> {
    return new Int32Array(this.buffer, this.take(4 * count), count).fill(0);
  }

  /** So many bytes, all zero. */
  bytes(count: number): Uint8Array<ArrayBuffer> {
    return new Uint8Array(this.buffer, this.take(count), count).fill(0);
  }

  /** Forgets which arrays were taken. */
  empty(): void {
    this.taken = 0;
  }

  private take(bytes: number): number {
    const at = this.taken;
    this.taken = at + padded(bytes);
    return at;
  }
}

const padded = (bytes: number): number => Math.ceil(bytes / ALIGNED) * ALIGNED;

/** Bytes that arrays of these sizes, in bytes, take in a room. */
export const arenaSizeFor = (sizes: readonly number[]): number => sizes.reduce((sum, bytes) => sum + padded(bytes), 0);

let loops: WebAssembly.Module | null = null;
function compiled(): WebAssembly.Module {
  return (loops ??= new WebAssembly.Module(Uint8Array.from(atob(KERNEL_BYTES), (c) => c.charCodeAt(0))));
}

/** A room that is not in use: memory is large, and sheets come one after the other. */
let spare: WasmArena | null = null;

/** An empty room of at least so many bytes. */
export function takeArena(size: number): WasmArena {
  const room = spare && spare.size >= size ? spare : new WasmArena(size);
  if (room === spare) spare = null;
  room.empty();
  return room;
}

/** Says that nothing uses a room any more. */
export function giveBack(room: WasmArena): void {
  if (!spare || spare.size <= room.size) spare = room;
}
