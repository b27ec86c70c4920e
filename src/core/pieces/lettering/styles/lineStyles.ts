import type { Piece } from '../../../document/types';
import { strokeArea } from '../../../geometry/area';
import { lineLength, resample } from '../../../geometry/line';
import { ringsToData } from '../../../geometry/path';
import type { Line } from '../../../geometry/point';
import type { StitchBuffer } from '../../../stitches/buffer';
import type { StartEnd } from '../../../stitches/startEnd';
import { THREAD_WIDTH_MM } from '../../../units/tolerances';
import type { PieceKind, PreparedShape } from '../../kind';
import { pick, rule, type ResolveContext, type ResolvedSettings, type ShapeFacts, type WithoutTies } from '../../resolve';
import { hidesAlongLine, lineStyleOf } from '../../run';
import { runSentence } from '../../run/sentence';
import { runSettings } from '../../run/settings';
import { footOf, placedLetters, type LetterPath } from '../placed';
import { sewParts, type Place, type SewnPart } from '../sew';
import { joiningFor } from '../settings';
import { joinedLines, middleLines, outlines, type JoinedLines } from './lines';
import { sewLines } from './sewLines';

/** A part of a letter as lines that hang together. */
interface LinesPart extends Omit<SewnPart, 'sew'> {
  joined: JoinedLines;
}

interface LinesShape extends PreparedShape {
  parts: LinesPart[];
  tallMm: number;
}

const STEP_MM = 0.6;
const LONGEST_MM = 2;

export type LinesOf = (letter: LetterPath) => Line[];
export const alongMiddles: LinesOf = ({ letter }) => middleLines(letter.columns);
export const roundOutlines: LinesOf = ({ letter }) => outlines(letter.painted);

function prepare(piece: Piece, linesOf: LinesOf): LinesShape | null {
  const letters = placedLetters(piece);
  const parts = letters.flatMap((letter) => joinedLines(linesOf(letter)).map((joined) => partOf(letter, joined)));
  if (parts.length === 0) return null;
  const lines = parts.flatMap((p) => p.joined.lines);
  const end = (k: number, side: 1 | -1) =>
    footOf(
      parts[k]!.places.map(({ p }) => p),
      letters[k === 0 ? 0 : letters.length - 1]!.heightOf,
      side,
    );
  return {
    facts: { widthMm: THREAD_WIDTH_MM, angleDeg: 0 },
    cover: [],
    painted: strokeArea(lines, false, { widthMm: THREAD_WIDTH_MM, cap: 'round', join: 'round', miterLimit: 2 }),
    areaMm2: lines.reduce((sum, l) => sum + lineLength(l), 0) * THREAD_WIDTH_MM,
    ends: [{ start: end(0, -1), end: end(parts.length - 1, 1) }],
    lines,
    parts,
    tallMm: piece.lettering!.height,
  };
}

function partOf({ letter, heightOf, thread, cut }: LetterPath, joined: JoinedLines): LinesPart {
  const places = joined.lines.flatMap((line) => resample(line, STEP_MM)).map((p): Place => ({ p, high: Math.abs(heightOf(p)) }));
  return { painted: letter.painted, thread, cut, places, joined };
}

/** Settings of a run, with stitches short enough for the curves of letters. */
function settings(piece: Piece, _: ShapeFacts, ctx: ResolveContext): WithoutTies {
  const { height = 10 } = piece.lettering ?? {};
  const length = Math.round(10 * Math.min(LONGEST_MM, Math.max(1, height / 6))) / 10;
  return {
    ...runSettings(piece),
    stitchLength: pick(piece.settings.stitchLength, rule(length, 'short enough for the curves of letters')),
    joining: joiningFor(ctx.settings),
  };
}

function stitch(out: StitchBuffer, shape: LinesShape, set: ResolvedSettings, ends: StartEnd): void {
  const style = lineStyleOf(set);
  const parts = shape.parts.map((part): SewnPart => ({ ...part, sew: (own) => sewLines(out, part.joined, style, own) }));
  sewParts(out, parts, { runMm: style.stitchLengthMm, joiningMm: set.joining?.value ?? 0 }, ends);
}

/** Letters as lines: one along the middle of each stroke, or round what they paint. */
export const lineLettering = (linesOf: LinesOf, says: string): PieceKind<LinesShape> => ({
  form: 'line',
  isText: true,
  settings,
  sentence: (s) => `${says}: ${runSentence(s)}`,
  hidesAlong: hidesAlongLine,
  prepare: (piece) => prepare(piece, linesOf),
  stitch,
});

/** A text as runs of their own, one a letter. */
export const linesApart = (piece: Piece, linesOf: LinesOf): Omit<Piece, 'id'>[] =>
  placedLetters(piece).map((letter) => ({
    name: letter.char,
    kind: 'run',
    thread: letter.thread ?? piece.thread,
    line: ringsToData(linesOf(letter), false),
    settings: { ...piece.settings },
  }));
