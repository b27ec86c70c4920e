import { contains } from '../../geometry/area';
import { distance, type Area, type Point } from '../../geometry/point';
import { dividedAt, groupsOf } from '../satin/nodes';
import { centreLine, type Column } from '../satin/track';
import { bareAlong, ROUGH_MM } from './bare';

/** Parts farther apart than this are not joined by thread over bare cloth, mm. */
const FARTHEST_MM = 4;
/** A way over less bare cloth than this is never cut, mm. */
const BARELY_SEEN_MM = 0.6;
/** Rows looked at, one of so many. */
const EACH = 3;
/** Spacing of rows where nothing else is known yet, mm: a column is divided between two of them. */
const USUAL_SPACING_MM = 0.4;
/** Numbers of nodes made here are clear of the others'. */
const FIRST_NODE = 5_000_000;
/** Whether a node lies in two parts that do not touch. */
export const isAcrossCloth = (node: number): boolean => node >= FIRST_NODE;

/**
 * The columns of one letter whose parts do not touch (a dot, a mark above) as one network: where two parts are nearest they share a node,
 * so that the needle goes to the small part from there and comes back.
 * @param isNear whether two parts are joined along a way
 */
function joinedParts(columns: readonly Column[], isNear = (way: Way): boolean => way.mm - way.widthMm <= FARTHEST_MM): Column[] {
  let parts = groupsOf(columns);
  const apart = new Set<string>();
  for (let node = FIRST_NODE; parts.length > 1; node++) {
    const way = nearestWay(parts, apart);
    if (!way) break;
    if (!isNear(way)) {
      apart.add(way.key);
      continue;
    }
    const joined = [withNode(parts[way.first]!, way.from, node), withNode(parts[way.second]!, way.to, node)].flat();
    parts = [...parts.filter((_, i) => i !== way.first && i !== way.second), joined];
  }
  return parts.flat();
}

/** Columns that hang together. */
export interface JoinedColumns {
  columns: Column[];
  /** The same before parts that do not touch were joined; absent where all touch. */
  apart?: Column[];
}

/** A letter's columns as one network. */
export function joinedLetter(columns: Column[]): JoinedColumns {
  return groupsOf(columns).length < 2 ? { columns } : { columns: joinedParts(columns), apart: columns };
}

/** What of a letter is sewn in one go where thread goes over no more bare cloth than so much, mm: most columns first. */
export function partsWithin({ columns, apart, painted }: JoinedColumns & { painted: Area }, joiningMm: number): Column[][] {
  if (!apart || joiningMm >= FARTHEST_MM) return [columns];
  const limitMm = Math.max(joiningMm, BARELY_SEEN_MM) - ROUGH_MM;
  const isNear = ({ from, to }: Way): boolean => bareAlong(from, to, (p) => contains(painted, p)) <= limitMm;
  const mostFirst = (a: Column[], b: Column[]): number => b.length - a.length;
  return groupsOf(joinedParts(apart, isNear)).sort(mostFirst);
}

/** A part with a node of some number at a place. */
function withNode(part: readonly Column[], p: Point, node: number): Column[] {
  const made = dividedAt(part, p, USUAL_SPACING_MM);
  const named = (n: number): number => (n === made.node ? node : n);
  return made.columns.map((c) => ({ ...c, from: named(c.from), to: named(c.to), tuckedAt: c.tuckedAt?.map(named) ?? [] }));
}

interface Way {
  /** Indices of the parts. */
  first: number;
  second: number;
  from: Point;
  to: Point;
  mm: number;
  /** How much of it lies over the two parts themselves, about. */
  widthMm: number;
  key: string;
}

function nearestWay(parts: readonly (readonly Column[])[], apart: ReadonlySet<string>): Way | null {
  let best: Way | null = null;
  parts.forEach((a, i) => {
    for (let k = i + 1; k < parts.length; k++) {
      const b = parts[k]!;
      const [ps, qs] = [middlesOf(a), middlesOf(b)];
      const key = `${ps[0]!.p.x} ${qs[0]!.p.x}`;
      if (apart.has(key)) continue;
      for (const { p, half } of ps) {
        for (const q of qs) {
          const mm = distance(p, q.p);
          if (!best || mm < best.mm) best = { first: i, second: k, from: p, to: q.p, mm, widthMm: half + q.half, key };
        }
      }
    }
  });
  return best;
}

const middlesOf = (part: readonly Column[]): { p: Point; half: number }[] =>
  part.flatMap(({ track }) =>
    centreLine(track).flatMap((p, i, line) =>
      i % EACH === 0 || i === line.length - 1 ? [{ p, half: distance(track.left[i]!, track.right[i]!) / 2 }] : [],
    ),
  );
