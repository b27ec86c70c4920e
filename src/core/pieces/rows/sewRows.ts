import { contains } from '../../geometry/area';
import { distance, mix, type Area, type Point } from '../../geometry/point';
import type { StitchBuffer } from '../../stitches/buffer';
import { Command, Role } from '../../stitches/roles';
import { stayWarm } from '../../units/warm';
import { sewWay } from './emit';
import type { RowMesh } from './mesh';
import { STEP_ON_MM, type RowPlan } from './rowPlan';
import type { RowSet } from './rowset';
import { SewnRows } from './sewn';
import { wayThrough } from './travel';

/** Running stitch of travels inside an area, mm (craft §4: 3.0 to 3.5). */
const TRAVEL_LENGTH_MM = 3;
/** Gaps between parts of one area that one stitch may bridge, mm. */
const BRIDGE_MM = 2;

/** Moves inside the area on a hidden run; a short gap is bridged, a wide one trimmed. */
export function travelTo(out: StitchBuffer, to: Point, ways: Iterable<RowMesh>, sewn: SewnRows | null = null): void {
  const from = out.last();
  if (!from || distance(from, to) < 0.6) return;
  for (const mesh of ways) {
    const way = wayThrough(mesh, from, to, sewn ?? null);
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

/** Beneath a cover the needle steps this far without a run, where that stays inside, mm. */
export const HOP_MM = 4;

/** Moves beneath a cover: one stitch where it is short and stays inside, else on a run. */
export function hopTo(out: StitchBuffer, to: Point, ways: Iterable<RowMesh>, within: Area): void {
  const here = out.last();
  if (!here) return;
  if (distance(here, to) > HOP_MM || !isInside(within, here, to)) travelTo(out, to, ways);
}

export interface SewRowsOptions {
  ways: Iterable<RowMesh>;
  role: number;
  /** The area of the rows. */
  within: Area;
}

/** Sews rows as planned, every way between them under rows that come later. */
export function sewRows(out: StitchBuffer, rows: RowSet, plan: RowPlan, { ways, role, within }: SewRowsOptions): void {
  const sewn = stayWarm(new SewnRows(rows));
  for (const leg of plan.legs) {
    let forward = leg.forward;
    const start = rows.ends(leg.rows[0]!)[forward ? 0 : 1];
    const here = out.last();
    if (leg === plan.legs[0]) hopTo(out, start, ways, within);
    else if (!leg.goesOn || !here || distance(here, start) > STEP_ON_MM) travelTo(out, start, ways, sewn);
    for (const i of leg.rows) {
      rows.sew(out, i, forward, role);
      sewn.mark(i);
      forward = !forward;
    }
  }
}

/** Steps are looked at so far apart, mm. */
const LOOK_MM = 0.4;

/** Whether a straight step between two places stays inside an area. */
export function isInside(area: Area, from: Point, to: Point): boolean {
  const looks = Math.ceil(distance(from, to) / LOOK_MM);
  for (let k = 1; k < looks; k++) if (!contains(area, mix(from, to, k / looks))) return false;
  return true;
}
