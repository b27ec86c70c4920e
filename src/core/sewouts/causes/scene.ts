import { stabilizerStiffness } from '../../cloth/drawIn';
import { stabilizerFor } from '../../cloth/house';
import { recipeOf } from '../../cloth/recipes';
import type { SeenMark, SewoutSetup } from '../../document/sewoutTypes';
import type { Job, Piece } from '../../document/types';
import { contains } from '../../geometry/area';
import { resample } from '../../geometry/line';
import { boundsOf, boundsTouch, distance, type Point } from '../../geometry/point';
import type { Shaped } from '../../pieces/prepare/shaped';
import { Planner } from '../../plan/planner';
import { proofContext, type ProofContext } from '../../proof/context';
import type { Found } from '../../proof/finding';
import { CHECKS } from '../../proof/registry';
import { gapPlaceOf, placeOfMark, type GapPlace } from '../measured';
import { PI, cos, sin } from '../../units/trig';
import { asSewn } from '../setup';

/** Everything of a sew-out that causes are told from. */
export interface SewnScene {
  /** As it was sewn, stabilizer, tension and speed as noted. */
  context: ProofContext;
  setup: SewoutSetup;
  /** What a rule of the proof finds, worked out once. */
  found(rule: string): Found[];
}

/** The same about one mark. */
export interface Scene extends SewnScene {
  mark: Omit<SeenMark, 'id'>;
  /** The piece that the mark is on; of a gap the one sewn first. */
  piece: Piece | null;
  index: number;
  shaped: Shaped | null;
  /** Of a gap: the piece sewn later, and where they meet. */
  against: Piece | null;
  gap: GapPlace | null;
  at: Point | null;
}

export function sewnScene(job: Job, setup: SewoutSetup, planner = new Planner()): SewnScene {
  const context = proofContext(asSewn(job, setup), planner);
  const known = new Map<string, Found[]>();
  return {
    context,
    setup,
    found(rule) {
      const before = known.get(rule);
      if (before) return before;
      const made = CHECKS.find((c) => c.rule === rule)?.find(context) ?? [];
      known.set(rule, made);
      return made;
    },
  };
}

/** A finding within this of a mark that names no piece is of the same place, mm. */
const NEAR_MM = 8;

export function sceneOf(sewn: SewnScene, mark: Omit<SeenMark, 'id'>): Scene {
  const { job } = sewn.context;
  const meets = mark.kind === 'gap' || mark.kind === 'overlap';
  const gap = meets ? gapPlaceOf(job, sewn.context.forecast().meetings, mark) : null;
  const at = placeOfMark(mark);
  const index = gap
    ? gap.edge.first
    : mark.piece === undefined
      ? pieceAt(sewn.context, at)
      : job.pieces.findIndex((p) => p.id === mark.piece);
  return {
    ...sewn,
    mark,
    gap,
    at,
    index,
    piece: job.pieces[index] ?? null,
    shaped: sewn.context.shaped[index] ?? null,
    against: gap ? job.pieces[gap.edge.later]! : (job.pieces.find((p) => p.id === mark.against) ?? null),
  };
}

/** The piece that lies on top at a place; -1 where none does. */
function pieceAt({ shaped }: ProofContext, at: Point | null): number {
  return at === null ? -1 : shaped.findLastIndex(({ shape }) => shape !== null && contains(shape.painted, at));
}

/** What rules find on the mark's piece, at its place, or on the whole job. */
export function foundHere(scene: Scene, ...rules: string[]): Found[] {
  const ids = [scene.piece?.id, scene.against?.id].filter((id) => id !== undefined);
  const near = (f: Found): boolean => scene.at !== null && distance(f.at, scene.at) <= NEAR_MM;
  return rules.flatMap((rule) =>
    scene.found(rule).filter((f) => {
      if (f.pieces.length === 0) return true;
      if (ids.length === 0 && scene.at === null) return true;
      return near(f) || (ids.length > 0 && ids.some((id) => f.pieces.includes(id)));
    }),
  );
}

/** How firmly a test was held, against what the cloth's recipe asks for: 1 is as asked. */
export function heldShare({ context: { job, recipe } }: Pick<SewnScene, 'context'>): number {
  const first = (words: string): string => words.split(', or ')[0]!;
  const usual = stabilizerStiffness(first(recipeOf(recipe.key).stabilizer));
  const held = stabilizerStiffness(first(stabilizerFor(recipe, job.settings)));
  return usual === 0 ? 1 : held / usual;
}

/** Rows at the mark: direction as a unit vector, where the piece has rows. */
export const rowsAt = ({ shaped, gap, at }: Scene): Point | null => {
  // Right on the edge no row is near enough for its direction to be told.
  const place = gap ? { x: gap.place.at.x - gap.place.out.x, y: gap.place.at.y - gap.place.out.y } : at;
  const turning = place ? shaped?.shape?.rowAt?.(place) : null;
  if (turning) return turning;
  const angle = shaped?.settings?.angle?.value;
  return angle === undefined ? null : { x: cos((angle * PI) / 180), y: -sin((angle * PI) / 180) };
};

/** Just within a gap's edge, where its rows are. */
const inside = ({ place: { at, out } }: GapPlace): Point => ({ x: at.x - 0.8 * out.x, y: at.y - 0.8 * out.y });

/** Length of the row at the mark: how wide the piece is along its rows there, mm. */
export function rowLengthAt(scene: Scene): number | null {
  const from = scene.gap ? inside(scene.gap) : scene.at;
  const along = rowsAt(scene);
  const painted = scene.shaped?.shape?.painted;
  if (!from || !along || !painted) return null;
  const inward = scene.gap ? -scene.gap.place.out.x * along.x - scene.gap.place.out.y * along.y : 1;
  const step = 0.5 * (inward < 0 ? -1 : 1);
  let length = 0;
  for (let k = 1; k < 1000; k++) {
    const p = { x: from.x + along.x * step * k, y: from.y + along.y * step * k };
    if (!contains(painted, p)) break;
    length = 0.5 * k;
  }
  return length;
}

/** Other pieces sewn after the mark's piece and before the one that should meet it. */
export const piecesBetween = ({ gap }: Scene): number | null => (gap ? gap.edge.later - gap.edge.first - 1 : null);

/** Whether no other piece is sewn beneath the mark's piece: nothing of it can come of what lies there. */
export function liesOnNothing({ piece, index, shaped, context }: Scene): boolean {
  const own = shaped?.shape?.painted;
  if (!piece || !own) return false;
  const rim = own.flatMap((ring) => resample(ring, 1));
  return context.shaped.slice(0, index).every(({ shape }) => {
    if (!shape || !boundsTouch(boundsOf(shape.painted), boundsOf(own))) return true;
    const below = shape.painted.flatMap((ring) => resample(ring, 1));
    return !rim.some((p) => contains(shape.painted, p)) && !below.some((p) => contains(own, p));
  });
}
