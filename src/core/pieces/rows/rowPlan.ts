import { nearestOnLine } from '../../geometry/line';
import { distance, mix, type Point } from '../../geometry/point';
import { stayWarm } from '../../units/warm';
import { endsOf, groupsInOrder } from './groups';
import type { RowMesh } from './mesh';
import type { RowSet } from './rowset';
import { sewingOrder, splitSections, type Section } from './sections';
import { SewnRows } from './sewn';
import { wayThrough } from './travel';

/** Rows that are sewn to and fro one after another, from the first end of the first of them or from its other end. */
export interface PlannedLeg {
  readonly rows: readonly number[];
  readonly forward: boolean;
  /** Whether its first row lies beside the last one of the leg before, so that the needle just steps on. */
  readonly goesOn: boolean;
}

/** All rows of an area in the order that hides every way under later rows. */
export interface RowPlan {
  readonly legs: readonly PlannedLeg[];
  /** Where the first row begins; null when there is none. */
  readonly start: Point | null;
}

export interface RowPlanOptions {
  /** Rows used to find ways from place to place; the cover's own mesh, or a finer one. */
  ways: Iterable<RowMesh>;
  /** Where the last row should be. */
  end?: Point | null;
  /** The needle has to stand there, since it goes on from there: rows are sewn from both sides towards it. */
  endsThere?: boolean;
}

/** @param from where the needle stands before */
export function planRows(rows: RowSet, options: RowPlanOptions, from: Point | null): RowPlan {
  const legs: PlannedLeg[] = [];
  if (rows.count === 0) return { legs, start: null };
  const split = options.end && options.endsThere ? rowAtEnd(rows, options.end) : -1;
  const work = { rows, sewn: stayWarm(new SewnRows(rows)), sections: splitSections(rows, split) };
  let here = from;
  for (const group of groupsInOrder(rows, work.sections, options.ways, options.end ?? null)) {
    const made = planGroup(work, group.members, { here, end: group.end }, options);
    legs.push(...made);
    for (const leg of made) leg.rows.forEach((row) => work.sewn.mark(row));
    here = lastPlaceOf(rows, made[made.length - 1]!);
  }
  return { legs, start: rows.ends(legs[0]!.rows[0]!)[legs[0]!.forward ? 0 : 1] };
}

const lastPlaceOf = (rows: RowSet, leg: PlannedLeg): Point =>
  rows.ends(leg.rows[leg.rows.length - 1]!)[leg.forward === (leg.rows.length % 2 === 1) ? 1 : 0];

/** Fewer rows on one side of the end are not worth a seam of their own. */
const LEAST_PART = 2;

/** The row at whose end a place lies, when there are enough rows to either side of it; -1 otherwise. */
function rowAtEnd(rows: RowSet, end: Point): number {
  let best = -1;
  let least = Infinity;
  for (let i = 0; i < rows.count; i++) {
    for (const p of rows.ends(i)) {
      const d = distance(p, end);
      if (d < least) [best, least] = [i, d];
    }
  }
  const reaches = (step: 1 | -1): boolean => {
    let at = best;
    for (let k = 0; k < LEAST_PART; k++) {
      const next = rows.neighbours(at, step);
      if (next.length !== 1) return false;
      at = next[0]!;
    }
    return true;
  };
  return best >= 0 && reaches(1) && reaches(-1) ? best : -1;
}

interface Work {
  rows: RowSet;
  sewn: SewnRows;
  sections: readonly Section[];
}

function planGroup(
  { rows, sewn, sections }: Work,
  members: readonly number[],
  { here, end }: { here: Point | null; end: Point | null },
  options: RowPlanOptions,
): PlannedLeg[] {
  const about = { here, end, endWeight: options.endsThere ? MUST_END : 1 };
  const legsTo = ({ last, endAtTop }: LastRow): (readonly number[])[] =>
    sewingOrder(sections, last, endAtTop).map((leg) => {
      const { stretches } = sections[leg.section]!;
      return leg.downwards ? stretches : stretches.slice().reverse();
    });
  const nearest = chooseLast(rows, sections, members, end ?? farFrom(here));
  const lasts = options.endsThere ? [nearest] : lastsToTry(members, nearest);
  const roughly = lasts.map((last) => {
    const legs = legsTo(last);
    return { legs, cost: lasts.length > 1 ? bestSides(rows, legs, null, about).cost : 0 };
  });
  const [usual, ...others] = roughly;
  const tried = [usual!, ...others.sort((a, b) => a.cost - b.cost).slice(0, MOST_TRIED)].map(({ legs }) => {
    const price = pricesOfWays(rows, legs, sewn, options.ways);
    return { legs, ...bestSides(rows, legs, price, about) };
  });
  const { legs, sides } = tried.reduce((a, b) => (b.cost < a.cost - 1e-9 ? b : a));
  return legs.map((ordered, k) => ({ rows: ordered, forward: sides[k]!, goesOn: k > 0 && areBeside(rows, legs[k - 1]!, ordered) }));
}

/** The section that is sewn last, and whether its first row is the very last. */
interface LastRow {
  last: number;
  endAtTop: boolean;
}

/** Of so many sections each is tried as the last one, roughly; of these so many in earnest. */
const MOST_LASTS = 24;
const MOST_TRIED = 3;

/** The usual one first. */
function lastsToTry(members: readonly number[], nearest: LastRow): LastRow[] {
  if (members.length < 2 || members.length > MOST_LASTS) return [nearest];
  const all = members.flatMap((last) => [true, false].map((endAtTop) => ({ last, endAtTop })));
  return [nearest, ...all.filter((l) => l.last !== nearest.last || l.endAtTop !== nearest.endAtTop)];
}

const farFrom = (p: Point | null): Point => (p ? { x: -p.x * 1e6, y: 1e6 * (p.y > 0 ? -1 : 1) } : { x: 0, y: -1e6 });

/** A way from a row to the one beside it runs along rows that are sewn; any other lies under rows still to come. */
const BESIDE_SEWN = 3;
/** With this many rows a way to their far side can dip under them. */
const DIPS_UNDER = 4;

/** Where the thread goes on from the end, missing it costs a cut: it outweighs every way inside. */
const MUST_END = 20;

/** From a row to the one beside it the needle steps this far without a run, mm. */
export const STEP_ON_MM = 3;
/** What a run of its own counts for beside its length, mm. */
const RUN_OF_ITS_OWN = 10;

/** A way that no later row covers counts for so many times its length. */
const SHOWN = 6;
/** Ways are looked at so far apart, mm. */
const LOOK_WAY_MM = 0.5;
/** Of more legs ways are only estimated. */
const MOST_PRICED = 60;

/** What it costs to get to a place before leg `k` is sewn: its way as it will be sewn, and how much of that shows. */
type WayPrice = (k: number, from: Point, to: Point) => number;

/** Prices of ways on the rows' own mesh; null where there is none, or too much to look at. */
function pricesOfWays(rows: RowSet, legs: readonly (readonly number[])[], before: SewnRows, ways: Iterable<RowMesh>): WayPrice | null {
  const { mesh } = rows;
  const [first] = ways;
  if (!mesh || first !== mesh || legs.length < 2 || legs.length > MOST_PRICED) return null;
  const sewn = before.copy();
  let upTo = 0;
  return (k, from, to) => {
    for (; upTo < k; upTo++) legs[upTo]!.forEach((row) => sewn.mark(row));
    if (distance(from, to) < 0.6) return distance(from, to);
    const way = wayThrough(mesh, from, to, sewn);
    if (!way) return FAR * distance(from, to);
    let [length, shown] = [0, 0];
    for (let i = 1; i < way.length; i++) {
      const [a, b] = [way[i - 1]!, way[i]!];
      const mm = distance(a, b);
      const looks = Math.ceil(mm / LOOK_WAY_MM);
      for (let n = 0; n < looks; n++) if (!sewn.willCover(mesh, mix(a, b, (n + 0.5) / looks))) shown += mm / looks;
      length += mm;
    }
    return length + SHOWN * shown;
  };
}

/** A way that is only found on a finer mesh is longer than it looks. */
const FAR = 3;

/** For each leg whether its first row is begun at its first end, so that all ways together show least (dynamic programming). */
function bestSides(
  rows: RowSet,
  legs: readonly (readonly number[])[],
  price: WayPrice | null,
  { here: from, end, endWeight }: { here: Point | null; end: Point | null; endWeight: number },
): { sides: boolean[]; cost: number } {
  const startOf = (k: number, side: number): Point => rows.ends(legs[k]![0]!)[side === 1 ? 0 : 1];
  const endOf = (k: number, side: number): Point => {
    const ordered = legs[k]!;
    return rows.ends(ordered[ordered.length - 1]!)[(side === 1) === (ordered.length % 2 === 1) ? 1 : 0];
  };
  const allowed = (k: number, side: number): boolean => (rows.prefers ? rows.prefers(legs[k]![0]!) === (side === 1) : true);
  let cost = [0, 1].map((side) => (!allowed(0, side) ? Infinity : from ? distance(from, startOf(0, side)) : 0));
  const came: number[][] = [];
  for (let k = 1; k < legs.length; k++) {
    const beside = areBeside(rows, legs[k - 1]!, legs[k]!);
    const dips = legs[k]!.length >= DIPS_UNDER;
    const next = [0, 1].map((side) => {
      const ways = [0, 1].map((before) => {
        const [from, to] = [endOf(k - 1, before), startOf(k, side)];
        const straight = distance(from, to);
        const own = beside && straight <= STEP_ON_MM ? 0 : RUN_OF_ITS_OWN;
        if (price) return cost[before]! + own + price(k, from, to);
        const way = straight + own;
        if (!beside) return cost[before]! + way;
        const shown = dips ? Math.min(way, nearestOnLine(rows.course(legs[k]![0]!), from).distance) : way;
        return cost[before]! + way + BESIDE_SEWN * shown;
      });
      const best = ways[1]! < ways[0]! ? 1 : 0;
      (came[k] ??= [])[side] = best;
      return allowed(k, side) ? ways[best]! : Infinity;
    });
    cost = next;
  }
  const finish = cost.map((c, side) => c + (end ? endWeight * distance(endOf(legs.length - 1, side), end) : 0));
  let side = finish[1]! <= finish[0]! ? 1 : 0;
  const least = finish[side]!;
  const sides: boolean[] = [];
  for (let k = legs.length - 1; k >= 0; k--) {
    sides[k] = side === 1;
    if (k > 0) side = came[k]![side]!;
  }
  return { sides, cost: least };
}

function areBeside(rows: RowSet, before: readonly number[], after: readonly number[]): boolean {
  const [a, b] = [before[before.length - 1]!, after[0]!];
  return rows.neighbours(a, 1).includes(b) || rows.neighbours(a, -1).includes(b);
}

/** The section whose first or last row comes nearest to the wished end. */
function chooseLast(rows: RowSet, sections: readonly Section[], members: readonly number[], wish: Point): LastRow {
  let best = { last: members[0]!, endAtTop: true };
  let bestAway = Infinity;
  for (const s of members) {
    endsOf(rows, sections[s]!).forEach((p, k) => {
      const away = distance(p, wish);
      if (away < bestAway) [best, bestAway] = [{ last: s, endAtTop: k < 2 }, away];
    });
  }
  return best;
}
