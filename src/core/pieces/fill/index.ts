import { areaOf, clean, components, offset, perimeterOf } from '../../geometry/area';
import { boundsOf, distance, sub, type Area, type Line, type Point } from '../../geometry/point';
import { atan2, cos, PI, sin } from '../../units/trig';
import { outlineOf } from '../../geometry/outline';
import { dataToRings } from '../../geometry/path';
import type { Piece, Stagger } from '../../document/types';
import type { StitchBuffer } from '../../stitches/buffer';
import { Role } from '../../stitches/roles';
import type { PieceKind, PreparedShape } from '../kind';
import { fillSettings } from './settings';
import type { ResolvedSettings } from '../resolve';
import { proposeAngle } from './angle';
import { STAGGER_ORDER, type RowSettings } from '../rows/emit';
import { rowField, type RowField } from '../rows/turning/field';
import { rowsInField, type TurningRows } from '../rows/turning/rows';
import { withoutHairlines } from './hairlines';
import { carvedLines } from './carvedLines';
import { gradientRows } from './gradient';
import { openingsOf } from './holes';
import { rowFrame, scanRows, toV, type RowMesh } from '../rows/mesh';
import { lineRows, straightRows, type RowSet } from '../rows/rowset';
import { sewFoundation } from './foundation';
import { planRows } from '../rows/rowPlan';
import { sewRows } from '../rows/sewRows';
import type { StartEnd } from '../../stitches/startEnd';
import { HIDES_TO_MM } from '../../units/craft';
import { rowsSentence } from '../sentence';

export interface FillShape extends PreparedShape {
  parts: readonly Area[];
  /** Two or more lines across the area that its rows follow; none for straight rows. */
  slants: readonly Line[];
  /** Rows of a part that follow the slants, made when first wanted. */
  turningRows: (part: Area, spacingMm: number) => TurningRows;
  carvedOn: ((row: Line) => number[]) | null;
}

const EIGHT_WAYS: readonly Point[] = [
  { x: 1, y: 0 },
  { x: 0.7, y: 0.7 },
  { x: 0, y: 1 },
  { x: -0.7, y: 0.7 },
  { x: -1, y: 0 },
  { x: -0.7, y: -0.7 },
  { x: 0, y: -1 },
  { x: 0.7, y: -0.7 },
];

/** Outline points farthest out in eight directions. */
function extremes(area: Area): Point[] {
  const points = area.flat();
  return EIGHT_WAYS.map((d) => points.reduce((a, b) => (b.x * d.x + b.y * d.y > a.x * d.x + a.y * d.y ? b : a)));
}

function prepare(piece: Piece): FillShape | null {
  if (!piece.area) return null;
  const outline = outlineOf(piece.area);
  let drawn = outline.area;
  const openings = openingsOf(drawn, piece);
  const over = new Set(openings.flatMap((o) => (o.sewnOver ? [o.ring] : [])));
  if (over.size > 0) {
    const kept = drawn.filter((ring) => !over.has(ring));
    drawn = clean(kept, 'nonzero');
  }
  if (drawn.length === 0) return null;
  const { area, parts } = withoutHairlines(drawn, drawn === outline.area ? outline.parts : components(drawn));
  const perimeter = perimeterOf(area);
  const slants = (piece.slants ?? []).flatMap((d) => dataToRings(d)).filter((l) => l.length > 1);
  const points = extremes(area);
  let angleDeg: number | undefined;
  return {
    facts: {
      widthMm: (2 * areaOf(area)) / perimeter,
      get angleDeg() {
        return (angleDeg ??= slants.length > 0 ? angleAlong(slants) : proposeAngle(area));
      },
      rowsMm: (deg) => rowLengths(area, deg),
      ...(openings.length > 0 ? { openings: { count: openings.length, edgeMm: perimeterOf(openings.map((o) => o.ring)) } } : {}),
    },
    cover: area,
    painted: area,
    areaMm2: areaOf(area),
    ends: points.flatMap((start) => points.filter((end) => end !== start).map((end) => ({ start, end }))),
    parts,
    slants: slants.length > 1 ? slants : [],
    turningRows: rememberedRows(slants),
    carvedOn: piece.carve ? carvedLines(dataToRings(piece.carve)) : null,
  };
}

/** Rows looked at to tell how long they are lie so far apart, mm. */
const LOOK_MM = 1;

/** The shortest and the longest row of an area, mm. */
function rowLengths(area: Area, angleDeg: number): [number, number] {
  const { u0, u1, count } = scanRows(area, angleDeg, LOOK_MM);
  let [least, most] = [Infinity, 0];
  for (let i = 0; i < count; i++) {
    least = Math.min(least, u1[i]! - u0[i]!);
    most = Math.max(most, u1[i]! - u0[i]!);
  }
  return count === 0 ? [0, 0] : [least, most];
}

/** Rows of parts in their fields. A piece on trial and the one that is sewn have the same ones: those of the last spacing are kept. */
function rememberedRows(slants: readonly Line[]): FillShape['turningRows'] {
  const known = new Map<Area, { field: RowField; spacingMm: number; rows: TurningRows }>();
  return (part, spacingMm) => {
    const before = known.get(part);
    if (before?.spacingMm === spacingMm) return before.rows;
    const field = before?.field ?? rowField(part, slants);
    const rows = rowsInField(part, field, spacingMm, true);
    known.set(part, { field, spacingMm, rows });
    return rows;
  };
}

/** Mean direction of slants as people give it: degrees, counter-clockwise from +x as seen. */
function angleAlong(slants: readonly Line[]): number {
  let [c, s] = [0, 0];
  for (const slant of slants) {
    const d = sub(slant[slant.length - 1]!, slant[0]!);
    const twice = 2 * atan2(-d.y, d.x);
    [c, s] = [c + cos(twice), s + sin(twice)];
  }
  const degrees = (atan2(s, c) * 90) / PI;
  return Math.round(((degrees + 360) % 180) * 10) / 10;
}

const STAGGERS: Record<Stagger, readonly number[]> = {
  mixed: STAGGER_ORDER,
  brick: [0, 0.5],
  quarter: [0, 0.25, 0.5, 0.75],
  carved: STAGGER_ORDER,
};

const FINE_WAYS_MM = 0.1;
/** Ways under open cover are found on rows as near as these, mm. */
const WAYS_MM = 0.4;
/** A neck thinner than the rows themselves still lets the needle through: compensation covers that much beside it, mm. */
const NECK_MM = 0.25;

function stitch(out: StitchBuffer, shape: FillShape, set: ResolvedSettings, ends: StartEnd): void {
  const order = STAGGERS[set.stagger?.value ?? 'mixed'];
  const settings: RowSettings = {
    stitchLengthMm: set.stitchLength.value,
    pull: set.pullComp!.law,
    staggerOf: (row) => order[((row % order.length) + order.length) % order.length]!,
    carvedOn: set.stagger?.value === 'carved' ? shape.carvedOn : null,
  };
  const angle = set.angle?.value ?? shape.facts.angleDeg;
  // Under open cover a way to the first row would show: the first row is where it begins.
  const hides = Math.max(set.spacing!.value, set.spacingTo?.value ?? 0) <= HIDES_TO_MM;
  if (ends.start && hides) out.push(ends.start.x, ends.start.y, Role.travel);
  for (const part of inNearestOrder(shape.parts, ends.start)) {
    const { rows, mesh } = rowsOf(part, shape, angle, set, settings);
    const ways = lazily(
      [mesh],
      [() => scanRows(part, angle + 90, FINE_WAYS_MM), () => scanRows(offset(part, NECK_MM), angle + 90, FINE_WAYS_MM)],
    );
    const plan = planRows(rows, { ways, end: ends.end, endsThere: ends.goesOn === true && hides }, out.last());
    sewFoundation(out, set.underlay?.value ?? [], { part, coverDeg: angle, ways, to: plan.start });
    sewRows(out, rows, plan, { ways, role: Role.cover, within: part });
  }
}

/** The cover's rows, and a mesh to find ways on. */
function rowsOf(
  part: Area,
  shape: FillShape,
  angle: number,
  set: ResolvedSettings,
  settings: RowSettings,
): { rows: RowSet; mesh: RowMesh } {
  const spacing = set.spacing!.value;
  if (shape.slants.length > 1) {
    return { rows: lineRows(shape.turningRows(part, spacing), settings), mesh: scanRows(part, angle, WAYS_MM) };
  }
  const to = set.spacingTo?.value;
  if (to !== undefined && to !== spacing) {
    return { rows: lineRows(gradientRows(part, angle, spacing, to), settings), mesh: scanRows(part, angle, WAYS_MM) };
  }
  const mesh = scanRows(part, angle, spacing);
  return { rows: straightRows(mesh, settings), mesh: spacing > HIDES_TO_MM ? scanRows(part, angle, WAYS_MM) : mesh };
}

/** The coarse ways, then finer ones that are only built when those before do not connect. */
function lazily(first: readonly RowMesh[], finer: readonly (() => RowMesh)[]): Iterable<RowMesh> {
  const made: RowMesh[] = [];
  return {
    *[Symbol.iterator]() {
      yield* first;
      for (let k = 0; k < finer.length; k++) yield (made[k] ??= finer[k]!());
    },
  };
}

function inNearestOrder(parts: readonly Area[], from: Point | null): Area[] {
  const left = parts.slice();
  const out: Area[] = [];
  let here = from;
  const gap = (a: Area): number => (here ? a[0]!.reduce((least, p) => Math.min(least, distance(p, here!)), Infinity) : 0);
  while (left.length > 0) {
    const next = left.reduce((a, b) => (gap(b) < gap(a) ? b : a));
    left.splice(left.indexOf(next), 1);
    out.push(next);
    const b = boundsOf(next);
    here = { x: (b.minX + b.maxX) / 2, y: (b.minY + b.maxY) / 2 };
  }
  return out;
}

/** How far parts reach across rows of a direction, one after the other, mm. */
function acrossRows(parts: readonly Area[], angleDeg: number): number {
  const frame = rowFrame(angleDeg);
  return parts.reduce((sum, part) => {
    const heights = part.flatMap((ring) => ring.map((p) => toV(frame, p)));
    return sum + heights.reduce((a, b) => Math.max(a, b), -Infinity) - heights.reduce((a, b) => Math.min(a, b), Infinity);
  }, 0);
}

const headOf = ({ angle, stitchLength }: ResolvedSettings): string =>
  angle ? `Fill at ${angle.value.toFixed(0)}°, stitches ${stitchLength.value.toFixed(1)}` : 'Fill turning with its slants';

export const fillKind: PieceKind<FillShape> = {
  form: 'rows',
  settings: fillSettings,
  usualWidthMm: ({ parts, areaMm2, facts }, { angle }) => (angle ? areaMm2 / acrossRows(parts, angle.value) : facts.widthMm),
  sentence: (s) => rowsSentence(headOf(s), s),
  prepare,
  stitch,
};
