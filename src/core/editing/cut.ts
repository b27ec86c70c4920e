import type { Piece } from '../document/types';
import { areaOf, components, contains, intersect, unite } from '../geometry/area';
import { fittedData } from '../geometry/fit';
import { outlineOf } from '../geometry/outline';
import { dataToRings, ringsToData } from '../geometry/path';
import { add, cross, dot, mix, scale, sub, unit, type Area, type Line, type Point } from '../geometry/point';
import { UnionFind } from '../geometry/unionFind';
import { without } from '../document/without';

/** Edited outlines keep this near to what was cut, mm. */
const KEEP_MM = 0.02;
/** Longer than any hoop, mm. */
const FAR_MM = 4000;
const LEAST_AREA_MM2 = 0.05;

/** A straight cut from one place to another. */
interface Cut {
  a: Point;
  b: Point;
}

const sideOf = ({ a, b }: Cut, p: Point): number => cross(sub(b, a), sub(p, a));

/** How far along the cut a place on its line lies: 0 at its beginning, 1 at its end. */
const shareOf = ({ a, b }: Cut, p: Point): number => dot(sub(p, a), sub(b, a)) / dot(sub(b, a), sub(b, a));
/** What the cut's prolongation alone meets is not cut; ends that almost reach count. */
const isWithin = (share: number): boolean => share > -0.02 && share < 1.02;

/** Where a line crosses the line of a cut, as places with the index of the point after each. */
function crossingsOf(line: Line, cut: Cut): { at: Point; next: number }[] {
  const out: { at: Point; next: number }[] = [];
  for (let i = 1; i < line.length; i++) {
    const [p, q] = [sideOf(cut, line[i - 1]!), sideOf(cut, line[i]!)];
    if (p !== q && p > 0 !== q > 0) out.push({ at: mix(line[i - 1]!, line[i]!, p / (p - q)), next: i });
  }
  return out;
}

/** A line in two at the first place where the cut crosses it; null when it does not. */
function cutLine(line: Line, cut: Cut): [Line, Line] | null {
  const found = crossingsOf(line, cut).find(({ at }) => isWithin(shareOf(cut, at)));
  return (
    (found && [
      [...line.slice(0, found.next), found.at],
      [found.at, ...line.slice(found.next)],
    ]) ??
    null
  );
}

/** Everything on one side of a cut that goes on for ever. */
function half({ a, b }: Cut, side: 1 | -1): Area {
  const along = scale(unit(sub(b, a)), FAR_MM);
  const out = scale({ x: -along.y, y: along.x }, side);
  const [from, to] = [sub(a, along), add(b, along)];
  return [[from, to, add(to, out), add(from, out)]];
}

const BESIDE_MM = 0.02;

/**
 * An area in two along a cut. It is divided by the cut's whole line; what the cut itself does not part is put together again,
 * and goes to the side on which more of it lies.
 */
function cutArea(area: Area, cut: Cut): [Area, Area] | null {
  const sides = ([1, -1] as const).map((side) => components(intersect(area, half(cut, side))));
  const all = sides.flat();
  const groups = new UnionFind(all.length);
  const across = scale(unit({ x: cut.a.y - cut.b.y, y: cut.b.x - cut.a.x }), BESIDE_MM);
  const partAt = (p: Point): number => all.findIndex((part) => contains(part, p));
  const shares = area.flatMap((ring) => crossingsOf([...ring, ring[0]!], cut).map(({ at }) => shareOf(cut, at))).sort((p, q) => p - q);
  for (let k = 1; k < shares.length; k += 2) {
    const [from, to] = [shares[k - 1]!, shares[k]!];
    if (isWithin(from) && isWithin(to)) continue;
    const middle = mix(cut.a, cut.b, (from + to) / 2);
    const [one, other] = [partAt(add(middle, across)), partAt(sub(middle, across))];
    if (one >= 0 && other >= 0) groups.join(one, other);
  }
  const isFirst = all.map((_, i) => {
    const ofGroup = (side: number): number =>
      all.reduce(
        (sum, part, k) => sum + (groups.root(k) === groups.root(i) && k < sides[0]!.length === (side === 0) ? areaOf(part) : 0),
        0,
      );
    return ofGroup(0) >= ofGroup(1);
  });
  // Put together along the whole line, so that no seam is left where nothing was cut.
  const put = (first: boolean): Area => wholeOf(all.filter((_, i) => isFirst[i] === first));
  const [one, other] = [put(true), put(false)];
  return areaOf(one) < LEAST_AREA_MM2 || areaOf(other) < LEAST_AREA_MM2 ? null : [one, other];
}

const wholeOf = (parts: readonly Area[]): Area => (parts.length === 0 ? [] : unite(...parts));

const lineData = (line: Line): string => ringsToData([line], false);

/**
 * A piece cut in two along a straight line from one place to another. Slants go to the part that they lie in; pinned ends to neither.
 * @returns the two parts, or null when the line does not go right through
 */
export function cutPiece(piece: Piece, a: Point, b: Point): [Piece, Piece] | null {
  const cut = { a, b };
  const rest = without(piece, 'start', 'end');
  if (piece.area) {
    const { area } = outlineOf(piece.area);
    const parts = cutArea(area, cut);
    if (!parts) return null;
    const [one, two] = parts.map((part, k): Piece => {
      const slants = (piece.slants ?? []).filter((s) => sideOf(cut, middleOf(s)) > 0 === (k === 0));
      return { ...without(rest, 'slants'), area: fittedData(part, KEEP_MM), ...(slants.length > 0 ? { slants } : {}) };
    });
    return [one!, two!];
  }
  if (piece.sides) {
    const sides = piece.sides.map((s) => cutLine(dataToRings(s)[0] ?? [], cut));
    if (!sides[0] || !sides[1]) return null;
    return [0, 1].map((k): Piece => ({ ...rest, sides: [lineData(sides[0]![k]!), lineData(sides[1]![k]!)] })) as [Piece, Piece];
  }
  const parts = piece.line ? cutLine(dataToRings(piece.line)[0] ?? [], cut) : null;
  return (
    parts && [
      { ...rest, line: lineData(parts[0]) },
      { ...rest, line: lineData(parts[1]) },
    ]
  );
}

function middleOf(slant: string): Point {
  const line = dataToRings(slant)[0] ?? [];
  return line.length === 0 ? { x: 0, y: 0 } : mix(line[0]!, line[line.length - 1]!, 0.5);
}
