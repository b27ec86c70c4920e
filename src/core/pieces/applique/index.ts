import { areaOf, offset } from '../../geometry/area';
import { lengthsAlong } from '../../geometry/line';
import { distance, mix, type Line } from '../../geometry/point';
import type { Piece } from '../../document/types';
import type { StitchBuffer } from '../../stitches/buffer';
import { Command, Role } from '../../stitches/roles';
import { appliqueSettings } from './settings';
import { edgingOf, sewEdging, type Edging } from '../border/edging';
import { placesAround } from '../border';
import type { PieceKind, PreparedShape } from '../kind';
import type { ResolvedSettings } from '../resolve';
import { runPoints } from '../run/points';
import { styledPoints } from '../run/lineStyles';
import type { StartEnd } from '../../stitches/startEnd';
import { rowsSentence } from '../sentence';

/** Usual width of the covering satin, mm: 3 to 4 (craft §8). */
const COVER_WIDTH_MM = 3.5;
/** Placement, tack-down and cover begin so far from one another along the edge that their ties do not heap up, mm. */
const APART_MM = 4;
/** How far inside the placement line the cloth is tacked down, mm: the cloth is cut just outside the tack-down. */
const TACK_INSIDE_MM = 0.5;
const TACK_ZIGZAG_MM = { widthMm: 1.6, spacingMm: 2 };

export interface AppliqueShape extends PreparedShape {
  edging: Edging;
  tackDown: readonly Line[];
}

const closed = (ring: Line): Line => [...ring, ring[0]!];

function prepare(piece: Piece): AppliqueShape | null {
  const edging = edgingOf(piece, COVER_WIDTH_MM);
  if (!edging) return null;
  return {
    facts: { widthMm: edging.widthMm, angleDeg: 0 },
    cover: edging.area,
    painted: edging.area,
    areaMm2: areaOf(edging.area),
    ends: placesAround(edging.middles),
    edging,
    tackDown: offset(edging.area, -edging.widthMm / 2 - TACK_INSIDE_MM).map(closed),
  };
}

/** Placement line, stop, tack-down as a run and a zigzag, stop, cover: each begins where the ones before can be reached. */
function stitch(out: StitchBuffer, shape: AppliqueShape, set: ResolvedSettings, ends: StartEnd): void {
  sewLaidOn(out, [{ shape, ends }], set);
}

/** Several pieces of cloth laid on together: all are placed, then all tacked down, then all covered, with two stops for the whole. */
export function sewLaidOn(out: StitchBuffer, parts: readonly { shape: AppliqueShape; ends: StartEnd }[], set: ResolvedSettings): void {
  const length = set.stitchLength.value;
  for (const { shape, ends } of parts) for (const line of shape.edging.middles) runRound(out, line, length, ends);
  stop(out);
  for (const { shape, ends } of parts) {
    for (const line of shape.tackDown) {
      runRound(out, line, length, ends, APART_MM);
      const zigzag = { style: 'zigzag', stitchLengthMm: length, passes: 1, motif: [], motifGapMm: 0, ...TACK_ZIGZAG_MM } as const;
      for (const p of styledPoints(startingAt(line, ends, APART_MM), zigzag)) out.push(p.x, p.y, Role.underlay);
    }
  }
  stop(out);
  parts.forEach(({ shape, ends }, i) => {
    const first = startingAt(shape.edging.middles[0]!, ends, -APART_MM)[0]!;
    const here = out.last()!;
    if (i > 0) out.push(here.x, here.y, Role.travel, Command.trim);
    out.push(first.x, first.y, Role.travel, Command.jump);
    sewEdging(out, shape.edging, set, { start: first, end: null });
  });
}

/** One round of a closed line; lines that are not reached by a short stitch are jumped to. */
function runRound(out: StitchBuffer, line: Line, lengthMm: number, ends: StartEnd, shiftMm = 0): void {
  const points = runPoints(startingAt(line, ends, shiftMm), lengthMm);
  const here = out.last();
  const waits = out.commandAt(-1) === Command.stop;
  if (here && (waits || distance(here, points[0]!) > lengthMm)) {
    if (!waits) out.push(here.x, here.y, Role.travel, Command.trim);
    out.push(points[0]!.x, points[0]!.y, Role.travel, Command.jump);
  }
  for (const p of points) out.push(p.x, p.y, Role.underlay);
}

/** The machine waits while cloth is laid on, or cut away. */
function stop(out: StitchBuffer): void {
  const here = out.last()!;
  out.push(here.x, here.y, Role.travel, Command.stop);
}

/** A closed line begun where it comes nearest to the wished start, or so far along from there. */
function startingAt(line: Line, ends: StartEnd, shiftMm = 0): Line {
  const ring = line.slice(0, -1);
  const wish = ends.start;
  const first = wish ? ring.reduce((best, p, i) => (distance(p, wish) < distance(ring[best]!, wish) ? i : best), 0) : 0;
  return begunAlong(closed([...ring.slice(first), ...ring.slice(0, first)]), shiftMm);
}

/** A closed line begun so far along, backwards when that is below 0. */
function begunAlong(line: Line, byMm: number): Line {
  if (byMm === 0) return line;
  const along = lengthsAlong(line);
  const total = along.at(-1)!;
  const at = ((byMm % total) + total) % total || 0;
  const i = along.findIndex((s) => s > at);
  if (i <= 0) return line;
  const start = mix(line[i - 1]!, line[i]!, (at - along[i - 1]!) / (along[i]! - along[i - 1]!));
  return [start, ...line.slice(i, -1), ...line.slice(0, i), start];
}

/** Cloth that is laid on is about as thick as one cover of thread: an assumption. */
const LAYERS = 1;

/** Cloth laid on and held by a satin edge: it saves the stitches of a large area. */
export const appliqueKind: PieceKind<AppliqueShape> = {
  form: 'edge',
  settings: appliqueSettings,
  sentence: (s, widthMm) => rowsSentence(`Appliqué: placement line, stop, tack-down, stop, then satin ${widthMm.toFixed(1)} wide`, s),
  laidOnLayers: LAYERS,
  prepare,
  stitch,
};
