import { straightened } from '../geometry/area';
import { segmentsMeet } from '../geometry/intersect';
import { ofEach, ofPair } from '../geometry/known';
import { nearestOnLine } from '../geometry/line';
import { boundsTouch, distance, type Area, type Line, type Point } from '../geometry/point';
import { LONGEST_SHOWN_MM } from './choices';
import { isArea, type RouteItem } from './item';

/** So many crossings with later lines are tried for each area. */
const MOST_CROSSINGS = 6;
/** And places that face so many of the nearest pieces of its thread; fewer where there are many pieces. */
const MOST_FACED = 6;
const FACED_OF_MANY = 3;
const MANY = 40;

/**
 * Items with more places to begin and end: where lines that are sewn later cross an area's rim, a run can come and go
 * unseen beneath them; and where two pieces of a thread come nearest to each other.
 */
export function withMorePlaces(items: readonly RouteItem[]): RouteItem[] {
  const lined = items.flatMap((o, j) => (o.lines.length > 0 ? [j] : []));
  const most = items.length > MANY ? FACED_OF_MANY : MOST_FACED;
  return items.map((item, i) => {
    if (!item.rim) return item;
    const near = isArea(item) ? lined.filter((j) => j > i && boundsTouch(item.box, items[j]!.box)) : [];
    const extra = [
      ...near.flatMap((j) => knownCrossings(item.rim!, items[j]!.lines)).slice(0, MOST_CROSSINGS),
      ...facing(item, items, most),
    ];
    return extra.length === 0 ? item : withPlaces(item, extra);
  });
}

function facing(item: RouteItem, items: readonly RouteItem[], most: number): Point[] {
  return items
    .flatMap((o) =>
      o !== item && o.thread === item.thread && boundsTouch(item.box, o.box, LONGEST_SHOWN_MM) ? [knownFacing(item, o)] : [],
    )
    .filter((f) => f.awayMm <= LONGEST_SHOWN_MM)
    .sort((a, b) => a.awayMm - b.awayMm)
    .slice(0, most)
    .flatMap((f) => f.places);
}

const lastMade = new WeakMap<RouteItem, { extra: readonly Point[]; made: RouteItem }>();

/** The item with more places; the same one as last time when the places are. */
function withPlaces(item: RouteItem, extra: readonly Point[]): RouteItem {
  const last = lastMade.get(item);
  if (last?.extra.length === extra.length && extra.every((p, i) => p === last.extra[i])) return last.made;
  const own = [...new Set(item.candidates.map((c) => c.start))];
  const places = [...own, ...extra];
  const pairs = places.flatMap((start) => places.filter((end) => end !== start || item.column).map((end) => ({ start, end })));
  const further = item.column ? pairs.filter((p) => extra.includes(p.start) || extra.includes(p.end)) : pairs;
  const candidates = item.column ? [...item.candidates, ...further] : further;
  const made = { ...item, candidates };
  lastMade.set(item, { extra, made });
  return made;
}

/** Crossings by shape: a plan is made at every change, and most shapes are those of the plan before. */
const knownCrossings = ofPair(crossingsOf);

function crossingsOf(rim: Area, lines: readonly Line[]): Point[] {
  const out: Point[] = [];
  for (const ring of rim) {
    const closed = [...ring, ring[0]!];
    for (const line of lines) {
      for (let i = 1; i < line.length && out.length < MOST_CROSSINGS; i++) {
        for (let k = 1; k < closed.length; k++) {
          const p = segmentsMeet(line[i - 1]!, line[i]!, closed[k - 1]!, closed[k]!);
          if (p) out.push(p);
        }
      }
    }
  }
  return out;
}

interface Facing {
  awayMm: number;
  /** Of the first piece: where it comes nearest, both ends of the stretch where it does. */
  places: Point[];
}

/** Outlines are looked at with fewer nodes, mm. */
const ROUGH_MM = 0.15;
/** What is so much farther away is as near, and places this near to each other are one, mm. */
const AS_NEAR_MM = 0.3;
const ONE_PLACE_MM = 1.5;

const linesOf = ofEach(({ rim, lines, candidates }: RouteItem): Line[] => {
  if (rim) return straightened(rim, ROUGH_MM).map((ring) => [...ring, ring[0]!]);
  return lines.length > 0 ? [...lines] : candidates.map((c) => [c.start, c.start]);
});

/** What a letter's foot is: the lowest part of it, as a share of its height. */
const FOOT = 0.25;

const knownFacing = ofPair((item: RouteItem, other: RouteItem): Facing => {
  const [own, theirs] = [linesOf(item), linesOf(other)];
  const whole = nearestBetween(own, theirs);
  if (!item.column || !other.column) return whole;
  const footOf = ({ box }: RouteItem): number => box.maxY - FOOT * (box.maxY - box.minY);
  const below = (lines: readonly Line[], y: number): Line[] => lines.flatMap((l) => l.filter((p) => p.y >= y).map((p) => [p, p]));
  const feet = nearestBetween(below(own, footOf(item)), below(theirs, footOf(other)));
  return { ...whole, places: [...whole.places, ...feet.places.slice(0, 1).filter((p) => !whole.places.includes(p))] };
});

function nearestBetween(own: readonly Line[], theirs: readonly Line[]): Facing {
  const found = [
    ...own.flatMap((line) => line.map((place) => ({ place, away: nearestOf(theirs, place).distance }))),
    ...theirs.flatMap((line) =>
      line.map((p) => {
        const near = nearestOf(own, p);
        return { place: near.point, away: near.distance };
      }),
    ),
  ];
  const awayMm = Math.min(Infinity, ...found.map((f) => f.away));
  const nearest = found.filter((f) => f.away <= awayMm + AS_NEAR_MM).map((f) => f.place);
  if (nearest.length === 0) return { awayMm, places: [] };
  const farFrom = (p: Point): Point => nearest.reduce((a, b) => (distance(b, p) > distance(a, p) ? b : a));
  const one = farFrom(nearest[0]!);
  const two = farFrom(one);
  return { awayMm, places: distance(one, two) < ONE_PLACE_MM ? [one] : [one, two] };
}

function nearestOf(lines: readonly Line[], p: Point): { distance: number; point: Point } {
  let best = { distance: Infinity, point: p };
  for (const line of lines) {
    const near = nearestOnLine(line, p);
    if (near.distance < best.distance) best = near;
  }
  return best;
}
