import type { UnderlayLayer } from '../../document/types';
import { offset, perimeterOf } from '../../geometry/area';
import { dividedAt, lineLength, nearestOnLine } from '../../geometry/line';
import { distance, type Area, type Line, type Point, type Ring } from '../../geometry/point';
import type { StitchBuffer } from '../../stitches/buffer';
import { Role } from '../../stitches/roles';
import { AREA_INSET_MM } from '../../units/craft';
import { scanRows, type RowMesh } from '../rows/mesh';
import { planOpenRows, sewOpenRows } from '../rows/openRows';
import { straightRows } from '../rows/rowset';
import { hopTo, HOP_MM, isInside } from '../rows/sewRows';
import { evenPull } from '../rules/pull';
import { runPoints } from '../run/points';

/** What the foundation of one part of a fill lies in. */
export interface Around {
  part: Area;
  /** Direction of the cover's rows, degrees. */
  coverDeg: number;
  ways: Iterable<RowMesh>;
  /** Where the cover begins afterwards. */
  to: Point | null;
}

/** A layer with the place where it will begin; null while that is free. */
interface PlannedLayer {
  start: Point | null;
  /** Edges that it runs along. */
  rings?: readonly Line[];
  sew(out: StitchBuffer): void;
}

/** Sews the layers beneath a cover, each so that the next begins where it ends. */
export function sewFoundation(out: StitchBuffer, layers: readonly UnderlayLayer[], around: Around): void {
  let to = around.to;
  const planned: PlannedLayer[] = [];
  for (let i = layers.length - 1; i >= 0; i--) {
    const made = planLayer(layers[i]!, { ...around, to }, i === 0 ? out.last() : null);
    planned.unshift(made);
    to = made.start;
  }
  for (const layer of planned) layer.sew(out);
  const rings = planned.flatMap((layer) => layer.rings ?? []);
  if (rings.length > 0) alongEdge(out, rings, around);
}

/** From where the layers end along an edge that is run already to where the cover begins, where both are near it. */
function alongEdge(out: StitchBuffer, rings: readonly Line[], { part, to }: Around): void {
  const here = out.last();
  if (!here || !to || distance(here, to) <= HOP_MM) return;
  const near = (p: Point, ring: Line): boolean => {
    const { distance: mm, point } = nearestOnLine(ring, p);
    return mm <= HOP_MM && isInside(part, p, point);
  };
  const ring = rings.find((r) => near(here, r) && near(to, r));
  if (!ring) return;
  const line = from(ring, nearestOnLine(ring, here).along);
  const onward = goingOn(line, to).slice(line.length - 1);
  for (const p of runPoints(onward, EDGE_RUN_MM)) out.push(p.x, p.y, Role.underlay);
}

const areRows = ({ kind }: UnderlayLayer): boolean => kind === 'lattice' || kind === 'zigzag' || kind === 'double-zigzag';

function planLayer(layer: UnderlayLayer, { part, coverDeg, ways, to }: Around, from: Point | null): PlannedLayer {
  const inner = offset(part, -(layer.inset ?? AREA_INSET_MM));
  if (!areRows(layer)) {
    const rings = inner.filter((ring) => perimeterOf([ring]) >= LEAST_RING_MM).map(closed);
    return { start: null, rings, sew: (out) => sewEdgeRuns(out, rings, layer.length ?? EDGE_RUN_MM, { part, ways, to }) };
  }
  const mesh = scanRows(inner, coverDeg + (layer.angle ?? 90), layer.spacing ?? 2.5);
  const staggerOf = (row: number): number => (((row % 2) + 2) % 2) * 0.5;
  const rows = straightRows(mesh, { stitchLengthMm: layer.length ?? 3.5, pull: evenPull(0), staggerOf });
  const order = planOpenRows(rows, from, to);
  return { start: order[0]?.from ?? to, sew: (out) => sewOpenRows(out, rows, order, { ways, within: part }) };
}

/** Shorter rings hold no edge, mm. */
const LEAST_RING_MM = 4;
/** Usual stitch of a run along an edge, mm. */
const EDGE_RUN_MM = 2.5;

/** Runs along all edges, the nearest first; the last one goes on along its edge to where the next layer begins. */
function sewEdgeRuns(
  out: StitchBuffer,
  rings: readonly Line[],
  lengthMm: number,
  { part, ways, to }: Pick<Around, 'part' | 'ways' | 'to'>,
): void {
  const left = rings.slice();
  while (left.length > 0) {
    const here = out.last() ?? left[0]![0]!;
    const ring = left.reduce((a, b) => (nearestOnLine(b, here).distance < nearestOnLine(a, here).distance ? b : a));
    left.splice(left.indexOf(ring), 1);
    const line = from(ring, nearestOnLine(ring, here).along);
    const further = left.length === 0 && to ? goingOn(line, to) : line;
    hopTo(out, further[0]!, ways, part);
    for (const p of runPoints(further, lengthMm)) out.push(p.x, p.y, Role.underlay);
  }
}

const closed = (ring: Ring): Point[] => [...ring, ring[0]!];

/** A closed line begun at a place on it. */
function from(line: Line, along: number): Point[] {
  const [before, after] = dividedAt(line, along);
  return [...after, ...before.slice(1)];
}

/** Once round, and on by the shorter way to the place that lies nearest to another. */
function goingOn(line: Line, to: Point): Point[] {
  const { along } = nearestOnLine(line, to);
  const back = lineLength(line) - along;
  const [round, on] = along <= back ? [line, along] : [line.slice().reverse(), back];
  return on < 1 ? round.slice() : [...round, ...dividedAt(round, on)[0].slice(1)];
}
