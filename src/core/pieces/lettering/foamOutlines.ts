import type { FaceOutlines, Lettering } from '../../document/types';
import { LEAST_ON_FOAM_MM, ON_FOAM, SHORT_ON_FOAM } from '../../lettering/foam';
import { layOut } from '../../lettering/layout';
import { medianWidth, type Column } from '../satin/track';
import { letterOf } from './letter';

/** Letters are measured at this height, mm. */
const AT_MM = 20;

/** A face of outlines. */
export interface OutlinedFace {
  key: string;
  outlines: FaceOutlines;
}

/** The width of the thinnest stroke of a letter of outlines, heights of capitals; null for one that the face does not have. */
export function thinnestOf({ key, outlines }: OutlinedFace, sign: string): number | null {
  const laid = layOut({ text: sign, face: key, height: AT_MM, outlines });
  const columns = laid.letters.flatMap((letter) => letterOf(letter, laid).columns);
  if (columns.length === 0) return null;
  const width = (c: Column): number => medianWidth([c.track]);
  const long = columns.filter((c) => c.track.advance[c.track.advance.length - 1]! - c.track.advance[0]! > SHORT_ON_FOAM * width(c));
  return Math.min(...(long.length > 0 ? long : columns).map(width)) / AT_MM;
}

/** The height of capitals from which most letters of a face of outlines have strokes that bear foam, mm, in whole ones. */
export function foamHeightOf(face: OutlinedFace, signs: readonly string[]): number {
  const strokes = signs.flatMap((sign) => thinnestOf(face, sign) ?? []).sort((a, b) => a - b);
  return Math.ceil(LEAST_ON_FOAM_MM / strokes[strokes.length >> 1]!);
}

/** Letters and figures of a text of outlines whose strokes are too thin for foam, each once. */
export function tooThinOnFoam({ face: key, text, height, outlines }: Lettering): string[] {
  if (!outlines) return [];
  const signs = [...new Set(text)].filter((sign) => ON_FOAM.test(sign));
  return signs.filter((sign) => (thinnestOf({ key, outlines }, sign) ?? Infinity) * height < LEAST_ON_FOAM_MM - 0.005);
}
