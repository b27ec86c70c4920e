import { strokeArea } from '../../geometry/area';
import { lineLength } from '../../geometry/line';
import { distance, type Line, type Point } from '../../geometry/point';
import { flattenSubpath, parsePath } from '../../geometry/path';
import type { Piece, RunStyle } from '../../document/types';
import type { StitchBuffer } from '../../stitches/buffer';
import { Command, Role } from '../../stitches/roles';
import { THREAD_WIDTH_MM } from '../../units/tolerances';
import { runSentence } from './sentence';
import { runSettings } from './settings';
import type { PieceKind, PreparedShape } from '../kind';
import type { ResolvedSettings } from '../resolve';
import { graphOf, outAndBack, wayOf, type Leg } from './graph';
import { runPoints } from './points';
import { motifLine, styledPoints, type LineStyle } from './lineStyles';
import type { StartEnd } from '../../stitches/startEnd';

export interface RunShape extends PreparedShape {
  lines: readonly Line[];
  motif: Line;
}

/** Gaps inside a run piece that one stitch may cross, mm. */
const BRIDGE_MM = 1;

function prepare(piece: Piece): RunShape | null {
  if (!piece.line) return null;
  const lines = parsePath(piece.line)
    .map((s) => {
      const points = flattenSubpath(s);
      return s.closed ? [...points, points[0]!] : points;
    })
    .filter((l) => l.length > 1 && lineLength(l) > 0.2);
  if (lines.length === 0) return null;
  const style = piece.settings.style ?? (piece.settings.foundation ? 'plain' : 'double');
  const tips = lines.flatMap((l) => [l[0]!, l[l.length - 1]!]);
  const through = lines.length === 1 && style !== 'double';
  const painted = strokeArea(lines, false, { widthMm: THREAD_WIDTH_MM, cap: 'round', join: 'round', miterLimit: 2 });
  return {
    facts: { widthMm: THREAD_WIDTH_MM, angleDeg: 0 },
    cover: [],
    painted,
    areaMm2: lines.reduce((s, l) => s + lineLength(l), 0) * THREAD_WIDTH_MM,
    ends: through
      ? [
          { start: tips[0]!, end: tips[1]! },
          { start: tips[1]!, end: tips[0]! },
        ]
      : tips.slice(0, 24).map((p) => ({ start: p, end: p })),
    lines,
    motif: motifLine(piece.motif),
  };
}

/** The manner in which lines of some settings are sewn. */
export const lineStyleOf = (set: ResolvedSettings, motif: Line = motifLine(undefined)): LineStyle => ({
  style: set.style!.value,
  stitchLengthMm: set.stitchLength.value,
  passes: Math.max(3, set.passes!.value),
  spacingMm: set.spacing?.value ?? 1.5,
  widthMm: set.zigzagWidth?.value ?? 2,
  motif,
  motifGapMm: set.motifSpacing?.value ?? 0,
});

function stitch(out: StitchBuffer, shape: RunShape, set: ResolvedSettings, ends: StartEnd): void {
  const style = lineStyleOf(set, shape.motif);
  const role = set.foundation?.value ? Role.underlay : Role.cover;
  const plain = style.style === 'plain' || style.style === 'double';
  if (shape.lines.length === 1 && style.style !== 'double') {
    const line = shape.lines[0]!;
    const flip = ends.start !== null && distance(ends.start, line[line.length - 1]!) < distance(ends.start, line[0]!);
    append(out, styledPoints(flip ? line.slice().reverse() : line, style), role);
    return;
  }
  for (const legs of outAndBack(graphOf(shape.lines), ends.start)) {
    goTo(out, legs[0]!.line[0]!);
    if (plain) append(out, runPoints(wayOf(legs), style.stitchLengthMm), role);
    else sewBranches(out, legs, style, role);
  }
}

/** Branched lines in a style of their own: out on a run, back in the style, which covers the run. */
function sewBranches(out: StitchBuffer, legs: readonly Leg[], style: LineStyle, role: number): void {
  if (legs.length === 2) return append(out, styledPoints(legs[0]!.line, style), role);
  for (const leg of legs) {
    if (leg.back) append(out, styledPoints(leg.line, style), role);
    else append(out, runPoints(leg.line, style.stitchLengthMm), Role.travel);
  }
}

function append(out: StitchBuffer, points: readonly Point[], role: number): void {
  for (const p of points) out.push(p.x, p.y, role);
}

/** To where a line begins: with the thread cut, unless one stitch reaches there. */
export function goTo(out: StitchBuffer, p: Point): void {
  const here = out.last();
  if (!here || distance(here, p) <= BRIDGE_MM) return;
  out.push(here.x, here.y, Role.travel, Command.trim);
  out.push(p.x, p.y, Role.travel, Command.jump);
}

/** Styles whose thread lies on the line itself. */
const HIDING_STYLES: ReadonlySet<RunStyle> = new Set<RunStyle>(['plain', 'double', 'bean', 'backstitch']);

/** Whether lines of some settings hide a run that goes exactly along them. */
export const hidesAlongLine = ({ style, foundation }: ResolvedSettings): boolean =>
  !!style && HIDING_STYLES.has(style.value) && !foundation?.value;

export const runKind: PieceKind<RunShape> = {
  form: 'line',
  settings: (piece) => runSettings(piece),
  sentence: runSentence,
  hidesAlong: hidesAlongLine,
  prepare,
  stitch,
};
