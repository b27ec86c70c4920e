import type { Check } from './check';
import { capOrder } from './checks/capOrder';
import { capTooTall } from './checks/capTooTall';
import { coverTooDense } from './checks/coverTooDense';
import { coverTooOpen } from './checks/coverTooOpen';
import { directionAsBelow } from './checks/directionAsBelow';
import { foamOpenEnd } from './checks/foamOpenEnd';
import { foamTooOpen } from './checks/foamTooOpen';
import { foamUnderlay } from './checks/foamUnderlay';
import { holesCrowded } from './checks/holesCrowded';
import { jumpUntrimmed } from './checks/jumpUntrimmed';
import { layersStacked } from './checks/layersStacked';
import { lineTooThin } from './checks/lineTooThin';
import { offCentre } from './checks/offCentre';
import { outlineLate } from './checks/outlineLate';
import { outsideHoop } from './checks/outsideHoop';
import { satinTooNarrow } from './checks/satinTooNarrow';
import { satinTooWide } from './checks/satinTooWide';
import { stitchTooLong } from './checks/stitchTooLong';
import { stitchTooShort } from './checks/stitchTooShort';
import { stopsExceedColours } from './checks/stopsExceedColours';
import { tieMissing } from './checks/tieMissing';
import { tiesPiled } from './checks/tiesPiled';
import { tooManyNodes } from './checks/tooManyNodes';
import { travelVisible } from './checks/travelVisible';
import { trimAvoidable } from './checks/trimAvoidable';
import { underlayAlongCover } from './checks/underlayAlongCover';
import { underlayMissing } from './checks/underlayMissing';

/** All rules, in the order in which findings of one severity are listed. */
export const CHECKS: readonly Check[] = [
  outsideHoop,
  stitchTooLong,
  jumpUntrimmed,
  stitchTooShort,
  satinTooWide,
  satinTooNarrow,
  lineTooThin,
  layersStacked,
  holesCrowded,
  directionAsBelow,
  underlayMissing,
  underlayAlongCover,
  coverTooOpen,
  coverTooDense,
  foamUnderlay,
  foamOpenEnd,
  foamTooOpen,
  travelVisible,
  tieMissing,
  tiesPiled,
  capOrder,
  capTooTall,
  outlineLate,
  trimAvoidable,
  stopsExceedColours,
  offCentre,
  tooManyNodes,
];
