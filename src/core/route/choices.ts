import { ofEach } from '../geometry/known';
import { nearestOnLine } from '../geometry/line';
import { distance, type Area, type Point } from '../geometry/point';
import type { RouteItem } from './item';

/** Straight links longer than this are cut anyway unless they are hidden, mm. */
export const LONGEST_SHOWN_MM = 9;
/** A column ends within so much of where it is asked to: a stitch may come out so much longer, mm. */
export const ROW_MM = 0.4;
/** At most so many places of a rim are added for each neighbour. */
const MEETING_PLACES = 3;

interface Option {
  start: Point;
  end: Point;
}

/** Pairs of start and end, with the places they share listed once. */
export interface Choices {
  options: readonly Option[];
  starts: readonly Point[];
  ends: readonly Point[];
  startOf: Int32Array;
  endOf: Int32Array;
}

function choicesFrom(options: readonly Option[]): Choices {
  const listed = (places: readonly Point[]): { once: Point[]; of: Int32Array } => {
    const once: Point[] = [];
    const of = new Int32Array(places.length);
    places.forEach((p, i) => {
      const known = once.indexOf(p);
      of[i] = known < 0 ? once.push(p) - 1 : known;
    });
    return { once, of };
  };
  const [starts, ends] = [listed(options.map((o) => o.start)), listed(options.map((o) => o.end))];
  return { options, starts: starts.once, ends: ends.once, startOf: starts.of, endOf: ends.of };
}

const plain = new WeakMap<RouteItem, Choices>();

/** Candidate places of a piece as they are, whatever its neighbours. */
export function ownChoices(item: RouteItem): Choices {
  const known = plain.get(item);
  if (known) return known;
  const base = item.candidates.length > 0 ? item.candidates : [{ start: ORIGIN, end: ORIGIN }];
  const made = choicesFrom(base.map((c) => ({ start: item.pinnedStart ?? c.start, end: item.pinnedEnd ?? c.end })));
  plain.set(item, made);
  return made;
}

/** Candidate places of the piece at a position; when fine, with the places on its rim that lie nearest to its neighbours. */
export function choicesOf(items: readonly RouteItem[], order: readonly number[], k: number, fine: boolean): Choices {
  const item = items[order[k]!]!;
  if (!fine || !item.rim) return ownChoices(item);
  const beside = (position: number): RouteItem | null => {
    const other = items[order[position]!];
    return other?.thread === item.thread ? other : null;
  };
  return fineChoices(item)(beside(k - 1) ?? NOBODY)(beside(k + 1) ?? NOBODY);
}

/** Stands for a neighbour that is none, or is sewn in another thread. */
const NOBODY = {} as RouteItem;

/** By a piece with a rim, the one before and the one after: most are those of the plan before. */
const fineChoices = ofEach((item: RouteItem) =>
  ofEach((before: RouteItem) => ofEach((after: RouteItem) => meetingChoices(item, item.rim!, before, after))),
);

function meetingChoices(item: RouteItem, rim: Area, before: RouteItem, after: RouteItem): Choices {
  const own = ownChoices(item);
  const { pinnedStart, pinnedEnd } = item;
  const extraStarts = before === NOBODY ? [] : meeting(rim, ownChoices(before).ends);
  const extraEnds = after === NOBODY ? [] : meeting(rim, ownChoices(after).starts);
  if (extraStarts.length + extraEnds.length === 0) return own;
  const starts = pinnedStart ? [pinnedStart] : [...own.starts, ...extraStarts];
  const ends = pinnedEnd ? [pinnedEnd] : [...own.ends, ...extraEnds];
  const apart = (start: Point, end: Point): boolean =>
    item.column || pinnedStart !== null || pinnedEnd !== null || distance(end, start) > 0.5;
  return choicesFrom(starts.flatMap((start) => ends.filter((end) => apart(start, end)).map((end) => ({ start, end }))));
}

const ORIGIN: Point = { x: 0, y: 0 };

/** Places on a rim nearest to any of some other places. */
function meeting(rim: Area, others: readonly Point[]): Point[] {
  const found = others.map((p) => {
    let best = { point: p, distance: Infinity };
    for (const ring of rim) {
      const near = nearestOnLine([...ring, ring[0]!], p);
      if (near.distance < best.distance) best = near;
    }
    return best;
  });
  return found
    .filter((f) => f.distance < LONGEST_SHOWN_MM)
    .sort((a, b) => a.distance - b.distance)
    .slice(0, MEETING_PLACES)
    .map((f) => f.point);
}
