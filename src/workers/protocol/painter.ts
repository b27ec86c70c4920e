import type { PlanPart } from '@/core/plan/delta';
import type { View } from '@/core/render/canvas';
import type { ThreadLook } from '@/core/render/thread';
import type { WiredPlan } from '../planWire';

export interface Picture extends View {
  pixels: Uint8ClampedArray<ArrayBuffer>;
}

/** What the painter's answers. */
export interface PainterProtocol {
  showPlan: {
    in: { plan: WiredPlan; looks: ThreadLook[]; hidden: number[] };
    /** Whether it could be made of what the painter holds. */
    out: { taken: boolean };
  };
  /** Some events of a plan that is still being made, to draw beforehand. */
  growPlan: { in: { part: PlanPart; looks: ThreadLook[]; hidden: number[] }; out: null };
  /** Pieces that pictures leave out, by index. */
  hide: { in: { hidden: number[] }; out: null };
  picture: { in: View; out: Picture };
}
