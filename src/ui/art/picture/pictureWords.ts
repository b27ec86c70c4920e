import { lengthText } from '@/session/view/unitsStore';
/** What is thinner than so many pixels cannot be told from noise. */
const SURE_PX = 2;

/** What a picture's resolution means at the finished size. */
export const resolutionWords = (mmPerPixel: number): string =>
  `${lengthText(mmPerPixel, 2)} per pixel: lines under ${(SURE_PX * mmPerPixel).toFixed(mmPerPixel < 0.05 ? 2 : 1)} mm are guesses.`;
