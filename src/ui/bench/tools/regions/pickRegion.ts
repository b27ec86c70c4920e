import { toast } from '@/session/notice';
import { create } from 'zustand';
import { joinPieces } from '@/core/editing/outlines';
import type { Piece, Thread } from '@/core/document/types';
import type { Point } from '@/core/geometry/point';
import { surveyRequest } from '@/session/derived/surveyRequest';
import { addPieces } from '@/session/edit/shapeCommands';
import { useJob } from '@/session/job/jobStore';
import { selectAll } from '@/session/view/viewStore';
import { engine } from '@/workers/client';
import type { RegionView } from '@/core/artwork/survey';

interface RegionsState {
  regions: readonly RegionView[];
  threads: readonly Thread[];
  /** Regions picked so far, to become one piece. */
  picked: readonly number[];
  busy: boolean;
}

/** Regions of the artwork at the size of the job, while the tool that picks them is in hand. */
export const useRegions = create<RegionsState>(() => ({ regions: [], threads: [], picked: [], busy: false }));

/** Reads the artwork's regions again; says so when there is none. */
export async function readRegions(): Promise<void> {
  const { job, artwork } = useJob.getState();
  const request = job ? surveyRequest(job, artwork) : null;
  if (!request) {
    toast.error('This job has no artwork to take regions from.');
    return;
  }
  useRegions.setState({ busy: true, picked: [] });
  try {
    const survey = await engine.call('survey', request);
    useRegions.setState({ regions: survey.regions, threads: survey.threads, busy: false });
  } catch (error) {
    useRegions.setState({ busy: false });
    toast.error((error as Error).message);
  }
}

let context: CanvasRenderingContext2D | null = null;
const NEAR_MM = 1;

function regionAt(p: Point): number {
  const { regions } = useRegions.getState();
  context ??= document.createElement('canvas').getContext('2d');
  if (!context) return -1;
  for (let i = regions.length - 1; i >= 0; i--) {
    const r = regions[i]!;
    const path = new Path2D(r.data);
    context.lineWidth = Math.max(NEAR_MM, r.strokeWidthMm ?? 0);
    const inside = r.strokeWidthMm === null && context.isPointInPath(path, p.x, p.y, 'evenodd');
    if (inside || context.isPointInStroke(path, p.x, p.y)) return i;
  }
  return -1;
}

/** A click makes a piece of the region; with Shift regions are gathered, and the click without it joins them all. */
export function pickRegion(at: Point, gather: boolean): void {
  const i = regionAt(at);
  if (i < 0) return;
  const { picked } = useRegions.getState();
  const all = picked.includes(i) ? picked.filter((k) => k !== i) : [...picked, i];
  if (gather) useRegions.setState({ picked: all });
  else takeRegions(picked.includes(i) ? picked : all);
}

/** Makes one piece of the regions, in the job's own threads. */
export function takeRegions(indices: readonly number[]): void {
  const { regions, threads } = useRegions.getState();
  const job = useJob.getState().job;
  const drafts = indices.flatMap((i): Piece[] => {
    const region = regions[i];
    if (!region) return [];
    return region.piece ? [region.piece] : [{ ...bare(region) }];
  });
  const one = drafts.length > 1 ? joinPieces(drafts) : drafts[0];
  useRegions.setState({ picked: [] });
  if (!job || !one) {
    if (drafts.length > 1) toast.error('Only areas join with areas, and lines with lines.');
    return;
  }
  const thread = threads.find((t) => t.id === one.thread) ?? job.threads[0];
  if (thread) selectAll(addPieces([one], thread, 'Piece from the artwork'));
}

const bare = (region: RegionView): Piece => ({
  id: '',
  name: region.name || 'Area',
  kind: 'fill',
  thread: '',
  area: region.data,
  settings: {},
});
