import Flatbush from 'flatbush';
import { cropped, simplify, unite } from '../geometry/area';
import { boundsOf, boundsTouch, type Area, type Bounds } from '../geometry/point';
import { OVERLAP_MM } from '../units/tolerances';
import type { PlacedItem } from './place';

/** What lies under later cover need not follow it more closely than this, mm. */
export const HIDDEN_DETAIL_MM = 0.03;
/** How far around an item its cover matters, mm. */
const MARGIN_MM = 3 * OVERLAP_MM;

/** An area whose outlines can be found by place. */
class Indexed {
  readonly box: Bounds;
  private readonly rings: Flatbush | null;

  constructor(
    readonly area: Area,
    readonly items: number,
  ) {
    this.box = boundsOf(area);
    this.rings = area.length > 8 ? new Flatbush(area.length) : null;
    for (const ring of this.rings ? area : []) {
      const b = boundsOf([ring]);
      this.rings!.add(b.minX, b.minY, b.maxX, b.maxY);
    }
    this.rings?.finish();
  }

  /** The part within a box: only outlines that reach into it are looked at. */
  within(box: Bounds): Area {
    if (!boundsTouch(this.box, box, MARGIN_MM)) return [];
    const near = this.rings?.search(box.minX - MARGIN_MM, box.minY - MARGIN_MM, box.maxX + MARGIN_MM, box.maxY + MARGIN_MM);
    const area = near ? near.sort((a, b) => a - b).map((i) => this.area[i]!) : this.area;
    return area.length === 0 ? area : cropped(area, box, MARGIN_MM);
  }
}

/**
 * What opaque items cover, gathered from the last painted to the first, by colour. Like a binary counter it holds unions of one, two,
 * four … items, so that gathering n items unites each of them log n times and not n times (the logarithmic method of
 * Bentley and Saxe 1980).
 */
export class Cover {
  private readonly byColour = new Map<string, Indexed[]>();

  add(item: PlacedItem): void {
    if (!item.opaque || item.area.length === 0) return;
    const levels = this.byColour.get(item.hex) ?? [];
    this.byColour.set(item.hex, levels);
    let made = new Indexed(simplify(item.area, HIDDEN_DETAIL_MM), 1);
    while (levels.length > 0 && levels[levels.length - 1]!.items <= made.items) {
      const before = levels.pop()!;
      made = new Indexed(unite(before.area, made.area), before.items + made.items);
    }
    levels.push(made);
  }

  /**
   * What covers an item that was painted before all that were added, near it. A stroke is not cut by others of its own colour:
   * where lines of one drawing cross, both are sewn through.
   */
  over(item: PlacedItem): Area {
    const box = boundsOf(item.area);
    const parts: Area[] = [];
    for (const [hex, levels] of this.byColour) {
      if (item.stroke && hex === item.hex) continue;
      for (const level of levels) {
        const part = level.within(box);
        if (part.length > 0) parts.push(part);
      }
    }
    return unite(...parts);
  }
}
