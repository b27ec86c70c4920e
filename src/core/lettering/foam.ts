import { glyphOf, signsOf, type Face } from './faces';

/** Strokes narrower than this do not bear foam, mm (craft §8). */
export const LEAST_ON_FOAM_MM = 4;
/** Letters that people set on foam. */
export const ON_FOAM = /^[A-Za-z0-9]$/;
/** Of the strokes of a letter those shorter than this many widths are feet and dots, which lie on others or are left out. */
export const SHORT_ON_FOAM = 2.4;

/** The width of the thinnest stroke of a letter, heights of capitals; 0 for a letter that the face does not have. */
function thinnest(face: Face, sign: string): number {
  const { strokes = [] } = glyphOf(face, sign, 0) ?? {};
  const lengthOf = (line: readonly { x: number; y: number }[]): number =>
    line.slice(1).reduce((sum, p, i) => sum + Math.sqrt((p.x - line[i]!.x) ** 2 + (p.y - line[i]!.y) ** 2), 0);
  const { w } = face.proportions;
  const counted = strokes.filter((s) => lengthOf(s.middle) > SHORT_ON_FOAM * s.width * w);
  return Math.min(...(counted.length > 0 ? counted : strokes).map((s) => s.width)) * w;
}

/** The height of capitals from which most letters of a face have strokes that bear foam, mm, in whole ones. */
export function foamHeight(face: Face): number {
  return Math.ceil(LEAST_ON_FOAM_MM / face.proportions.w);
}

/** Letters and figures whose strokes are too thin for foam at a height, mm. */
export const tooThinForFoam = (face: Face, heightMm: number): string[] =>
  signsOf().filter((sign) => ON_FOAM.test(sign) && thinnest(face, sign) * heightMm < LEAST_ON_FOAM_MM - 0.005);
