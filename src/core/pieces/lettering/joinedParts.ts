import { distance, type Point } from '../../geometry/point';
import { dividedAt, groupsOf } from '../satin/nodes';
import { centreLine, type Column } from '../satin/track';

/** Parts farther apart than this are not joined by thread over bare cloth, mm. */
const FARTHEST_MM = 4;
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
 */
export function joinedParts(columns: readonly Column[]): Column[] {
  let parts = groupsOf(columns);
  const apart = new Set<string>();
  for (let node = FIRST_NODE; parts.length > 1; node++) {
    const way = nearestWay(parts, apart);
    if (!way) break;
    if (way.mm - way.widthMm > FARTHEST_MM) {
      apart.add(way.key);
      continue;
    }
    const joined = [withNode(parts[way.first]!, way.from, node), withNode(parts[way.second]!, way.to, node)].flat();
    parts = [...parts.filter((_, i) => i !== way.first && i !== way.second), joined];
  }
  return parts.flat();
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
