import { useMemo } from 'react';
import { among } from '@/core/document/among';
import type { Piece } from '@/core/document/types';
import { dataToRings } from '@/core/geometry/path';
import { boundsOf, type Bounds, type Point } from '@/core/geometry/point';
import { usePlan } from '@/session/derived/planStore';
import { useJob } from '@/session/job/jobStore';
import { chosenIds, useView } from '@/session/view/viewStore';

const NOTHING: readonly string[] = [];

/** The box round pieces as they are planned, mm; not finite when nothing of them is. */
export function boxOf(ids: readonly string[], outlines = usePlan.getState().planned?.outlines ?? NOTHING): Bounds {
  const pieces = useJob.getState().job?.pieces ?? [];
  const chosen = among(ids);
  const boxes = pieces.flatMap((p, i) => (chosen(p.id) && outlines[i] ? [boxOfOutline(outlines[i])] : []));
  return {
    minX: Math.min(...boxes.map((b) => b.minX)),
    minY: Math.min(...boxes.map((b) => b.minY)),
    maxX: Math.max(...boxes.map((b) => b.maxX)),
    maxY: Math.max(...boxes.map((b) => b.maxY)),
  };
}

/** Outlines stay the same strings from plan to plan where a piece was not touched. */
const known = new Map<string, Bounds>();
const MOST_KNOWN = 5000;

function boxOfOutline(outline: string): Bounds {
  const before = known.get(outline);
  if (before) return before;
  if (known.size > MOST_KNOWN) known.clear();
  const made = boundsOf(dataToRings(outline));
  known.set(outline, made);
  return made;
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
