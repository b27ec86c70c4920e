import { create } from 'zustand';
import type { Look } from '@/core/drawing/looks';

/** What the eyes are on; never part of the job. */
interface ViewState {
  selected: string | null;
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
  playhead: null,
  playing: false,
  speed: 300,
  showArtwork: true,
  showHoop: true,
  look: 'thread',
}));

export const select = (id: string | null): void => useView.setState({ selected: id });
