import type { Check } from './check';
import { capOrder } from './checks/capOrder';
import { capBrim } from './checks/capBrim';
import { capSeam } from './checks/capSeam';
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
import { clothMismatch } from './checks/clothMismatch';
import { foamTravel } from './checks/foamTravel';
import { gapForecast } from './checks/gapForecast';
import { letterHeights } from './checks/letterHeights';
import { lightCoverColour } from './checks/lightCoverColour';
import { openingCarved } from './checks/openingCarved';
import { overlapTooSmall } from './checks/overlapTooSmall';
import { sameDirectionSections } from './checks/sameDirectionSections';
import { sectionHopping } from './checks/sectionHopping';
import { smallLetter } from './checks/smallLetter';
import { tieDoubled } from './checks/tieDoubled';
import { underlayOutside } from './checks/underlayOutside';
import { underlayTooHeavy } from './checks/underlayTooHeavy';
import { unsewnSlot } from './checks/unsewnSlot';
import { outlineNudged } from './checks/outlineNudged';
import { compensationLow } from './checks/compensationLow';
import { borderEarly } from './checks/borderEarly';
import { coverMissing } from './checks/coverMissing';
import { sizeDiffers } from './checks/sizeDiffers';
import { colourReturns } from './checks/colourReturns';
import { tooHeavy } from './checks/tooHeavy';
import { threadCrossesCloth } from './checks/threadCrossesCloth';
import { threadUnheld } from './checks/threadUnheld';
import { openingCosts } from './checks/openingCosts';
import { coverTwice } from './checks/coverTwice';
import { tieShown } from './checks/tieShown';

/** All rules, in the order in which findings of one severity are listed. */
export const CHECKS: readonly Check[] = [
  outsideHoop,
  sizeDiffers,
  stitchTooLong,
  jumpUntrimmed,
  stitchTooShort,
  gapForecast,
  coverMissing,
  outlineNudged,
  compensationLow,
  clothMismatch,
  tooHeavy,
  satinTooWide,
  satinTooNarrow,
  lineTooThin,
  smallLetter,
  letterHeights,
  layersStacked,
  coverTwice,
  holesCrowded,
  directionAsBelow,
  underlayMissing,
  underlayAlongCover,
  underlayOutside,
  underlayTooHeavy,
  coverTooOpen,
  coverTooDense,
  lightCoverColour,
  foamUnderlay,
  foamOpenEnd,
  foamTooOpen,
  foamTravel,
  travelVisible,
  threadCrossesCloth,
  threadUnheld,
  tieMissing,
  tiesPiled,
  tieDoubled,
  tieShown,
  borderEarly,
  capOrder,
  capTooTall,
  capBrim,
  capSeam,
  outlineLate,
  overlapTooSmall,
  unsewnSlot,
  openingCarved,
  openingCosts,
  sectionHopping,
  sameDirectionSections,
  trimAvoidable,
  colourReturns,
  stopsExceedColours,
  offCentre,
  tooManyNodes,
];
