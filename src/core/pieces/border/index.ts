import { areaOf, offset, subtract } from '../../geometry/area';
import { evenly, lengthsAlong } from '../../geometry/line';
import type { Line, Point } from '../../geometry/point';
import type { Piece } from '../../document/types';
import type { StitchBuffer } from '../../stitches/buffer';
import type { PieceKind, PreparedShape } from '../kind';
import type { ResolvedSettings } from '../resolve';
import { borderSettings } from './settings';
import { edgingOf, sewEdging, type Edging } from './edging';
import type { StartEnd } from '../../stitches/startEnd';
import { rowsSentence } from '../sentence';

/** Usual width of the satin round a patch, mm: 3.5 to 4.5 (craft §8). */
const BORDER_WIDTH_MM = 4;

interface BorderShape extends PreparedShape {
  edging: Edging;
}

/** Places round the edge where an edging may begin; it ends where it began. */
export function placesAround(middles: readonly Line[]): { start: Point; end: Point }[] {
  const line = middles[0]!;
  return evenly(line, lengthsAlong(line), 12)
    .slice(0, 12)
    .map((p) => ({ start: p, end: p }));
}

function prepare(piece: Piece): BorderShape | null {
  const edging = edgingOf(piece, BORDER_WIDTH_MM);
  if (!edging) return null;
  const painted = subtract(edging.area, offset(edging.area, -edging.widthMm));
  return {
    facts: { widthMm: edging.widthMm, angleDeg: 0 },
    cover: painted,
    painted,
    areaMm2: areaOf(painted),
    ends: placesAround(edging.middles),
    edging,
  };
}

function stitch(out: StitchBuffer, shape: BorderShape, set: ResolvedSettings, ends: StartEnd): void {
  sewEdging(out, shape.edging, set, ends);
}

/** The satin border round a patch: it is where the patch is cut out. */
export const borderKind: PieceKind<BorderShape> = {
  form: 'edge',
  settings: borderSettings,
  sentence: (s, widthMm) => rowsSentence(`Border, ${widthMm.toFixed(1)} wide inside the edge`, s),
  prepare,
  stitch,
};
