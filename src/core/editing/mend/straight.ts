import { straightened } from '../../geometry/area';
import { add, cross, distance, dot, scale, sub, unit, type Point, type Ring } from '../../geometry/point';
import { atan2, cos, PI, sin } from '../../units/trig';

/** What strays less than this from a straight edge is one, mm. */
const STRAY_MM = 0.35;
/** Edges within this angle of the shape's own directions are turned into them. */
const SNAP_RAD = (8 * PI) / 180;
/** Edges that meet more flatly than this have no corner of their own, as the sine of the angle. */
const FLAT = 0.12;

interface Edge {
  at: Point;
  along: Point;
}

/** A ring as straight edges: those nearly level with or square to its longest edge exactly so, with corners where they cross. */
export function straightRing(ring: Ring): Ring {
  const [rough] = straightened([ring], STRAY_MM);
  if (!rough || rough.length < 3) return ring;
  const edges = rough.map((p, i): { edge: Edge; mm: number } => {
    const q = rough[(i + 1) % rough.length]!;
    return { edge: { at: scale(add(p, q), 0.5), along: unit(sub(q, p)) }, mm: distance(p, q) };
  });
  const main = snappedToPage(edges.reduce((best, e) => (e.mm > best.mm ? e : best)).edge.along);
  const snapped = edges.map(({ edge }): Edge => ({ at: edge.at, along: inDirection(edge.along, main) }));
  return rough.map((p, i) => crossing(snapped[(i + rough.length - 1) % rough.length]!, snapped[i]!) ?? p);
}

/** The longest edge itself becomes level or upright where it nearly is. */
function snappedToPage(along: Point): Point {
  return inDirection(along, { x: 1, y: 0 });
}

function inDirection(along: Point, main: Point): Point {
  const turn = atan2(cross(main, along), dot(main, along));
  const quarter = Math.round(turn / (PI / 2)) * (PI / 2);
  if (Math.abs(turn - quarter) > SNAP_RAD) return along;
  const [c, s] = [cos(quarter), sin(quarter)];
  return { x: main.x * c - main.y * s, y: main.x * s + main.y * c };
}

/** Where two edges meet; null where they run on, or would meet far from either. */
function crossing(a: Edge, b: Edge): Point | null {
  const across = cross(a.along, b.along);
  if (Math.abs(across) < FLAT) return null;
  const t = cross(sub(b.at, a.at), b.along) / across;
  return add(a.at, scale(a.along, t));
}
