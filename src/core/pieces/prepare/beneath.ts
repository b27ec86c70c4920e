import { contains } from '../../geometry/area';
import { ofEach } from '../../geometry/known';
import { boundsOf, boundsTouch, type Area, type Bounds, type Point } from '../../geometry/point';
import type { PreparedShape } from '../kind';
import type { ResolvedSettings } from '../resolve';

/** A field of rows that later pieces may lie on. */
export interface GroundRows {
  box: Bounds;
  cover: Area;
  /** Direction of its rows, degrees. */
  angleDeg: number;
}

/** Places at which a piece is compared with what lies beneath, each way. */
const PROBES = 6;
/** Share of a piece that must lie on another for its direction to matter. */
const MOSTLY = 0.5;
/** Cover opener than this is no ground that a direction could follow, mm. */
const GROUND_MM = 0.8;

/** What a piece is to those that lie on it; null for one whose rows are too open, or have no one direction. */
export function groundRows(shape: PreparedShape | null, settings: ResolvedSettings | null): GroundRows | null {
  if (!shape || !settings?.angle || settings.spacing!.value >= GROUND_MM) return null;
  return { box: boxOf(shape.cover), cover: shape.cover, angleDeg: settings.angle.value };
}

/** Direction of the straight rows that most of a piece lies on, degrees; undefined when it lies on none. The latest counts. */
export function directionBeneath(shape: PreparedShape, before: readonly GroundRows[]): number | undefined {
  const box = boxOf(shape.painted);
  let probes: Point[] | null = null;
  for (let i = before.length - 1; i >= 0; i--) {
    const below = before[i]!;
    if (!boundsTouch(below.box, box)) continue;
    probes ??= probesIn(shape, box);
    const on = probes.filter((p) => contains(below.cover, p)).length;
    if (on > MOSTLY * probes.length) return below.angleDeg;
  }
  return undefined;
}

/** Whether a field of rows could matter to what a piece lies on. */
export const reaches = (ground: GroundRows, shape: PreparedShape): boolean => boundsTouch(ground.box, boxOf(shape.painted));

const boxOf = ofEach((area: Area) => boundsOf(area));

function probesIn(shape: PreparedShape, b: Bounds): Point[] {
  const out: Point[] = [];
  for (let i = 0; i < PROBES; i++) {
    for (let j = 0; j < PROBES; j++) {
      const p = { x: b.minX + ((i + 0.5) / PROBES) * (b.maxX - b.minX), y: b.minY + ((j + 0.5) / PROBES) * (b.maxY - b.minY) };
      if (contains(shape.painted, p)) out.push(p);
    }
  }
  return out;
}
