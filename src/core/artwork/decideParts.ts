import type { ArtChoice, Thread } from '../document/types';
import type { Matrix } from '../geometry/path';
import { arranged } from './arrange';
import type { Region } from './artRegions';
import { withChoices } from './chosenKinds';
import { neighbourhoodOf } from './directions/neighbourhood';
import { sewnRegions } from './limbs/ofRegions';
import { matchThreads } from './matchThreads';
import { mergedFields } from './mergeFields';
import { columnLimit, paintedBy, proposeFor, type Proposal, type ProposeOptions } from './proposeKind';
import { decidedOnce, proposedAlike, twinsOf, type Twin } from './twins';

/** A part of the drawing that is sewn, or left out, as one. */
export interface Part {
  region: Region;
  proposal: Proposal;
  /** The first part of its shape, by its place among the parts; null where it is the only one. */
  twin: Twin | null;
}

export interface DecidedParts {
  /** Each lies on those before it. */
  parts: Part[];
  /** By colour of the artwork. */
  threads: Map<string, Thread>;
}

/**
 * What is one part, on which side neighbours run on under each other, and what each part is sewn as.
 * @param regions what is seen of the drawing, back to front
 * @param sewnAs what a person would rather have
 * @param matrix from the drawing's units to mm
 */
export function decideParts(
  regions: readonly Region[],
  how: ProposeOptions,
  sewnAs: readonly ArtChoice[],
  matrix: Matrix,
  progress: (done: number) => void,
): DecidedParts {
  const around = neighbourhoodOf(regions.map(paintedBy));
  const threads = matchThreads(regions, around, how.threadWeight);
  const inOrder = arranged(
    regions,
    regions.map((r) => threads.get(r.hex)!.id),
    around,
  );
  const propose = decidedOnce((region) => proposeFor(region, how));
  const merged = mergedFields(sewnRegions(inOrder, columnLimit(how.settings), propose, progress), propose);
  const twins = twinsOf(merged);
  const parts = withChoices(proposedAlike(merged, twins), sewnAs, matrix);
  return { parts: parts.map((part, i) => ({ ...part, twin: twins[i]! })), threads };
}
