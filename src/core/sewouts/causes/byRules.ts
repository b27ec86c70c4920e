import type { MarkKind } from '../../document/sewoutTypes';
import { RATIO, type Cause, type Evidence, type Remedy } from './cause';
import { foundHere, type Scene } from './scene';

interface ByRules {
  id: string;
  name: string;
  faults: Partial<Record<MarkKind, number>>;
  /** Rules of the proof that see it. */
  rules: readonly string[];
  /** What is said where they find nothing. */
  sound: string;
  /** Why it cannot be at all. */
  never?(scene: Scene): string | null;
  /** What else speaks for it or against it. */
  more?(scene: Scene): Evidence[];
  /** What can be done beside what the findings offer. */
  instead?(scene: Scene): Remedy[];
}

/** A cause that lies in the plan and that rules of the proof can see: what they measured is the reason, what they offer the remedy. */
export const byRules = ({ id, name, faults, rules, sound, never, more, instead }: ByRules): Cause => ({
  id,
  name,
  physical: false,
  faults,
  evidence(scene) {
    const not = never?.(scene) ?? null;
    if (not !== null) return [{ words: not, ratio: RATIO.cannot }];
    const found = foundHere(scene, ...rules);
    const own = more?.(scene) ?? [];
    if (found.length > 0) return [{ words: found[0]!.message, ratio: RATIO.decides }, ...own];
    // What is known otherwise decides; a rule that is silent about it does not speak against that.
    return own.some((e) => e.ratio >= RATIO.strong) ? own : [{ words: sound, ratio: RATIO.against }, ...own];
  },
  remedies: (scene) => [
    ...foundHere(scene, ...rules).flatMap((f): Remedy[] =>
      [f.fix, ...(f.others ?? [])].flatMap((fix) => (fix ? [{ label: fix.label, fix }] : [])),
    ),
    ...(instead?.(scene) ?? []),
  ],
});
