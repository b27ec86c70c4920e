import { distance, type Point } from '../../geometry/point';
import type { StitchBuffer } from '../../plan/buffer';
import { Command, Role } from '../../plan/roles';
import { sewWay } from './emit';
import type { RowMesh } from './rows';
import type { RowSet } from './rowset';
import { connectedGroups, sewingOrder, splitSections, type Section } from './sections';
import { wayThrough } from './travel';

/** Running stitch of travels inside an area, mm (craft §4: 3.0 to 3.5). */
const TRAVEL_LENGTH_MM = 3;
/** Gaps between parts of one area that one stitch may bridge, mm. */
const BRIDGE_MM = 2;

export interface SewRowsOptions {
  role: number;
  /** Rows used to find ways from place to place; the cover's own mesh, or a finer one. */
  ways: Iterable<RowMesh>;
  /** Where the last row should be. */
  end?: Point | null;
}

/** Which stretches of a mesh are covered already. */
interface Sewn {
  mesh: RowMesh;
  stretches: Uint8Array;
}

/** Moves inside the area on a hidden run; a short gap is bridged, a wide one trimmed. */
export function travelTo(out: StitchBuffer, to: Point, ways: Iterable<RowMesh>, sewn: Sewn | null = null): void {
  const from = out.last();
  if (!from || distance(from, to) < 0.6) return;
  for (const mesh of ways) {
    const way = wayThrough(mesh, from, to, sewn?.mesh === mesh ? sewn.stretches : null);
    if (!way) continue;
    const approach = way.slice(0, -1);
    if (approach.length > 1) sewWay(out, approach, TRAVEL_LENGTH_MM, Role.travel);
    const here = out.last()!;
    if (distance(here, to) > TRAVEL_LENGTH_MM) sewWay(out, [here, to], TRAVEL_LENGTH_MM, Role.travel);
    return;
  }
  if (distance(from, to) <= BRIDGE_MM) return;
  out.push(from.x, from.y, Role.travel, Command.trim);
  out.push(to.x, to.y, Role.travel, Command.jump);
}

/** Sews all rows in the order that hides every travel under later rows. */
export function sewRows(out: StitchBuffer, rows: RowSet, options: SewRowsOptions): void {
  if (rows.count === 0) return;
  const sections = splitSections(rows);
  const sewn = rows.mesh ? { mesh: rows.mesh, stretches: new Uint8Array(rows.count) } : null;
  const groups = connectedGroups(sections);
  const size = (members: readonly number[]): number => members.reduce((n, s) => n + sections[s]!.stretches.length, 0);
  // Parts that rows do not connect are reached through the largest one, so that one is sewn last and hides the way.
  const largest = groups.reduce((a, b) => (size(b) > size(a) ? b : a));
  const sew = (members: readonly number[], end: Point | null): void => sewGroup(out, { rows, sewn, sections }, members, end, options);
  let left = groups.filter((g) => g !== largest);
  while (left.length > 0) {
    const here = out.last();
    const next = left.reduce((a, b) => (gapTo(rows, sections, a, here) <= gapTo(rows, sections, b, here) ? a : b));
    left = left.filter((g) => g !== next);
    sew(next, null);
  }
  sew(largest, options.end ?? null);
}

function gapTo(rows: RowSet, sections: readonly Section[], members: readonly number[], from: Point | null): number {
  if (!from) return 0;
  let best = Infinity;
  for (const s of members) for (const end of endsOf(rows, sections[s]!)) best = Math.min(best, distance(end, from));
  return best;
}

const endsOf = (rows: RowSet, section: Section): Point[] => [
  ...rows.ends(section.stretches[0]!),
  ...rows.ends(section.stretches[section.stretches.length - 1]!),
];

interface Work {
  rows: RowSet;
  sewn: Sewn | null;
  sections: readonly Section[];
}

function sewGroup(
  out: StitchBuffer,
  { rows, sewn, sections }: Work,
  members: readonly number[],
  end: Point | null,
  options: SewRowsOptions,
): void {
  const { last, endAtTop } = chooseLast(rows, sections, members, end ?? farFrom(out.last()));
  for (const leg of sewingOrder(sections, last, endAtTop)) {
    const stretches = sections[leg.section]!.stretches;
    const ordered = leg.downwards ? stretches : stretches.slice().reverse();
    let forward = rows.prefers?.(ordered[0]!) ?? nearerFirst(out, rows, ordered[0]!);
    travelTo(out, rows.ends(ordered[0]!)[forward ? 0 : 1], options.ways, sewn);
    for (const i of ordered) {
      rows.sew(out, i, forward, options.role);
      if (sewn) sewn.stretches[i] = 1;
      forward = !forward;
    }
  }
}

const farFrom = (p: Point | null): Point => (p ? { x: -p.x * 1e6, y: 1e6 * (p.y > 0 ? -1 : 1) } : { x: 0, y: -1e6 });

function nearerFirst(out: StitchBuffer, rows: RowSet, i: number): boolean {
  const here = out.last();
  if (!here) return true;
  const [a, b] = rows.ends(i);
  return distance(here, a) <= distance(here, b);
}

/** The section whose first or last row comes nearest to the wished end. */
function chooseLast(
  rows: RowSet,
  sections: readonly Section[],
  members: readonly number[],
  wish: Point,
): { last: number; endAtTop: boolean } {
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
