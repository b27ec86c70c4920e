import { areaOf } from '../../geometry/area';
import { resample } from '../../geometry/line';
import { distance, type Area, type Point, type Ring } from '../../geometry/point';
import { proposeAngle } from '../../pieces/fill/angle';
import { apart, directionOf, normalDirection } from '../../units/directions';
import { cos, PI, sin } from '../../units/trig';

/** Rows this near to an edge's direction, but not along it, end in steps, degrees. */
const STEPS = { from: 3, to: 20 };
const LABEL_DEG = 15;
/** A straight side is one that makes up this much of the outline. */
const SIDE_SHARE = 0.12;
/** Outlines are looked at in parts of this length for how far they reach, mm. */
const EXTENT_MM = 1;
/** A node that turns less belongs to a curve: its edges have all directions between, degrees. */
const CURVE_DEG = 20;
const LONGEST_ROWS = 3;
/** Longer rows are drawn in by the cloth so much that edges fall short (craft §4), mm. */
const PULLED_MM = 30;
const PULLS = 4;

/** From one direction to another the shorter way, -90 to 90 degrees. */
const turnOf = (from: number, to: number): number => ((((to - from + 90) % 180) + 180) % 180) - 90;

/**
 * Adds the edges of a ring by direction. Curves come as straight facets; each is spread over the directions that the curve has
 * there, or a disc would seem to have sides.
 * @returns its length, mm
 */
function addEdges(edges: Float64Array, ring: Ring): number {
  const at = (i: number): Point => ring[(i + ring.length) % ring.length]!;
  const sides = ring.map((p, i) => ({ mm: distance(p, at(i + 1)), deg: directionOf(p, at(i + 1)) })).filter((s) => s.mm > 0);
  sides.forEach(({ mm, deg }, i) => {
    const [before, after] = [sides.at(i - 1)!, sides[(i + 1) % sides.length]!].map((s) => turnOf(deg, s.deg));
    const [from, to] = [before!, after!].map((turn) => deg + (Math.abs(turn) < CURVE_DEG ? turn / 2 : 0));
    const parts = 1 + Math.ceil(4 * Math.abs(to! - from!));
    for (let k = 0; k < parts; k++) edges[Math.round(normalDirection(from! + ((to! - from!) * (k + 0.5)) / parts)) % 180]! += mm / parts;
  });
  return sides.reduce((sum, s) => sum + s.mm, 0);
}

/** A field's outline, and what each direction of its rows makes of it. */
export class FieldShape {
  perimeter = 0;
  readonly areaMm2: number;
  /** Direction that the shape alone would have, degrees. */
  readonly usual: number;
  /** Directions to choose from, degrees. */
  readonly labels: readonly number[];
  /** Millimetres of edge by direction, to whole degrees. */
  private readonly edges = new Float64Array(180);
  private readonly points: readonly Point[];
  private readonly extents = new Map<number, number>();

  /** @param labels directions to choose from, where not those of its own shape */
  constructor(area: Area, labels?: readonly number[]) {
    this.usual = proposeAngle(area);
    this.areaMm2 = areaOf(area);
    this.points = area.flatMap((ring) => resample([...ring, ring[0]!], EXTENT_MM));
    for (const ring of area) this.perimeter += addEdges(this.edges, ring);
    this.labels = labels ?? this.candidates();
  }

  /** Every 15°, what the shape alone would have, and along and across its longest side. */
  private candidates(): number[] {
    const out = new Set<number>();
    for (let deg = 0; deg < 180; deg += LABEL_DEG) out.add(deg);
    out.add(this.usual);
    const longest = this.edges.indexOf(Math.max(...this.edges));
    if (this.edges[longest]! >= SIDE_SHARE * this.perimeter) for (const deg of [longest, longest + 90]) out.add(normalDirection(deg));
    return [...out];
  }

  /** Length of edge that rows of a direction end at in steps, mm. */
  stepsMm(deg: number): number {
    return this.edgeMm(deg, STEPS.from, STEPS.to);
  }

  /** Length of edge that rows of a direction run along, mm: the last row may stop short of it by nearly a spacing. */
  alongMm(deg: number): number {
    return this.edgeMm(deg, -1, STEPS.from);
  }

  /** Length of edge whose direction differs by more than the first and at most the second from that of rows, mm. */
  private edgeMm(deg: number, over: number, upTo: number): number {
    let sum = 0;
    this.edges.forEach((mm, e) => {
      const d = mm > 0 ? apart(e, deg) : 90;
      if (d > over && d <= upTo) sum += mm;
    });
    return sum;
  }

  /** How much longer rows are than they need to be, 0 for the shortest way and 1 for twice as long, and than cloth bears. */
  longRows(deg: number): number {
    const most = Math.max(...this.labels.map((d) => this.extent(d)));
    const rowMm = this.areaMm2 / Math.max(0.1, this.extent(deg));
    return Math.min(LONGEST_ROWS, most / Math.max(0.1, this.extent(deg)) - 1) + PULLS * Math.max(0, rowMm / PULLED_MM - 1);
  }

  /** Extent square to rows of a direction, mm: many rows are short ones. */
  private extent(deg: number): number {
    const known = this.extents.get(deg);
    if (known !== undefined) return known;
    const a = (-deg * PI) / 180;
    const [nx, ny] = [-sin(a), cos(a)];
    let [low, high] = [Infinity, -Infinity];
    for (const p of this.points) {
      const v = p.x * nx + p.y * ny;
      low = Math.min(low, v);
      high = Math.max(high, v);
    }
    this.extents.set(deg, high - low);
    return high - low;
  }
}
