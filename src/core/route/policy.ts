import { isCap } from '../document/job';
import type { Job, RoutePolicy } from '../document/types';
import type { Point } from '../geometry/point';
import type { EvaluateOptions } from './startsAndEnds';
import { isArea, type RouteItem } from './item';

/** Areas from here on have a side to begin at, mm². */
const LARGE_MM2 = 400;
/** What it is worth to begin where the school or the cap wants it, seconds. */
const WORTH_S = 3;

const DEFAULT_POLICY: RoutePolicy = 'registration';

/** The policy that a job is routed by when none is asked for: caps have their own. */
export const policyOf = (job: Job): RoutePolicy => job.settings.policy ?? (isCap(job.brief) ? 'cap' : DEFAULT_POLICY);

/** Preferences for starts and ends: low working up on caps, and as the shop's school has it for large areas. */
export function preferenceFor(items: readonly RouteItem[], job: Job): Pick<EvaluateOptions, 'preference'> {
  const cap = policyOf(job) === 'cap';
  const { areaStart = 'free' } = job.settings;
  if (!cap && areaStart === 'free') return {};
  const height = (item: RouteItem, p: Point): number => (item.box.maxY - p.y) / Math.max(1, item.box.maxY - item.box.minY);
  return {
    preference(i, position, { start, end }) {
      const item = items[i]!;
      if (cap) return WORTH_S * 0.5 * (height(item, start) + 1 - height(item, end));
      if (!isArea(item) || item.areaMm2 < LARGE_MM2) return 0;
      const low = areaStart === 'low' || position % 2 === 0;
      return WORTH_S * (low ? height(item, start) : 1 - height(item, start));
    },
  };
}
