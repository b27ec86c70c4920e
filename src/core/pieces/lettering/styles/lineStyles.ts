import type { Resolved } from '../../../document/resolved';
import type { Piece, RunStyle } from '../../../document/types';
import { strokeArea } from '../../../geometry/area';
import { distanceTo, lineLength, resample } from '../../../geometry/line';
import { ringsToData } from '../../../geometry/path';
import type { Line } from '../../../geometry/point';
import type { StitchBuffer } from '../../../stitches/buffer';
import type { StartEnd } from '../../../stitches/startEnd';
import { THREAD_WIDTH_MM } from '../../../units/tolerances';
import type { PieceKind, PreparedShape } from '../../kind';
import { pick, rule, type ResolveContext, type ResolvedSettings, type WithoutTies } from '../../resolve';
import { hidesAlongLine, lineStyleOf } from '../../run';
import { runSentence } from '../../run/sentence';
import { runSettings } from '../../run/settings';
import { placedLetters, type LetterPath } from '../placed';
import { endsOf, joinsOf, sewParts, type Place, type SewnPart } from '../sew';
import { heldFor, joiningFor } from '../settings';
import { joinedLines, middleLines, outlines, type JoinedLines } from './lines';
import { sewLines } from './sewLines';

/** A part of a letter as lines that hang together. */
interface LinesPart extends Omit<SewnPart, 'sew'> {
  joined: JoinedLines;
}

interface LinesShape extends PreparedShape {
  parts: LinesPart[];
}

const STEP_MM = 0.6;
const LONGEST_MM = 2;

/** Which lines a letter is sewn as, and how. */
export interface LineManner {
  says: string;
  linesOf(letter: LetterPath): Line[];
  /** How lines are sewn unless a person says otherwise, and why. */
  usual: Resolved<RunStyle>;
}

/** One line along the middle of each stroke, a ring for each dot. */
export const ALONG_MIDDLES: LineManner = {
  says: 'Letters of one line',
  linesOf: ({ letter }) => middleLines(letter.columns),
  usual: rule('bean', 'bold enough to be read, and bolder than the ways to dots'),
};
export const ROUND_OUTLINES: LineManner = {
  says: 'Outlined letters',
  linesOf: ({ letter }) => outlines(letter.painted),
  usual: rule('double', 'out and back: bold, and ends where it began'),
};

function prepare(piece: Piece, { linesOf }: LineManner): LinesShape | null {
  const letters = placedLetters(piece);
  const parts = letters.flatMap((letter) =>
    joinedLines(linesOf(letter)).map((joined, k) => partOf(k === 0 ? letter : { ...letter, cut: undefined }, joined)),
  );
  if (parts.length === 0) return null;
  const lines = parts.flatMap((p) => p.joined.lines);
  return {
    facts: { widthMm: THREAD_WIDTH_MM, angleDeg: 0 },
    cover: [],
    painted: strokeArea(lines, false, { widthMm: THREAD_WIDTH_MM, cap: 'round', join: 'round', miterLimit: 2 }),
    areaMm2: lines.reduce((sum, l) => sum + lineLength(l), 0) * THREAD_WIDTH_MM,
    ends: [endsOf(parts, letters)],
    lines,
    parts,
  };
}

function partOf({ letter, heightOf, thread, cut }: LetterPath, joined: JoinedLines): LinesPart {
  const places = joined.lines.flatMap((line) => resample(line, STEP_MM)).map((p): Place => ({ p, high: Math.abs(heightOf(p)) }));
  return { painted: letter.painted, thread, cut, places, joined };
}

/** Settings of a run, with stitches short enough for the curves of letters. */
function settings(piece: Piece, ctx: ResolveContext, { usual }: LineManner): WithoutTies {
  const { height = 10 } = piece.lettering ?? {};
  const length = Math.round(10 * Math.min(LONGEST_MM, Math.max(1, height / 6))) / 10;
  return {
    ...runSettings(piece, usual),
    stitchLength: pick(piece.settings.stitchLength, rule(length, 'short enough for the curves of letters')),
    joining: joiningFor(ctx.settings),
    ...heldFor(ctx.settings),
  };
}

function stitch(out: StitchBuffer, shape: LinesShape, set: ResolvedSettings, ends: StartEnd): void {
  const style = lineStyleOf(set);
  const joiningMm = set.joining?.value ?? 0;
  const parts = shape.parts
    .flatMap((part) => withoutLong(part, joiningMm))
    .map((part): SewnPart => ({ ...part, sew: (own) => sewLines(out, part.joined, style, own) }));
  sewParts(out, parts, joinsOf(set, style.stitchLengthMm), ends);
}

/** A part without ways over more bare cloth than is sewn over: where there are such, several parts. */
function withoutLong(part: LinesPart, joiningMm: number): LinesPart[] {
  if (part.joined.bridges.every((way) => lineLength(way) <= joiningMm)) return [part];
  return joinedLines(part.joined.lines, joiningMm).map((joined, k) => ({
    ...part,
    ...(k === 0 ? {} : { cut: undefined }),
    places: part.places.filter(({ p }) => joined.lines.some((line) => distanceTo(line, p) < SAME_MM)),
    joined,
  }));
}
const SAME_MM = 0.05;

/** Letters as lines of some manner. */
export const lineLettering = (manner: LineManner): PieceKind<LinesShape> => ({
  form: 'line',
  isText: true,
  settings: (piece, _, ctx) => settings(piece, ctx, manner),
  sentence: (s) => `${manner.says}: ${runSentence(s)}`,
  hidesAlong: hidesAlongLine,
  prepare: (piece) => prepare(piece, manner),
  stitch,
});

/** A text as runs of their own, one a letter. */
export const linesApart = (piece: Piece, { linesOf, usual }: LineManner): Omit<Piece, 'id'>[] =>
  placedLetters(piece).map((letter) => ({
    name: letter.char,
    kind: 'run',
    thread: letter.thread ?? piece.thread,
    line: ringsToData(linesOf(letter), false),
    settings: { style: usual.value, ...piece.settings },
  }));
