import { Canvas } from '@/core/render/canvas';
import { PlanReceiver } from './planWire';
import type { PainterRequest } from './protocol';
import { serve } from './serve';

const plans = new PlanReceiver();
const canvas = new Canvas();

serve<PainterRequest>({
  showPlan: ({ plan: wired, looks, hidden }) => {
    const plan = plans.take(wired);
    if (plan) canvas.show(plan, looks, hidden, wired.base === null ? null : wired.delta, wired.version);
    return { output: { taken: plan !== null } };
  },
  growPlan: ({ part, looks, hidden }) => {
    canvas.grow(part, looks, hidden);
    return { output: null };
  },
  hide: ({ hidden }) => {
    canvas.hide(hidden);
    return { output: null };
  },
  picture: (request) => {
    const pixels = canvas.picture(request).data.slice();
    return { output: { ...request, pixels }, transfer: [pixels.buffer] };
  },
});
