import { areaOf } from '../../geometry/area';
import { resample } from '../../geometry/line';
import { distance, type Area, type Point } from '../../geometry/point';
import { proposeAngle } from '../../pieces/fill/angle';
import { apart, normalDirection } from '../../units/directions';
import { atan2, cos, PI, sin } from '../../units/trig';

/** Rows this near to an edge's direction, but not along it, end in steps, degrees. */
const STEPS = { from: 3, to: 20 };
const LABEL_DEG = 15;
/** Edges are measured in parts of this length, mm. */
const EDGE_MM = 1;
const LONGEST_ROWS = 3;
/** Longer rows are drawn in by the cloth so much that edges fall short (craft §4), mm. */
const PULLED_MM = 30;

/** Direction of a straight line on screen, degrees from level, counter-clockwise. */
export const directionOf = (a: Point, b: Point): number => normalDirection((-atan2(b.y - a.y, b.x - a.x) * 180) / PI);

/** A field's outline, and what each direction of its rows makes of it. */
export class FieldShape {
  readonly perimeter: number;
  private readonly areaMm2: number;
  /** Direction that the shape alone would have, degrees. */
  readonly usual: number;
  /** Directions to choose from, degrees. */
  readonly labels: readonly number[];
  /** Millimetres of edge by direction, to whole degrees. */
  private readonly edges = new Float64Array(180);
  private readonly points: readonly Point[];
  private readonly extents = new Map<number, number>();

  constructor(area: Area) {
    this.usual = proposeAngle(area);
    this.areaMm2 = areaOf(area);
    const lines = area.map((ring) => resample([...ring, ring[0]!], EDGE_MM));
    this.points = lines.flat();
    let perimeter = 0;
    for (const line of lines) {
      for (let i = 1; i < line.length; i++) {
        const mm = distance(line[i - 1]!, line[i]!);
        if (mm > 0) this.edges[Math.round(directionOf(line[i - 1]!, line[i]!)) % 180]! += mm;
        perimeter += mm;
      }
    }
    this.perimeter = perimeter;
    this.labels = this.candidates();
  }

  /** Every 15°, what the shape alone would have, and along and across its longest side. */
  private candidates(): number[] {
    const out = new Set<number>();
    for (let deg = 0; deg < 180; deg += LABEL_DEG) out.add(deg);
    const longest = this.edges.indexOf(Math.max(...this.edges));
    for (const deg of [this.usual, longest, longest + 90]) out.add(normalDirection(deg));
    return [...out];
  }

  /** Length of edge that rows of a direction end at in steps, mm. */
  stepsMm(deg: number): number {
    let sum = 0;
    this.edges.forEach((mm, e) => {
      const d = mm > 0 ? apart(e, deg) : 0;
      if (d > STEPS.from && d < STEPS.to) sum += mm;
    });
    return sum;
  }

  /** How much longer rows are than they need to be, 0 for the shortest way and 1 for twice as long, and than cloth bears. */
  longRows(deg: number): number {
    const most = Math.max(...this.labels.map((d) => this.extent(d)));
    const rowMm = this.areaMm2 / Math.max(0.1, this.extent(deg));
    return Math.min(LONGEST_ROWS, most / Math.max(0.1, this.extent(deg)) - 1) + Math.max(0, rowMm / PULLED_MM - 1);
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
