import type { StitchBuffer } from '../../stitches/buffer';
import { SHORTEST_STITCH_MM } from '../../units/tolerances';
import { pulledAt, type PullLaw } from '../rules/pull';
import { rowAt, rowScratch, type RowScratch, type Track } from './track';

export interface ColumnCover {
  /** Distance between successive penetrations on the outer side, mm. */
  spacingMm: number;
  /** Added at the left and the right end of each row; negative draws rows in, as underlay does. */
  widen: readonly [PullLaw, PullLaw];
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
  const row = rowScratch();
  for (let n = 0; n <= last - first; n++) {
    const k = backwards ? last - n : first + n;
    hint = rowAt(track, k * half, hint, row);
    widen(row, cover);
    const onLeft = k % 2 === 0;
    const inner = onLeft ? row.leftPace : row.rightPace;
    // Rows that are meant to lie this near on a straight are not crowded.
    const pace = inner < TURNING ? inner * cover.spacingMm : Infinity;
    const back = pace >= CROWDED_MM ? 0 : heldBack(lengthOf(row), pace, Math.floor(k / 2));
    const [x, y] = onLeft ? [row.leftX, row.leftY] : [row.rightX, row.rightY];
    const tx = back > 0 ? x + ((onLeft ? row.rightX : row.leftX) - x) * back : x;
    const ty = back > 0 ? y + ((onLeft ? row.rightY : row.leftY) - y) * back : y;
    splitTowards(out, tx, ty, cover.splitMm, k, role);
    if (n === 0) out.pushClear(tx, ty, role, SHORTEST_STITCH_MM);
    else out.push(tx, ty, role);
  }
}

function lengthOf(row: RowScratch): number {
  const dx = row.rightX - row.leftX;
  const dy = row.rightY - row.leftY;
  return Math.sqrt(dx * dx + dy * dy);
}

/** Moves both ends of a row outward and keeps the least width between them. */
function widen(row: RowScratch, cover: ColumnCover): void {
  const length = lengthOf(row);
  const leftMm = widened(pulledAt(cover.widen[0], length), row.leftPace);
  const rightMm = widened(pulledAt(cover.widen[1], length), row.rightPace);
  const lack = Math.max(0, cover.leastWidthMm - (length + leftMm + rightMm)) / 2;
  const ux = length > 0 ? (row.rightX - row.leftX) / length : 1;
  const uy = length > 0 ? (row.rightY - row.leftY) / length : 0;
  row.leftX -= ux * (leftMm + lack);
  row.leftY -= uy * (leftMm + lack);
  row.rightX += ux * (rightMm + lack);
  row.rightY += uy * (rightMm + lack);
}

/** Where rows converge on the inside of a turn there is nothing to widen: their ends would cross into the other arm. */
const widened = (mm: number, pace: number): number => (mm <= 0 ? mm : mm * Math.min(1, Math.max(0, (pace - 0.1) / 0.3)));

/**
 * How far a penetration stays back from its end, as a share of the row: on the inside of a turn every second one does,
 * and two of three where even those would crowd.
 */
function heldBack(width: number, gapMm: number, ordinal: number): number {
  const third = ((ordinal % 3) + 3) % 3;
  const depth = gapMm < 0.02 ? third + 0.5 : gapMm < CROWDED_MM / 2 ? third : ((ordinal % 2) + 2) % 2;
  if (depth === 0 || width < 1.4) return 0;
  // Barely crowded rows stay back a little only, so that no notch shows where shortening sets in.
  const need = Math.min(1, Math.max(0.4, (CROWDED_MM - gapMm) / (CROWDED_MM / 3)));
  return Math.min(SHORTEN, MOST_SHORTENED_MM / width) * depth * need;
}

/** Interior penetrations of a row that is too long for one stitch, staggered from row to row so that no line forms. */
function splitTowards(out: StitchBuffer, x: number, y: number, limit: number, ordinal: number, role: number): void {
  if (out.length === 0) return;
  const fromX = out.lastX();
  const fromY = out.lastY();
  const [dx, dy] = [x - fromX, y - fromY];
  const square = dx * dx + dy * dy;
  if (square <= limit * limit) return;
  const parts = Math.ceil((Math.sqrt(square) * 1.2) / limit);
  const turn = ((ordinal % 4) + 4) % 4;
  // Places count from the left side whichever way the row runs, so that four neighbouring rows have four of them.
  const shift = (turn - 1.5) * (turn % 2 === 0 ? -1 : 1);
  for (let i = 1; i < parts; i++) {
    const t = (i + shift * 0.12) / parts;
    out.push(fromX + dx * t, fromY + dy * t, role);
  }
}
