import { recipeFor } from '../cloth/house';
import type { Job } from '../document/types';
import { ofEach } from '../geometry/known';
import { emptyBounds, type Point } from '../geometry/point';
import { withMorePlaces } from '../route/morePlaces';
import { evaluate, type EvaluateOptions } from '../route/startsAndEnds';
import { CoverGrid } from '../route/coverGrid';
import type { RouteItem } from '../route/item';
import { routeItem } from './routeItems';
import { linkTo, type Link } from '../route/link';
import { RouteMemory } from '../route/routeMemory';
import { preferenceFor } from '../route/policy';
import { paceAt } from '../route/seconds';
import type { Shaped } from '../pieces/prepare/shaped';
import type { StartEnd } from '../stitches/startEnd';

/** Starts, ends and links of a job in its own order. Pieces are told by their index in the job. */
export interface PlanRoute {
  endsOf(piece: number): StartEnd;
  link(piece: number, from: Point, to: Point): Link;
}

const NOWHERE: StartEnd = { start: null, end: null };

/** The routing of a job's pieces and what it is weighed by. */
export interface RouteInput {
  items: RouteItem[];
  /** Index in the job of each item. */
  pieces: number[];
  options: EvaluateOptions;
}

export function routeInput(job: Job, shaped: readonly Shaped[]): RouteInput {
  const { pieces, plain } = plainItems(shaped);
  return withOptions(job, pieces, plain);
}

function plainItems(shaped: readonly Shaped[]): { pieces: number[]; plain: RouteItem[] } {
  const pieces = shaped.flatMap((s, i) => (s.shape && s.settings ? [i] : []));
  return { pieces, plain: pieces.map((i) => itemOf(shaped[i]!)) };
}

const itemOf = ofEach(({ piece, shape, settings }: Shaped) => routeItem(piece, shape!, settings!));

function withOptions(job: Job, pieces: number[], plain: readonly RouteItem[]): RouteInput {
  const items = withMorePlaces(plain);
  const pace = paceAt(recipeFor(job.brief).speed);
  const { lettering, trimDistance } = job.settings;
  const shown = { clean: lettering === 'clean', ...(trimDistance === undefined ? {} : { letterGapMm: trimDistance }) };
  return { items, pieces, options: { pace, ...shown, fine: true, ...preferenceFor(items, job) } };
}

/**
 * Chooses starts and ends for the order that the job has. Most edits (a spacing, an underlay) change nothing that the router looks
 * at; then the route of the plan before still holds, and the ways that were found with it.
 */
export class Router {
  private last: { key: string; plain: readonly RouteItem[]; route: PlanRoute } | null = null;
  private ground: CoverGrid | null = null;
  private readonly memory = new RouteMemory();

  routeOf(job: Job, shaped: readonly Shaped[]): PlanRoute {
    const { pieces, plain } = plainItems(shaped);
    const key = JSON.stringify([pieces, job.settings, job.brief]);
    const { last } = this;
    if (last?.key === key && last.plain.length === plain.length && last.plain.every((item, i) => item === plain[i])) return last.route;
    // The memory follows the new items from here on; should this fail, the old route must not use it any more.
    this.last = null;
    const input = withOptions(job, pieces, plain);
    this.ground = new CoverGrid(input.items, this.ground);
    const route = routeOf(input, this.ground, key, this.memory);
    this.last = { key, plain, route };
    return route;
  }
}

function routeOf({ items, pieces, options }: RouteInput, ground: CoverGrid, key: string, memory: RouteMemory): PlanRoute {
  memory.follow(items, key);
  const { ends } = evaluate(
    ground,
    items,
    items.map((_, k) => k),
    options,
    memory,
  );
  const position = new Map(pieces.map((piece, k) => [piece, k]));
  return {
    endsOf(piece) {
      const k = position.get(piece);
      if (k === undefined) return NOWHERE;
      return items[k]!.pinnedEnd ? { ...ends[k]!, goesOn: true } : ends[k]!;
    },
    link(piece, from, to) {
      const k = position.get(piece)!;
      return memory.link(k, from, to, () => {
        const looked = emptyBounds();
        return { link: linkTo(ground, items, k, from, to, options, looked), looked };
      });
    },
  };
}
