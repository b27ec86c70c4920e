import { create } from 'zustand';
import type { Point } from '@/core/geometry/point';
import type { Look } from '@/core/render/looks';

/** What the cloth shows: the plan in one of its looks, or a test's photo over it. */
export type ClothLook = Look | 'photo';

/** What the eyes are on; never part of the job. */
interface ViewState {
  selected: string | null;
  /** Further pieces that are chosen along with it. */
  also: readonly string[];
  /** Events sewn so far in the replay; null shows the whole plan. */
  playhead: number | null;
  playing: boolean;
  /** Stitches per second of the replay. */
  speed: number;
  /** The replay waits at trims, and at stops. */
  pauseAtTrims: boolean;
  pauseAtStops: boolean;
  pauseAtFindings: boolean;
  /** The view follows the needle. */
  follow: boolean;
  showArtwork: boolean;
  showHoop: boolean;
  look: ClothLook;
  /** Guides and centre lines are drawn. */
  showGuides: boolean;
  /** Pieces that are not shown for now. */
  hidden: readonly string[];
  /** How neighbours overlap is marked where they meet. */
  showMeetings: boolean;
  /** A box being drawn to choose what lies in it, mm. */
  box: { from: Point; to: Point } | null;
  /** Mark of the drag that moves pieces; null when none does, or when it was given up. */
  gesture: string | null;
}

export const SPEEDS = [15, 60, 300, 1500, 7500] as const;

export const useView = create<ViewState>(() => ({
  selected: null,
  also: [],
  playhead: null,
  playing: false,
  speed: 300,
  pauseAtTrims: false,
  pauseAtStops: false,
  pauseAtFindings: false,
  follow: false,
  showArtwork: true,
  showHoop: true,
  look: 'thread',
  showGuides: false,
  hidden: [],
  showMeetings: false,
  box: null,
  gesture: null,
}));

export const select = (id: string | null): void => useView.setState({ selected: id, also: [] });

/** Chooses exactly these; the first is the one that tools work on. */
export const selectAll = (ids: readonly string[]): void => useView.setState({ selected: ids[0] ?? null, also: ids.slice(1) });

/** Adds a piece to what is chosen, or takes it out again. */
export function toggleSelected(id: string): void {
  const ids = chosenIds();
  selectAll(ids.includes(id) ? ids.filter((i) => i !== id) : [...ids, id]);
}

/** All that is chosen, the one that tools work on first. */
export function chosenIds(): string[] {
  const { selected, also } = useView.getState();
  return selected === null ? [] : [selected, ...also.filter((id) => id !== selected)];
}

/** Hides what is chosen, or shows everything again when nothing is. */
export function hideChosen(): void {
  const ids = chosenIds();
  if (ids.length === 0) useView.setState({ hidden: [] });
  else useView.setState(({ hidden }) => ({ hidden: [...new Set([...hidden, ...ids])], selected: null, also: [] }));
}
