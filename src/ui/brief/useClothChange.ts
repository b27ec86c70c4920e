import { useEffect, useRef, useState } from 'react';
import { recipeFor } from '@/core/cloth/house';
import { sewnChanges, type SewnChange } from '@/core/compare/sewn';
import type { Job } from '@/core/document/types';
import { usePlan, type Planned } from '@/session/derived/planStore';

/** What another cloth did to the pieces. */
export interface ClothChange {
  from: string;
  to: string;
  stitches: readonly [before: number, after: number];
  changes: SewnChange[];
}

const sameCloth = (a: Job, b: Job): boolean => a.brief.cloth === b.brief.cloth;
const stitchesOf = ({ plan }: Planned): number => plan.pieces.reduce((sum, p) => sum + p.stitches, 0);

/** What the last change of cloth on this page came to, once it is planned; null before, and while it is being laid. */
export function useClothChange(job: Job): ClothChange | 'laying' | null {
  const planned = usePlan((s) => s.planned);
  const last = useRef<Planned | null>(null);
  const [change, setChange] = useState<ClothChange | null>(null);
  useEffect(() => {
    if (!planned || planned.job.id !== job.id) return;
    const before = last.current;
    if (before?.job.id === job.id && !sameCloth(before.job, planned.job)) {
      setChange({
        from: recipeFor(before.job.brief).name,
        to: recipeFor(planned.job.brief).name,
        stitches: [stitchesOf(before), stitchesOf(planned)],
        changes: sewnChanges(before.plan.pieces, planned.plan.pieces),
      });
    }
    last.current = planned;
  }, [planned, job.id]);
  return planned && planned.job.id === job.id && !sameCloth(planned.job, job) ? 'laying' : change;
}
