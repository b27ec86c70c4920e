import { distance, type Area, type Point } from '../../geometry/point';
import type { StitchBuffer } from '../../stitches/buffer';
import { Role } from '../../stitches/roles';
import type { RowMesh } from './mesh';
import type { RowSet } from './rowset';
import { splitSections } from './sections';
import { hopTo, HOP_MM, isInside, travelTo } from './sewRows';

/** What a run of its own counts for beside its length, mm. */
const RUN_OF_ITS_OWN = 25;
/** Less of rows lifts nothing and is not worth its way, mm. */
const LEAST_SECTION_MM = 4;
/** Orders are begun at so many sections at most. */
const MOST_BEGUN = 8;
/** Of more sections only one order is made. */
const MANY = 60;

/** A section of rows with the way in which it is sewn. */
interface OpenSection {
  rows: readonly number[];
  forward: boolean;
  from: Point;
  to: Point;
}

export interface OpenRowsOptions {
  ways: Iterable<RowMesh>;
  /** Steps stay in it; where rows lie far apart, a straight one might cut a corner. */
  within: Area;
}

/**
 * The order of open rows of a foundation: nothing has to be hidden, so that sections come with the fewest and shortest ways.
 * @param from where the needle stands before; null when it comes to wherever they begin
 * @param to where it goes on from afterwards
 */
export function planOpenRows(rows: RowSet, from: Point | null, to: Point | null): OpenSection[] {
  if (rows.count === 0) return [];
  const sections = splitSections(rows).map((s) => s.stretches);
  const worth = sections.filter((s) => s.reduce((mm, i) => mm + distance(...rows.ends(i)), 0) >= LEAST_SECTION_MM);
  return nearestFirst(rows, worth.length > 0 ? worth : sections, from, to);
}

export function sewOpenRows(out: StitchBuffer, rows: RowSet, order: readonly OpenSection[], { ways, within }: OpenRowsOptions): void {
  for (const piece of order) {
    let { forward } = piece;
    hopTo(out, piece.from, ways, within);
    for (const i of piece.rows) {
      const [here, next] = [out.last(), rows.ends(i)[forward ? 0 : 1]];
      if (here && !isInside(within, here, next)) travelTo(out, next, ways);
      rows.sew(out, i, forward, Role.underlay);
      forward = !forward;
    }
  }
}

/** The ways to sew a section: from either of its ends, from either side. */
function waysToSew(rows: RowSet, stretches: readonly number[]): OpenSection[] {
  return [stretches, stretches.slice().reverse()].flatMap((ordered) =>
    [true, false].map((forward) => {
      const last = rows.ends(ordered[ordered.length - 1]!);
      return {
        rows: ordered,
        forward,
        from: rows.ends(ordered[0]!)[forward ? 0 : 1],
        to: last[forward === (ordered.length % 2 === 1) ? 1 : 0],
      };
    }),
  );
}

const stepCost = (a: Point | null, b: Point | null): number => {
  const mm = a && b ? distance(a, b) : 0;
  return mm > HOP_MM ? mm + RUN_OF_ITS_OWN : mm;
};

/** Nearest neighbours from several beginnings; the one with the least ways in all. */
function nearestFirst(rows: RowSet, sections: readonly (readonly number[])[], from: Point | null, to: Point | null): OpenSection[] {
  const all = sections.map((s) => waysToSew(rows, s));
  const begins = all
    .flatMap((pieces, s) => pieces.map((piece) => ({ s, piece, mm: stepCost(from, piece.from) })))
    .sort((a, b) => (from ? a.mm - b.mm : stepCost(b.piece.from, to) - stepCost(a.piece.from, to)))
    .slice(0, sections.length > MANY ? 1 : 4 * MOST_BEGUN);
  let best: OpenSection[] = [];
  let least = Infinity;
  for (const { s, piece, mm } of begins) {
    const { order, cost } = onFrom(all, s, piece);
    const sum = mm + cost + stepCost(order[order.length - 1]!.to, to);
    if (sum < least - 1e-9) [best, least] = [order, sum];
  }
  return best;
}

function onFrom(all: readonly (readonly OpenSection[])[], first: number, begin: OpenSection): { order: OpenSection[]; cost: number } {
  const left = new Set(all.keys());
  left.delete(first);
  const order = [begin];
  let cost = 0;
  while (left.size > 0) {
    const here = order[order.length - 1]!.to;
    let [best, next, least] = [-1, begin, Infinity];
    for (const s of left) {
      for (const piece of all[s]!) {
        const step = stepCost(here, piece.from);
        if (step < least) [best, next, least] = [s, piece, step];
      }
    }
    left.delete(best);
    order.push(next);
    cost += least;
  }
  return { order, cost };
}
