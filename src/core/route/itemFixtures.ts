import { boundsOf, type Area, type Point } from '../geometry/point';
import { spansOf, type Spans } from './cells';
import type { RouteItem } from './item';

/** Made-up pieces for tests of the router. */
export const at = (x: number, y = 0): Point => ({ x, y });
export const box = (x: number, y: number, w: number, h = w): Area => [[at(x, y), at(x + w, y), at(x + w, y + h), at(x, y + h)]];
export const NONE: Spans = new Int32Array(0);

/** A piece of dense cover over an area. */
export function item(area: Area, over: Partial<RouteItem> = {}): RouteItem {
  return {
    thread: 't',
    candidates: [],
    pinnedStart: null,
    pinnedEnd: null,
    hides: spansOf(area),
    tracks: NONE,
    lines: [],
    painted: spansOf(area),
    box: boundsOf(area),
    barred: false,
    column: false,
    rim: null,
    rowAt: () => null,
    areaMm2: 100,
    widthMm: 4,
    approach: null,
    ...over,
  };
}
