import { onceEach } from '../geometry/known';
import { dividedAt, lineLength, resample, tangents } from '../geometry/line';
import type { Point } from '../geometry/point';
import type { Face } from './faces';
import { inkOf, type Glyph, type Stroke } from './glyph';

/** Letters whose nearest places lie farther apart than usual are moved together by this share of what is too much … */
const SHARE = 0.8;
/** … and by no more than this, cap heights. */
const MOST = 0.26;
/** Words are all as far apart, by the nearest places of their letters: they are moved together by up to so much for it. */
const MOST_BETWEEN_WORDS = 0.8;
/** Places of a stroke's middle that are looked at, cap heights apart. */
const STEP = 0.06;

interface Outline {
  left: number;
  right: number;
  /** Places on middles with the half width there. */
  places: readonly (Point & { half: number })[];
  /** Of a letter of strokes, places on the edges of its ink. */
  sides?(): Outline['places'];
}

function outlineOf(glyph: Glyph, w: number, round = false): Outline {
  const [left, right] = inkOf(glyph, w);
  if (glyph.outline)
    return { left, right, places: glyph.outline.flatMap((ring) => resample([...ring, ring[0]!], STEP).map((p) => ({ ...p, half: 0 }))) };
  const within = (s: Stroke, p: Point): boolean => !s.level || (p.y >= s.level[0] && p.y <= s.level[1]);
  const places = glyph.strokes.flatMap((s) =>
    resample(s.middle, STEP)
      .filter((p) => within(s, p))
      .map((p) => ({ ...p, half: (s.width * w) / 2 })),
  );
  return {
    left,
    right,
    places,
    sides: () => glyph.strokes.flatMap((s) => edgesOf(s, (s.width * w) / 2, round).filter((p) => within(s, p))),
  };
}

/** Places about a stroke: where its ends are cut flat its ink ends there, not half its width farther on; round ends begin before. */
function edgesOf({ middle, closed, level }: Stroke, half: number, round: boolean): Outline['places'] {
  if (round && !closed && !level) {
    const by = Math.min(half, lineLength(middle) / 3);
    const inner = dividedAt(dividedAt(middle, by)[1].reverse(), by)[1];
    return resample(inner, STEP).map((p) => ({ ...p, half }));
  }
  const line = resample(middle, STEP);
  const along = tangents(line, closed);
  return line.flatMap((p, i) => [half, -half].map((by) => ({ x: p.x - along[i]!.y * by, y: p.y + along[i]!.x * by, half: 0 })));
}

const outlinesOf = (draw: (sign: string) => Glyph | null, w: number, round = false): ((sign: string) => Outline | null) =>
  onceEach((sign: string) => {
    const glyph = draw(sign);
    return glyph && outlineOf(glyph, w, round);
  });

/**
 * How much nearer two letters of a face are moved than their widths say, cap heights; known for each pair.
 * @param farthest at which words are still joined by thread, cap heights
 * @returns for two letters, and what stands between their words beside the usual distance, 0 inside a word
 */
export function kerningOf(
  face: Face,
  draw: (char: string) => Glyph | null,
  farthest: number,
): (first: string, second: string, words?: number) => number {
  const known = new Map<string, number>();
  const of = outlinesOf(draw, face.proportions.w, face.ends === 'round');
  return (first, second, words = 0) => {
    const key = `${first}${second}${words}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    const [a, b] = [of(first), of(second)];
    const apart = face.apart + words;
    const exact = words > 0 && a && b ? ([edged(a), edged(b)] as const) : null;
    const found = a && b && !exact ? between(a, b, apart) : apart;
    const nearer = exact
      ? movedUntil((nearer) => between(...exact, apart - nearer), { apart, farthest: Math.max(apart, farthest) })
      : Math.min(MOST, SHARE * Math.max(0, found - apart));
    known.set(key, nearer);
    return nearer;
  };
}

/**
 * How much nearer words of outlined letters are moved than their spaces say, heights of capitals: so that they are all as far apart by
 * the nearest places of their letters.
 */
export function wordKerning(
  draw: (sign: string) => Glyph | null,
  farthest: number,
): (first: string, second: string, shift: number, apart: number) => number {
  const of = outlinesOf(draw, 0);
  return (first, second, shift, apart) => {
    const [a, b] = [of(first), of(second)];
    return a && b ? movedUntil((nearer) => nearestAt(a, b, shift - nearer), { apart, farthest: Math.max(apart, farthest) }) : 0;
  };
}

const edged = (o: Outline): Outline => ({ ...o, places: o.sides?.() ?? o.places });

/** How far apart the ink of two words should be, and the farthest at which they are still joined by thread, heights of capitals. */
interface WordGap {
  apart: number;
  farthest: number;
}

/**
 * How much nearer a word comes: by what its ink is too far off, as it stands; and on, where letters pass each other slantwise, until it
 * can be joined. What lacks never brings them nearer than that.
 */
function movedUntil(awayWhen: (nearer: number) => number, { apart, farthest }: WordGap): number {
  let nearer = Math.max(0, awayWhen(0) - apart);
  for (let i = 0; i < MOST_STEPS && nearer < MOST_BETWEEN_WORDS; i++) {
    const lacks = awayWhen(nearer) - farthest;
    if (lacks < NEAR) break;
    nearer += lacks;
  }
  return Math.min(MOST_BETWEEN_WORDS, nearer);
}
const MOST_STEPS = 8;
/** So near to the distance is near enough, cap heights. */
const NEAR = 0.005;

/** How near the ink of two letters comes when their widths lie so far apart. */
const between = (a: Outline, b: Outline, apart: number): number => nearestAt(a, b, a.right + apart - b.left);

/** How near the ink of two letters comes, the second so far to the right of the first. */
function nearestAt(a: Outline, b: Outline, shift: number): number {
  let least = Infinity;
  for (const p of a.places) {
    for (const q of b.places) {
      const [dx, dy] = [q.x + shift - p.x, q.y - p.y];
      const away = Math.sqrt(dx * dx + dy * dy) - p.half - q.half;
      if (away < least) least = away;
    }
  }
  return least;
}
