import type { Lettering } from '../document/types';
import { lengthsAlong, resample, smooth } from '../geometry/line';
import { add, distance, mix, scale, sub, unit, type Line, type Point } from '../geometry/point';
import { dataToRings } from '../geometry/path';
import { cos, PI, sin, atan2 } from '../units/trig';

/** Where letters stand: from a place beside the middle of a text's line, mm, y downward, to the text's own frame. */
export interface Base {
  /** @param along from the middle of the line; @param off the place from there, as on a straight line */
  place(along: number, off: Point): Point;
  /** Turn of the line there, radians, the page's way. */
  turnAt(along: number): number;
  /** Whether letters stand on it as they are. */
  isRigid: boolean;
}

/** What the length of a text decides, mm. */
export interface Lengths {
  lengthMm: number;
  /** The longest line once round, with the gap between its ends. */
  roundMm: number;
}

const LEAST_ARCH_MM = 30;
/** A drawn line turns over so much of it, mm: a letter does not stand on a kink. */
const CALM_MM = 2;

/** The base of a text; one without its drawn line is straight. */
export function baseOf(text: Lettering, lengths: Lengths): Base {
  const { line = 'straight' } = text;
  if (line === 'path' && text.path) return alongLine(drawnLine(text.path));
  if (line === 'between' && text.path && text.upper) return between(drawnLine(text.path), drawnLine(text.upper), text.height, lengths);
  if (line === 'straight' || line === 'path' || line === 'between') return STRAIGHT;
  // A circle is just long enough for the text to go once round it; an arch is gentle.
  const usual = line === 'circle' ? lengths.roundMm / (2 * PI) : Math.max(LEAST_ARCH_MM, lengths.lengthMm);
  return round(line, text.radius ?? usual);
}

const STRAIGHT: Base = { place: (along, off) => ({ x: along + off.x, y: off.y }), turnAt: () => 0, isRigid: true };

const stood = (at: Point, turn: number, off: Point): Point => ({
  x: at.x + off.x * cos(turn) - off.y * sin(turn),
  y: at.y + off.x * sin(turn) + off.y * cos(turn),
});

/** Above, letters stand on the outside of the circle; below, inside it, so that they read from left to right. */
function round(line: 'arc-up' | 'arc-down' | 'circle', radius: number): Base {
  const side = line === 'arc-down' ? -1 : 1;
  const middle = line === 'circle' ? 0 : side * radius;
  const turnAt = (along: number): number => (side * along) / radius;
  const at = (along: number): Point => {
    const angle = along / radius;
    return { x: radius * sin(angle), y: middle - side * radius * cos(angle) };
  };
  return { isRigid: true, turnAt, place: (along, off) => stood(at(along), turnAt(along), off) };
}

const STEP_MM = 0.5;

function drawnLine(data: string): Point[] {
  const points = dataToRings(data)[0] ?? [];
  return points.length < 2 ? [{ x: -1, y: 0 }, { x: 1, y: 0 }] : resample(points, STEP_MM); // prettier-ignore
}

/** A place at so much along a line; beyond its ends the line goes straight on. */
function placeOn(line: Line, lengths: Float64Array, along: number): Point {
  const total = lengths[lengths.length - 1]!;
  if (along <= 0) return add(line[0]!, scale(unit(sub(line[1]!, line[0]!)), along));
  if (along >= total) return add(line[line.length - 1]!, scale(unit(sub(line[line.length - 1]!, line[line.length - 2]!)), along - total));
  let k = 1;
  while (lengths[k]! < along) k++;
  return mix(line[k - 1]!, line[k]!, (along - lengths[k - 1]!) / (lengths[k]! - lengths[k - 1]!));
}

/** Places on a line by the share of its length. */
function byShare(line: Line): (share: number) => Point {
  const lengths = lengthsAlong(line);
  return (share) => placeOn(line, lengths, share * lengths[lengths.length - 1]!);
}

function alongLine(drawn: Line): Base {
  const line = smooth(drawn, 2, false);
  const lengths = lengthsAlong(line);
  const middle = lengths[lengths.length - 1]! / 2;
  const at = (along: number): Point => placeOn(line, lengths, middle + along);
  const turnAt = (along: number): number => {
    const d = sub(at(along + CALM_MM), at(along - CALM_MM));
    return atan2(d.y, d.x);
  };
  return { isRigid: true, turnAt, place: (along, off) => stood(at(along), turnAt(along), off) };
}

/** Between two lines a text fills them from end to end; a letter's height follows the room between them. */
function between(foot: Line, top: Line, heightMm: number, { lengthMm }: Lengths): Base {
  const [low, high] = [byShare(foot), byShare(top)];
  const share = (along: number): number => (along + lengthMm / 2) / Math.max(lengthMm, 1e-9);
  const place = (along: number, off: Point): Point => mix(low(share(along + off.x)), high(share(along + off.x)), -off.y / heightMm);
  return {
    place,
    isRigid: false,
    turnAt: (along) => {
      const d = sub(low(share(along + CALM_MM)), low(share(along - CALM_MM)));
      return atan2(d.y, d.x);
    },
  };
}

/** How high letters between two lines are, mm: the room between them, as a mean. */
export function roomBetween(path: string, upper: string): number {
  const [low, high] = [byShare(drawnLine(path)), byShare(drawnLine(upper))];
  const shares = Array.from({ length: 21 }, (_, i) => i / 20);
  return shares.reduce((sum, s) => sum + distance(low(s), high(s)), 0) / shares.length;
}
