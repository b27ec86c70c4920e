import { useMemo } from 'react';
import { among } from '@/core/document/among';
import type { Piece } from '@/core/document/types';
import { dataToRings } from '@/core/geometry/path';
import { boundsOf, type Bounds, type Point } from '@/core/geometry/point';
import { usePlan } from '@/session/derived/planStore';
import { useJob } from '@/session/job/jobStore';
import { chosenIds, useView } from '@/session/view/viewStore';

const NOTHING: readonly string[] = [];

/** The box round pieces as they are planned, mm. */
export function boxOf(ids: readonly string[], outlines = usePlan.getState().planned?.outlines ?? NOTHING): Bounds {
  const pieces = useJob.getState().job?.pieces ?? [];
  const chosen = among(ids);
  return boundsOf(pieces.flatMap((p, i) => (chosen(p.id) ? dataToRings(outlines[i] ?? '') : [])));
}

/** The box round all that is chosen; null when nothing is, or when it is not laid yet. */
export function useChosenBox(): Bounds | null {
  const selected = useView((s) => s.selected);
  const also = useView((s) => s.also);
  const outlines = usePlan((s) => s.planned?.outlines);
  return useMemo(() => {
    if (selected === null) return null;
    const box = boxOf([selected, ...also], outlines);
    return Number.isFinite(box.maxX - box.minX) ? box : null;
  }, [selected, also, outlines]);
}

export const middleOf = (b: Bounds): Point => ({ x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 });

/** The chosen pieces that may be turned and scaled: locked ones keep their place. */
export function chosenLoose(): Piece[] {
  const chosen = among(chosenIds());
  return (useJob.getState().job?.pieces ?? []).filter((p) => chosen(p.id) && !p.locked);
}
