import { segmentsMeet } from '../geometry/intersect';
import { ofPair } from '../geometry/known';
import { boundsTouch, type Area, type Line, type Point } from '../geometry/point';
import type { RouteItem } from './item';

const MOST = 6;

/**
 * Items with more places to begin and end: where lines that are sewn later cross an area's rim, a run can come and go
 * unseen beneath them.
 */
export function withCrossings(items: readonly RouteItem[]): RouteItem[] {
  const lined = items.flatMap((o, j) => (o.lines.length > 0 ? [j] : []));
  return items.map((item, i) => {
    if (!item.rim) return item;
    const found = lined.flatMap((j) => (j > i && boundsTouch(item.box, items[j]!.box) ? knownCrossings(item.rim!, items[j]!.lines) : []));
    if (found.length === 0) return item;
    return crossed(item, found.slice(0, MOST));
  });
}

const lastCrossed = new WeakMap<RouteItem, { extra: readonly Point[]; made: RouteItem }>();

/** The item with more places; the same one as last time when the places are. */
function crossed(item: RouteItem, extra: readonly Point[]): RouteItem {
  const last = lastCrossed.get(item);
  if (last?.extra.length === extra.length && extra.every((p, i) => p === last.extra[i])) return last.made;
  const places = [...new Set(item.candidates.map((c) => c.start)), ...extra];
  const candidates = places.flatMap((start) => places.filter((end) => end !== start).map((end) => ({ start, end })));
  const made = { ...item, candidates };
  lastCrossed.set(item, { extra, made });
  return made;
}

/** Crossings by shape: a plan is made at every change, and most shapes are those of the plan before. */
const knownCrossings = ofPair(crossingsOf);

function crossingsOf(rim: Area, lines: readonly Line[]): Point[] {
  const out: Point[] = [];
  for (const ring of rim) {
    const closed = [...ring, ring[0]!];
    for (const line of lines) {
      for (let i = 1; i < line.length && out.length < MOST; i++) {
        for (let k = 1; k < closed.length; k++) {
          const p = segmentsMeet(line[i - 1]!, line[i]!, closed[k - 1]!, closed[k]!);
          if (p) out.push(p);
        }
      }
    }
  }
  return out;
}
