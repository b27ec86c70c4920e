import { recipeFor } from '../cloth/house';
import type { Brief, Job, Piece } from '../document/types';
import type { MeetingEdge, PredictedOutline } from '../forecast/edgeMeetings';
import { dataToRings } from '../geometry/path';
import { boundsOf, type Point } from '../geometry/point';
import { areaOf } from '../geometry/area';
import { jobOf, piece } from '../pieces/fixtures';
import type { Shaped } from '../pieces/prepare/shaped';
import type { PlanFigures } from '../plan/measure';
import type { PlannedLink, StitchPlan } from '../plan/plan';
import type { RouteInput } from '../plan/links';
import { Command, Role } from '../stitches/roles';
import { weigh, type Weight } from '../stitches/weight';
import type { ProofContext } from './context';

/** A made-up piece as a check sees it: settings as plain values are of the recipe, `byHand` ones of the hand. */
export interface MadePiece extends Partial<Omit<Piece, 'settings'>> {
  settings?: Record<string, unknown>;
  byHand?: Record<string, unknown>;
  widthMm?: number;
  areaMm2?: number;
  /** Direction of its row at a place. */
  rowAt?: (p: Point) => Point;
  /** Nothing of it can be sewn. */
  unsewn?: boolean;
}

/** A needle event: place, role, command, index of the piece. */
export type MadeEvent = readonly [x: number, y: number, role: number, command?: number, piece?: number];

export interface MadeContext {
  events?: readonly MadeEvent[];
  brief?: Partial<Brief>;
  job?: Partial<Job>;
  figures?: Partial<PlanFigures>;
  weight?: Weight;
  meetings?: readonly MeetingEdge[];
  outlines?: readonly PredictedOutline[];
  /** How the needle comes to each piece. */
  links?: readonly (PlannedLink | null)[];
  trimsOf?: (job: Job) => number;
  route?: Pick<RouteInput, 'items' | 'pieces'>;
}

const sourced = (values: Record<string, unknown>, from: string) => Object.fromEntries(Object.entries(values).map(([k, value]) => [k, { value, from }])); // prettier-ignore

function shapedOf(one: Piece, { settings = {}, byHand = {}, widthMm = 5, areaMm2, rowAt, unsewn }: MadePiece): Shaped {
  const painted = dataToRings(one.area ?? 'M0,0 h10 v10 h-10 Z');
  const shape = { facts: { widthMm }, painted, cover: painted, areaMm2: areaMm2 ?? areaOf(painted), ends: [], ...(rowAt ? { rowAt } : {}) };
  const resolved = { ...sourced({ tieShape: 'line', ...settings }, 'recipe'), ...sourced(byHand, 'hand') };
  return { piece: one, laid: one, shape: unsewn ? null : shape, settings: unsewn ? null : resolved } as unknown as Shaped;
}

export function planOf(events: readonly MadeEvent[], pieces: number): StitchPlan {
  const of = (k: number): number[] => events.map((e) => e[k] ?? 0);
  const own = Uint16Array.from(of(4));
  // A cut belongs to a piece, but comes after it.
  const sewn = events.map((e) => (e[3] === Command.trim ? -1 : (e[4] ?? 0)));
  const spans = Array.from({ length: pieces }, (_, p) => ({
    from: sewn.indexOf(p) < 0 ? events.length : sewn.indexOf(p),
    to: sewn.lastIndexOf(p) + 1 || events.length,
  }));
  return {
    x: Float32Array.from(of(0)),
    y: Float32Array.from(of(1)),
    role: Uint8Array.from(of(2)),
    command: Uint8Array.from(events, (e) => e[3] ?? Command.stitch),
    piece: own,
    thread: new Uint8Array(events.length),
    pieces: spans.map((s, i) => ({ ...s, id: `p${i}` })),
  } as unknown as StitchPlan;
}

/** What a check is shown of a made-up job: pieces `p0`, `p1` … on twill, in a hoop of 200 by 200. */
export function contextOf(made: readonly MadePiece[], of: MadeContext = {}): ProofContext {
  const base = jobOf(
    made.map(({ kind = 'fill', settings: _s, byHand: _b, widthMm: _w, areaMm2: _a, rowAt: _r, unsewn: _u, ...over }) => piece(kind, over)),
  );
  const brief: Brief = { ...base.brief, hoop: { width: 200, height: 200, shape: 'rect' }, ...of.brief };
  const pieces = base.pieces.map((p, i) => ({ ...p, id: `p${i}`, name: `Piece ${i}` }));
  const job: Job = { ...base, pieces, ...of.job, brief };
  const shaped = pieces.map((p, i) => shapedOf(p, made[i]!));
  const bare = planOf(of.events ?? [], pieces.length);
  const plan = of.links ? { ...bare, pieces: bare.pieces.map((p, i) => ({ ...p, link: of.links![i] ?? null })) } : bare;
  return {
    job,
    plan,
    shaped,
    recipe: recipeFor(brief),
    figures: { widthMm: 0, heightMm: 0, threads: 1, colourChanges: 0, ...of.figures } as PlanFigures,
    middleOf(i) {
      const box = boundsOf(shaped[i]!.shape?.painted ?? [[{ x: 0, y: 0 }]]);
      return { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 };
    },
    weightOf: (p) => job.threads.find((t) => t.id === p.thread)?.weight ?? 40,
    weight: () => of.weight ?? weigh(plan),
    forecast: () => ({ meetings: of.meetings ?? [], outlines: of.outlines ?? [] }) as unknown as ReturnType<ProofContext['forecast']>,
    route: () => of.route as RouteInput,
    planOf: () => {
      throw new Error('No planner in this fixture');
    },
    trimsOf: (other) => of.trimsOf?.(other) ?? 0,
  };
}

/** Level rows over a rectangle, so far apart, without those between two heights. */
export const coverRows = (x: number, y: number, w: number, h: number, apart: number, [from, to] = [Infinity, Infinity], owner = 0): MadeEvent[] =>
  Array.from({ length: Math.round(h / apart) + 1 }, (_, k) => y + k * apart)
    .filter((v) => v < from || v > to)
    .flatMap((v, k): MadeEvent[] => (k % 2 ? [[x + w, v, Role.cover, 0, owner], [x, v, Role.cover, 0, owner]] : [[x, v, Role.cover, 0, owner], [x + w, v, Role.cover, 0, owner]])); // prettier-ignore
