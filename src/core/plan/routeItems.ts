import type { Piece } from '../document/types';
import { ofEach } from '../geometry/known';
import { dataToRings } from '../geometry/path';
import { boundsOf, type Point } from '../geometry/point';
import type { PreparedShape } from '../pieces/kind';
import { formOf, hidesAlong } from '../pieces/registry';
import type { ResolvedSettings } from '../pieces/resolve';
import { cos, PI, sin } from '../units/trig';
import { spansAlong, spansOf, type Spans } from '../route/cells';
import type { Approach, RouteItem } from '../route/item';
import { HIDES_TO_MM } from '../units/craft';

const NONE: Spans = new Int32Array(0);

const pinned = (p: [number, number] | undefined): Point | null => (p ? { x: p[0], y: p[1] } : null);

/** Items by shape and by all else that they depend on: after an edit those of the other pieces are the same objects as before. */
const knownItems = ofEach((_: PreparedShape) => new Map<string, RouteItem>());
/** Settings of one shape that are kept, so that dragging a value does not fill the memory. */
const MOST_KNOWN = 24;

/** What the router needs to know of a piece, from its prepared shape and resolved settings. The same question gets the same object. */
export function routeItem(piece: Piece, shape: PreparedShape, settings: ResolvedSettings): RouteItem {
  const traits = traitsOf(piece, shape, settings);
  const key = JSON.stringify([piece.kind, piece.thread, piece.start, piece.end, piece.approach, settings.angle?.value, traits]);
  const known = knownItems(shape);
  const found = known.get(key);
  if (found) return found;
  if (known.size >= MOST_KNOWN) known.clear();
  const made = makeItem(piece, shape, settings, traits);
  known.set(key, made);
  return made;
}

/** What settings mean to the router: most changes of them mean nothing. */
interface Traits {
  barred: boolean;
  /** Its cover hides what runs beneath it. */
  dense: boolean;
  /** Its lines hide what runs along them. */
  hidesAlong: boolean;
}

function traitsOf(piece: Piece, shape: PreparedShape, settings: ResolvedSettings): Traits {
  const spacing = Math.max(settings.spacing?.value ?? 9, settings.spacingTo?.value ?? 0);
  return {
    barred: (settings.foam?.value ?? 0) > 0,
    dense: spacing <= HIDES_TO_MM && formOf(piece) !== 'line',
    hidesAlong: !!shape.lines && hidesAlong(piece, settings),
  };
}

function makeItem(piece: Piece, shape: PreparedShape, settings: ResolvedSettings, traits: Traits): RouteItem {
  const lines = traits.hidesAlong ? shape.lines : undefined;
  const form = formOf(piece);
  const column = form === 'column';
  // Runs press foam flat: out and back is the least that a column on it needs.
  const candidates = column && traits.barred ? shape.ends.filter(({ start, end }) => start === end) : shape.ends;
  const outline = form === 'rows' ? shape.cover : column && shape.anywhere && !traits.barred ? shape.painted : null;
  return {
    thread: piece.thread,
    candidates,
    pinnedStart: pinned(piece.start),
    pinnedEnd: pinned(piece.end),
    hides: traits.dense ? spansOf(shape.cover) : NONE,
    tracks: lines ? spansAlong(lines) : NONE,
    lines: lines ?? [],
    painted: form === 'line' && shape.lines ? spansAlong(shape.lines) : spansOf(shape.painted),
    box: boundsOf(shape.painted),
    barred: traits.barred,
    column,
    rim: outline,
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
  if (formOf(piece) !== 'rows' || angle === undefined) return () => null;
  const row = { x: cos((angle * PI) / 180), y: -sin((angle * PI) / 180) };
  return () => row;
}
