import { contains } from '../geometry/area';
import { boundsOf, type Bounds, type Point } from '../geometry/point';
import type { PreparedShape } from '../pieces/kind';
import type { ResolvedSettings } from '../pieces/resolve';

/** What was sewn before: shape and settings of each piece, in order. */
export interface SewnBefore {
  shape: PreparedShape | null;
  settings: ResolvedSettings | null;
}

/** Places at which a piece is compared with what lies beneath, each way. */
const PROBES = 6;
/** Share of a piece that must lie on another for its direction to matter. */
const MOSTLY = 0.5;
/** Cover opener than this is no ground that a direction could follow, mm. */
const GROUND_MM = 0.8;

/** Direction of the straight rows that most of a piece lies on, degrees; undefined when it lies on none. The latest counts. */
export function directionBeneath(shape: PreparedShape, before: readonly SewnBefore[]): number | undefined {
  const candidates = before.filter((b) => b.settings?.angle && b.settings.spacing!.value < GROUND_MM && b.shape);
  if (candidates.length === 0) return undefined;
  const box = boundsOf(shape.painted);
  const probes = probesIn(shape, box);
  for (let i = candidates.length - 1; i >= 0; i--) {
    const below = candidates[i]!.shape!;
    const other = boundsOf(below.cover);
    if (other.maxX < box.minX || other.minX > box.maxX || other.maxY < box.minY || other.minY > box.maxY) continue;
    const on = probes.filter((p) => contains(below.cover, p)).length;
    if (on > MOSTLY * probes.length) return candidates[i]!.settings!.angle!.value;
  }
  return undefined;
}

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
