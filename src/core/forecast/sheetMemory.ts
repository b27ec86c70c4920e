import type { StitchPlan } from '../plan/plan';

type Sewn = Pick<StitchPlan, 'x' | 'y' | 'command' | 'thread'>;

/** The sheet as it was at some event of a plan: copies of its arrays, in an order that the sheet knows. */
export interface Snapshot {
  /** Events before this one are sewn. */
  event: number;
  batches: number;
  arrays: readonly (Float64Array | Float32Array | Uint8Array)[];
}

/** So many snapshots are kept of one run: an edit is caught up with from the one before it. */
const MOST_SNAPSHOTS = 16;

/**
 * What the last forecast went through, so that one of nearly the same plan goes on from where the two part. What comes of
 * it is the same to the last bit.
 */
export class SheetMemory {
  private key = '';
  private plan: Sewn | null = null;
  private snapshots: Snapshot[] = [];
  /** Snapshots of no use any more, but for their arrays. */
  private spare: Snapshot[] = [];
  private sewnX: Float32Array = new Float32Array(0);
  private sewnY: Float32Array = new Float32Array(0);

  /**
   * Where a run can go on from: the latest snapshot before the first event that differs, with the displacements known
   * until there written into `sewn`. Null when it must begin anew.
   * @param key all that a run depends on beside its plan
   */
  resume(key: string, plan: Sewn, sewn: { x: Float32Array; y: Float32Array }): Snapshot | null {
    const same = key === this.key && this.plan ? commonEvents(this.plan, plan) : 0;
    if (key !== this.key) this.spare = [];
    else this.spare.push(...this.snapshots.filter((s) => s.event > same));
    this.snapshots = this.snapshots.filter((s) => s.event <= same);
    this.key = key;
    this.plan = plan;
    const last = this.snapshots[this.snapshots.length - 1] ?? null;
    if (last) {
      sewn.x.set(this.sewnX.subarray(0, last.event));
      sewn.y.set(this.sewnY.subarray(0, last.event));
    }
    this.sewnX = sewn.x;
    this.sewnY = sewn.y;
    return last;
  }

  /** Whether a snapshot is wanted before the batch that begins at an event, when about `events` come between two. */
  wants(event: number, ofAll: number): boolean {
    const last = this.snapshots[this.snapshots.length - 1];
    return event > 0 && (last === undefined || event - last.event >= ofAll / MOST_SNAPSHOTS);
  }

  /** Keeps copies of a sheet's arrays before the batch that begins at an event. */
  keep(event: number, batches: number, arrays: Snapshot['arrays']): void {
    const into = this.spare.pop()?.arrays;
    into?.forEach((old, i) => old.set(arrays[i]!));
    this.snapshots.push({ event, batches, arrays: into ?? arrays.map((a) => a.slice()) });
  }
}

/** How many events two plans begin with alike. */
export function commonEvents(a: Sewn, b: Sewn): number {
  const n = Math.min(a.x.length, b.x.length);
  let i = 0;
  while (i < n && a.x[i] === b.x[i] && a.y[i] === b.y[i] && a.command[i] === b.command[i] && a.thread[i] === b.thread[i]) i++;
  return i;
}
