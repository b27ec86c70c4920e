import type { SizeGap } from '@/core/document/size';

/** "The brief asks for 150.0 mm in width; the pieces are 80.0 mm." */
export const sizeGapWords = ({ side, askedMm, madeMm }: SizeGap): string =>
  `The brief asks for ${askedMm.toFixed(1)} mm in ${side}; the pieces were made at ${madeMm.toFixed(1)} mm.`;
