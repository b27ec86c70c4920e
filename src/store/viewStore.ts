import { create } from 'zustand';
import type { Look } from '@/core/drawing/looks';

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
  showArtwork: boolean;
  showHoop: boolean;
  look: Look;
}

export const SPEEDS = [15, 60, 300, 1500] as const;

export const useView = create<ViewState>(() => ({
  selected: null,
  also: [],
  playhead: null,
  playing: false,
  speed: 300,
  showArtwork: true,
  showHoop: true,
  look: 'thread',
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
