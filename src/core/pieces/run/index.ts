import { strokeArea } from '../../geometry/area';
import { lineLength } from '../../geometry/line';
import { distance, type Line, type Point } from '../../geometry/point';
import { flattenSubpath, parsePath } from '../../geometry/path';
import type { Piece } from '../../document/types';
import type { StitchBuffer } from '../../plan/buffer';
import { Command, Role } from '../../plan/roles';
import { THREAD_WIDTH_MM } from '../../units/tolerances';
import type { PieceKind, PreparedShape, StartEnd } from '../kind';
import type { ResolvedSettings } from '../resolve';
import { graphOf, outAndBack } from './graph';
import { runPoints } from './points';

export interface RunShape extends PreparedShape {
  lines: readonly Line[];
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
  const style = piece.settings.style ?? 'double';
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
  };
}

function stitch(out: StitchBuffer, shape: RunShape, set: ResolvedSettings, ends: StartEnd): void {
  const length = set.stitchLength.value;
  const style = set.style!.value;
  if (shape.lines.length > 1 || style === 'double') {
    for (const way of outAndBack(graphOf(shape.lines), ends.start)) {
      goTo(out, way[0]!);
      sew(out, runPoints(way, length), 1);
    }
    return;
  }
  const line = shape.lines[0]!;
  const flip = ends.start !== null && distance(ends.start, line[line.length - 1]!) < distance(ends.start, line[0]!);
  const points = runPoints(flip ? line.slice().reverse() : line, length);
  sew(out, points, style === 'bean' ? Math.max(3, set.passes!.value) : 1);
}

/** Sews each stitch `passes` times (an odd number), as a bean does. */
function sew(out: StitchBuffer, points: readonly Point[], passes: number): void {
  points.forEach((p, i) => {
    out.push(p.x, p.y, Role.cover);
    const before = points[i - 1];
    if (!before) return;
    for (let k = 1; k < passes; k += 2) {
      out.push(before.x, before.y, Role.cover);
      out.push(p.x, p.y, Role.cover);
    }
  });
}

function goTo(out: StitchBuffer, p: Point): void {
  const here = out.last();
  if (!here || distance(here, p) <= BRIDGE_MM) return;
  out.push(here.x, here.y, Role.travel, Command.trim);
  out.push(p.x, p.y, Role.travel, Command.jump);
}

export const runKind: PieceKind<RunShape> = { kind: 'run', needs: 'a line', prepare, stitch };
