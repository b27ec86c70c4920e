import { areaOf, clean, contains, offset, ringArea } from '../../geometry/area';
import { fittedData } from '../../geometry/fit';
import { resample } from '../../geometry/line';
import { outlineOf } from '../../geometry/outline';
import { ringsToData } from '../../geometry/path';
import type { Area, Point, Ring } from '../../geometry/point';
import { roundedRing } from './round';
import { straightRing } from './straight';

/** What strays less than this from an outline is not looked at again, mm. */
const KEEP_MM = 0.03;
/** Outlines are smoothed by places so far apart, each moved towards its neighbours so many times. */
const SMOOTH = { stepMm: 0.25, rounds: 24, towards: 0.5, back: -0.53 };
const SMOOTH_FIT_MM = 0.08;

/** The rings that lie within no other: what lies within one is part of it once its openings are filled. */
const outermost = (area: Area): Area => area.filter((ring) => !area.some((other) => other !== ring && contains([other], ring[0]!)));

const areaIn = (data: string): Area => outlineOf(data).area;

/** An outline without its openings: what lay open is part of it. Null when it has none. */
export function withoutOpenings(data: string): string | null {
  const area = areaIn(data);
  const left = outermost(area);
  return left.length === area.length ? null : fittedData(left, KEEP_MM);
}

/** An outline whose slits and notches up to so wide are closed, mm. Null when it has none. */
export function withGapsClosed(data: string, widthMm: number): string | null {
  const area = areaIn(data);
  const closed = offset(offset(area, widthMm / 2, 'round'), -widthMm / 2, 'round');
  return areaOf(closed) - areaOf(area) < LEAST_GAIN_MM2 ? null : fittedData(closed, KEEP_MM);
}
const LEAST_GAIN_MM2 = 0.05;

/** An outline without its bumps: as a hand would draw it, of the same size (Taubin 1995). */
export function smoothed(data: string): string {
  return fittedData(areaIn(data).map(smoothRing), SMOOTH_FIT_MM);
}

function smoothRing(ring: Ring): Ring {
  const closed = [...ring, ring[0]!];
  let points = resample(closed, SMOOTH.stepMm).slice(0, -1);
  if (points.length < 8) return ring;
  // A step towards the neighbours rounds and shrinks; one a little longer away from them gives the size back, not the bumps.
  for (let round = 0; round < SMOOTH.rounds; round++) for (const share of [SMOOTH.towards, SMOOTH.back]) points = moved(points, share);
  return points;
}

function moved(points: readonly Point[], share: number): Point[] {
  const n = points.length;
  return points.map((p, i) => {
    const [a, b] = [points[(i + n - 1) % n]!, points[(i + 1) % n]!];
    return { x: p.x + share * ((a.x + b.x) / 2 - p.x), y: p.y + share * ((a.y + b.y) / 2 - p.y) };
  });
}

/** An outline of straight edges, those that are nearly square to each other exactly so. */
export function madeStraight(data: string): string {
  return ringsToData(clean(areaIn(data).map(straightRing), 'evenodd'));
}

/** Each of its rings as a circle, or as an ellipse where it is longer than wide. */
export const madeRound = (data: string): string =>
  areaIn(data)
    .filter((ring) => Math.abs(ringArea(ring)) > LEAST_RING_MM2)
    .map(roundedRing)
    .join(' ');
const LEAST_RING_MM2 = 0.05;
