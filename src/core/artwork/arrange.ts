import { areaOf, components, intersect, opened, subtract, unite } from '../geometry/area';
import { boundsOf, boundsTouch, type Area } from '../geometry/point';
import { sharedCells, spansOf } from '../route/cells';
import { threadBlocks } from '../route/threadBlocks';
import { withArea, type Region } from './artRegions';
import type { Neighbourhood } from './directions/neighbourhood';
import { paintedBy } from './proposeKind';

/** Regions that share less than this lie beside each other, mm². */
const SHARED_MM2 = 0.05;
/** And that meet along less than this do not matter to each other, mm. */
const MEETING_MM = 1;
/** What is hidden of a region deeper than this lies under the other, and not merely beside it, mm. */
const DEEP_MM = 2;
const DEEP_MM2 = 0.5;
/** The other stands on it when so much of the other lies there. */
const STANDS_ON = 0.5;
/** Narrower things are outlines and details of what they lie on, mm. */
const NARROW_MM = 3;

/** Two regions of which the first is drawn beneath or before the second. */
interface Meeting {
  first: number;
  second: number;
  /** Whether either may be sewn first: they lie side by side. */
  free: () => boolean;
}

/**
 * Decides which of two neighbours is sewn first and runs on under the other, so that threads come together: the drawing only says
 * so where one lies on the other. Where nothing is gained everything stays as drawn.
 * @returns the regions in an order in which each lies on those before it
 */
export function arranged(regions: readonly Region[], threads: readonly string[], around: Neighbourhood): Region[] {
  const meetings = meetingsOf(regions, around);
  const asDrawn = threadBlocks(threads, beforeOf(regions.length, meetings));
  if (asDrawn.length === new Set(threads).size) return [...regions];
  const fixed = meetings.filter((m) => threads[m.first] === threads[m.second] || !m.free());
  const before = beforeOf(regions.length, fixed);
  const fewest = threadBlocks(threads, before);
  if (fewest.length >= asDrawn.length) return [...regions];
  const blocks = blockOfEach(threads, fewest, before);
  const free = meetings.filter((m) => !fixed.includes(m));
  asDrawnWhere(blocks, { threads, sequence: fewest, fixed, free });
  const turned = free.filter((m) => blocks[m.first]! > blocks[m.second]!);
  const sides = turned.reduce(turnedRound, regions.slice());
  const order = regions.map((_, i) => i).sort((a, b) => blocks[a]! - blocks[b]! || a - b);
  const cut = new Set(turned.map((m) => m.first));
  return order.flatMap((i) => (cut.has(i) ? withArea(sides[i]!, sides[i]!.area) : [sides[i]!]));
}

function meetingsOf(regions: readonly Region[], around: Neighbourhood): Meeting[] {
  const painted = regions.map(paintedBy);
  const boxes = painted.map(boundsOf);
  const cells = painted.map(spansOf);
  const out: Meeting[] = [];
  for (let second = 1; second < regions.length; second++) {
    for (let first = 0; first < second; first++) {
      if (!boundsTouch(boxes[first]!, boxes[second]!)) continue;
      const besideMm = around.besideMm(first, second);
      if (besideMm === 0 && sharedCells(cells[first]!, cells[second]!) === 0) continue;
      const shared = intersect(painted[first]!, painted[second]!);
      const lap = areaOf(shared) > SHARED_MM2;
      if (!lap && !(runsUnder(regions[first]!) && besideMm >= MEETING_MM)) continue;
      out.push({ first, second, free: () => liesBeside(regions[first]!, regions[second]!, shared) });
    }
  }
  return out;
}

/** Whether a region will run on under those beside it. */
const runsUnder = (lower: Region): boolean => lower.hiding !== undefined;

/** Whether a region could be sewn after one that was painted over it: cut off at its edge and hiding its tuck. */
function liesBeside(lower: Region, upper: Region, shared: Area): boolean {
  if (lower.stroke || upper.stroke) return false;
  if (areaOf(shared) <= SHARED_MM2) return true;
  if (Math.min(lower.width.median, upper.width.median) < NARROW_MM) return false;
  if (areaOf(shared) > STANDS_ON * Math.min(lower.areaMm2, upper.areaMm2) || areaOf(opened(shared, DEEP_MM)) > DEEP_MM2) return false;
  const rest = components(subtract(lower.area, seenOf(upper))).filter((part) => areaOf(part) > DEEP_MM2);
  return rest.length === 1;
}

const seenOf = (region: Region): Area => region.hiding?.visible ?? region.area;

function beforeOf(n: number, meetings: readonly Meeting[]): number[][] {
  const out = Array.from({ length: n }, (): number[] => []);
  for (const { first, second } of meetings) out[second]!.push(first);
  return out;
}

/** For each region the first block in which it may be sewn. */
function blockOfEach(threads: readonly string[], sequence: readonly string[], before: readonly (readonly number[])[]): number[] {
  const blocks = threads.map(() => Infinity);
  sequence.forEach((thread, b) => {
    threads.forEach((t, i) => {
      if (t === thread && blocks[i] === Infinity && before[i]!.every((j) => blocks[j]! <= b)) blocks[i] = b;
    });
  });
  return blocks;
}

const ROUNDS = 3;

/** Moves regions between the blocks of their thread where fewer neighbours then come in another order than drawn. */
function asDrawnWhere(
  blocks: number[],
  {
    threads,
    sequence,
    fixed,
    free,
  }: { threads: readonly string[]; sequence: readonly string[]; fixed: readonly Meeting[]; free: readonly Meeting[] },
): void {
  for (let round = 0; round < ROUNDS; round++) {
    blocks.forEach((now, i) => {
      const low = Math.max(0, ...fixed.filter((m) => m.second === i).map((m) => blocks[m.first]!));
      const high = Math.min(Infinity, ...fixed.filter((m) => m.first === i).map((m) => blocks[m.second]!));
      const own = free.filter((m) => m.first === i || m.second === i);
      const turned = (b: number): number => own.filter((m) => (m.first === i ? b > blocks[m.second]! : blocks[m.first]! > b)).length;
      let best = now;
      sequence.forEach((thread, b) => {
        if (thread === threads[i] && b >= low && b <= high && turned(b) < turned(best)) best = b;
      });
      blocks[i] = best;
    });
  }
}

/** Two neighbours the other way round: the one that was painted first is cut off where the other begins, which now runs on under it. */
function turnedRound(regions: Region[], { first, second }: Meeting): Region[] {
  const [lower, upper] = [regions[first]!, regions[second]!];
  const [over, under] = [seenOf(lower), seenOf(upper)];
  const hiding = lower.hiding && { ...lower.hiding, cover: subtract(lower.hiding.cover, under) };
  regions[first] = { ...lower, area: subtract(lower.area, under), ...(hiding ? { hiding } : {}) };
  const cover = unite(upper.hiding?.cover ?? [], over);
  regions[second] = { ...upper, hiding: { drawn: upper.hiding?.drawn ?? upper.area, visible: under, cover } };
  return regions;
}
