import { areaOf, components, contains, intersect, opened, roughOffset, subtract, unite } from '../../geometry/area';
import { nearestOnLine } from '../../geometry/line';
import { ringsToData } from '../../geometry/path';
import { boundsOf, boundsTouch, type Area, type Point } from '../../geometry/point';
import { eachStitch } from '../../stitches/stitches';
import { Role } from '../../stitches/roles';
import { heavySpots, type HeavySpot } from '../../stitches/weight';
import { OVERLAP_MM, THREAD_WIDTH_MM } from '../../units/tolerances';
import type { Check } from '../check';
import type { ProofContext } from '../context';
import type { Fix, Found } from '../finding';

/** Four covers weigh more than this, a satin counted as two; three may on one another (craft §7). */
const FOUR_COVERS = 5.5;
const MOST_COVERS = 3;
/** Three satins on one another weigh less, with their foundation: more is too much whatever it is made of. */
const MOST_LAYERS = 8;
const LEAST_AREA_MM2 = 4;
/** The thickest square, mm; and what a piece lays on it to be named, and to cover it, layers. */
const SQUARE_MM = 2;
const NAMED_LAYERS = 0.5;

export const layersStacked: Check = {
  rule: 'layers-stacked',
  severity: 'warn',
  title: 'Too many layers of thread',
  find(context) {
    const large = (limit: number): HeavySpot[] => heavySpots(context.weight(), limit).filter((s) => s.areaAboveMm2 >= LEAST_AREA_MM2);
    const fourfold = large(FOUR_COVERS)
      .map((spot) => ({ spot, covers: piecesAt(context, spot.at, Role.cover) }))
      .filter(({ covers }) => covers.length > MOST_COVERS)
      .map((stack) => ({ ...stack, areaMm2: areaOf(beneathMore(paintedBy(context, stack.covers), MOST_COVERS)) }))
      .filter(({ areaMm2 }) => areaMm2 >= LEAST_AREA_MM2);
    const known = new Set(fourfold.flatMap(({ spot }) => spot.cells));
    const heaviest = large(MOST_LAYERS).filter((s) => !s.cells.some((cell) => known.has(cell)));
    const holes = holesUnder(
      context,
      fourfold.map(({ spot, covers }) => ({ at: spot.at, covers })),
    );
    return [
      ...fourfold.flatMap(({ spot, covers, areaMm2 }) =>
        told(context, { ...spot, areaAboveMm2: areaMm2 }, FOUR_COVERS, openedAt(context, covers, holes)),
      ),
      ...heaviest.flatMap((s) => told(context, s, MOST_LAYERS)),
    ];
  },
};

function told(context: ProofContext, { at, value, areaAboveMm2 }: HeavySpot, limit: number, fix?: Fix): Found[] {
  const own = piecesAt(context, at);
  // One piece over foam is thick as it should be.
  if (own.length < 2) return [];
  const names = own.map((i) => `‘${context.job.pieces[i]!.name}’`).join(', ');
  return [
    {
      pieces: own.map((i) => context.job.pieces[i]!.id),
      at,
      measured: value,
      spoilsMm2: areaAboveMm2,
      limit,
      unit: 'layers',
      limitFrom:
        limit === FOUR_COVERS
          ? 'three covers on one another at most; a satin weighs as much as two fills'
          : 'what three satins on one another weigh, with what lies beneath them',
      message: `Thread lies ${value.toFixed(1)} layers thick here, on ${areaAboveMm2.toFixed(0)} mm²: stiff, and needles break. ${own.length} pieces lie on one another: ${names}. Open or carve what lies beneath.`,
      ...(fix ? { fix } : {}),
    },
  ];
}

const paintedBy = ({ shaped }: ProofContext, pieces: readonly number[]): Area[] => pieces.map((i) => shaped[i]!.shape!.painted);

/** Where more than so many of the areas lie on one another. */
function beneathMore(areas: readonly Area[], most: number): Area {
  const deep: Area[] = Array.from({ length: most + 1 }, () => []);
  for (const area of areas) {
    for (let k = most; k > 0; k--) deep[k] = unite(deep[k]!, intersect(deep[k - 1]!, area));
    deep[0] = unite(deep[0]!, area);
  }
  return deep[most]!;
}

/** The lowest of more covers than may lie on one another. */
const lowestOf = (covers: readonly number[]): number[] => covers.slice(0, -MOST_COVERS);

/** An opening is at least so wide and so large, mm and mm²; and no farther than this from the thickest place, mm. */
const OPENING_WIDTH_MM = 1;
const LEAST_OPENING_MM2 = 2;
const NEAR_MM = 1.5;

/** What can be left out of the lowest covers of all spots: what those above hide but for an overlap. By the piece's index. */
function holesUnder(context: ProofContext, spots: readonly { at: Point; covers: readonly number[] }[]): Map<number, Area> {
  const { job, shaped } = context;
  const holes = new Map<number, Area>();
  for (const { at, covers } of spots) {
    lowestOf(covers).forEach((low, k) => {
      const { area, locked } = job.pieces[low]!;
      if (!area || locked) return;
      const hidden = intersect(shaped[low]!.shape!.painted, unite(...paintedBy(context, covers.slice(k + 1))));
      const near = components(opened(roughOffset(hidden, -OVERLAP_MM), OPENING_WIDTH_MM)).filter(
        (hole) =>
          areaOf(hole) >= LEAST_OPENING_MM2 && (contains(hole, at) || nearestOnLine([...hole[0]!, hole[0]![0]!], at).distance < NEAR_MM),
      );
      if (near.length > 0) holes.set(low, unite(holes.get(low) ?? [], ...near));
    });
  }
  return holes;
}

/** The step that opens them, where all of them can be. */
function openedAt(context: ProofContext, covers: readonly number[], holes: ReadonlyMap<number, Area>): Fix | undefined {
  const { job, shaped } = context;
  const low = lowestOf(covers);
  if (!low.every((i) => holes.has(i))) return undefined;
  const left = (i: number): Area => subtract(shaped[i]!.shape!.painted, holes.get(i)!);
  // Where all edges lie on one another their overlaps would stay as thick.
  const after = covers.map((i) => (low.includes(i) ? left(i) : shaped[i]!.shape!.painted));
  if (areaOf(beneathMore(after, MOST_COVERS)) >= LEAST_AREA_MM2) return undefined;
  const names = low.length === 1 ? `‘${job.pieces[low[0]!]!.name}’` : `the lower ${low.length}`;
  return {
    label: `Open ${names} beneath`,
    pieces: low.map((i) => ({
      id: job.pieces[i]!.id,
      patch: { area: ringsToData(left(i)) },
    })),
  };
}

/** Thread reaches no farther than this beyond what a piece paints, mm. */
const BEYOND_MM = 3;

/** Pieces that lay thread on a square, of a role when one is said, by their index, the first sewn first. */
function piecesAt({ plan, shaped }: ProofContext, at: Point, role?: number): number[] {
  const square = boundsOf([[at]]);
  return plan.pieces.flatMap(({ from, to }, i) => {
    const { shape } = shaped[i]!;
    return shape && boundsTouch(boundsOf(shape.painted), square, BEYOND_MM) && layersOn(plan, from, to, at, role) >= NAMED_LAYERS
      ? [i]
      : [];
  });
}

/** Layers of thread that a range of events lays on the square about a place. */
function layersOn(plan: ProofContext['plan'], from: number, to: number, at: Point, role?: number): number {
  const half = SQUARE_MM / 2;
  const inside = (x: number, y: number): boolean => Math.abs(x - at.x) <= half && Math.abs(y - at.y) <= half;
  let laidMm = 0;
  eachStitch(plan, from + 1, to, (i, mm) => {
    if (role !== undefined && plan.role[i] !== role) return;
    const [ax, ay, bx, by] = [plan.x[i - 1]!, plan.y[i - 1]!, plan.x[i]!, plan.y[i]!];
    if (Math.max(ax, bx) < at.x - half || Math.min(ax, bx) > at.x + half) return;
    if (Math.max(ay, by) < at.y - half || Math.min(ay, by) > at.y + half) return;
    const steps = Math.max(1, Math.ceil(mm / 0.2));
    let within = 0;
    for (let k = 0; k < steps; k++) {
      const t = (k + 0.5) / steps;
      if (inside(ax + (bx - ax) * t, ay + (by - ay) * t)) within++;
    }
    laidMm += (mm * within) / steps;
  });
  return laidMm * (THREAD_WIDTH_MM / (SQUARE_MM * SQUARE_MM));
}
