import type { MarkKind } from '../../document/sewoutTypes';
import type { Fix } from '../../proof/finding';
import type { Scene } from './scene';

/** Something that speaks for a cause (a ratio over 1) or against it: how much likelier it is where the cause holds than where it does not. */
export interface Evidence {
  words: string;
  ratio: number;
}

/** What can be done about a cause. */
export interface Remedy {
  label: string;
  /** A change of the job, as one step. */
  fix?: Fix;
  /** The lower piece is extended along its edge by what was measured; the piece over it stays. */
  extend?: boolean;
  /** To be done with hoop, cloth or machine. */
  byHand?: string;
}

/** One cause of faults. Adding one is an entry in a list of `registry`. */
export interface Cause {
  /** Stable name. */
  id: string;
  /** In a few words, as a person says it. */
  name: string;
  /** Lies in hooping, stabilizer, thread or machine, not in the plan. */
  physical: boolean;
  /** How usual it is for each fault before anything is known of the plan (craft §7), as a weight. */
  faults: Partial<Record<MarkKind, number>>;
  evidence(scene: Scene): Evidence[];
  remedies(scene: Scene): Remedy[];
}

/** Ratios of evidence, from what decides to what hardly counts. */
export const RATIO = { decides: 12, strong: 5, some: 2, against: 0.4, stronglyAgainst: 0.15, cannot: 0.01 } as const;
