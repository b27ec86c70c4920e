import { contains } from '../../geometry/area';
import { resample } from '../../geometry/line';
import { distance, type Point } from '../../geometry/point';
import { formOf } from '../../pieces/registry';
import type { StitchPlan } from '../../plan/plan';
import { tiePlaces, type TieAt } from '../../stitches/tiePlaces';
import type { Fix } from '../../proof/finding';
import { withFix } from '../../proof/withFix';
import type { Remedy } from '../causes/cause';
import type { Scene } from '../causes/scene';

/** A tie within this of a mark is what the mark is of, mm. */
const AT_MARK_MM = 2.5;
/** Ties within this of one another make one lump, mm. */
const LUMP_MM = 1;
/** Ties that are moved lie so far from one another where there is room, mm. */
const APART_MM = 1.3;
/** What covers a tie reaches so far beyond it, mm. */
const MARGIN_MM = 0.4;
const STEP_MM = 0.6;
/** A piece of which more lies within another is not a ray that only begins there. */
const MOST_WITHIN = 0.4;
/** Wider than this hides its own ties, mm. */
const NARROW_MM = 4;

/** How ties of some pieces lie. */
interface TieState {
  /** Most of them on one spot. */
  piled: number;
  /** Ties that nothing sewn later covers. */
  bare: number;
}

/** Indices of pieces whose ties lie at the mark, or the piece that it is on. */
function piecesAtMark({ context: { plan }, at, index }: Scene): number[] {
  const near = at === null ? [] : tiePlaces(plan).filter((t) => distance(t.at, at) <= AT_MARK_MM);
  const found = [...new Set(near.map((t) => t.piece))];
  return found.length > 0 || index < 0 ? found : [index];
}

/** Whether a piece's paint lies over a place and some way about it. */
function covers({ context: { shaped } }: Scene, piece: number, { x, y }: Point): boolean {
  const painted = shaped[piece]?.shape?.painted;
  const about: [number, number][] = [[0, 0], [MARGIN_MM, 0], [-MARGIN_MM, 0], [0, MARGIN_MM], [0, -MARGIN_MM]]; // prettier-ignore
  return painted !== undefined && about.every(([dx, dy]) => contains(painted, { x: x + dx, y: y + dy }));
}

/** Places of a piece where it may begin or end: along its rim. */
const rimOf = ({ context: { shaped } }: Scene, piece: number): Point[] =>
  (shaped[piece]?.shape?.painted ?? []).flatMap((ring) => (ring.length > 1 ? resample([...ring, ring[0]!], STEP_MM) : []));

/** Whether ties of a piece lie where nothing covers them though one of its ends is covered. */
export function bareTies(scene: Scene): number {
  const { shaped } = scene.context;
  return piecesAtMark(scene).filter((k) => {
    if ((shaped[k]?.shape?.facts.widthMm ?? Infinity) > NARROW_MM) return false;
    const over = shaped.map((_, i) => i).slice(k + 1);
    const hidden = (p: Point): boolean => over.some((i) => covers(scene, i, p));
    return (
      tiePlaces(scene.context.plan).some((t) => t.piece === k && !hidden(t.at)) &&
      (rimOf(scene, k).some(hidden) || groundOf(scene, [k]) !== null)
    );
  }).length;
}

/** Ways to let the ties at a mark fall elsewhere; each was planned and is offered only where it is seen to be better. */
export function tieRemedies(scene: Scene): Remedy[] {
  const at = piecesAtMark(scene);
  if (at.length === 0) return [];
  const ground = groundOf(scene, at);
  return [
    underLater(scene, at),
    ground === null ? null : groundAfter(scene, touching(scene, at, ground), ground),
    unpinned(scene, at),
    movedApart(scene, at),
  ].flatMap((fix) => (fix && isBetter(scene, at, fix) ? [{ label: fix.label, fix }] : []));
}

/** Whether an end of a piece lies on another or under it. */
const touches = (scene: Scene, ray: number, other: number): boolean => rimOf(scene, ray).some((p) => covers(scene, other, p));

/** These and all like them (the other rays or whiskers: narrow, of the same kind and thread) that another piece touches. */
function touching(scene: Scene, at: readonly number[], other: number): number[] {
  const { job, shaped } = scene.context;
  const alike = (k: number, i: number): boolean =>
    job.pieces[i]!.kind === job.pieces[k]!.kind && job.pieces[i]!.thread === job.pieces[k]!.thread;
  const like = (k: number): boolean => at.some((i) => alike(k, i)) && (shaped[k]?.shape?.facts.widthMm ?? Infinity) <= NARROW_MM;
  const may = (k: number): boolean => k !== other && !job.pieces[k]!.locked && (at.includes(k) || like(k));
  return job.pieces.map((_, k) => k).filter((k) => may(k) && touches(scene, k, other));
}

/** Begins and ends each at a place that something sewn later covers. */
function underLater(scene: Scene, at: readonly number[]): Fix | null {
  const { job } = scene.context;
  const later = job.pieces.map((_, i) => i).filter((i) => at.every((k) => i > k && touches(scene, k, i)));
  const cover = later[0];
  if (cover === undefined) return null;
  const made = pinned(scene, touching(scene, at, cover).filter((k) => k < cover), (_, p) => covers(scene, cover, p)); // prettier-ignore
  if (made.length === 0) return null;
  const label = `Begin and end ${named(scene, made.map((m) => m.piece))} where ‘${job.pieces[cover]!.name}’ will cover the ties`; // prettier-ignore
  return { label, pieces: made.map(pinAt(scene)) };
}

/** A piece sewn before these that their ends lie on, and that can be sewn after them: nothing between lies on it, and they only begin there. */
function groundOf(scene: Scene, at: readonly number[]): number | null {
  const { shaped } = scene.context;
  for (let k = Math.min(...at) - 1; k >= 0; k--) {
    if (!at.every((r) => touches(scene, r, k))) continue;
    const rays = touching(scene, at, k);
    const last = Math.max(...rays);
    const free = shaped.every((_, i) => i <= k || i > last || rays.includes(i) || !touches(scene, i, k));
    const within = (r: number): number => share(rimOf(scene, r), (p) => covers(scene, k, p));
    return free && rays.every((r) => within(r) <= MOST_WITHIN) ? k : null;
  }
  return null;
}

const share = (all: readonly Point[], holds: (p: Point) => boolean): number => all.filter(holds).length / Math.max(1, all.length);

/** Sews what the rays begin on after them, with their ties under it. */
function groundAfter(scene: Scene, rays: readonly number[], ground: number): Fix | null {
  const { job } = scene.context;
  const [piece, last] = [job.pieces[ground]!, job.pieces[Math.max(...rays)]!];
  if (piece.locked) return null;
  const made = pinned(scene, rays, (_, p) => covers(scene, ground, p));
  return {
    label: `Sew ‘${piece.name}’ after ${named(scene, rays)}, whose ties then lie under it`,
    sewRightAfter: [{ piece: piece.id, after: last.id }],
    pieces: made.map(pinAt(scene)),
  };
}

/** Lets starts and ends that a hand set be found anew. */
function unpinned(scene: Scene, at: readonly number[]): Fix | null {
  const { job } = scene.context;
  const set = at.filter((k) => !job.pieces[k]!.locked && (job.pieces[k]!.start ?? job.pieces[k]!.end));
  if (set.length === 0) return null;
  return {
    label: `Let the path choose where ${named(scene, set)} ${set.length === 1 ? 'begins and ends' : 'begin and end'}`,
    pieces: set.map((k) => ({ id: job.pieces[k]!.id, without: ['start', 'end'] })),
  };
}

/** Begins and ends columns and areas at places of their own, apart from one another. */
function movedApart(scene: Scene, at: readonly number[]): Fix | null {
  const { job } = scene.context;
  const wide = at.filter((k) => !job.pieces[k]!.locked && formOf(job.pieces[k]!) !== 'line');
  const spot = scene.at;
  const made = spot === null ? [] : pinned(scene, wide, (_, p) => distance(p, spot) > LUMP_MM + APART_MM);
  if (made.length === 0) return null;
  return { label: `Begin and end ${named(scene, wide)} apart from one another`, pieces: made.map(pinAt(scene)) };
}

interface Pinned {
  piece: number;
  place: Point;
}

/** A place for the ties of each piece, the nearest to where they are that is allowed and lies apart from the others. */
function pinned(scene: Scene, pieces: readonly number[], allowed: (piece: number, p: Point) => boolean): Pinned[] {
  const { plan } = scene.context;
  const taken: Point[] = [];
  return pieces.flatMap((piece): Pinned[] => {
    const places = rimOf(scene, piece).filter((p) => allowed(piece, p));
    if (places.length === 0) return [];
    const now = tiePlaces(plan).find((t) => t.piece === piece)?.at ?? places[0]!;
    const room = (p: Point): number => Math.min(APART_MM, ...taken.map((t) => distance(t, p)));
    const place = places.reduce((a, b) => (room(b) > room(a) || (room(b) === room(a) && distance(b, now) < distance(a, now)) ? b : a));
    taken.push(place);
    return [{ piece, place }];
  });
}

const hundredths = (v: number): number => Math.round(100 * v) / 100;

const pinAt =
  ({ context: { job } }: Scene) =>
  ({ piece, place: { x, y } }: Pinned): NonNullable<Fix['pieces']>[number] => {
    const at: [number, number] = [hundredths(x), hundredths(y)];
    return { id: job.pieces[piece]!.id, patch: { start: at, end: at } };
  };

function named({ context: { job } }: Scene, pieces: readonly number[]): string {
  return pieces.length === 1 ? `‘${job.pieces[pieces[0]!]!.name}’` : `${pieces.length} pieces`;
}

/** Whether fewer ties lie on one spot or lie bare, and neither is worse. */
function isBetter(scene: Scene, at: readonly number[], fix: Fix): boolean {
  const { job, planOf, plan } = scene.context;
  const next = withFix(job, fix);
  const ids = at.map((k) => job.pieces[k]!.id);
  const now = stateOf(scene, plan, at, job.pieces.map((_, k) => k)); // prettier-ignore
  const order = next.pieces.map((p) => job.pieces.findIndex((q) => q.id === p.id));
  const then = stateOf(scene, planOf(next), ids.map((id) => next.pieces.findIndex((p) => p.id === id)), order); // prettier-ignore
  return (then.piled < now.piled && then.bare <= now.bare) || (then.bare < now.bare && then.piled <= Math.max(now.piled, 3));
}

/** @param order for each piece of the plan its index in the job whose shapes are known */
function stateOf(scene: Scene, plan: StitchPlan, pieces: readonly number[], order: readonly number[]): TieState {
  const ties = tiePlaces(plan);
  const own = ties.filter((t) => pieces.includes(t.piece));
  const piled = (t: TieAt): number => ties.filter((u) => distance(u.at, t.at) <= LUMP_MM).length;
  const bare = (t: TieAt): boolean => !order.slice(t.piece + 1).some((k) => covers(scene, k, t.at));
  return { piled: Math.max(0, ...own.map(piled)), bare: own.filter(bare).length };
}
