import type { Piece } from '../document/types';
import { dataToRings } from '../geometry/path';
import { boundsOf, type Point } from '../geometry/point';
import type { PreparedShape } from '../pieces/kind';
import type { ResolvedSettings } from '../pieces/resolve';
import { cos, PI, sin } from '../units/trig';
import { spansAlong, spansOf, type Spans } from './cells';
import type { Approach, RouteItem } from './item';

/** Cover this open or denser hides a run beneath it, mm between rows (craft §6: 0.6 density). */
const HIDES_TO_MM = 0.6;
const NONE: Spans = new Int32Array(0);
const HIDING_STYLES = new Set(['plain', 'double', 'bean', 'backstitch']);

const pinned = (p: [number, number] | undefined): Point | null => (p ? { x: p[0], y: p[1] } : null);

/** What the router needs to know of a piece, from its prepared shape and resolved settings. */
export function routeItem(piece: Piece, shape: PreparedShape, settings: ResolvedSettings): RouteItem {
  const spacing = Math.max(settings.spacing?.value ?? 9, settings.spacingTo?.value ?? 0);
  const foam = (settings.foam?.value ?? 0) > 0;
  const dense = spacing <= HIDES_TO_MM && piece.kind !== 'run';
  const lines =
    piece.kind === 'run' && HIDING_STYLES.has(settings.style?.value ?? '') && !settings.foundation?.value ? shape.lines : undefined;
  return {
    thread: piece.thread,
    candidates: shape.ends,
    pinnedStart: pinned(piece.start),
    pinnedEnd: pinned(piece.end),
    hides: dense ? spansOf(shape.cover) : NONE,
    tracks: lines ? spansAlong(lines) : NONE,
    lines: lines ?? [],
    painted: piece.kind === 'run' && shape.lines ? spansAlong(shape.lines) : spansOf(shape.painted),
    box: boundsOf(shape.painted),
    foam,
    column: piece.kind === 'satin',
    rim: piece.kind === 'fill' ? shape.cover : null,
    rowAt: rowsOf(piece, shape, settings),
    areaMm2: shape.areaMm2,
    widthMm: shape.facts.widthMm,
    approach: approachOf(piece),
  };
}

function approachOf({ approach }: Piece): Approach | null {
  if (!approach) return null;
  const way = approach.way ? dataToRings(approach.way)[0] : undefined;
  return { how: approach.how, ...(way ? { way } : {}) };
}

function rowsOf(piece: Piece, shape: PreparedShape, settings: ResolvedSettings): (p: Point) => Point | null {
  if (shape.rowAt) return (p) => shape.rowAt!(p);
  const angle = settings.angle?.value;
  if (piece.kind !== 'fill' || angle === undefined) return () => null;
  const row = { x: cos((angle * PI) / 180), y: -sin((angle * PI) / 180) };
  return () => row;
}
