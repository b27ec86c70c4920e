import { contains } from '../../geometry/area';
import { ofEach } from '../../geometry/known';
import { boundsOf, boundsTouch, type Area, type Bounds, type Point } from '../../geometry/point';
import { GROUND_TO_MM, ON_GROUND_SHARE } from '../../units/craft';
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

/** What a piece is to those that lie on it; null for one whose rows are too open, or have no one direction. */
export function groundRows(shape: PreparedShape | null, settings: ResolvedSettings | null): GroundRows | null {
  if (!shape || !settings?.angle || settings.spacing!.value >= GROUND_TO_MM) return null;
  return { box: boxOf(shape.cover), cover: shape.cover, angleDeg: settings.angle.value };
}

/** Fields of rows in the order in which they are sewn. */
export class Grounds {
  private readonly all: GroundRows[] = [];
  /** Their boxes side by side: each new piece is held against all of them. */
  private readonly boxes: number[] = [];

  lay(ground: GroundRows): void {
    const { minX, minY, maxX, maxY } = ground.box;
    this.all.push(ground);
    this.boxes.push(minX, minY, maxX, maxY);
  }

  /** Direction of the straight rows that most of a piece lies on, degrees; undefined when it lies on none. The latest counts. */
  directionBeneath(shape: PreparedShape): number | undefined {
    const { boxes } = this;
    const box = boxOf(shape.painted);
    const { minX, minY, maxX, maxY } = box;
    let probes: Point[] | null = null;
    for (let i = this.all.length - 1, b = 4 * i; i >= 0; i--, b -= 4) {
      if (boxes[b]! > maxX || boxes[b + 1]! > maxY || boxes[b + 2]! < minX || boxes[b + 3]! < minY) continue;
      const below = this.all[i]!;
      probes ??= probesIn(shape, box);
      const on = probes.filter((p) => contains(below.cover, p)).length;
      if (on > ON_GROUND_SHARE * probes.length) return below.angleDeg;
    }
    return undefined;
  }
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
