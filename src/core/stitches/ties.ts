import { distance, mix, type Point } from '../geometry/point';
import type { TieShape } from '../document/types';

const SHORTEST_TIE_MM = 0.3;
/** Room that the first real stitch needs beyond a tie, mm. */
const ROOM_MM = 0.5;

export interface Tie {
  shape: TieShape;
  /** Length of one stitch, mm. */
  lengthMm: number;
  /** Stitches. */
  count: number;
}

/**
 * Tiny stitches that lock the thread at its start: back and forth in the same holes or half back along the line, where they stay hidden; one
 * stitch back on itself; from outside the piece's end inward, where something covers them; or in a small cross.
 * @param at the penetration to lock at
 * @param along the neighbouring penetration; a tie along the line lies between the two
 * @returns penetrations after `at`; the last is `at` when the neighbour is near, so that the stitch to it is not too short
 */
export function tieIn(at: Point, along: Point, tie: Tie): Point[] {
  if (tie.shape === 'cross') return [...cross(at, along, tie), at];
  if (tie.shape === 'back-stitch') return [tiePoint(at, along, tie.lengthMm), at];
  if (tie.shape === 'outside') return evenly(backAndForth(at, beyond(at, along, tie), tie), at);
  const advance = tie.shape === 'half-back' ? halfBack(at, along, tie) : null;
  if (advance) return advance;
  const points = backAndForth(at, along, tie);
  const endsInside = points.length % 2 === 1;
  return endsInside && distance(at, along) < tie.lengthMm + ROOM_MM ? [...points, at] : points;
}

/** Penetrations after the last one, `at`, that lock the thread before it is cut. */
export function tieOff(at: Point, before: Point, tie: Tie): Point[] {
  switch (tie.shape) {
    case 'cross':
      return cross(at, before, tie);
    case 'back-stitch':
      return [tiePoint(at, before, tie.lengthMm)];
    case 'outside':
      return backAndForth(at, beyond(at, before, tie), tie);
    case 'half-back':
      return halfBack(at, before, tie) ?? backAndForth(at, before, tie);
    case 'line':
      return backAndForth(at, before, tie);
  }
}

/** The neighbour mirrored at `at`: beyond the piece's end. */
function beyond(at: Point, along: Point, { lengthMm }: Tie): Point {
  const inner = tiePoint(at, along, lengthMm);
  return { x: 2 * at.x - inner.x, y: 2 * at.y - inner.y };
}

/** Ends at `at`, so that sewing goes on from there. */
const evenly = (points: Point[], at: Point): Point[] => (points.length % 2 === 1 ? [...points, at] : points);

/** Shorter ones bend a hair only, mm. */
const SHORTEST_HALF_MM = 0.3;

/**
 * A whole stitch along the line, half of it back, a whole one on, as often as there are stitches; shorter where the next penetration is
 * near, and null where so near that halves would be too short.
 */
function halfBack(at: Point, along: Point, tie: Tie): Point[] | null {
  const count = Math.max(3, tie.count - ((tie.count + 1) % 2));
  const room = distance(at, along) - ROOM_MM;
  const reach = (count + 3) / 4;
  const whole = Math.min(tie.lengthMm, room / reach);
  if (whole / 2 < SHORTEST_HALF_MM) return null;
  const points: Point[] = [];
  for (let i = 0, gone = 0; i < count; i++) {
    gone += i % 2 === 0 ? whole : -whole / 2;
    points.push(mix(at, along, gone / distance(at, along)));
  }
  return points;
}

function backAndForth(at: Point, along: Point, tie: Tie): Point[] {
  const inner = tiePoint(at, along, tie.lengthMm);
  return Array.from({ length: tie.count }, (_, i) => (i % 2 === 0 ? inner : at));
}

/** Two strokes through the penetration, square to each other; more stitches repeat them. */
function cross(at: Point, along: Point, tie: Tie): Point[] {
  const d = distance(at, along) || 1;
  const half = Math.max(SHORTEST_TIE_MM, tie.lengthMm / 2);
  const [ux, uy] = [((along.x - at.x) / d) * half, ((along.y - at.y) / d) * half];
  const tips = [
    { x: at.x + ux - uy, y: at.y + uy + ux },
    { x: at.x - ux + uy, y: at.y - uy - ux },
    { x: at.x + ux + uy, y: at.y + uy - ux },
    { x: at.x - ux - uy, y: at.y - uy + ux },
  ];
  return Array.from({ length: Math.max(4, tie.count) }, (_, i) => tips[i % 4]!);
}

function tiePoint(at: Point, along: Point, lengthMm: number): Point {
  const d = distance(at, along);
  if (d < SHORTEST_TIE_MM) return { x: at.x + lengthMm / 2, y: at.y };
  return mix(at, along, Math.min(lengthMm, d) / d);
}

/** Stitches longer than this are no part of a tie, mm. */
const LONGEST_TIE_MM = 1.2;
const SAME_HOLE_MM = 0.1;

/**
 * Whether the thread is locked already where these penetrations begin: tiny stitches that come back into the same holes, or half back.
 * Tying such a place again would pile up knots that break thread and leave bumps.
 */
export function isTied(points: readonly Point[]): boolean {
  const small = (i: number): boolean => distance(points[i]!, points[i + 1]!) <= LONGEST_TIE_MM;
  const back = (i: number): boolean => distance(points[i]!, points[i + 2]!) <= SAME_HOLE_MM;
  if (points.length < 4) return points.length === 3 && small(0) && small(1) && back(0);
  if (!(small(0) && small(1) && small(2))) return false;
  return (back(0) && back(1)) || (halves(points[0]!, points[1]!, points[2]!) && halves(points[2]!, points[3]!, points[1]!));
}

/** Whether `p` lies halfway between two penetrations. */
const halves = (a: Point, b: Point, p: Point): boolean => distance(a, b) > 2 * SAME_HOLE_MM && distance(p, mix(a, b, 0.5)) <= SAME_HOLE_MM;
