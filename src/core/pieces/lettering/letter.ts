import { areaOf, clean, components, intersect, roughOffset, strokeArea, subtract, turnedRight, unite } from '../../geometry/area';
import { calmTangents, dividedAt, lineLength, resample, smooth, withoutRepeats } from '../../geometry/line';
import { distance, mix, type Area, type Point } from '../../geometry/point';
import { UnionFind } from '../../geometry/unionFind';
import type { Corners } from '../../document/types';
import type { Face } from '../../lettering/faces';
import type { Stroke } from '../../lettering/glyph';
import type { LaidText, PlacedGlyph } from '../../lettering/layout';
import { OVERLAP_MM, SAME_POINT_MM } from '../../units/tolerances';
import { cos, sin } from '../../units/trig';
import { castRows } from '../satin/cast';
import { extend } from '../satin/fromLine';
import { indexEdges } from '../satin/outlineEdges';
import { sliceTrack, type Column, type Track } from '../satin/track';
import { joinedLetter, type JoinedColumns } from './joinedParts';
import { outlinedLetter } from './outlined';
import { caps, cornersIn, mitred, reachingCorners, squareOf, turned, type LetterStroke } from './letterCorners';
import { endOf, jointsOf, type End, type Joint, type PlacedStroke } from './joints';

/** A letter as columns that hang together. */
export interface Letter extends JoinedColumns {
  painted: Area;
}

const STEP_MM = 0.12;
/** Rows reach so far out into a corner that is turned, half widths. */
const CORNER_REACH = 1.5;
/** Nodes beyond those of strokes, and short of those of cuts. */
const FIRST_CAP_NODE = 2_000_000;
/** Nearer to its end than this a stroke is not divided for what joins it: that joins its end, mm. */
const AT_END_MM = 0.6;
/** An end is cut off no farther from its joint than this, in stroke widths: it may cross the same stroke again. */
const CUT_REACH = 2.5;
/** Wider than any letter, in cap heights. */
const FAR = 6;

/** Letters by how they are drawn: a text is full of letters that were worked out before, elsewhere. */
const known = new Map<string, Letter>();
const MOST_KNOWN = 600;

/**
 * The columns of one letter, joined where its strokes meet.
 * @param corners how corners of block letters are made; as the face draws them, or its outlines turn, where absent
 */
export function letterOf(placed: PlacedGlyph, { face }: LaidText, corners?: Corners): Letter {
  if (!placed.isRigid) return workedOut(placed, placed.place, face, corners);
  const { glyph, height, strokeMm, local, place, turn } = placed;
  const lean = local({ x: 0, y: 1 }).x - local({ x: 0, y: 0 }).x;
  const key = JSON.stringify([glyph.outline ?? glyph.strokes, glyph.width, face.ends, height, strokeMm, lean, corners]);
  let letter = known.get(key);
  if (!letter) {
    letter = workedOut(placed, local, face, corners);
    if (known.size >= MOST_KNOWN) known.delete(known.keys().next().value!);
    known.set(key, letter);
  }
  const origin = place({ x: glyph.width / 2, y: 0 });
  const [c, s] = [cos(turn), sin(turn)];
  return movedLetter(letter, (p) => ({ x: origin.x + p.x * c - p.y * s, y: origin.y + p.x * s + p.y * c }));
}

function movedLetter({ columns, apart, painted }: Letter, to: (p: Point) => Point): Letter {
  const moved = (column: Column): Column => ({
    ...column,
    track: { left: column.track.left.map(to), right: column.track.right.map(to), advance: column.track.advance },
  });
  return { columns: columns.map(moved), ...(apart ? { apart: apart.map(moved) } : {}), painted: painted.map((ring) => ring.map(to)) };
}

/** A letter in a frame of mm, y downward. */
type Frame = (p: Point) => Point;

function workedOut(placed: PlacedGlyph, frame: Frame, face: Face, corners?: Corners): Letter {
  const { outline } = placed.glyph;
  if (outline) return outlinedLetter(outline.map((ring) => ring.map(frame)), corners ?? 'turn'); // prettier-ignore
  return strokedLetter(placed, frame, face, corners ?? 'butt');
}

/** A letter of strokes as columns, and what it paints. */
function strokedLetter({ glyph, strokeMm, height }: PlacedGlyph, frame: Frame, face: Face, corners: Corners): Letter {
  const placed = glyph.strokes.map((s): LetterStroke => ({
    stroke: placedStroke(s, frame, strokeMm),
    ...(s.level ? { level: s.level } : {}),
  }));
  const drawn = corners === 'turn' ? turned(placed) : placed;
  const all = jointsOf(drawn.map((s) => s.stroke));
  const cut = corners === 'mitre' ? cornersIn(all) : corners === 'cap' ? squareOf(drawn, cornersIn(all)) : [];
  const joints = all.map((j) => (cut.includes(j) ? { ...j, tucked: false } : j));
  const isJoined = (i: number, end: End): boolean =>
    joints.some((j) => (j.under === i && j.underEnd === end) || (j.over === i && j.overEnd === end));
  const isRound = (i: number, end: End): boolean => face.ends === 'round' && !drawn[i]!.level && !isJoined(i, end);
  // A round end reaches as far as a flat one would.
  const strokes = drawn.map((s, i) => ({ ...s, stroke: withoutEnds(s.stroke, (end) => isRound(i, end)) }));
  const painted = strokes.map((s, i) => paintedBy(s, frame, 1 / height, (end) => isRound(i, end)));
  const beneath = painted.map((area, i) => cutBeneath(area, i, joints, painted, CUT_REACH * strokeMm));
  const shapes = cut.length > 0 ? mitred(strokes, beneath, cut) : beneath;
  const nodes = new UnionFind(2 * strokes.length + joints.length);
  const columns = reachingCorners(strokes, cut).flatMap((s, i) => {
    const track = trackOf({ ...strokes[i]!, stroke: s }, shapes[i]!, (end) => isRound(i, end));
    return track ? columnsOf(track, i, s.closed, { strokes: strokes.length, joints, nodes }, (end) => !isJoined(i, end)) : [];
  });
  const ink = unite(...painted);
  const root = (c: Column): Column => ({
    ...c,
    from: nodes.root(c.from),
    to: nodes.root(c.to),
    tuckedAt: c.tuckedAt?.map((n) => nodes.root(n)) ?? [],
  });
  const covers = corners === 'cap' ? caps(strokes, cut, ink) : [];
  const capped = covers.map(({ joint, track }, k): Column => {
    const node = nodes.root(2 * strokes.length + joints.findIndex((j) => j.at === joint.at));
    return { from: node, to: FIRST_CAP_NODE + k, track };
  });
  return { ...joinedLetter([...columns.map(root), ...capped]), painted: ink };
}

/** What a letter paints, without its columns. */
export function inkOf(placed: PlacedGlyph, { face }: LaidText): Area {
  const { glyph, strokeMm, height, place } = placed;
  if (glyph.outline)
    return clean(
      glyph.outline.map((ring) => ring.map(place)),
      'nonzero',
    );
  const round = face.ends === 'round';
  return unite(
    ...glyph.strokes.map((s) => {
      const drawn = placedStroke(s, place, strokeMm);
      const isRound = (): boolean => round && !s.level;
      return paintedBy({ ...s, stroke: withoutEnds(drawn, isRound) }, place, 1 / height, isRound);
    }),
  );
}

function placedStroke(s: Stroke, frame: Frame, strokeMm: number): PlacedStroke {
  return { middle: withoutRepeats(s.middle.map(frame), SAME_POINT_MM), closed: s.closed, widthMm: s.width * strokeMm };
}

/** A stroke shorter by half its width at some of its ends. */
function withoutEnds(stroke: PlacedStroke, which: (end: End) => boolean): PlacedStroke {
  if (stroke.closed) return stroke;
  const half = stroke.widthMm / 2;
  const cut = (line: readonly Point[], by: number): Point[] => dividedAt(line, Math.min(by, lineLength(line) / 3))[1];
  let middle: Point[] = stroke.middle.slice();
  if (which(0)) middle = cut(middle, half);
  if (which(1)) middle = cut(middle.reverse(), half).reverse();
  return { ...stroke, middle };
}

/** Rows of slanting strokes are compensated beyond the level at which they are cut: by so much where they lie at 45 degrees and more, mm. */
const LEVEL_IN_MM = 0.15;

/** How much a stroke leans, 0 for an upright one. */
function slantOf(middle: readonly Point[]): number {
  const [a, b] = [middle[0]!, middle[middle.length - 1]!];
  return Math.abs(b.x - a.x) / Math.max(SAME_POINT_MM, distance(a, b));
}

/** What a stroke paints by itself. */
function paintedBy({ stroke, level, turns }: LetterStroke, frame: Frame, perMm: number, isRound: (end: End) => boolean): Area {
  const { middle, closed, widthMm } = stroke;
  const plain = strokeArea([middle], closed, { widthMm, cap: 'butt', join: turns ? 'miter' : 'round', miterLimit: 4 });
  if (level) {
    const inset = slantOf(middle) * LEVEL_IN_MM * perMm;
    const [low, high] = [level[0] + inset, level[1] - inset];
    return intersect(plain, [
      turnedRight(
        [
          [-FAR, low],
          [FAR, low],
          [FAR, high],
          [-FAR, high],
        ].map(([x, y]) => frame({ x: x!, y: y! })),
      ),
    ]);
  }
  const balls = closed ? [] : ([0, 1] as const).filter(isRound).map((end) => ballAbout(endOf(stroke, end), widthMm / 2));
  return balls.length === 0 ? plain : unite(plain, ...balls);
}

/** A stroke without what lies deeper than the overlap beneath those that an end of it is tucked under. */
function cutBeneath(area: Area, i: number, joints: readonly Joint[], painted: readonly Area[], reachMm: number): Area {
  const over = joints.filter((j) => j.under === i && j.tucked);
  if (over.length === 0) return area;
  const beneath = over.map((j) => intersect(roughOffset(painted[j.over]!, -OVERLAP_MM), ballAbout(j.at, reachMm)));
  const left = subtract(area, unite(...beneath));
  const parts = components(left);
  return parts.length < 2 ? left : parts.reduce((a, b) => (areaOf(b) > areaOf(a) ? b : a));
}

const ballAbout = (p: Point, radius: number): Area =>
  strokeArea([[p, { x: p.x + 0.001, y: p.y }]], false, { widthMm: 2 * radius, cap: 'round', join: 'round', miterLimit: 4 });

function trackOf({ stroke, turns }: LetterStroke, area: Area, isRound: (end: End) => boolean): Track | null {
  const { middle, closed, widthMm } = stroke;
  const half = widthMm / 2;
  const even = resample(middle, STEP_MM);
  const ring = closed ? smooth(even.slice(0, -1), 4, true) : [];
  const line = closed ? [...ring, ring[0]!] : smooth(even, 4, false);
  const along = closed ? line : extend(line, isRound(0) ? half - 0.02 : 0, isRound(1) ? half - 0.02 : 0);
  // Rows fan about a corner over all of it, and reach out into it.
  const [calm, far] = turns ? [1, CORNER_REACH] : [0.3, 1.02];
  const directions = calmTangents(along, closed, Math.max(2, Math.round((calm * half) / STEP_MM)));
  const reach = (): number => half * far + 0.01;
  const track = castRows(along, directions, reach, reach, indexEdges(area));
  return track && !closed ? withoutTips(track) : track;
}

/** A track without rows at its ends that would be shorter than what sews: made as long as that, they would stand out of the letter. */
function withoutTips(track: Track): Track {
  const last = track.left.length - 1;
  const isTip = (i: number): boolean => distance(track.left[i]!, track.right[i]!) < TIP_ROW_MM;
  let [from, to] = [0, last];
  while (from < last && isTip(from)) from++;
  while (to > from && isTip(to)) to--;
  return (from === 0 && to === last) || to - from < 2 ? track : sliceTrack(track, from, to);
}
const TIP_ROW_MM = 0.6;

/** Strokes that meet, by nodes: two for the ends of each stroke, then one for each joint. */
interface Meetings {
  strokes: number;
  joints: readonly Joint[];
  nodes: UnionFind;
}

/** The columns of a stroke between the places where others join it. */
function columnsOf(
  track: Track,
  stroke: number,
  closed: boolean,
  { strokes, joints, nodes }: Meetings,
  isOpen: (end: End) => boolean,
): Column[] {
  const last = track.left.length - 1;
  const [first, final] = [2 * stroke, closed ? 2 * stroke : 2 * stroke + 1];
  const tucked = new Set<number>();
  const cuts: { row: number; node: number }[] = [];
  joints.forEach((j, k) => {
    if (j.under !== stroke && j.over !== stroke) return;
    const node = 2 * strokes + k;
    const end = j.under === stroke ? j.underEnd : j.overEnd;
    const row = nearestRow(track, j.at);
    const [fromStart, fromEnd] = [track.advance[row]! - track.advance[0]!, track.advance[last]! - track.advance[row]!];
    if (end === 0 || (end === null && fromStart < AT_END_MM)) nodes.join(node, first);
    else if (end === 1 || (end === null && fromEnd < AT_END_MM)) nodes.join(node, final);
    else cuts.push({ row, node });
    if (j.under === stroke && j.tucked && end !== null) tucked.add(end === 0 ? first : final);
  });
  const stops = [{ row: 0, node: first }, ...cuts.sort((a, b) => a.row - b.row), { row: last, node: final }];
  return stops.slice(1).flatMap((to, k): Column[] => {
    const from = stops[k]!;
    if (to.row - from.row < 1) {
      nodes.join(from.node, to.node);
      return [];
    }
    const [starts, ends] = [k === 0, k === stops.length - 2];
    return [
      {
        from: from.node,
        to: to.node,
        track: stops.length === 2 ? track : sliceTrack(track, from.row, to.row),
        openFrom: starts && !closed && isOpen(0),
        openTo: ends && !closed && isOpen(1),
        stopsFrom: starts && !closed && !tucked.has(first),
        stopsTo: ends && !closed && !tucked.has(final),
        tuckedAt: [...(starts && tucked.has(first) ? [first] : []), ...(ends && tucked.has(final) ? [final] : [])],
      },
    ];
  });
}

function nearestRow({ left, right }: Track, p: Point): number {
  let [best, least] = [0, Infinity];
  left.forEach((l, i) => {
    const mm = distance(mix(l, right[i]!, 0.5), p);
    if (mm < least) [best, least] = [i, mm];
  });
  return best;
}
