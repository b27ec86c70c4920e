import type { ProofContext } from './context';
import type { Found, Severity } from './finding';

/** One rule of the proof. Adding one is one file and one entry in the registry. */
export interface Check {
  /** Stable name: people and bars rely on it. */
  readonly rule: string;
  readonly severity: Severity;
  /** What it looks for, in a few words. */
  readonly title: string;
  find(context: ProofContext): Found[];
}
