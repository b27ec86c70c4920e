import type { ArtAnswer, ArtAnswerKind, ArtPlaceKind } from '../document/types';
import { areaOf, offset, perimeterOf, ringArea, strokeArea, subtract, unite } from '../geometry/area';
import { nearestOnLine, resample } from '../geometry/line';
import { medialAxis } from '../geometry/medial';
import { apply, dataToRings, type Matrix } from '../geometry/path';
import { boundsOf, boundsTouch, distance, mix, type Area, type Line, type Point, type Ring } from '../geometry/point';
import { withArea, type Region } from './artRegions';

/** A place of the artwork that is too small to sew well at its finished size. */
export interface SizePlace {
  kind: ArtPlaceKind;
  /** Index of the region, and of its neighbour at a gap. */
  region: number;
  other?: number;
  at: Point;
  /** The whole of it: the middle of a thin stretch, the edge of an opening. */
  along: Line;
  measuredMm: number;
  limitMm: number;
  /** What can be done about it, the usual answer first. */
  answers: readonly ArtAnswerKind[];
}

/** Thinner than two threads it vanishes into knit, mm (craft §3). */
export const THIN_MM = 0.8;
/** Satin is widened to at least this, mm (craft §3). */
export const LEAST_SATIN_MM = 1.2;
/** Openings and gaps narrower than this close up when the thread lies beside them, mm: compensation and a thread at each side. */
export const LEAST_OPENING_MM = 1;
/** Measures are this rough: what misses a limit by less meets it, mm. */
const ROUGH_MM = 0.03;
/** Tips taper: thin places shorter than this are no lines, mm. */
const TIP_MM = 1.2;
/** A taper is no fault until it is this many times as long. */
const TAPER = 4;

const LIMITS: Record<ArtPlaceKind, number> = { thin: THIN_MM, narrow: LEAST_SATIN_MM, opening: LEAST_OPENING_MM, gap: LEAST_OPENING_MM };
const ANSWERS: Record<ArtPlaceKind, readonly ArtAnswerKind[]> = {
  thin: ['widen', 'drop', 'leave'],
  narrow: ['widen', 'drop', 'leave'],
  opening: ['merge', 'widen', 'leave'],
  gap: ['merge', 'widen', 'leave'],
};

/** All places under the limits, in the regions' order. */
export function sizePlaces(regions: readonly Region[]): SizePlace[] {
  const place = (kind: ArtPlaceKind, region: number, found: Narrow, other?: number): SizePlace => ({
    kind,
    region,
    at: found.at,
    along: found.along,
    measuredMm: found.widthMm,
    limitMm: LIMITS[kind],
    answers: ANSWERS[kind],
    ...(other === undefined ? {} : { other }),
  });
  const own = regions.flatMap((region, i) => [
    ...thinPlaces(region).map((t) => place(t.widthMm < THIN_MM ? 'thin' : 'narrow', i, t)),
    ...openingsOf(region).map((o) => place('opening', i, o)),
  ]);
  return [...own, ...gapsBetween(regions).map((g) => place('gap', g.a, g, g.b))];
}

interface Narrow {
  at: Point;
  along: Line;
  widthMm: number;
}

/** The narrowest place of every stretch of a region's middle that is thinner than it should be. */
function thinPlaces(region: Region): Narrow[] {
  if (region.stroke) {
    const { widthMm } = region.stroke;
    const line = dataToRings(region.data)[0] ?? [];
    return widthMm < LEAST_SATIN_MM - ROUGH_MM && line.length > 0 ? [{ at: line[line.length >> 1]!, along: line, widthMm }] : [];
  }
  const limit = (region.width.max < LEAST_SATIN_MM ? LEAST_SATIN_MM : THIN_MM) - ROUGH_MM;
  const places = thinStretches(region, limit).map((s) => s.narrowest);
  if (places.length > 0 || region.width.max >= LEAST_SATIN_MM - ROUGH_MM) return places;
  const middle = region.axis?.branches[0]?.points;
  const at = middle?.[middle.length >> 1] ?? region.area[0]?.[0];
  return at ? [{ at, along: middle ?? [at], widthMm: region.width.max }] : [];
}

interface ThinStretch {
  line: Line;
  narrowest: Narrow;
}

/**
 * Stretches of the medial axis narrower than the limit and long enough not to be tips. The axis of a large region is
 * sampled coarsely, so where it is thin the distance to the outline itself is measured.
 */
function thinStretches(region: Region, limitMm: number): ThinStretch[] {
  const out: ThinStretch[] = [];
  for (const { points, radii: rough } of region.axis?.branches ?? []) {
    const radii = points.map((p, i) => (rough[i]! > limitMm ? rough[i]! : Math.min(rough[i]!, ...region.area.map((r) => awayFrom(r, p)))));
    let from = -1;
    for (let i = 0; i <= points.length; i++) {
      const thin = i < points.length && 2 * radii[i]! < limitMm;
      if (thin && from < 0) from = i;
      if (thin || from < 0) continue;
      const line = points.slice(from, i);
      const length = line.slice(1).reduce((sum, p, k) => sum + distance(p, line[k]!), 0);
      const tip = radii[from] === 0 || radii[i - 1] === 0 || from > 0 !== i < points.length;
      if (length >= (tip ? TAPER * TIP_MM : TIP_MM)) out.push({ line, narrowest: narrowestOf(points, radii, from, i) });
      from = -1;
    }
  }
  return out;
}

function narrowestOf(points: readonly Point[], radii: readonly number[], from: number, to: number): Narrow {
  // Where a stretch ends in a tip its width there says nothing: the inner two thirds are measured.
  const margin = Math.floor((to - from) / 6);
  let best = from + margin;
  for (let i = from + margin; i < to - margin; i++) if (radii[i]! < radii[best]!) best = i;
  return { at: points[best]!, along: points.slice(from, to), widthMm: 2 * radii[best]! };
}

/** Width of a strip of the same area and perimeter: never more than the widest place of a ring, mm. */
const meanWidth = (ring: Ring): number => (2 * areaOf([ring.slice().reverse()])) / perimeterOf([ring]);

const holesOf = (area: Area): Ring[] => area.filter((ring) => ringArea(ring) < 0);

function openingsOf(region: Region): Narrow[] {
  return holesOf(region.area).flatMap((hole): Narrow[] => {
    if (meanWidth(hole) >= LEAST_OPENING_MM) return [];
    const axis = medialAxis([hole.slice().reverse()]);
    const widthMm = 2 * axis.maxRadius;
    if (!(widthMm > 0) || widthMm >= LEAST_OPENING_MM) return [];
    const box = boundsOf([hole]);
    const middle = axis.branches[0]?.points;
    return [
      {
        at: middle?.[middle.length >> 1] ?? { x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 },
        along: [...hole, hole[0]!],
        widthMm,
      },
    ];
  });
}

/** Neighbours of one colour with a slot of cloth between them that will close. */
function gapsBetween(regions: readonly Region[]): (Narrow & { a: number; b: number })[] {
  const boxes = regions.map((r) => boundsOf(r.area));
  const out: (Narrow & { a: number; b: number })[] = [];
  regions.forEach((first, a) => {
    for (let b = a + 1; b < regions.length; b++) {
      const second = regions[b]!;
      if (first.hex !== second.hex || first.stroke || second.stroke || !boundsTouch(boxes[a]!, boxes[b]!, LEAST_OPENING_MM)) continue;
      const found = narrowestBetween(first.area, second.area);
      if (found && found.widthMm > 0.02 && found.widthMm < LEAST_OPENING_MM) out.push({ a, b, ...found });
    }
  });
  return out;
}

function narrowestBetween(a: Area, b: Area): Narrow | null {
  let best: Narrow | null = null;
  for (const ring of a) {
    for (const p of resample([...ring, ring[0]!], 0.4)) {
      for (const other of b) {
        const near = nearestOnLine([...other, other[0]!], p);
        if (!best || near.distance < best.widthMm) best = { at: mix(p, near.point, 0.5), along: [p, near.point], widthMm: near.distance };
      }
    }
  }
  return best;
}

/** An answer holds for a place of its kind within this distance, mm. */
const SAME_PLACE_MM = 1.5;

/** The answer a person gave for a place, if any. */
export function answerFor(place: SizePlace, answers: readonly ArtAnswer[], matrix: Matrix): ArtAnswer | null {
  const near = (a: ArtAnswer): number => nearestOnLine(place.along, apply(matrix, { x: a.at[0], y: a.at[1] })).distance;
  const of = answers.filter((a) => (a.place === place.kind || isThin(a.place) === isThin(place.kind)) && near(a) < SAME_PLACE_MM);
  return of.reduce<ArtAnswer | null>((best, a) => (best === null || near(a) < near(best) ? a : best), null);
}

const isThin = (kind: ArtPlaceKind): boolean => kind === 'thin' || kind === 'narrow';

/** The regions with all answers carried out, one place at a time. */
export function applyAnswers(regions: readonly Region[], answers: readonly ArtAnswer[], matrix: Matrix): Region[] {
  if (answers.length === 0) return regions.slice();
  const made: (Region[] | null)[] = regions.map((r) => [r]);
  for (const place of sizePlaces(regions)) {
    const answer = answerFor(place, answers, matrix);
    const now = made[place.region];
    if (!answer || answer.answer === 'leave' || !now || now.length === 0) continue;
    if (place.kind === 'gap') {
      const other = made[place.other!];
      if (!other || other.length === 0) continue;
      if (answer.answer === 'merge') {
        made[place.region] = withArea(
          now[0]!,
          closed(
            [...now, ...other].map((r) => r.area),
            place.measuredMm,
          ),
        );
        made[place.other!] = [];
      } else made[place.region] = now.flatMap((r) => withArea(r, subtract(r.area, spread(other, answer.toMm ?? place.limitMm))));
    } else made[place.region] = now.flatMap((r) => answered(r, place, answer));
  }
  return made.flatMap((m) => m ?? []);
}

const spread = (regions: readonly Region[], mm: number): Area => unite(...regions.map((r) => offset(r.area, mm)));

/** Areas grown together over a slot. */
function closed(areas: readonly Area[], gapMm: number): Area {
  const by = gapMm / 2 + 0.1;
  return offset(unite(...areas.map((a) => offset(a, by, 'miter'))), -by, 'miter');
}

function answered(region: Region, place: SizePlace, answer: ArtAnswer): Region[] {
  if (answer.answer === 'drop') return [];
  if (place.kind === 'opening') {
    const holes = holesOf(region.area);
    const hole = holes.reduce<Ring | null>(
      (best, h) => (best === null || awayFrom(h, place.at) < awayFrom(best, place.at) ? h : best),
      null,
    );
    if (!hole) return [region];
    const filled = region.area.filter((r) => r !== hole);
    if (answer.answer === 'merge') return withArea(region, filled);
    const wider = offset([hole.slice().reverse()], Math.max(0, ((answer.toMm ?? place.limitMm) - place.measuredMm) / 2));
    return withArea(region, subtract(filled, wider));
  }
  const target = answer.toMm ?? LEAST_SATIN_MM;
  if (region.stroke) {
    const widthMm = Math.max(region.stroke.widthMm, target);
    return [
      {
        ...region,
        stroke: { ...region.stroke, widthMm },
        areaMm2: region.lengthMm * widthMm,
        width: { min: widthMm, median: widthMm, max: widthMm },
        area: [],
      },
    ];
  }
  const stretches = thinStretches(region, target);
  const lines = stretches.length > 0 ? stretches.map((s) => s.line) : (region.axis?.branches ?? []).map((b) => b.points);
  const stroke = strokeArea(
    lines.filter((l) => l.length > 1),
    false,
    { widthMm: target, cap: 'round', join: 'round', miterLimit: 4 },
  );
  if (areaOf(stroke) > 0) return withArea(region, unite(region.area, stroke));
  return withArea(region, offset(region.area, Math.max(0, (target - region.width.max) / 2)));
}

function awayFrom(ring: Ring, p: Point): number {
  return nearestOnLine([...ring, ring[0]!], p).distance;
}

/** Of many openings only the narrowest by their mean width are measured exactly. */
const MOST_MEASURED = 12;

/** The three figures people look for first; absent where the artwork has nothing of the kind. */
export interface SizeFacts {
  thinnestMm: number | null;
  narrowestOpeningMm: number | null;
  widestSatinMm: number | null;
}

export function sizeFacts(regions: readonly Region[], satinLimitMm: number): SizeFacts {
  const least = (values: readonly number[]): number | null => (values.length === 0 ? null : Math.min(...values));
  const widths = regions.map((r) => r.width);
  const holes = regions.flatMap((r) => holesOf(r.area)).sort((a, b) => meanWidth(a) - meanWidth(b));
  const openings = holes.slice(0, MOST_MEASURED).map((h) => 2 * medialAxis([h.slice().reverse()]).maxRadius);
  const satins = widths.map((w) => w.max).filter((w) => w <= satinLimitMm);
  return {
    thinnestMm: least(widths.map((w) => w.min)),
    narrowestOpeningMm: least(openings.filter((o) => o > 0)),
    widestSatinMm: satins.length === 0 ? null : Math.max(...satins),
  };
}
