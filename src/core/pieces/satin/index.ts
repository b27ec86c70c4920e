import { areaOf, clean, contains, offset, simplifyLine, unite } from '../../geometry/area';
import { strokeOf } from '../../geometry/stroke';
import { boundsOf, boundsTouch, distance, mix, sub, unit, type Area, type Point } from '../../geometry/point';
import { outlineOf } from '../../geometry/outline';
import { dataToRings, flattenSubpath, parsePath, ringsToData } from '../../geometry/path';
import type { Piece } from '../../document/types';
import type { StitchBuffer } from '../../stitches/buffer';
import { MACHINE_LIMIT_MM } from '../../units/tolerances';
import type { LongRows, PieceKind, PreparedShape } from '../kind';
import type { ResolvedSettings } from '../resolve';
import { fillKind, type FillShape } from '../fill';
import { scanRows, type RowMesh } from '../rows/mesh';
import { networkFromArea } from './fromArea';
import { networkFromLines } from './fromLine';
import { networkFromSides } from './fromSides';
import { networkFromSlants } from './fromSlants';
import { cornersOfSchool, satinSettings } from './settings';
import type { ColumnSettings } from './foundation';
import { sewNetwork } from './sewNetwork';
import { medianWidth, type Column, type ColumnNetwork, type Track } from './track';
import type { StartEnd } from '../../stitches/startEnd';
import { LEAST_SEWN_MM, SPLIT_BEYOND_MM, WIDEST_SATIN_MM } from '../../units/craft';
import { rowsSentence } from '../sentence';
import { evenPull, pulledAt, type PullLaw } from '../rules/pull';

const WAYS_MM = 0.15;
/** Stitch length where a satin over its limit becomes a fill, mm (craft §4). */
const FILL_STITCH_MM = 3.5;

export interface SatinShape extends PreparedShape {
  network: ColumnNetwork;
  /** Length of the longest row as drawn, mm. */
  widestMm: number;
  /** The same shape as a fill, for columns over the limit when they are to become one. */
  asFill: FillShape | null;
}

function networkOf(piece: Piece): { network: ColumnNetwork; painted: Area } | null {
  if (piece.sides) {
    const [a, b] = piece.sides.map((d) => dataToRings(d)[0] ?? []) as [Point[], Point[]];
    const slants = (piece.slants ?? []).flatMap((d) => dataToRings(d));
    const painted = clean([[...a, ...b.slice().reverse()]], 'nonzero');
    return { network: networkFromSides(a, b, slants), painted };
  }
  if (piece.line && piece.width) {
    const spec = {
      widthMm: piece.width,
      cap: piece.cap ?? 'butt',
      join: piece.join ?? 'miter',
      corners: piece.settings.corners ?? 'butt',
    } as const;
    const lines = parsePath(piece.line).map((s) => {
      const points = flattenSubpath(s);
      return { points: s.closed ? [...points, points[0]!] : points, closed: s.closed, painted: strokeOf(s, { ...spec, miterLimit: 4 }) };
    });
    return { network: networkFromLines(lines, spec), painted: unite(...lines.map((l) => l.painted)) };
  }
  if (!piece.area) return null;
  const outline = outlineOf(piece.area);
  const slants = (piece.slants ?? []).flatMap((d) => dataToRings(d)).filter((l) => l.length > 1);
  let next = 0;
  let cornered = false;
  const columns = outline.parts.flatMap((part, k) => {
    const corners = piece.settings.corners ?? 'turn';
    const made = slants.length > 0 ? networkFromSlants(part, slants) : networkFromArea(part, corners, outline.axisOf(k));
    const own = made.columns;
    cornered ||= made.cornered === true;
    const shift = next;
    for (const c of own) next = Math.max(next, c.from + shift + 2, c.to + shift + 2);
    return own.map((c) => ({ ...c, from: c.from + shift, to: c.to + shift, tuckedAt: c.tuckedAt?.map((n) => n + shift) ?? [] }));
  });
  return { network: { columns, cornered }, painted: outline.area };
}

/** So many ends of columns are tried as places to begin and end. */
const MOST_PLACES = 10;
const ONE_PLACE_MM = 0.1;

/** A lone column had best be sewn through, what branches had best end where it began: such pairs come first. */
function pairsOf(places: readonly Point[], lone: boolean): { start: Point; end: Point }[] {
  const pairs = places.flatMap((start) => places.map((end) => ({ start, end })));
  const best = ({ start, end }: { start: Point; end: Point }): boolean => (start === end) !== lone;
  return [...pairs.filter(best), ...pairs.filter((p) => !best(p))];
}

/** Where columns end, open ends first. */
function placesOf(columns: readonly Column[]): Point[] {
  const ends = columns.flatMap((c) => [
    { at: middleOf(c.track, false), open: c.openFrom === true },
    { at: middleOf(c.track, true), open: c.openTo === true },
  ]);
  const places: Point[] = [];
  for (const { at } of [...ends.filter((e) => e.open), ...ends.filter((e) => !e.open)]) {
    if (places.every((p) => distance(p, at) > ONE_PLACE_MM)) places.push(at);
  }
  return places.slice(0, MOST_PLACES);
}

const middleOf = (t: Track, last: boolean): Point => {
  const i = last ? t.left.length - 1 : 0;
  return { x: (t.left[i]!.x + t.right[i]!.x) / 2, y: (t.left[i]!.y + t.right[i]!.y) / 2 };
};

function prepare(piece: Piece): SatinShape | null {
  const made = networkOf(piece);
  if (!made || made.network.columns.length === 0) return null;
  const { columns } = made.network;
  const places = placesOf(columns);
  return {
    facts: { widthMm: medianWidth(columns.map((c) => c.track)), angleDeg: 0, rowsMm: () => widthsOf(columns) },
    cover: made.painted,
    painted: made.painted,
    areaMm2: areaOf(made.painted),
    ends: pairsOf(places, columns.length === 1),
    anywhere: true,
    network: made.network,
    rowAt: (p) =>
      rowNear(
        columns.map((c) => c.track),
        p,
      ),
    rowsOver: (limitMm) => rowsOver(columns, limitMm),
    halves: () => halvesOf(columns),
    widestMm: columns.reduce((w, c) => Math.max(w, widestOf(c.track)), 0),
    asFill: piece.settings.overLimit === 'fill' ? fillKind.prepare({ ...piece, kind: 'fill', area: ringsToData(made.painted) }) : null,
  };
}

/** Direction of the row whose middle is nearest to a place. */
function rowNear(tracks: readonly Track[], p: Point): Point | null {
  let least = Infinity;
  let row: Point | null = null;
  for (const { left, right } of tracks) {
    for (let i = 0; i < left.length; i++) {
      const d = distance(p, mix(left[i]!, right[i]!, 0.5));
      if (d < least) [least, row] = [d, unit(sub(right[i]!, left[i]!))];
    }
  }
  return row;
}

/** Rows fan where one side moves on by less than this share of the other. */
const FANS = 0.3;

/** The shortest and the longest row of columns, mm. */
export function widthsOf(columns: readonly Column[]): [number, number] {
  let [least, most] = [Infinity, 0];
  for (const { track } of columns) {
    track.left.forEach((p, i) => {
      const mm = distance(p, track.right[i]!);
      least = Math.min(least, mm);
      most = Math.max(most, mm);
    });
  }
  return [least, most];
}

/**
 * The longest row over a limit, and how much of the columns is wider than that. Rows that fan about a corner are not counted, nor what of
 * a row lies where another column of the piece crosses it.
 */
export function rowsOver(columns: readonly Column[], limitMm: number): LongRows | null {
  let [mm, alongMm, at] = [0, 0, columns[0]!.track.left[0]!];
  const crossed = columns.length > 1 ? crossings(columns) : (): number => 0;
  columns.forEach(({ track: { left, right, advance } }, own) => {
    for (let i = 1; i < left.length; i++) {
      const [a, b, step] = [left[i]!, right[i]!, advance[i]! - advance[i - 1]!];
      const paces = [distance(a, left[i - 1]!), distance(b, right[i - 1]!)];
      if (distance(a, b) <= limitMm || Math.min(...paces) < FANS * step) continue;
      const row = distance(a, b) * (1 - crossed(own, a, b));
      if (row <= limitMm) continue;
      alongMm += step;
      if (row > mm) [mm, at] = [row, mix(a, b, 0.5)];
    }
  });
  return mm > 0 ? { mm, alongMm, at } : null;
}

/** Places of a row that are looked at. */
const LOOKED_AT = 24;

/** Share of a row that lies in other columns. */
function crossings(columns: readonly Column[]): (own: number, a: Point, b: Point) => number {
  const areas = columns.map(({ track }): Area => [[...track.left, ...track.right.slice().reverse()]]);
  const boxes = areas.map((area) => boundsOf(area));
  return (own, a, b) => {
    const row = boundsOf([[a, b]]);
    const others = areas.filter((_, k) => k !== own && boundsTouch(boxes[k]!, row));
    let inside = 0;
    for (let k = 0; k < LOOKED_AT; k++) if (others.some((area) => contains(area, mix(a, b, (k + 0.5) / LOOKED_AT)))) inside++;
    return inside / LOOKED_AT;
  };
}

/** Halves of a column lap by so much, mm: pieces that butt need it (craft §4). */
const LAP_MM = 1;
/** And keep so near to what they are halves of, mm. */
const HALF_OFF_MM = 0.02;

function halvesOf(columns: readonly Column[]): [[string, string], [string, string]] | null {
  if (columns.length !== 1) return null;
  const { left, right } = columns[0]!.track;
  const line = (points: readonly Point[]): string => ringsToData([simplifyLine(points, HALF_OFF_MM)], false);
  const inner = (by: number): Point[] => left.map((p, i) => mix(p, right[i]!, 0.5 + by / Math.max(LAP_MM, distance(p, right[i]!))));
  return [
    [line(left), line(inner(LAP_MM / 2))],
    [line(inner(-LAP_MM / 2)), line(right)],
  ];
}

const widestOf = (t: Track): number => t.left.reduce((w, p, i) => Math.max(w, distance(p, t.right[i]!)), 0);

function stitch(out: StitchBuffer, shape: SatinShape, set: ResolvedSettings, ends: StartEnd): void {
  const limit = set.satinLimit?.value ?? WIDEST_SATIN_MM;
  if (shape.asFill && set.overLimit?.value === 'fill' && shape.widestMm > limit) {
    return fillKind.stitch(out, shape.asFill, { ...set, stitchLength: { ...set.stitchLength, value: FILL_STITCH_MM } }, ends);
  }
  sewNetwork(out, shape.network, columnSettings(set, shape.painted), ends);
}

/** How columns of some settings are sewn. */
export function columnSettings(set: ResolvedSettings, painted: Area): ColumnSettings {
  const limit = set.satinLimit?.value ?? WIDEST_SATIN_MM;
  const { law } = set.pullComp!;
  const widen = (set.pullCompSides?.value.map(evenPull) as [PullLaw, PullLaw] | undefined) ?? ([law, law] as const);
  return {
    cover: {
      spacingMm: set.spacing!.value,
      widen,
      leastWidthMm: LEAST_SEWN_MM,
      splitMm: Math.min(
        limit + pulledAt(widen[0], limit) + pulledAt(widen[1], limit) + SPLIT_BEYOND_MM,
        Math.max(MACHINE_LIMIT_MM, limit) - 0.05,
      ),
    },
    underlay: set.underlay?.value ?? [],
    runLengthMm: set.stitchLength.value,
    ends: set.ends?.value ?? 'open',
    pushMm: set.pushComp?.value ?? 0,
    tackDown: (set.foam?.value ?? 0) > 0,
    ways: waysIn(painted),
  };
}

/** Fine rows of the area in two directions, made only when columns do not meet. */
function waysIn(area: Area): Iterable<RowMesh> {
  return {
    *[Symbol.iterator]() {
      yield scanRows(area, 0, WAYS_MM);
      yield scanRows(offset(area, WAYS_MM), 90, WAYS_MM);
    },
  };
}

export const satinKind: PieceKind<SatinShape> = {
  form: 'column',
  underSchool: (piece, school) => (piece.area ? cornersOfSchool(piece, school) : piece),
  settings: satinSettings,
  sentence: (s, widthMm) =>
    rowsSentence(`Satin, mostly ${widthMm.toFixed(1)} wide${(s.foam?.value ?? 0) > 0 ? ` on ${s.foam!.value} mm of foam` : ''}`, s),
  prepare,
  stitch,
};
