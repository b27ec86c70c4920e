import type { Growing } from '@/core/plan/planner';
import { applyDelta, memoryOf, memoryOfDelta, planDelta, type PlanPart, type WiredPlan } from '@/core/plan/delta';
import type { StitchPlan } from '@/core/plan/plan';

export type { WiredPlan };

/** A plan for somebody who only looks at stitches. */
export const withoutPieces = (wired: WiredPlan): WiredPlan => ({
  ...wired,
  delta: { ...wired.delta, pieces: [], spans: new Int32Array() },
});

/** Sends plans as differences from the one that the other side says it holds. */
export class PlanSender {
  private last: { version: string; plan: StitchPlan } | null = null;
  /** Tells this sender's versions from those of the one before it, whose worker may have died. */
  private readonly run = crypto.randomUUID();
  private versions = 0;

  /** A version that no other plan has. */
  nextVersion(): string {
    return `${this.run} ${++this.versions}`;
  }

  /** @param held version that the other side holds; null when it holds none */
  wire(plan: StitchPlan, held: string | null, version = this.nextVersion()): { wired: WiredPlan; transfer: ArrayBuffer[] } {
    const base = this.last && this.last.version === held ? this.last : null;
    const delta = planDelta(base?.plan ?? null, plan);
    this.last = { version, plan };
    return { wired: { version, base: base?.version ?? null, delta }, transfer: memoryOfDelta(delta) };
  }
}

/** Stitches are sewn for so long before what there is of them is shown to the painter, ms. */
const PART_MS = 70;
/** A stitch is drawn from the events up to two before its own. */
const OVERLAP = 2;

/** Parts of plans that take long to make, so that the painter begins before they are done. */
export class PartSender {
  private last: number | null = null;
  private sent = 0;
  private first = true;

  constructor(
    private readonly version: string,
    private readonly send: (part: PlanPart, transfer: ArrayBuffer[]) => void,
  ) {}

  /**
   * Called whenever the plan has grown. Where most of it is as it was before, there is little to draw.
   * @param all the plan is sewn: what is left goes while its figures are worked out, but no plan goes as one part
   */
  grown(so: Growing, all: boolean): void {
    const now = performance.now();
    this.last ??= now;
    if (now - this.last < (all && !this.first ? 0 : PART_MS) || so.anew < so.length / 2) return;
    const from = Math.max(0, this.sent - OVERLAP);
    const events = so.since(from);
    const part = { version: this.version, overlap: this.sent - from, first: this.first, events };
    this.send(part, memoryOf(events));
    this.last = now;
    this.sent = so.length;
    this.first = false;
  }
}

/** Where plans arrive. */
export class PlanReceiver {
  private held: { version: string; plan: StitchPlan } | null = null;

  get version(): string | null {
    return this.held?.version ?? null;
  }

  /** @returns the plan; null when the difference is from one that is not held here */
  take({ version, base, delta }: WiredPlan): StitchPlan | null {
    if (base !== null && base !== this.version) return null;
    const plan = applyDelta(base === null ? null : this.held!.plan, delta);
    this.held = { version, plan };
    return plan;
  }

  /** What is held, for somebody who holds nothing. */
  whole(): WiredPlan | null {
    return this.held && { version: this.held.version, base: null, delta: planDelta(null, this.held.plan) };
  }
}
