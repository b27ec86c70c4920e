import { distance, type Point } from '../../geometry/point';
import type { StitchBuffer } from '../../plan/buffer';
import { Command, Role } from '../../plan/roles';
import { compensatedEnds, sewRow, sewWay, type RowSettings } from './emit';
import { fromUV, heightOf, type RowMesh } from './rows';
import { connectedGroups, sewingOrder, splitSections, type Section } from './sections';
import { wayThrough } from './travel';

/** Running stitch of travels inside an area, mm (craft §4: 3.0 to 3.5). */
const TRAVEL_LENGTH_MM = 3;
/** Gaps between parts of one area that one stitch may bridge, mm. */
const BRIDGE_MM = 2;

export interface SewRowsOptions extends RowSettings {
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

/** Sews all rows of a mesh in the order that hides every travel under later rows. */
export function sewRows(out: StitchBuffer, mesh: RowMesh, options: SewRowsOptions): void {
  if (mesh.count === 0) return;
  const sections = splitSections(mesh);
  const sewn: Sewn = { mesh, stretches: new Uint8Array(mesh.count) };
  const groups = connectedGroups(sections);
  const rows = (members: readonly number[]): number => members.reduce((n, s) => n + sections[s]!.stretches.length, 0);
  // Parts that rows do not connect are reached through the largest one, so that one is sewn last and hides the way.
  const largest = groups.reduce((a, b) => (rows(b) > rows(a) ? b : a));
  let left = groups.filter((g) => g !== largest);
  while (left.length > 0) {
    const here = out.last();
    const next = left.reduce((a, b) => (gapTo(mesh, sections, a, here) <= gapTo(mesh, sections, b, here) ? a : b));
    left = left.filter((g) => g !== next);
    sewGroup(out, sewn, sections, next, null, options);
  }
  sewGroup(out, sewn, sections, largest, options.end ?? null, options);
}

function gapTo(mesh: RowMesh, sections: readonly Section[], members: readonly number[], from: Point | null): number {
  if (!from) return 0;
  let best = Infinity;
  for (const s of members) for (const end of endsOf(mesh, sections[s]!)) best = Math.min(best, distance(end, from));
  return best;
}

function endsOf(mesh: RowMesh, section: Section): Point[] {
  const at = (i: number): Point[] => [
    fromUV(mesh.frame, mesh.u0[i]!, heightOf(mesh, mesh.row[i]!)),
    fromUV(mesh.frame, mesh.u1[i]!, heightOf(mesh, mesh.row[i]!)),
  ];
  return [...at(section.stretches[0]!), ...at(section.stretches[section.stretches.length - 1]!)];
}

function sewGroup(
  out: StitchBuffer,
  sewn: Sewn,
  sections: readonly Section[],
  members: readonly number[],
  end: Point | null,
  options: SewRowsOptions,
): void {
  const { mesh } = sewn;
  const { last, endAtTop } = chooseLast(mesh, sections, members, end ?? farFrom(out.last()));
  for (const leg of sewingOrder(sections, last, endAtTop)) {
    const stretches = sections[leg.section]!.stretches;
    const ordered = leg.downwards ? stretches : stretches.slice().reverse();
    let fromLeft = nearerLeft(out, mesh, ordered[0]!, options.pullCompMm);
    travelTo(out, rowEnd(mesh, ordered[0]!, fromLeft), options.ways, sewn);
    for (const i of ordered) {
      sewRow(out, mesh, i, fromLeft, options, options.role);
      sewn.stretches[i] = 1;
      fromLeft = !fromLeft;
    }
  }
}

const farFrom = (p: Point | null): Point => (p ? { x: -p.x * 1e6, y: 1e6 * (p.y > 0 ? -1 : 1) } : { x: 0, y: -1e6 });

function rowEnd(mesh: RowMesh, i: number, left: boolean): Point {
  return fromUV(mesh.frame, left ? mesh.u0[i]! : mesh.u1[i]!, heightOf(mesh, mesh.row[i]!));
}

function nearerLeft(out: StitchBuffer, mesh: RowMesh, i: number, comp: number): boolean {
  const here = out.last();
  if (!here) return true;
  const [a, b] = compensatedEnds(mesh, i, comp);
  const v = heightOf(mesh, mesh.row[i]!);
  return distance(here, fromUV(mesh.frame, a, v)) <= distance(here, fromUV(mesh.frame, b, v));
}

/** The section whose first or last row comes nearest to the wished end. */
function chooseLast(
  mesh: RowMesh,
  sections: readonly Section[],
  members: readonly number[],
  wish: Point,
): { last: number; endAtTop: boolean } {
  let best = { last: members[0]!, endAtTop: true };
  let bestAway = Infinity;
  for (const s of members) {
    endsOf(mesh, sections[s]!).forEach((p, k) => {
      const away = distance(p, wish);
      if (away < bestAway) [best, bestAway] = [{ last: s, endAtTop: k < 2 }, away];
    });
  }
  return best;
}
