import { lengthText } from '@/session/view/unitsStore';
import type { SizeGap } from '@/core/document/size';

/** "The brief asks for 150.0 mm in width; the pieces are 80.0 mm." */
export const sizeGapWords = ({ side, askedMm, madeMm }: SizeGap): string =>
  `The brief asks for ${lengthText(askedMm)} in ${side}; the pieces were made at ${lengthText(madeMm)}.`;
