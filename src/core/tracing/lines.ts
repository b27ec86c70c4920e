import { contains } from '../geometry/area';
import { atan2 } from '../units/trig';
import { cross, distance, dot, scale, sub, add, unit, type Area, type Point } from '../geometry/point';
import { medialAxis, reversed, type Branch } from '../geometry/medial';
import { lengthsAlong, lineLength, resample } from '../geometry/line';
import type { Subpath } from '../geometry/path';
import { meeting } from './fit/arms';
import { shapeOfBorder, type FitOptions } from './fit/shapeOf';

/** A line of one width: its middle, as open or closed paths, in mm. */
export interface ThinLine {
  paths: Subpath[];
  widthMm: number;
  cap: 'round' | 'butt';
}

/** Lines are thinner than this, mm: wider ones are sewn as columns of their own shape. */
export const THIN_MM = 1.5;
/** A line is at least so many times as long as wide. */
const LEAST_LENGTH = 3.5;
/** Its width is even: of its length so much lies within so much of the usual width, or within so many pixels. */
const EVEN = { share: 0.75, within: 0.22, pixels: 0.5 };
/** Where lines meet at a sharp angle they are as wide as this, in widths of the widest line. */
const WIDEST = 3;
/** Two branches go on into each other at a junction when they turn by less than this, as a cosine (about 40°). */
const GOES_ON = 0.76;
/** Points of a middle are taken so far apart, mm. */
const STEP_MM = 0.12;
/** Directions at ends are read from so much of the line, in widths. */
const END_ARM = 1.5;

/** How closely lines are fitted, mm, and how large a pixel is. */
export interface LineFit extends Pick<FitOptions, 'tolerance' | 'noise'> {
  pixelMm: number;
}

/** An area as lines, one for each width, where it is nothing else; none where it is more. @param area in mm, of one part */
export function thinLinesOf(area: Area, fit: LineFit): ThinLine[] {
  const { branches, maxRadius } = medialAxis(area);
  if (branches.length === 0 || 2 * maxRadius > THIN_MM * WIDEST) return [];
  const degree = degreesOf(branches);
  const whole = goneThrough(branches, AT_JUNCTION * usualWidth(branches));
  const length = whole.reduce((s, b) => s + lineLength(b.points), 0);
  const byWidth = ofEachWidth(whole);
  const even = byWidth.reduce((s, { lines, widthMm }) => s + evenMm(lines, widthMm, fit.pixelMm), 0);
  const widest = Math.max(...byWidth.map((w) => w.widthMm));
  if (widest > THIN_MM || length < LEAST_LENGTH * usualWidth(branches) || even < EVEN.share * length) return [];
  return byWidth.map(({ lines, widthMm }) => {
    const cap = endsOf(lines, degree).some((e) => isFlat(area, e, widthMm)) ? 'butt' : 'round';
    const paths = lines
      .map((b) => reaching(b, { area, widthMm, cap, degree }))
      .map((line) => cornered(fitted(line, widthMm, fit), widthMm));
    return { paths, widthMm, cap };
  });
}

interface OfWidth {
  lines: Branch[];
  widthMm: number;
}

/** Lines by their width: those that differ by less than this share have one. The longest first. */
const ONE_WIDTH = 0.18;

function ofEachWidth(lines: readonly Branch[]): OfWidth[] {
  const groups: OfWidth[] = [];
  for (const line of lines.slice().sort((a, b) => lineLength(b.points) - lineLength(a.points))) {
    const own = usualWidth([line]);
    // What is hardly longer than it is wide is a bit of a junction, and goes with the widest that there is.
    const isBit = lineLength(line.points) < 2 * own;
    const same = groups.find(({ widthMm }) => isBit || Math.abs(own - widthMm) < ONE_WIDTH * widthMm);
    if (same) same.lines.push(line);
    else groups.push({ lines: [line], widthMm: own });
  }
  return groups.map(({ lines: all }) => ({ lines: all, widthMm: usualWidth(all) }));
}

function samples(branches: readonly Branch[]): { radius: number; mm: number }[] {
  return branches.flatMap(({ points, radii }) => {
    const along = lengthsAlong(points);
    return radii.map((radius, i) => ({ radius, mm: ((along[i + 1] ?? along[i]!) - (along[i - 1] ?? along[i]!)) / 2 }));
  });
}

/** The median width along the whole length. */
function usualWidth(branches: readonly Branch[]): number {
  const all = samples(branches).sort((a, b) => a.radius - b.radius);
  const half = all.reduce((s, { mm }) => s + mm, 0) / 2;
  let gone = 0;
  for (const { radius, mm } of all) if ((gone += mm) >= half) return 2 * radius;
  return 2 * (all.at(-1)?.radius ?? 0);
}

/** So much of the length is about that wide, mm. */
const evenMm = (branches: readonly Branch[], widthMm: number, pixelMm: number): number =>
  samples(branches)
    .filter(({ radius }) => Math.abs(2 * radius - widthMm) <= Math.max(EVEN.within * widthMm, EVEN.pixels * pixelMm))
    .reduce((s, { mm }) => s + mm, 0);

function degreesOf(branches: readonly Branch[]): Map<number, number> {
  const degree = new Map<number, number>();
  for (const b of branches) for (const n of [b.from, b.to]) if (n >= 0) degree.set(n, (degree.get(n) ?? 0) + 1);
  return degree;
}

interface End {
  at: Point;
  out: Point;
}

/** Loose ends of branches and the way out of them. */
function endsOf(branches: readonly Branch[], degree: ReadonlyMap<number, number>): End[] {
  return branches.flatMap((b) => [
    ...(degree.get(b.from) === 1 ? [endOf(reversed(b))] : []),
    ...(degree.get(b.to) === 1 ? [endOf(b)] : []),
  ]);
}

function endOf({ points, radii }: Branch): End {
  const at = points[points.length - 1]!;
  const back = points.findLast((p) => distance(p, at) >= END_ARM * 2 * radii[0]! * 0.7) ?? points[0]!;
  return { at, out: unit(sub(at, back)) };
}

/** A flat end fills its corners; a round one does not. */
function isFlat(area: Area, { at, out }: End, widthMm: number): boolean {
  const side = { x: -out.y, y: out.x };
  const end = outlineAhead(area, at, out, widthMm);
  const corner = (s: 1 | -1): Point => add(end, add(scale(out, -0.08 * widthMm), scale(side, s * 0.4 * widthMm)));
  return contains(area, corner(1)) && contains(area, corner(-1));
}

/** Where the outline is met straight ahead. */
function outlineAhead(area: Area, at: Point, out: Point, widthMm: number): Point {
  let p = at;
  for (let mm = 0; mm < 3 * widthMm; mm += 0.02) {
    const q = add(at, scale(out, mm));
    if (!contains(area, q)) break;
    p = q;
  }
  return p;
}

/** Branches joined through junctions where two of them go straight on. */
function goneThrough(branches: readonly Branch[], nearMm: number): Branch[] {
  let now = branches.slice();
  const nodes = new Set(now.flatMap((b) => [b.from, b.to]).filter((n) => n >= 0));
  for (const node of nodes) {
    for (;;) {
      const here = now.flatMap((b) => [...(b.to === node ? [b] : []), ...(b.from === node && b.to !== node ? [reversed(b)] : [])]);
      let best: { a: Branch; b: Branch; cos: number } | null = null;
      here.forEach((a, i) => {
        for (const b of here.slice(i + 1)) {
          const cos = -dot(endOf(a).out, endOf(b).out);
          if (cos > (best?.cos ?? GOES_ON)) best = { a, b, cos };
        }
      });
      if (!best) break;
      const { a, b } = best as { a: Branch; b: Branch };
      const same = (p: Branch, q: Branch): boolean =>
        p.points.length === q.points.length && (p.points[0] === q.points[0] || p.points[0] === q.points.at(-1));
      const back = reversed(b);
      const one = joinedThrough(a, back, nearMm);
      now = [...now.filter((c) => !same(c, a) && !same(c, b)), one];
      if (here.length < 4) break;
    }
  }
  return now;
}

interface Reach {
  area: Area;
  widthMm: number;
  cap: ThinLine['cap'];
  degree: ReadonlyMap<number, number>;
}

/** Near a junction, in widths, an axis leans towards the branch that comes there: what it does so near says nothing of the line. */
const AT_JUNCTION = 0.8;

/** One branch of two that go on into each other, straight past the junction. */
function joinedThrough(a: Branch, b: Branch, nearMm: number): Branch {
  const junction = a.points[a.points.length - 1]!;
  const far = (p: Point, i: number, all: readonly Point[], end: number): boolean =>
    i === end || distance(p, junction) > nearMm || all.length < 3;
  const head = a.points.map((p, i, all) => ({ p, r: a.radii[i]!, keep: far(p, i, all, 0) }));
  const tail = b.points.map((p, i, all) => ({ p, r: b.radii[i]!, keep: far(p, i, all, all.length - 1) }));
  const kept = [...head, ...tail].filter((k) => k.keep);
  return { from: a.from, to: b.to, points: kept.map((k) => k.p), radii: kept.map((k) => k.r) };
}

/** Bends this short, in widths, between straight stretches that turn by more than this, radians, are corners that the axis has rounded. */
const SHORT_BEND = 1.4;
const CORNER_TURN = 0.5;

/** The same path with its corners where its straight stretches meet. */
function cornered(path: Subpath, widthMm: number): Subpath {
  const segments = path.segments.slice();
  const startOf = (i: number): Point => (i > 0 ? segments[i - 1]!.to : path.start);
  for (let i = 1; i + 1 < segments.length; i++) {
    const [before, after] = [segments[i - 1]!, segments[i + 1]!];
    if (before.c1 || after.c1 || distance(startOf(i), segments[i]!.to) > SHORT_BEND * widthMm) continue;
    const [d, e] = [unit(sub(before.to, startOf(i - 1))), unit(sub(after.to, segments[i]!.to))];
    if (Math.abs(atan2(cross(d, e), dot(d, e))) < CORNER_TURN) continue;
    const at = meeting(before.to, d, segments[i]!.to, e);
    if (!at || distance(at, before.to) > SHORT_BEND * widthMm) continue;
    segments.splice(i - 1, 2, { to: at });
    i--;
  }
  return { ...path, segments };
}

/** The middle of a branch, led on to where its ends are drawn, or held back to there. */
function reaching(b: Branch, reach: Reach): Point[] {
  const whole = reach.degree.get(b.to) === 1 ? ledOn(b, reach) : b;
  return (reach.degree.get(b.from) === 1 ? reversed(ledOn(reversed(whole), reach)) : whole).points;
}

/** The way out is read where the width is still that of the line: nearer to the end an axis may run into a corner. */
function ledOn(b: Branch, { area, widthMm, cap }: Reach): Branch {
  const { points, radii } = b;
  const tip = points[points.length - 1]!;
  const nearby = radii.filter((_, i) => distance(points[i]!, tip) <= NEARBY * widthMm).sort((p, q) => p - q);
  const own = nearby[nearby.length >> 1]!;
  const sound = points.findLastIndex((p, i) => radii[i]! >= SOUND * own && distance(p, tip) >= SOUND_BACK * widthMm);
  const kept = sound < 1 ? b : { ...b, points: points.slice(0, sound + 1), radii: radii.slice(0, sound + 1) };
  const end = endOf(kept);
  const mm = distance(end.at, outlineAhead(area, end.at, end.out, widthMm)) - (cap === 'round' ? widthMm / 2 : 0);
  return mm > 0.02 ? { ...kept, points: [...kept.points, add(end.at, scale(end.out, mm))], radii: [...kept.radii, widthMm / 2] } : kept;
}
const SOUND = 0.85;
const SOUND_BACK = 0.55;
const NEARBY = 3;

/** How far from a corner a middle is rounded, as a share of the width. */
const ROUNDED = 0.55;

function fitted(line: readonly Point[], widthMm: number, { tolerance, noise }: Pick<FitOptions, 'tolerance' | 'noise'>): Subpath {
  const isLoop = line.length > 3 && distance(line[0]!, line[line.length - 1]!) < 1e-6;
  // Fitting counts in pixels of a border: here one step is one.
  const points = resample(line, STEP_MM).map((p) => scale(p, 1 / STEP_MM));
  const options: FitOptions = { tolerance: tolerance / STEP_MM, noise: noise / STEP_MM, blur: (ROUNDED * widthMm) / STEP_MM };
  const ends = { from: points[0]!, to: points[points.length - 1]! };
  const path = isLoop ? shapeOfBorder(points.slice(0, -1), null, options) : shapeOfBorder(points, ends, options);
  const back = (p: Point): Point => scale(p, STEP_MM);
  return {
    start: back(path.start),
    closed: path.closed,
    segments: path.segments.map((s) => (s.c1 && s.c2 ? { c1: back(s.c1), c2: back(s.c2), to: back(s.to) } : { to: back(s.to) })),
  };
}
