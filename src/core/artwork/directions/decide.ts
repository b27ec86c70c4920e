import type { Area } from '../../geometry/point';
import { directionFrom, directionOn } from '../../geometry/congruent';
import { LEAST_CROSSING_DEG, ON_GROUND_SHARE } from '../../units/craft';
import { apart, normalDirection } from '../../units/directions';
import { bestLabels } from '../labelling';
import type { Twin } from '../twins';
import { FieldShape } from './fieldShape';
import type { Neighbourhood } from './neighbourhood';

/** A field whose rows may run one way or another. */
export interface Field {
  /** Number of its region in the drawing. */
  region: number;
  hex: string;
  area: Area;
  /** Its narrow stretches: the direction in which each runs, degrees, and how far, mm. */
  narrow: readonly { deg: number; mm: number }[];
}

/** Something sewn whose rows run as its shape has it, a column say. */
export interface Column {
  region: number;
  /** How many millimetres of it have rows of a direction (degrees); asked only of what lies on a field. */
  rows(): readonly { deg: number; mm: number }[];
}

/** What lies around the fields. */
export interface Surroundings {
  columns: readonly Column[];
  around: Neighbourhood;
  /** For each region its mirror image, itself where it is its own; null where it has none. */
  mirrored: readonly (number | null)[];
  /** For each region the set of its shape and how it lies; null where it is the only one. */
  twins: readonly (Twin | null)[];
  /** Whether the cloth is knit or pile. */
  unstable: boolean;
}

/** The decided direction of a field and the reason, in words for the card. */
export interface DecidedDirection {
  angle: number;
  why: string;
}

/** What each fault costs, in millimetres of edge that it spoils as much. */
const STEPS = 1;
const ALONG = 0.12;
const LONG_ROWS = 0.08;
const LENGTHWISE = 0.7;
/** Rows that run so nearly along a narrow stretch cross it at too long a slant, degrees. */
const LENGTHWISE_DEG = 35;
const BESIDE = 1.6;
const ON_TOP = 4;
/** However small, a detail whose rows sink into those beneath is lost: it counts as so much longer, mm. */
const DETAIL_MM = 20;
const ASKEW = 0.7;
const UNLIKE = 1.5;
const UNUSUAL = 0.08;
const NOT_LEVEL = 0.05;
/** Smaller fields do not move the cloth, mm². */
const BROAD_MM2 = 400;
/** Rows nearer than this count as the same, degrees. */
const SAME_DEG = 20;
/** A mirrored twin's rows may be off by so much, degrees. */
const MIRRORED_DEG = 8;
/** Rows of twins lie on their shape alike to within, degrees. */
const ALIKE_DEG = 4;

const REASONS = {
  steps: 'turned so that its edges end in fewer steps',
  along: 'turned to cross its long edges',
  lengthwise: 'turned to cross where it is narrow',
  longRows: 'rows run the shorter way of the shape',
  beside: 'turned to differ from the rows beside it',
  onTop: 'turned to cross what it lies on, or what lies on it',
  askew: 'symmetric, as the drawing is',
  unlike: 'as the others of its shape',
  notLevel: 'level, as broad areas lie quietest on knits',
  unusual: 'rows run the shorter way of the shape',
} as const;
type Costs = Record<keyof typeof REASONS, number>;

/**
 * Row directions of all fields decided together, on the graph of what lies beside and on what: few steps along edges, short
 * rows, neighbours and details apart, a symmetric drawing symmetric.
 */
export function decideDirections(fields: readonly Field[], surroundings: Surroundings): DecidedDirection[] {
  const costs = new DirectionCosts(fields, surroundings);
  const { shapes } = costs;
  const chosen = bestLabels({
    own: shapes.map((s, i) => s.labels.map((deg) => total(costs.own(i, deg)))),
    pair: (i, k, j, l) => total(costs.pair(i, shapes[i]!.labels[k]!, j, shapes[j]!.labels[l]!)),
  });
  const angles = chosen.map((k, i) => shapes[i]!.labels[k]!);
  return angles.map((angle, i) => ({ angle, why: costs.reason(i, angles) }));
}

const total = (c: Partial<Costs>): number => Object.values(c).reduce((sum, v) => sum + v, 0);
const near = (a: number, b: number): number =>
  Math.min(1, Math.max(0, (LEAST_CROSSING_DEG - apart(a, b)) / (LEAST_CROSSING_DEG - SAME_DEG)));
const askew = (a: number, b: number): boolean => apart(a, normalDirection(180 - b)) > MIRRORED_DEG;

class DirectionCosts {
  readonly shapes: readonly FieldShape[];
  /** For each field the columns that lie on it. */
  private readonly columnsOn: readonly (readonly Column[])[];

  constructor(
    private readonly fields: readonly Field[],
    private readonly surroundings: Surroundings,
  ) {
    const { columns, around } = surroundings;
    const firsts = new Map<number, { shape: FieldShape; as: Twin['as'] }>();
    this.shapes = fields.map(({ region, area }) => {
      const twin = surroundings.twins[region];
      const first = twin && firsts.get(twin.model);
      const shape = new FieldShape(
        area,
        first?.shape.labels.map((deg) => directionOn(twin!.as, directionFrom(first.as, deg))),
      );
      if (twin && !first) firsts.set(twin.model, { shape, as: twin.as });
      return shape;
    });
    this.columnsOn = fields.map((f) => columns.filter((c) => around.onShare(c.region, f.region) > ON_GROUND_SHARE));
  }

  /** What a direction costs whatever the others are. */
  own(i: number, deg: number): Partial<Costs> {
    const shape = this.shapes[i]!;
    const { region, narrow } = this.fields[i]!;
    let onTop = 0;
    for (const c of this.columnsOn[i]!) {
      const rows = c.rows();
      let sunk = 0;
      for (const r of rows) {
        onTop += r.mm * near(deg, r.deg);
        sunk += near(deg, r.deg) / rows.length;
      }
      // Of rows that turn some always run along: the detail is not lost for that.
      onTop += DETAIL_MM * sunk * sunk;
    }
    return {
      steps: STEPS * shape.stepsMm(deg),
      // The short ends of a bar cost next to nothing.
      along: (ALONG * shape.alongMm(deg) ** 2) / Math.max(1, shape.perimeter),
      lengthwise: LENGTHWISE * narrow.reduce((sum, s) => sum + (apart(s.deg, deg) < LENGTHWISE_DEG ? s.mm : 0), 0),
      longRows: LONG_ROWS * shape.perimeter * shape.longRows(deg),
      unusual: (UNUSUAL * shape.perimeter * apart(deg, shape.usual)) / 90,
      notLevel: this.surroundings.unstable && shape.areaMm2 >= BROAD_MM2 ? (NOT_LEVEL * shape.perimeter * apart(deg, 0)) / 90 : 0,
      onTop: ON_TOP * onTop,
      askew: this.surroundings.mirrored[region] === region && askew(deg, deg) ? ASKEW * shape.perimeter : 0,
    };
  }

  /** What two directions cost together. */
  pair(i: number, deg: number, j: number, other: number): Partial<Costs> {
    const { around, mirrored } = this.surroundings;
    const [f, g] = [this.fields[i]!, this.fields[j]!];
    const alike = near(deg, other);
    const twins = mirrored[f.region] === g.region && f.region !== g.region;
    const perimeter = Math.min(this.shapes[i]!.perimeter, this.shapes[j]!.perimeter);
    const unlike = !twins && this.sewnUnlike(f.region, deg, g.region, other);
    if (alike === 0 && !twins && !unlike) return {};
    const on = Math.max(around.onShare(f.region, g.region), around.onShare(g.region, f.region));
    return {
      beside: f.hex === g.hex ? 0 : BESIDE * around.besideMm(f.region, g.region) * alike,
      onTop: on > ON_GROUND_SHARE ? ON_TOP * perimeter * alike : 0,
      askew: twins && askew(deg, other) ? ASKEW * perimeter : 0,
      unlike: unlike ? UNLIKE * perimeter : 0,
    };
  }

  /** Whether two of one shape would have rows that lie on it in different ways. */
  private sewnUnlike(i: number, deg: number, j: number, other: number): boolean {
    const [a, b] = [this.surroundings.twins[i], this.surroundings.twins[j]];
    return !!a && !!b && a.model === b.model && apart(directionFrom(a.as, deg), directionFrom(b.as, other)) > ALIKE_DEG;
  }

  /** Why a field's direction is not the one that its shape alone would have. */
  reason(i: number, angles: readonly number[]): string {
    const { usual } = this.shapes[i]!;
    if (angles[i] === usual) return REASONS.unusual;
    const [chosen, instead] = [this.all(i, angles[i]!, angles), this.all(i, usual, angles)];
    const names = Object.keys(REASONS) as (keyof Costs)[];
    const saved = (k: keyof Costs): number => instead[k] - chosen[k];
    return REASONS[names.reduce((a, b) => (saved(b) > saved(a) ? b : a))];
  }

  private all(i: number, deg: number, angles: readonly number[]): Costs {
    const sum: Costs = {
      steps: 0,
      along: 0,
      lengthwise: 0,
      longRows: 0,
      beside: 0,
      onTop: 0,
      askew: 0,
      unlike: 0,
      unusual: 0,
      notLevel: 0,
      ...this.own(i, deg),
    };
    angles.forEach((other, j) => {
      if (j === i) return;
      for (const [k, v] of Object.entries(this.pair(i, deg, j, other))) sum[k as keyof Costs] += v;
    });
    return sum;
  }
}
