import type { Hoop } from '../types';

/** A machine's own words for what motion words cannot say. */
export interface MachineWords {
  needle: string;
  trim: string;
  stop: string;
}

/** What a machine can do, as its manual tells it. Lengths mm. */
export interface MachineProfile {
  name: string;
  /** Where its needle reaches with the largest hoop. */
  field: Hoop;
  needles: number;
  heads: number;
  trimmer: boolean;
  /** Moves that stand for a cut where there is no trimmer, so that the frame waits for a hand. */
  trimJumps: number;
  longestStitch: number;
  longestJump: number;
  /** Smallest step of its frame. */
  step: number;
  /** Stitches a minute, at the most. */
  speed: number;
  words: MachineWords;
}

export const DEFAULT_PROFILE: MachineProfile = {
  name: 'Any machine',
  field: { width: 360, height: 360, shape: 'rect' },
  ...{ needles: 1, heads: 1, trimmer: true, trimJumps: 3, longestStitch: 12, longestJump: 12, step: 0.1, speed: 1000 },
  words: { needle: 'M101', trim: 'M102', stop: 'M0' },
};
