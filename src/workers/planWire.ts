import { applyDelta, memoryOf, planDelta, type PlanDelta } from '@/core/plan/delta';
import type { StitchPlan } from '@/core/plan/plan';

/** A plan on its way: its difference from version `base`, or all of it. */
export interface WiredPlan {
  version: string;
  /** Null when it stands alone. */
  base: string | null;
  delta: PlanDelta;
}

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

  /** @param held version that the other side holds; null when it holds none */
  wire(plan: StitchPlan, held: string | null): { wired: WiredPlan; transfer: ArrayBuffer[] } {
    const base = this.last && this.last.version === held ? this.last : null;
    const delta = planDelta(base?.plan ?? null, plan);
    const version = `${this.run} ${++this.versions}`;
    this.last = { version, plan };
    return { wired: { version, base: base?.version ?? null, delta }, transfer: memoryOf(delta) };
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
