import type { Piece } from '../../document/types';
import { areaOf, unite } from '../../geometry/area';
import { distance, type Point } from '../../geometry/point';
import { layOut } from '../../lettering/layout';
import { sewingOrder } from '../../lettering/order';
import type { StitchBuffer } from '../../stitches/buffer';
import type { StartEnd } from '../../stitches/startEnd';
import type { PieceKind, PreparedShape } from '../kind';
import type { ResolvedSettings } from '../resolve';
import { columnSettings, widthsOf } from '../satin';
import { endOf } from '../satin/foundation';
import { medianWidth } from '../satin/track';
import { rowsSentence } from '../sentence';
import { letterOf } from './letter';
import { letteringSettings } from './settings';
import { sewLetters, type LetterPath } from './sew';

interface LetteringShape extends PreparedShape {
  letters: LetterPath[];
}

function prepare(piece: Piece): LetteringShape | null {
  if (!piece.lettering) return null;
  const laid = layOut(piece.lettering);
  const letters = sewingOrder(laid.letters, piece.lettering.direction).map((glyph): LetterPath => {
    const [foot, up] = [glyph.place({ x: 0, y: 0 }), glyph.place({ x: 0, y: 1 })];
    const tall = distance(foot, up);
    const height = (p: Point): number => ((p.x - foot.x) * (up.x - foot.x) + (p.y - foot.y) * (up.y - foot.y)) / tall;
    return { letter: letterOf(glyph, laid), heightOf: height, thread: glyph.thread, cut: glyph.cut };
  });
  const sewn = byThread(letters.filter((l) => l.letter.columns.length > 0));
  if (sewn.length === 0) return null;
  const painted = unite(...sewn.map((l) => l.letter.painted));
  const columns = sewn.flatMap((l) => l.letter.columns);
  const [first, last] = [footOf(sewn[0]!, -1), footOf(sewn[sewn.length - 1]!, 1)];
  return {
    facts: {
      widthMm: medianWidth(columns.map((c) => c.track)),
      angleDeg: 0,
      rowsMm: () => widthsOf(columns),
    },
    cover: painted,
    painted,
    areaMm2: areaOf(painted),
    ends: [{ start: first, end: last }],
    letters: sewn,
  };
}

/** Letters in the text's own thread first, then those of each other one together: one stop a thread. */
function byThread(letters: readonly LetterPath[]): LetterPath[] {
  const threads = [...new Set([undefined, ...letters.map((l) => l.thread)])];
  return threads.flatMap((thread) => letters.filter((l) => l.thread === thread));
}

/** The end of a column lowest and farthest to one side: where a text is begun, or ended, when nothing else is said. */
function footOf({ letter, heightOf }: LetterPath, side: 1 | -1): Point {
  const ends = letter.columns.flatMap(({ track }) => [endOf(track, false), endOf(track, true)]);
  const cost = (p: Point): number => Math.max(0, heightOf(p)) - ASIDE * side * p.x;
  return ends.reduce((a, b) => (cost(b) < cost(a) ? b : a));
}
/** A place so far aside is worth one a millimetre lower. */
const ASIDE = 0.5;

function stitch(out: StitchBuffer, shape: LetteringShape, set: ResolvedSettings, ends: StartEnd): void {
  sewLetters(out, shape.letters, { ...columnSettings(set, shape.painted), joiningMm: set.joining?.value ?? 0 }, ends);
}

/** Text: each letter a path of columns, the whole with as few cuts as its gaps allow. */
export const letteringKind: PieceKind<LetteringShape> = {
  form: 'column',
  isText: true,
  settings: letteringSettings,
  sentence: (s, widthMm) => rowsSentence(`Lettering, strokes ${widthMm.toFixed(1)} wide`, s),
  prepare,
  stitch,
};
