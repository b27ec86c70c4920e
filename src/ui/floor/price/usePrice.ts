import { useMemo } from 'react';
import { priceOf, type Order, type Price } from '@/core/production/price';
import { useFloor } from '@/session/derived/floorStore';
import { useJob } from '@/session/job/jobStore';
import { useLibrary } from '@/session/shop/libraryStore';

/** What the open job is to be priced by; null until its stitches are known. */
export function useOrder(): Order | null {
  const view = useFloor((s) => s.view);
  const job = useJob((s) => s.job);
  return useMemo(() => {
    if (!view || !job) return null;
    const { rush = false, withGarments = false, repeat = false } = job.floor ?? {};
    const stitches = (view.share * view.figures.stitches) / view.perHoop;
    return { quantity: job.brief.quantity, stitches, machineHours: view.share * view.machineHours, rush, withGarments, repeat };
  }, [view, job]);
}

export function usePrice(): Price | null {
  const order = useOrder();
  const rates = useLibrary((s) => s.library.rates);
  return useMemo(() => (order ? priceOf(order, rates) : null), [order, rates]);
}
