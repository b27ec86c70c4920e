import { distance, mix, type Point } from '../../geometry/point';
import type { StitchBuffer } from '../../plan/buffer';
import { SHORTEST_STITCH_MM } from '../../units/tolerances';
import { crossingAt, widenRow, type Track } from './track';

export interface ColumnCover {
  /** Distance between successive penetrations on the outer side, mm. */
  spacingMm: number;
  /** Added at the left and the right end of each row, mm; negative draws rows in, as underlay does. */
  widenMm: readonly [number, number];
  /** Rows are never shorter, mm. */
  leastWidthMm: number;
  /** Rows longer than this get interior penetrations, mm. */
  splitMm: number;
}

/** Inner penetrations nearer than this are shortened alternately, mm (craft §4). */
const CROWDED_MM = 0.25;
/** The inner side of a turn moves on by less than this share of the outer side. */
const TURNING = 0.85;
/** How far a shortened stitch stays back, as a share of its row. */
const SHORTEN = 0.22;
const MOST_SHORTENED_MM = 1.5;

/**
 * Sews zigzag rows along a track. Penetrations lie on a lattice of the track's advance, even ones left, odd ones right,
 * so parts of one track that are sewn separately line up.
 */
export function sewColumn(out: StitchBuffer, track: Track, backwards: boolean, cover: ColumnCover, role: number): void {
  const half = cover.spacingMm / 2;
  const first = Math.ceil(track.advance[0]! / half - 1e-9);
  const last = Math.floor(track.advance[track.advance.length - 1]! / half + 1e-9);
  let hint = backwards ? track.advance.length - 1 : 1;
  for (let n = 0; n <= last - first; n++) {
    const k = backwards ? last - n : first + n;
    const { crossing, index } = crossingAt(track, k * half, hint);
    hint = index;
    const [left, right] = widenRow(
      crossing.left,
      crossing.right,
      widened(cover.widenMm[0], crossing.leftPace),
      widened(cover.widenMm[1], crossing.rightPace),
      cover.leastWidthMm,
    );
    const onLeft = ((k % 2) + 2) % 2 === 0;
    const inner = onLeft ? crossing.leftPace : crossing.rightPace;
    // Rows that are meant to lie this near on a straight are not crowded.
    const pace = inner < TURNING ? inner * cover.spacingMm : Infinity;
    const target = shortened(onLeft ? left : right, onLeft ? right : left, pace, Math.floor(k / 2));
    splitTowards(out, target, cover.splitMm, k, role);
    if (n === 0) out.pushClear(target.x, target.y, role, SHORTEST_STITCH_MM);
    else out.push(target.x, target.y, role);
  }
}

/** Where rows converge on the inside of a turn there is nothing to widen: their ends would cross into the other arm. */
const widened = (mm: number, pace: number): number => (mm <= 0 ? mm : mm * Math.min(1, Math.max(0, (pace - 0.1) / 0.3)));

/** On the inside of a turn every second penetration stays back, and two of three where even those would crowd. */
function shortened(own: Point, other: Point, gapMm: number, ordinal: number): Point {
  if (gapMm >= CROWDED_MM) return own;
  const third = ((ordinal % 3) + 3) % 3;
  const depth = gapMm < 0.02 ? third + 0.5 : gapMm < CROWDED_MM / 2 ? third : ((ordinal % 2) + 2) % 2;
  if (depth === 0) return own;
  const width = distance(own, other);
  if (width < 1.4) return own;
  // Barely crowded rows stay back a little only, so that no notch shows where shortening sets in.
  const need = Math.min(1, Math.max(0.4, (CROWDED_MM - gapMm) / (CROWDED_MM / 3)));
  return mix(own, other, Math.min(SHORTEN, MOST_SHORTENED_MM / width) * depth * need);
}

/** Interior penetrations of a row that is too long for one stitch, staggered from row to row so that no line forms. */
function splitTowards(out: StitchBuffer, target: Point, limit: number, ordinal: number, role: number): void {
  const here = out.last();
  if (!here) return;
  const length = distance(here, target);
  if (length <= limit) return;
  const parts = Math.ceil((length * 1.2) / limit);
  const turn = ((ordinal % 4) + 4) % 4;
  // Places count from the left side whichever way the row runs, so that four neighbouring rows have four of them.
  const shift = (turn - 1.5) * (turn % 2 === 0 ? -1 : 1);
  for (let i = 1; i < parts; i++) {
    const t = (i + shift * 0.12) / parts;
    const p = mix(here, target, t);
    out.push(p.x, p.y, role);
  }
}
