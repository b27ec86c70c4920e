import { recipeFor } from '../cloth/house';
import type { Job } from '../document/types';
import type { Point } from '../geometry/point';
import type { StartEnd } from '../pieces/kind';
import { withCrossings } from '../route/crossings';
import { evaluate, type EvaluateOptions } from '../route/ends';
import { Ground } from '../route/ground';
import type { RouteItem } from '../route/item';
import { routeItem } from '../route/itemOf';
import { linkTo, type Link } from '../route/link';
import { preferenceFor } from '../route/policy';
import { paceAt } from '../route/seconds';
import type { Shaped } from './shaped';

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
  const pieces = shaped.flatMap((s, i) => (s.shape && s.settings ? [i] : []));
  const items = withCrossings(pieces.map((i) => routeItem(shaped[i]!.piece, shaped[i]!.shape!, shaped[i]!.settings!)));
  const pace = paceAt(recipeFor(job.brief).speed);
  return { items, pieces, options: { pace, clean: job.settings.lettering === 'clean', fine: true, ...preferenceFor(items, job) } };
}

/** Chooses starts and ends for the order that the job has. */
export function routeOf(job: Job, shaped: readonly Shaped[]): PlanRoute {
  const { items, pieces, options } = routeInput(job, shaped);
  const ground = new Ground(items);
  const { ends } = evaluate(
    ground,
    items,
    items.map((_, k) => k),
    options,
  );
  const position = new Map(pieces.map((piece, k) => [piece, k]));
  return {
    endsOf(piece) {
      const k = position.get(piece);
      if (k === undefined) return NOWHERE;
      return items[k]!.pinnedEnd ? { ...ends[k]!, goesOn: true } : ends[k]!;
    },
    link: (piece, from, to) => linkTo(ground, items, position.get(piece)!, from, to, options),
  };
}
